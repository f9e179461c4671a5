import { newPiece } from '../vocabulary/pieces';
import type { IndexedModel } from './index-model';
import type { Bond } from './schema';
import { isSeal } from './seals';

/** A slot or a hole whose piece comes or goes with an assembly. */
export interface Carried {
  id: string;
  hole: boolean;
}

/**
 * What an assembly carries: arriving, what comes fitted on a new one; leaving, everything that still sits on an old one
 * (which of it has been moved over is the job's to say). Screws are carried when all that they hold is.
 */
export function carriedOf(index: IndexedModel, slot: string, when: 'arriving' | 'leaving'): Carried[] {
  const own = index.slots.get(slot)!;
  const slots = new Set(own.arrivesWith.filter((id) => index.slots.has(id)));
  if (when === 'leaving') for (const s of index.model.slots) if (s.carrier === slot) slots.add(s.id);
  // what is carried by what comes along comes along
  for (let grew = true; grew; ) {
    grew = false;
    for (const s of index.model.slots)
      if (s.carrier && slots.has(s.carrier) && !slots.has(s.id)) {
        slots.add(s.id);
        grew = true;
      }
  }
  const holes = index.model.fasteners.filter((f) => f.holds.every((h) => slots.has(h)));
  return [...[...slots].map((id) => ({ id, hole: false })), ...holes.map((f) => ({ id: f.id, hole: true }))];
}

/** The seals of an assembly, which a new one may bring fitted, its liners on. */
export const sealsOf = (index: IndexedModel, slot: string): Bond[] =>
  index.model.bonds.filter((b) => b.holds.includes(slot) && isSeal(index, b));

/** The slots whose pieces have to be moved over when an assembly gets another piece: carried, and not on the new one. */
export function transfersOf(index: IndexedModel, slot: string): string[] {
  const arriving = new Set(carriedOf(index, slot, 'arriving').map((r) => r.id));
  return index.model.slots.filter((s) => s.carrier === slot && !arriving.has(s.id)).map((s) => s.id);
}

/** The new pieces on a new assembly, by their ids; `screw:` stands before those that sit in holes. */
export const bringsOf = (index: IndexedModel, slot: string): string[] =>
  carriedOf(index, slot, 'arriving').map((r) => (r.hole ? `screw:${newPiece(r.id)}` : newPiece(r.id)));
