import { type IndexedModel, indexModel } from '../model/index-model';
import { carriedOf, sealsOf } from '../model/carried';
import type { TransferOutcome } from '../log/events';
import type { JobState } from '../log/state';
import { originalPiece } from '../vocabulary/pieces';
import { pieceInSlot, placeOf } from '../log/view';

/** One piece of an old assembly, and what becomes of it. */
export interface ManifestRow {
  part: string;
  outcome: TransferOutcome;
  /** Whose word that is: the model's, the chosen part's, or somebody who has looked. */
  by: 'model' | 'part' | 'seen';
  /** It still sits on the old assembly. */
  still: boolean;
  /** Nothing more to do about it: it is over, or it stays where it is on purpose. */
  settled: boolean;
}

/**
 * Slots whose pieces the new assembly brings, and seals that are fitted on it, as far as anybody knows: what was seen, else
 * the part's own list, else the model's. A seal that has been opened again is spent.
 */
export function arrivalsOf(index: IndexedModel, state: JobState, slot: string): string[] {
  const own = index.slots.get(slot);
  if (!own) return [];
  const seals = new Set(sealsOf(index, slot).map((b) => b.id));
  const known = new Set(
    state.part[slot]?.arrivesWith.filter((r) => index.slots.has(r) || seals.has(r)) ?? own.arrivesWith,
  );
  for (const carried of carriedOf(index, slot, 'leaving')) {
    const outcome = carried.hole ? undefined : state.transfer[`${slot}/${carried.id}`];
    if (outcome === 'move over') known.delete(carried.id);
    else if (outcome) known.add(carried.id);
  }
  for (const seal of seals) {
    const outcome = state.transfer[`${slot}/${seal}`];
    if (outcome === 'on the new one') known.add(seal);
    else if (outcome !== undefined) known.delete(seal);
    if (state.acted[`spent ${seal}`] !== undefined) known.delete(seal);
  }
  return inOrder(index, known);
}
const inOrder = (index: IndexedModel, ids: ReadonlySet<string>) =>
  [...index.model.slots, ...index.model.bonds].filter((t) => ids.has(t.id)).map((t) => t.id);

/** Arrivals that differ from the model's, by slot that is to be replaced: what the planner must be told. */
export function arrivalsToPlan(index: IndexedModel, state: JobState): Record<string, string[]> {
  const out: Record<string, string[]> = {};
  for (const slot in state.task) {
    if (state.task[slot] !== 'replace') continue;
    const arrives = arrivalsOf(index, state, slot);
    if (arrives.join() !== inOrder(index, new Set(index.slots.get(slot)?.arrivesWith)).join())
      out[slot] = arrives;
  }
  return out;
}

const known = new WeakMap<IndexedModel, Map<string, IndexedModel>>();
/** The model as it is when new assemblies bring other pieces than it says. Without a difference, the same index. */
export function withArrivals(
  index: IndexedModel,
  arrives: Readonly<Record<string, readonly string[]>> | undefined,
): IndexedModel {
  if (!arrives || !Object.keys(arrives).length) return index;
  const key = JSON.stringify(arrives);
  const before = known.get(index)?.get(key);
  if (before) return before;
  const made = indexModel({
    ...index.model,
    slots: index.model.slots.map((s) => (arrives[s.id] ? { ...s, arrivesWith: [...arrives[s.id]!] } : s)),
  });
  const mine = known.get(index) ?? new Map<string, IndexedModel>();
  // as many as there are parts in stock that differ: the oldest go
  if (mine.size >= 20) mine.delete(mine.keys().next().value!);
  known.set(index, mine.set(key, made));
  return made;
}

/** Every piece of the old assembly in a slot, with what becomes of it: nothing is forgotten that is not on this list. */
export function manifestOf(index: IndexedModel, state: JobState, slot: string): ManifestRow[] {
  const arrives = new Set(
    carriedOf(withArrivals(index, { [slot]: arrivalsOf(index, state, slot) }), slot, 'arriving').map(
      (r) => r.id,
    ),
  );
  return carriedOf(index, slot, 'leaving')
    .filter((r) => !r.hole)
    .map(({ id }) => {
      const seen = state.transfer[`${slot}/${id}`] as TransferOutcome | undefined;
      const outcome: TransferOutcome = seen ?? (arrives.has(id) ? 'on the new one' : 'move over');
      const carrier = index.slots.get(id)!.carrier;
      const still =
        placeOf(state, originalPiece(id), index) === `slot/${id}` &&
        (carrier === undefined ||
          pieceInSlot(state, slot) === originalPiece(slot) ||
          placeOf(state, originalPiece(slot), index) === 'tray');
      return {
        part: id,
        outcome,
        by: seen ? 'seen' : state.part[slot] ? 'part' : 'model',
        still,
        settled: outcome !== 'move over' || !still,
      };
    });
}

/** Pieces that must move over and still sit on the old assembly: they would leave with it. */
export const forgotten = (index: IndexedModel, state: JobState, slot: string): string[] =>
  manifestOf(index, state, slot)
    .filter((r) => !r.settled)
    .map((r) => r.part);
