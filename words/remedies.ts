import type { EffectKind } from '../core/pairing/effects';
import type { ReadAt } from '../core/quote/for-route';
import type { Remedy } from '../core/pairing/remedies';

export const remedyName: Record<Remedy, string> = {
  original: 'original moved over',
  copy: 'data copied',
  chip: 'chip moved',
  calibrate: 'maker’s calibration',
  accept: 'left as it is',
  'third party': 'third-party part',
};
export const remedyHow: Record<Remedy, string> = {
  original: 'The old part goes into the new assembly, or stays. Nothing changes.',
  copy: 'The programmer reads the old part as soon as it is off the device, before it is put aside, and writes the new one.',
  chip: 'The identity chip is moved under the microscope. It takes the notice away; what the data held does not come back.',
  calibrate:
    'Run on the assembled device: a network, more than 20 % charge, a restart or two. Original parts only; it can refuse.',
  accept: 'A new original, without anything else. The notice stays.',
  'third party': 'Cheaper; often no data to write and no calibration.',
};
export const becomesName: Record<EffectKind, string> = {
  kept: 'as before',
  copy: 'as before, by copy',
  calibrate: 'after calibration',
  notice: 'notice',
  lost: 'lost',
};
/** What the programmer needs for a part, and what it cannot do: said before the quote. */
export const programmerText = (row: { adapter: string; thirdParty: boolean } | undefined): string =>
  row
    ? `Programmer: ${row.adapter}; ${row.thirdParty ? 'third-party panels in its own mode for them' : 'no mode for third-party panels'}. A part too broken to read has nothing to copy: look before the price is said.`
    : 'No programmer covers this part: its data cannot be copied.';
/** When its data are read, truly. */
export const readText = (at: ReadAt): string =>
  `Its data are read at step ${at.step} of ${at.of}${at.warmedAt ? `; the device is warmed before, last at step ${at.warmedAt}` : ', before anything is warmed'}.`;
/** Why a function changes: where the identity data live that it is tied to. */
export const storeName: Record<string, string> = {
  'panel-flex': 'data in the panel’s flex',
  chip: 'tied to a chip',
  board: 'tied to the board',
};
