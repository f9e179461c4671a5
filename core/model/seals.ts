import type { IndexedModel } from './index-model';
import type { Bond } from './schema';

/** Whether a bond keeps water out: the seal of the display, or the gasket of a back that comes off by itself. */
export const isSeal = (index: IndexedModel, bond: Pick<Bond, 'kind' | 'holds'>): boolean =>
  bond.kind === 'perimeter-seal' ||
  (bond.kind === 'gasket' && bond.holds.some((h) => index.coverSlots.includes(h)));

/** The display's own seal: the one that is pre-cut, with liners, and laid when the device is closed. */
export const perimeterSeal = (index: IndexedModel): Bond | undefined =>
  index.model.bonds.find((b) => b.kind === 'perimeter-seal');

/** Every bond that holds a cover: what stands between water and the inside, sealed or glued. */
export const coverBonds = (index: IndexedModel): Bond[] =>
  index.model.bonds.filter((b) => b.holds.some((h) => index.coverSlots.includes(h)));
