import type { Round } from '../../core/log/events';

export const title = 'Check';
export const rounds: Record<Round, string> = {
  before: 'before, as it came',
  mid: 'mid check',
  after: 'after',
};
export const gone = 'This link is no longer good';
export const goneWhy =
  'Its round is over, two hours are, or another was made. Make a new one at the bench, under Checks.';
export const tooMany = 'Too many wrong links from here: wait a quarter of an hour.';
export const of = (n: number, all: number): string => `${n} of ${all}`;
export const on = 'on';
export const again = 'again';
export const onceMore = 'One of them once more?';
export const works = 'works';
export const doesNot = 'does not';
export const notTested = 'not tested';
export const passes = 'Passes when:';
export const byHand = 'This browser cannot reach it: you say.';
export const youSay = 'It cannot tell: you say';
export const doneTitle = 'All done';
export const done = 'The bench has it all. Close this page, and go on there.';
export const waiting = (n: number): string =>
  n === 1 ? 'one result waits for the network' : `${n} results wait for the network`;
export const anotherPhone = 'This link is in use on another phone. Make a new one at the bench.';
export const notTaken = 'The bench does not take this: load the page again.';
export const good = 'works';
export const measuring = 'measuring …';
export const begin = 'begin';
export const contradicts = 'You said otherwise at the bench: both stand there.';

export const wipe = 'Wipe over everything';
export const wipeHow = 'like frost off a pane, edges too';
export const twoFingers = (n: number): string => `fingers at once: ${n}`;
export const handsOff = (s: number): string => `Hands off: ${s} s`;
export const handsOffWhy = 'Does it touch itself?';
export const stretch = (w: number, h: number): string => `${Math.round(w)} × ${Math.round(h)} mm`;
export const answers = (share: number): string => `${Math.floor(share * 100)} % answers`;

export const lookAt = 'Tap where something is wrong';
export const even = 'even';
export const colours = ['white', 'black', 'red', 'green', 'blue', 'grey ramp', 'moving bar'] as const;
export const marked = (n: number): string => (n === 1 ? 'one place marked' : `${n} places marked`);
export const kinds = { spot: 'spot', line: 'line', tint: 'tint' };
export const clear = 'take back';

export const layDown = 'Lay it down, hands off';
export const turnOver = 'Now lay it on each of its six sides, then turn it round flat once';
export const sides = (n: number): string => `${n} of 6 sides`;
export const enough = 'done turning';
export const feels = 'It shakes: hands off';
export const listen = 'Quiet, please';
export const cover: Partial<Record<string, string>> = {
  loudspeaker: 'Cover the ear speaker',
  'ear-speaker': 'Cover the loudspeaker',
};
export const coverHow =
  'then press: it plays for six seconds, both sides and each alone, and listens to itself';
export const eachMicrophone = 'It plays a tone and listens with each microphone';
export const camera = (n: number, all: number): string => (all > 1 ? `Camera ${n} of ${all}` : 'Camera');
export const aimAtPrint = 'Hold it at something printed, then press';
export const aimFar = 'Now at something far away, then press';
export const aimAtSheet = 'Now at a plain white sheet, then press';
export const take = 'take';
export const sharpAsk = 'Sharp, no dust, no shake?';
export const yes = 'yes';
export const no = 'no';
export const network = 'Network and place: it asks whether it may know where it is';
export const plug = 'Plug the charger in, then press';
