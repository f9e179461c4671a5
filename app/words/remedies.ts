import type { EffectKind } from '../../core/pairing/effects';
import type { Remedy } from '../../core/pairing/remedies';

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
  copy: 'The programmer reads the old part as soon as it is off the device, before it is put aside, and writes the new one. A part too broken to read has nothing to copy: see before the quote whether it reads, whether the programmer covers this model and with which adapter; third-party panels need its own mode.',
  chip: 'The identity chip is moved under the microscope. It takes the notice away; what the data held does not come back.',
  calibrate:
    'Run on the assembled device: a network, more than 20 % charge, a restart or two. Original parts only; it can refuse.',
  accept: 'A new original, without anything else. The notice stays.',
  'third party': 'Cheaper; often no data to write and no calibration.',
};
export const becomesName: Record<EffectKind, string> = {
  kept: 'stays',
  copy: 'stays, by copy',
  calibrate: 'after calibration',
  notice: 'notice',
  lost: 'lost',
};
/** Why a function changes: where the identity data live that it is tied to. */
export const storeName: Record<string, string> = {
  'panel-flex': 'data in the panel’s flex',
  chip: 'tied to a chip',
  board: 'tied to the board',
};
