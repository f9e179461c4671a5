import { functionsOf } from '../model/functions-of';
import type { IndexedModel } from '../model/index-model';
import type { FunctionId } from '../vocabulary/trade';
import type { EffectKind } from './effects';
import type { Remedy } from './remedies';
import { outcomeOf, remediesFor } from './rules';

export interface Compared {
  slot: string;
  remedies: Remedy[];
  /** Every function that the slot serves and the notice: what becomes of it under each remedy, in their order. */
  rows: { function: FunctionId; becomes: EffectKind[]; owner?: string; remedy?: string; store?: string }[];
}

/** The remedies for one slot side by side: what becomes of each function, the changed ones first. */
export function compareRemedies(index: IndexedModel, slot: string): Compared {
  const s = index.slots.get(slot)!;
  const own = index.model.pairing.filter((p) => p.slot === slot);
  // a calibration that settles nothing of this part cannot be chosen, nor a copy that no programmer makes
  const remedies = remediesFor(s.kind, index.model.generation).filter(
    (r) => (r !== 'calibrate' && r !== 'copy') || own.some((p) => outcomeOf(p, r, index.model) === r),
  );
  const rest = functionsOf(index, slot).filter((f) => !own.some((p) => p.function === f));
  return {
    slot,
    remedies,
    rows: [
      ...own.map((p) => ({
        function: p.function,
        becomes: remedies.map((r) => outcomeOf(p, r, index.model)),
        owner: p.owner,
        ...(p.remedy ? { remedy: p.remedy } : {}),
        store: p.store,
      })),
      ...rest.map((f) => ({ function: f, becomes: remedies.map((): EffectKind => 'kept') })),
    ],
  };
}
