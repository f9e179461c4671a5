import { type InstrumentTried, tryInstrumentSchema } from '../../core/wire/instruments';
import type { Who } from '../../core/wire/who';
import { isStandIn, nameAt } from '../instruments/instrument-at';
import { ScpiFault } from '../instruments/scpi';

/** Whether the leak tester is the stand-in: then the screen may choose what lies in it. */
export const isTesterStandIn = (who: Who): boolean => isStandIn(who, 'leak-tester');
/** Tries an address before it is kept: who answers there. An owner's or a lead's. */
export async function tryInstrument(who: Who, json: unknown): Promise<InstrumentTried> {
  if (who.role !== 'owner' && who.role !== 'lead') return { ok: false, said: 'not allowed' };
  const ask = tryInstrumentSchema.safeParse(json);
  if (!ask.success) return { ok: false, said: 'not understood' };
  try {
    return { ok: true, name: await nameAt(ask.data.address) };
  } catch (e) {
    if (!(e instanceof ScpiFault)) throw e;
    return { ok: false, said: e.message };
  }
}
