import type { IndexedModel } from '../model/index-model';
import type { FunctionId } from '../model/schema';

export interface Effect {
  /** `slot function`: stable in a log. */
  id: string;
  slot: string;
  function: FunctionId;
  effect: 'kept' | 'copy' | 'calibrate' | 'notice' | 'lost';
  owner: string;
  remedy?: string;
}

/** What the owner will notice when these slots get other pieces: the model's pairing rules, in its order. */
export function effectsOf(index: IndexedModel, replaced: readonly string[]): Effect[] {
  return index.model.pairing
    .filter((p) => replaced.includes(p.slot))
    .map((p) => ({ id: `${p.slot} ${p.function}`, slot: p.slot, function: p.function, effect: p.effect, owner: p.owner, ...(p.remedy ? { remedy: p.remedy } : {}) }));
}

/** The effects that the owner has to agree to: everything but what stays as it is. */
export const consentsNeeded = (effects: readonly Effect[]) => effects.filter((e) => e.effect !== 'kept');

/** Replaced slots whose identity data must be written and verified, or declined, before the job is closed. */
export const dataDue = (effects: readonly Effect[]) => [...new Set(effects.filter((e) => e.effect === 'copy').map((e) => e.slot))];
