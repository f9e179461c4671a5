import type { BodyOf } from '../core/log/events';

/** What a press did by its gauge. */
export const pressText = ({ meanN, peakN, heldS, held }: BodyOf<'pressRead'>): string =>
  `pressed with ${Math.round(meanN || peakN)} N for ${Math.round(heldS)} s by the gauge${held ? '' : ', which is not what was set'}`;
