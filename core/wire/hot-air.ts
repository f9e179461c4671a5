import { z } from 'zod';

/** The hot-air station of the bench is set and turned on, or turned off. */
export const hotAirAskSchema = z.strictObject({
  on: z.boolean(),
  setC: z.number().min(0).max(1000),
  airPercent: z.number().min(0).max(100),
});
export type HotAirAsk = z.input<typeof hotAirAskSchema>;
export type HotAirSaid =
  | { ok: true; on: boolean; setC: number; airPercent: number }
  | { ok: false; said: string; outOfRange?: boolean };
