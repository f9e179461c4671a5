import type { Fastener } from '../model/schema';

/** What a workshop calliper does not tell apart, mm (common practice: two hundredths, and a hand). */
export const calliperMm = 0.05;

/**
 * The greatest length of a screw that a hole bears, mm. Where the model gives none, the hole's own length is the limit:
 * what is longer may reach the board or the panel (common practice: no screw longer than the one that came out).
 */
export const safeLengthMm = (hole: Pick<Fastener, 'lengthMm' | 'maxLengthMm'>): number =>
  hole.maxLengthMm ?? hole.lengthMm;

/** Whether a measured length is more than a hole bears, beyond what a calliper leaves open. */
export const isTooLong = (lengthMm: number, hole: Pick<Fastener, 'lengthMm' | 'maxLengthMm'>): boolean =>
  lengthMm > safeLengthMm(hole) + calliperMm + 1e-9;
