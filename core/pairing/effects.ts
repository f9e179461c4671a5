import type { IndexedModel } from '../model/index-model';
import type { FunctionId, Pairing } from '../model/schema';
import { defaultMethods, type Methods } from '../route/methods';

export interface Effect {
  /** `slot function`: stable in a log. */
  id: string;
  slot: string;
  function: FunctionId;
  effect: 'kept' | 'copy' | 'calibrate' | 'notice' | 'lost';
  owner: string;
  remedy?: string;
}

/**
 * What the owner will notice when these slots get other pieces: the model's pairing rules, in its order, as the house
 * methods leave them. There are two stores: copied data bring a function back while the notice stays; moving the
 * identity chip removes the notice and does not bring the function back (common practice).
 */
export function effectsOf(index: IndexedModel, replaced: readonly string[], methods: Pick<Methods, 'display-data'> = defaultMethods): Effect[] {
  return index.model.pairing
    .filter((p) => replaced.includes(p.slot))
    .map((p) => ({ id: `${p.slot} ${p.function}`, slot: p.slot, function: p.function, effect: effectNow(p, methods), owner: p.owner, ...(p.remedy ? { remedy: p.remedy } : {}) }));
}
function effectNow(p: Pairing, methods: Pick<Methods, 'display-data'>): Effect['effect'] {
  if (p.effect === 'copy' && methods['display-data'] !== 'copy') return 'lost';
  if (p.effect === 'notice' && p.store === 'chip' && methods['display-data'] === 'chip') return 'kept';
  return p.effect;
}

/** The effects that the owner has to agree to: everything but what stays as it is. */
export const consentsNeeded = (effects: readonly Effect[]) => effects.filter((e) => e.effect !== 'kept');

/** Replaced slots whose identity data must be written and verified, or declined, before the job is closed. */
export const dataDue = (effects: readonly Effect[]) => [...new Set(effects.filter((e) => e.effect === 'copy').map((e) => e.slot))];
