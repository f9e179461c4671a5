import type { IndexedModel } from './index-model';
import type { Bond } from './schema';

/** Whether a bond holds a back that is glued on as glass: it comes off in pieces. */
export const isGluedBack = (index: IndexedModel, bond: Bond): boolean =>
  bond.kind === 'glue' && bond.holds.some((h) => index.slots.get(h)?.kind === 'back');
