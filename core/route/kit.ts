import type { IndexedModel } from '../model/index-model';
import type { Step, Kit } from '../steps/route';
import { priceOf } from './setting';
/** What to lay out: exactly what the steps use. */
export function kitOf(index: IndexedModel, steps: readonly Step[]): { kit: Kit; consumables: number } {
  const used = new Map<string, number>();
  for (const u of steps.flatMap((st) => st.uses ?? []))
    used.set(u.item, (used.get(u.item) ?? 0) + u.quantity);
  const each = <T>(list: T[]) => [...new Set(list)];
  const kit: Kit = {
    bits: each(steps.flatMap((st) => (st.bit ? [st.bit] : []))),
    tools: each(steps.flatMap((st) => st.tools)),
    stations: each(steps.flatMap((st) => (st.station ? [st.station] : []))),
    parts: each(steps.flatMap((st) => (st.action === 'fit' && st.piece ? st.targets : []))),
    consumables: [...used].map(([item, quantity]) => ({ item, quantity: Math.ceil(quantity * 100) / 100 })),
  };
  return {
    kit,
    consumables: kit.consumables.reduce((c, u) => c + Math.round(u.quantity * priceOf(index, u.item)), 0),
  };
}
