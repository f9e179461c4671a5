import type { AirSchool, ReworkKind, ReworkStep, ReworkStepId } from '../core/rework/work-plan';
import { type PadSide, type PadState, padStates } from '../core/rework/pads';
import { list } from './things';

export const kindOfRework: Record<ReworkKind, string> = {
  'identity chip': 'identity chip to another part',
  'add-on flex': 'chip onto an add-on flex',
  'conversion flex': 'conversion flex',
  'loose lens': 'projector with a loose lens',
  'dead projector': 'dead projector',
};
export const schoolOfAir: Record<AirSchool, string> = {
  '300': '300 °C, little air, long',
  '280': '280 °C, more air, short',
};
export const heatingName = { air: 'hot air', iron: 'iron', lamp: 'UV lamp' } as const;
export const padStateName: Record<PadState, string> = {
  good: 'good',
  oxidised: 'oxidised',
  lifted: 'lifted',
  wired: 'wired',
  bridged: 'bridged',
  loose: 'loose',
};
/** Which pads or balls of a part are meant. */
export const sideName: Record<PadSide, string> = {
  before: 'pads before lifting',
  after: 'pads after lifting',
  new: 'pads of the new part',
  balls: 'new balls',
};
/** What was seen of pads, in the words of the log. */
export function padsText(part: string, side: PadSide, pads: Readonly<Record<string, PadState>>): string {
  const of = (state: PadState) => Object.keys(pads).filter((pad) => pads[pad] === state);
  const said = padStates
    .filter((state) => of(state).length)
    .map((state) =>
      state === 'good' ? `${of(state).length} good` : `${padStateName[state]} ${list(of(state))}`,
    );
  return `${sideName[side]}, ${part}: ${said.join('; ')}`;
}

interface StepWords {
  /** As a title, and in the log. */
  name: string;
  /** What to do: one line, read through a microscope. */
  say: string;
  /** What ends it. */
  stop: string;
  /** What to look at. */
  look: string;
}
const words: Record<ReworkStepId, StepWords> = {
  practise: {
    name: 'practise',
    say: 'Try it on the discarded part first: clamp it, and do the lift once.',
    stop: 'The chip slid off when the solder was liquid.',
    look: 'a part that is not clamped moves under the scraper and costs pads',
  },
  'cell off': {
    name: 'cell off',
    say: 'Switch the phone off and unplug the battery, then what was plugged in to try it.',
    stop: 'The battery’s plug is off and lies away from its socket.',
    look: 'no light, no sound from the phone',
  },
  'save data': {
    name: 'data saved',
    say: 'Read the part’s data at the programmer and save them.',
    stop: 'Read, compared and saved with the job.',
    look: 'a part too broken to read is found out now, not after the air',
  },
  insulate: {
    name: 'insulate',
    say: 'Lift the flex off the panel, slide the sheet or pad under it, mask with heat-proof tape.',
    stop: 'Two barriers lie between the air and the panel.',
    look: 'no edge of the panel is bare',
  },
  'free flex': {
    name: 'free the flex',
    say: 'Alcohol under the flex, gentle warmth, lift it free without a crease.',
    stop: 'It lies loose; the alcohol has flashed off.',
    look: 'a shiny line is a crease: traces break there',
  },
  clamp: {
    name: 'clamp',
    say: 'Clamp it so that nothing moves under the scraper.',
    stop: 'It does not move when nudged.',
    look: 'the clamp touches no part',
  },
  underfill: {
    name: 'underfill away',
    say: 'Low air; scraper flat; take the underfill away from round the chip.',
    stop: 'All four sides are free.',
    look: 'never scratch the flex: a scratched coating peels on and on',
  },
  lift: {
    name: 'lift the chip',
    say: 'Warm until the solder is liquid, and slide the chip off. Never pull.',
    stop: 'It slides by itself when nudged.',
    look: 'the chip moves as a whole; where one corner holds, wait',
  },
  tin: {
    name: 'tin the pads',
    say: 'Tin every pad of both sides with low-melt paste.',
    stop: 'Every pad takes solder.',
    look: 'a grey pad that takes none is oxidised: tin it again',
  },
  wick: {
    name: 'wick',
    say: 'Wick both sides flat, iron off as soon as it is drawn up.',
    stop: 'Pads are flat and shine.',
    look: 'stop when copper shows through the chip’s coating',
  },
  wash: {
    name: 'clean',
    say: 'Clean both sides with alcohol, and let it flash off.',
    stop: 'No flux is left, and it is dry.',
    look: 'hairs of wick between pads',
  },
  'wash again': {
    name: 'clean again',
    say: 'Clean the joints with alcohol, and let it flash off.',
    stop: 'No flux is left, and it is dry.',
    look: 'bridges between the wires',
  },
  'look at pads': {
    name: 'look at the pads',
    say: 'Look at every pad and note those that are oxidised or lifted.',
    stop: 'Every pad has been looked at.',
    look: 'a ring of bare flex where a pad was',
  },
  stencil: {
    name: 'balls by stencil',
    say: 'Stencil on, paste in (shed its flux on a cloth first), wipe, form the balls with little air.',
    stop: 'Every aperture has a ball.',
    look: 'paste under the stencil makes bridges',
  },
  'loose balls': {
    name: 'loose balls',
    say: 'Set the balls one by one; a dot of flux where it is dry.',
    stop: 'As many as the chip has pads.',
    look: 'two that touch: part them and go on',
  },
  'settle balls': {
    name: 'settle the balls',
    say: 'Without the stencil: warm the platform from alternate sides until the balls settle.',
    stop: 'All are round and stand in line.',
    look: 'one that is smaller than the others',
  },
  flux: {
    name: 'flux',
    say: 'A thin film of flux on the pads.',
    stop: 'A film, no pool.',
    look: 'a chip that swims on a pool turns',
  },
  place: {
    name: 'place',
    say: 'Corner mark to its mark; air away from the flex; warm until the solder pulls it home, then nudge.',
    stop: 'Nudged, it springs back.',
    look: 'gaps are even on all sides',
  },
  'chip on flex': {
    name: 'chip onto the add-on flex',
    say: 'Corner mark to its mark on the add-on flex; warm until it pulls in.',
    stop: 'Nudged, it springs back.',
    look: 'gaps are even on all sides',
  },
  'wire flex': {
    name: 'solder the flex on',
    say: 'Wire and iron, pad by pad.',
    stop: 'Every wire holds when it is touched.',
    look: 'no wire reaches its neighbour',
  },
  liner: {
    name: 'liner',
    say: 'Lay liner and heat pad behind the pads, before the iron comes near.',
    stop: 'Every pad has liner behind it.',
    look: 'nothing sharp points to the panel',
  },
  cover: {
    name: 'cover',
    say: 'Cover the joints with the sticker.',
    stop: 'No joint is bare.',
    look: 'the sticker lies flat',
  },
  'seat flex': {
    name: 'solder the conversion flex',
    say: 'Warm the conversion flex until it springs back when nudged.',
    stop: 'Nudged, it springs back.',
    look: 'its first pin lies at the mark',
  },
  'try it': {
    name: 'try it',
    say: 'Test it beside the open phone: picture, touch, and whether the notice has gone.',
    stop: 'You have seen whether it works, and what the notice shows now.',
    look: 'the same spots when something is missing: corners, and pads that were oxidised',
  },
  'close test': {
    name: 'closing check',
    say: 'Lay it shut without glue: does the phone still close?',
    stop: 'It lies shut by itself, even all round.',
    look: 'a corner that stands proud presses on the chip',
  },
  'mask lenses': {
    name: 'mask the lenses',
    say: 'Tape over all lenses.',
    stop: 'Every lens is covered.',
    look: 'dust is what ends most projectors',
  },
  'score window': {
    name: 'score the window',
    say: 'Score a small window on three sides and peel it; no saw, no dust.',
    stop: 'It folds open on its fourth side.',
    look: 'never look into the opened projector: its laser is not seen and hurts',
  },
  'seat lens': {
    name: 'let the lens find its seat',
    say: 'Flick the housing until the lens lies in its own seat.',
    stop: 'It lies level and comes back after a flick.',
    look: 'from the side; never into it',
  },
  'glue lens': {
    name: 'drop of glue',
    say: 'A tiny drop of UV glue at the edge of the lens, spread without moving it.',
    stop: 'The drop has run round the edge.',
    look: 'none on the face of the lens',
  },
  cure: {
    name: 'cure',
    say: 'UV lamp on. Goggles on.',
    stop: 'The lamp’s time is over.',
    look: 'away from the lamp',
  },
  'tap test': {
    name: 'tap test',
    say: 'Before the gap is closed: face unlock ten times, while you tap.',
    stop: 'It unlocks ten times out of ten while tapped.',
    look: 'one that fails once comes back',
  },
  'close gap': {
    name: 'close the gap',
    say: 'Close the window and tape it against dust.',
    stop: 'No gap is left.',
    look: 'tape off the lenses last',
  },
  'module test': {
    name: 'module test',
    say: 'Test the module at the programmer: which of its parts fails?',
    stop: 'The programmer names what fails.',
    look: 'one that does not answer at all is not worth the air',
  },
  'cut frame': {
    name: 'cut the frame',
    say: 'Cut the frame at the marked places.',
    stop: 'The frame is free at its marks.',
    look: 'never look into the opened projector',
  },
  'soften frame': {
    name: 'soften and lift the frame',
    say: '200 °C for about 10 s, then lift the frame.',
    stop: 'It comes off without force.',
    look: 'the optics stay where they are',
  },
  substitute: {
    name: 'fit the substitute',
    say: 'Old chip or flex off, the re-writable substitute on.',
    stop: 'Nudged, it springs back.',
    look: 'a substitute may defeat the module’s eye protection: only with the frame on is it powered',
  },
  'module test again': {
    name: 'test the module again',
    say: 'Test the module at the programmer again.',
    stop: 'Nothing fails.',
    look: 'the same sub-module as before',
  },
  'write data': {
    name: 'write the data',
    say: 'Write the saved data and compare.',
    stop: 'Written, read back and equal.',
    look: 'the serial is the old one',
  },
  'frame back': {
    name: 'frame back',
    say: 'Refit the frame with glue.',
    stop: 'It lies as it did.',
    look: 'never look into the projector',
  },
  'solder frame': {
    name: 'solder the frame',
    say: 'Solder the frame at its marks.',
    stop: 'Both joints hold.',
    look: 'short: the glue is near',
  },
  enrol: {
    name: 'enrol',
    say: 'Enrol a face, lock and unlock twice and once after a knock; then remove it again.',
    stop: 'It has unlocked three times.',
    look: 'the enrolment is removed again before hand-over',
  },
  'look at balls': {
    name: 'look at the balls',
    say: 'Look at every ball: note those that have run together, and those that do not hold.',
    stop: 'Every ball has been looked at.',
    look: 'two that touch: part them and warm again; a loose one carries nothing',
  },
  'insulate new': {
    name: 'insulate the new part',
    say: 'The same at the new part: lift its flex, slide sheet and pad under it, mask it.',
    stop: 'Two barriers lie between the air and the new part.',
    look: 'it is the part that the customer gets: no edge is bare',
  },
  'clamp new': {
    name: 'new part into the clamp',
    say: 'Take the old part out of the clamp and put the new one in.',
    stop: 'It does not move when nudged.',
    look: 'the label says which of the two it is',
  },
  'lift new': {
    name: 'its own chip off',
    say: 'Warm the new part’s own chip and slide it off. Its flex is what counts, not that chip.',
    stop: 'The place is free.',
    look: 'leave this out where it has a free place or a carrier',
  },
  'tin new': {
    name: 'tin its pads',
    say: 'Tin every pad of the new part with low-melt paste.',
    stop: 'Every pad takes solder.',
    look: 'a grey pad that takes none is oxidised: tin it again',
  },
  'wick new': {
    name: 'wick its pads',
    say: 'Wick the new part’s pads flat, iron off as soon as it is drawn up.',
    stop: 'Pads are flat and shine.',
    look: 'the middle of a flex takes a little more heat than its ends',
  },
  'wash new': {
    name: 'clean the new part',
    say: 'Clean its pads with alcohol, and let it flash off.',
    stop: 'No flux is left, and it is dry.',
    look: 'hairs of wick between pads',
  },
  'look at pads new': {
    name: 'look at its pads',
    say: 'Look at every pad of the new part and note those that are oxidised or lifted.',
    stop: 'Every pad has been looked at.',
    look: 'a ring of bare flex where a pad was',
  },
  'plug in': {
    name: 'plugged in to try it',
    say: 'Plug it in beside the open phone, the battery last.',
    stop: 'Its plugs and the battery are on.',
    look: 'nothing of metal lies on the board',
  },
  'off again': {
    name: 'off again',
    say: 'Switch the phone off, unplug the battery, then what was plugged in.',
    stop: 'The battery’s plug lies away from its socket.',
    look: 'no light, no sound from the phone',
  },
  'underfill back': {
    name: 'new underfill',
    say: 'Underfill along one edge of the chip until it comes out at the other.',
    stop: 'It shows on all four sides.',
    look: 'none on the plug or over the flex’s bend',
  },
};
export const reworkStepName = Object.fromEntries(
  Object.entries(words).map(([id, w]) => [id, w.name]),
) as Record<ReworkStepId, string>;
export const reworkSay = (id: ReworkStepId): StepWords => words[id];

/** What a trial came to. */
export const trialSaid = {
  works: 'it works',
  'notice stays': 'it works, the notice is still there',
  fails: 'it does not work',
} as const;
/** Which of two parts lies in the clamp. */
export const inClamp: Record<NonNullable<ReworkStep['at']>, string> = {
  'old part': 'In the clamp: the old part',
  'new part': 'In the clamp: the new part',
};
