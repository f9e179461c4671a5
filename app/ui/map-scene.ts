import { coveredBy } from '../../core/model/covers';
import type { JobState } from '../../core/job/state';
import { isWhole, pieceInSlot, poseOf } from '../../core/job/view';
import type { IndexedModel } from '../../core/model/index-model';
import type { Face } from '../../core/model/schema';
import { coverKind, placing } from './map-placing';
import type { BondLook } from './map-things';

/** Whether a thing can be seen from above now: nothing that hides it is still in its place. */
export const seen = (index: IndexedModel, state: JobState, id: string) =>
  coveredBy(index, id).every((c) => poseOf(state, c) !== 'in');

export const bondLook = (state: JobState, id: string): BondLook =>
  state.bond[id] === 'renewed'
    ? 'renewed'
    : isWhole(state, id)
      ? 'whole'
      : state.bond[id] === 'torn'
        ? 'torn'
        : 'open';

/** What is to be drawn of a side as the device stands, and where. */
export interface Scene {
  index: IndexedModel;
  state: JobState;
  face: Face;
  at: ReturnType<typeof placing>;
  isLit: (id: string) => boolean;
  /** The one thing that is next. */
  now: string | undefined;
  large: boolean;
  onPick: ((id: string) => void) | undefined;
  /** Size of the writing at plugs, mm. */
  plugText: number;
  /** What covers this side. */
  cover: IndexedModel['model']['slots'][number] | undefined;
  open: boolean;
  /** The cover is not at the device any more. */
  away: boolean;
  /** All that is held is carried by another piece, and goes with it. */
  carried: (holds: readonly string[]) => boolean;
}
export function sceneOf({
  index,
  state,
  face,
  lit,
  now,
  large,
  onPick,
}: Pick<Scene, 'index' | 'state' | 'face' | 'now' | 'large' | 'onPick'> & { lit: readonly string[] }): Scene {
  const cover = index.model.slots.find((s) => s.kind === coverKind(face));
  return {
    index,
    state,
    face,
    at: placing(index, face),
    isLit: (id) => lit.includes(id),
    now,
    large,
    onPick,
    plugText: large ? 4 : 3,
    cover,
    open: cover === undefined ? face === 'back' : poseOf(state, cover.id) !== 'in',
    away: cover !== undefined && pieceInSlot(state, cover.id) === undefined,
    carried: (holds) => holds.every((h) => index.slots.get(h)?.carrier),
  };
}
