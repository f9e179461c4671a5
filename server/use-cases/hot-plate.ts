import { z } from 'zod';
import { plateAskSchema, type PlateSaid } from '../../core/wire/hot-plate';
import { speakToPlate } from '../instruments/hot-plate';

/** How warm the bench's plate is. */
export const readPlate = (): Promise<PlateSaid> => speakToPlate();
/** Sets the bench's plate and turns it on, or turns it off. */
export async function setPlate(json: unknown): Promise<PlateSaid> {
  const ask = plateAskSchema.safeParse(json);
  return ask.success ? speakToPlate(ask.data) : { ok: false, said: z.prettifyError(ask.error) };
}
