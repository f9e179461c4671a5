import type { JobState } from '../log/state';
import { pieceInSlot } from '../log/view';
import type { IndexedModel } from '../model/index-model';
import type { Slot } from '../model/schema';

/** Where a screw that nobody can find is likely to be, nearest and most likely first. */
export type SearchPlace =
  | { where: 'in its hole still' | 'on the bit' | 'under the piece'; thing: string }
  | { where: 'on a magnet' | 'on tacky edge'; thing: string; awayMm: number };

/** Distance from a point to a shape, mm; 0 inside. */
const away = (s: Slot['shape'], x: number, y: number) =>
  Math.hypot(Math.max(s.x - x, 0, x - s.x - s.w), Math.max(s.y - y, 0, y - s.y - s.h));
const rimAway = (s: Slot['shape'], x: number, y: number) =>
  Math.min(Math.abs(x - s.x), Math.abs(s.x + s.w - x), Math.abs(y - s.y), Math.abs(s.y + s.h - y));

/**
 * The search list of one hole (common practice): first what costs a look, then the magnets and the sticky edges of this
 * model by their distance. Pieces that lie in the tray count, too: the screw may have left with one.
 */
export function searchPlaces(
  index: IndexedModel,
  state: JobState,
  fastener: string,
  most = 8,
): SearchPlace[] {
  const f = index.fasteners.get(fastener);
  if (!f) return [];
  const out: SearchPlace[] = [];
  if (state.place[`${fastener}#1`] !== undefined) out.push({ where: 'in its hole still', thing: fastener });
  out.push({ where: 'on the bit', thing: f.drive });
  for (const hold of f.holds)
    if (pieceInSlot(state, hold) === undefined || state.pose[hold])
      out.push({ where: 'under the piece', thing: hold });
  const near = index.model.slots
    .filter((s) => s.traits.includes('magnetic') || s.traits.includes('tacky'))
    .map((slot): SearchPlace & { awayMm: number } => ({
      where: slot.traits.includes('magnetic') ? 'on a magnet' : 'on tacky edge',
      thing: slot.id,
      awayMm: Math.round(away(slot.shape, f.at.x, f.at.y)),
    }));
  for (const bond of index.model.bonds)
    if (state.bond[bond.id] === 'released' || state.bond[bond.id] === 'torn')
      near.push({
        where: 'on tacky edge',
        thing: bond.id,
        awayMm: Math.round(
          bond.kind === 'perimeter-seal'
            ? rimAway(bond.shape, f.at.x, f.at.y)
            : away(bond.shape, f.at.x, f.at.y),
        ),
      });
  near.sort((a, b) => a.awayMm - b.awayMm || (a.thing < b.thing ? -1 : 1));
  return [...out, ...near].slice(0, most);
}
