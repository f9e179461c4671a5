import { z } from 'zod';

/** The hot plate of the bench is set and turned on, or turned off. */
export const plateAskSchema = z.strictObject({ on: z.boolean(), setC: z.number().min(0).max(400) });
export type PlateAsk = z.input<typeof plateAskSchema>;
export type PlateSaid =
  | { ok: true; on: boolean; setC: number; nowC: number; rampKS: number }
  | { ok: false; said: string; outOfRange?: boolean };
