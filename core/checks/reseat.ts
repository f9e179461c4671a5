import type { Task } from '../log/events';
import type { JobState } from '../log/state';
import type { IndexedModel } from '../model/index-model';
import { checksDue } from './due';

/**
 * Where to look first when functions fail, as tasks: the plugs of what was touched last of that they depend on are
 * reseated; a piece without a plug is looked at. Where nothing was touched, what serves the function (common practice:
 * a fresh repair that does not work is most often a connector that is not home).
 */
export function reseatFor(index: IndexedModel, state: JobState, failing: readonly string[]): Task[] {
  const due = checksDue(state, index, 'after');
  const touchedAt = (id: string) => state.touched[id] ?? 0;
  // a bracket has no plug of its own, and the board is not reseated: the plugs there are named by what they join
  const isWorth = (id: string) => !['board', 'bracket'].includes(index.slots.get(id)?.kind ?? 'board');
  const slots = failing.flatMap((fn) => {
    const because = due.find((c) => c.function === fn)?.because ?? [];
    const touched = [...because]
      .sort((a, b) => touchedAt(b) - touchedAt(a))
      .flatMap((id) => (index.slots.has(id) ? [id] : (index.connectors.get(id)?.joins ?? [])))
      .filter(isWorth);
    if (touched.length) return touched;
    return index.model.slots
      .filter((s) => s.functions.includes(fn as 'touch') && isWorth(s.id))
      .map((s) => s.id);
  });
  const worth = [...new Set(slots)];
  return worth.map((slot) => ({ slot, action: plugsOf(index, slot).length ? 'reseat' : 'inspect' }));
}

/** The plugs of a piece: of a cell its own, which is reseated by being the first off and the last on. */
export const plugsOf = (index: IndexedModel, slot: string): string[] =>
  index.model.connectors.filter((c) => c.joins.includes(slot)).map((c) => c.id);
