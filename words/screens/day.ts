import type { StepAction } from '../../core/vocabulary/steps';

export const day = 'The day';
export const planning = 'Planning the day …';
export const cannot = (devices: string): string =>
  `Too few hands for all that was begun: ${devices} cannot all be come back to in time. Somebody goes there now; what has gone cold is warmed again.`;
export const away = 'The plan cannot be had: the bench does not answer. It comes by itself.';
export const inTime = (kept: number, of: number): string => `${kept} of ${of} promises kept`;
export const late = (name: string, minutes: string): string => `${name} ${minutes} late`;
export const slips = (name: string, percent: number): string =>
  `${name} may slip: kept in ${percent} % of such days`;
export const avoided = (minutes: string): string => `no plan avoids ${minutes} of it`;
export const whatIf = 'What if there were';
export const instead = (kept: number, today: number): string =>
  `So: ${kept} promises kept; today’s plan keeps ${today}.`;
export const whoAway = 'who or what is away';
export const whenAway = 'when';
export const between = (from: string, to: string): string => `${from}–${to}`;
export const chanceOf = (percent: number): string => `kept in ${percent} %`;
export const ready = (clock: string): string => `ready ${clock}`;
export const promised = (clock: string): string => `promised ${clock}`;
export const readyAbout = (clock: string): string => `about ${clock}`;
export const somebody = 'somebody more';
export const oneMore = 'one device more';
export const oneMoreBy = 'one device more';
export const noPromise = 'without a promise';
export const warming = 'warm up';
export const switchOn = (station: string, time: string): string => `switch the ${station} on at ${time}`;
export const nothingMoves = 'no device is ready at another time';
export const differs = (device: string, by: string, later: boolean): string =>
  `${device} ${by} ${later ? 'later' : 'sooner'}`;
export const keepSo = 'Keep it so';
export const asToday = 'As today';
const cannotPin = 'It cannot begin just then: hands, a station or what comes before are not free.';
const pinNotFound =
  'No day with it was found in the time that there was; it may go at another moment, or a little later.';
export const whyNotThen = (why: 'cannot' | 'not found'): string =>
  why === 'cannot' ? cannotPin : pinNotFound;
/** Of what was kept: what to do about it. */
export const keptNot = (why: 'cannot' | 'not found', count: number): string =>
  why === 'cannot' && count > 1
    ? 'These cannot all begin when they are wanted, and the day is planned without them: let one go.'
    : `${whyNotThen(why)} The day is planned without: let it go, or move it.`;
export const byKey = (device: string, key: number): string => `${device} (${key})`;
export const nobodyDoes = (devices: string): string =>
  `Nobody here does what ${devices} needs (chip work, or a bad cell): say who does on the Workshop screen, or give it away. It is planned as if somebody did.`;
export const movedFor = (devices: string, by: string): string =>
  `${devices}: another time than was shown, since else promises would be ${by} later.`;
export const movedSince = (devices: string): string =>
  `${devices}: another time than was shown, since what was shown can no longer be.`;
export const wantedThen = (device: string, time: string): string => `${device} is wanted at ${time}.`;
export const letGo = (device: string): string => `let ${device}’s time go`;
export const movable = (spoken: string): string => `${spoken}. Arrow keys move it.`;
export const freeSlots = 'Free, kept in 9 of 10 days:';
export const begunAt = (time: string): string => `taken in hand ${time}; nobody is late by it`;
export const onOneSheet = 'On one sheet';
export const lookingBack = 'Looking back';
export const rests = (n: number, proved: boolean): string =>
  `Planned for ${people(n)} by what each does, each station for as many devices as it holds, a minute for coming to a device; hours, absences and what warms up as on the Workshop screen; what has taken longer so far goes on so; “about” is a device without a route, by usual minutes. Drag a block to ask what if. Solid is hands, hatched runs by itself; kept in so many of a hundred days with these steps’ spread. ${proved ? 'No plan is late by less.' : 'A better plan may exist.'}`;
export const people = (n: number): string => (n === 1 ? 'one person' : `${n} people`);
/** What a block does, in a word or two. */
export const acts: Partial<Record<StepAction | 'plan', string>> = {
  heat: 'warm',
  solvent: 'dissolve',
  release: 'loosen',
  unscrew: 'screws out',
  move: 'take out',
  renew: 'new strips',
  fit: 'put in',
  fasten: 'screws in',
  check: 'checks',
  'clean rim': 'rim, seal',
  'apply seal': 'seal',
  press: 'press',
  cure: 'cure',
  'leak test': 'leak test',
  close: 'close',
  'read data': 'read data',
  'write data': 'write data',
  recharge: 'charge',
  calibrate: 'calibrate',
  work: 'work',
  rework: 'rework',
  plan: 'not planned',
};
export const handOver = 'hand over';
export const spoken = (device: string, act: string, from: string, to: string): string =>
  `${device}: ${act}, ${from} to ${to}`;
