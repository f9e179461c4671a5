import { coveredBy } from '../../core/model/covers';
import type { JobState } from '../../core/log/state';
import { isWhole, pieceInSlot, poseOf } from '../../core/log/view';
import type { IndexedModel } from '../../core/model/index-model';
import type { Connector, Slot } from '../../core/model/schema';
import type { Face } from '../../core/vocabulary/trade';
import { type Box, type NameAt, type PieceLabel, pieceLabel, plugLabels } from './map-labels';
import { coverKind, placing } from './map-placing';
import { type BondLook, plugWidth } from './map-things';

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
    open: cover === undefined || poseOf(state, cover.id) !== 'in',
    away: cover !== undefined && pieceInSlot(state, cover.id) === undefined,
    carried: (holds) => holds.every((h) => index.slots.get(h)?.carrier),
  };
}

/** Half of what a screw's head covers, with a little air, mm. */
const screwHalf = 1.5;
const around = (x: number, y: number, half: number, halfHigh = half): Box => ({
  x0: x - half,
  x1: x + half,
  y0: y - halfHigh,
  y1: y + halfHigh,
});
type Labels = ReadonlyMap<string, PieceLabel>;
const planned = new WeakMap<IndexedModel, Map<string, Labels>>();
/**
 * Where the name of each piece of a side stands: clear of the screws and plugs that lie on it, whether they are in or out,
 * so that no name moves by a press.
 */
export function pieceLabels({ index, face, at, large, cover }: Scene): Labels {
  const known = planned.get(index) ?? new Map<string, Labels>();
  planned.set(index, known);
  const key = `${face} ${large}`;
  const before = known.get(key);
  if (before) return before;
  const { fasteners, connectors, slots } = index.model;
  const out = new Map<string, PieceLabel>();
  for (const slot of slots) {
    if (
      slot.face !== face ||
      slot.carrier ||
      slot.id === cover?.id ||
      slot.kind === 'board' ||
      slot.kind === 'frame'
    )
      continue;
    const x = at.X(slot.shape.x, slot.shape.w);
    const label = pieceLabel(
      { ...slot.shape, x },
      slot.label ?? slot.name,
      [
        ...fasteners
          .filter((f) => f.face === face && f.layer >= slot.layer)
          .map((f) => around(at.X(f.at.x), f.at.y, screwHalf)),
        ...connectors
          .filter((c) => c.face === face && c.layer >= slot.layer)
          .map((c) => around(at.X(c.at.x), c.at.y, plugWidth(c) / 2, screwHalf)),
      ],
      large,
    );
    if (label) out.set(slot.id, label);
  }
  known.set(key, out);
  return out;
}
/** Whether a piece is written on as it stands: it is there, and nothing lies over it. */
export const isNamed = ({ index, state }: Scene, slot: Slot): boolean =>
  pieceInSlot(state, slot.id) !== undefined &&
  slot.kind !== 'board' &&
  slot.kind !== 'frame' &&
  seen(index, state, slot.id);

/** The plugs that can be seen, and where the name of each stands: clear of the names of pieces. */
export function plugsOf(scene: Scene): { plugs: Connector[]; names: Map<string, NameAt> } {
  const { index, state, face, at, cover, isLit, carried, plugText } = scene;
  const plugs = index.model.connectors.filter(
    (connector) =>
      connector.face === face &&
      seen(index, state, connector.id) &&
      !carried(connector.joins) &&
      (isLit(connector.id) || connector.joins.some((j) => pieceInSlot(state, j) !== undefined)),
  );
  const labels = pieceLabels(scene);
  const written = index.model.slots
    .filter((s) => s.face === face && !s.carrier && s.id !== cover?.id && isNamed(scene, s))
    .flatMap((s) => labels.get(s.id)?.box ?? []);
  const boxes = plugs.map((c) => ({ id: c.id, name: c.name, x: at.X(c.at.x), y: c.at.y, w: plugWidth(c) }));
  return { plugs, names: plugLabels(boxes, plugText, written) };
}
