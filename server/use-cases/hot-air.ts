import { z } from 'zod';
import { hotAirAskSchema, type HotAirSaid } from '../../core/wire/hot-air';
import type { Who } from '../../core/wire/who';
import { setHotAir } from '../instruments/hot-air';

/** Sets the bench's hot-air station and turns it on, or turns it off. */
export async function hotAir(who: Who, json: unknown): Promise<HotAirSaid> {
  const ask = hotAirAskSchema.safeParse(json);
  return ask.success ? setHotAir(who, ask.data) : { ok: false, said: z.prettifyError(ask.error) };
}
