import type { IndexedModel } from './index-model';
import type { Slot } from './schema';
import type { Face } from '../vocabulary/trade';

interface Placed {
  id: string;
  face: Face;
  layer: number;
}

const inside = (s: Slot['shape'], x: number, y: number) =>
  x >= s.x && x <= s.x + s.w && y >= s.y && y <= s.y + s.h;
const overlap = (a: Slot['shape'], b: Slot['shape']) =>
  Math.min(a.x + a.w, b.x + b.w) - Math.max(a.x, b.x) > 0 &&
  Math.min(a.y + a.h, b.y + b.h) - Math.max(a.y, b.y) > 0;

/**
 * The slots that hide a thing: derived from geometry (same face, higher layer, point inside the shape or shapes
 * overlapping), plus what the model stores as `covers`, less what it stores as `leavesFree`.
 * What a piece carries never hides the piece, nor the other way round, nor anything that stays behind with the device.
 * @param id a slot, fastener, connector, bond or catch
 * @returns ids of slots in the model's order; empty for an unknown id
 */
export function coveredBy(index: IndexedModel, id: string): readonly string[] {
  let known = answers.get(index);
  if (!known) {
    known = new Map();
    answers.set(index, known);
  }
  let answer = known.get(id);
  if (!answer) {
    answer = derive(index, id);
    known.set(id, answer);
  }
  return answer;
}
/** A model never changes, and the map asks this of everything at every press. */
const answers = new WeakMap<IndexedModel, Map<string, readonly string[]>>();

function derive(index: IndexedModel, id: string): readonly string[] {
  const slot = index.slots.get(id);
  const pointed = index.fasteners.get(id) ?? index.connectors.get(id) ?? index.catches.get(id);
  const bond = index.bonds.get(id);
  const thing: Placed | undefined = slot ?? pointed ?? bond;
  if (!thing) return [];
  const holds = index.fasteners.get(id)?.holds ?? bond?.holds ?? index.catches.get(id)?.holds;
  const carrier = slot ? slot.carrier : holds && index.slots.get(holds[0]!)?.carrier;
  return index.model.slots
    .filter((s) => {
      if (s.id === id || s.leavesFree.includes(id) || s.carrier === id || slot?.carrier === s.id)
        return false;
      if (s.covers.includes(id)) return true;
      // what sits on a carrier goes with it: it hides only what sits on the same carrier
      if (s.carrier !== undefined && s.carrier !== carrier) return false;
      if (s.face !== thing.face || s.layer <= thing.layer) return false;
      return pointed ? inside(s.shape, pointed.at.x, pointed.at.y) : overlap(s.shape, (slot ?? bond)!.shape);
    })
    .map((s) => s.id);
}
