import { z } from 'zod';
import { plateAskSchema, type PlateSaid } from '../../core/wire/hot-plate';
import type { Who } from '../../core/wire/who';
import { speakToPlate } from '../instruments/hot-plate';

/** How warm the bench's plate is. */
export const readPlate = (who: Who): Promise<PlateSaid> => speakToPlate(who);
/** Sets the bench's plate and turns it on, or turns it off. */
export async function setPlate(who: Who, json: unknown): Promise<PlateSaid> {
  const ask = plateAskSchema.safeParse(json);
  return ask.success ? speakToPlate(who, ask.data) : { ok: false, said: z.prettifyError(ask.error) };
}
