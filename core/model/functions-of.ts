import { coveredBy } from './covers';
import type { IndexedModel } from './index-model';
import type { FunctionId } from '../vocabulary/trade';

/** The functions that a slot serves itself, by the connectors that join it, and by the connectors that it hides. */
export function functionsOf(index: IndexedModel, slotId: string): FunctionId[] {
  const out = new Set<FunctionId>(index.slots.get(slotId)?.functions);
  for (const connector of index.model.connectors) {
    if (connector.joins.includes(slotId) || coveredBy(index, connector.id).includes(slotId))
      for (const f of connector.functions) out.add(f);
  }
  return [...out];
}
