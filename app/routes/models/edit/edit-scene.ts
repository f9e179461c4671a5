import { boxOf, type Box, type ListedThing, thingOf } from '../../../../core/model/editing';
import type { IndexedModel } from '../../../../core/model/index-model';
import type { DeviceModel } from '../../../../core/model/schema';
import type { Face } from '../../../../core/vocabulary/trade';

/** The layers of a side, from the lowest up. */
export const layersOf = ({ model }: IndexedModel, face: Face): number[] =>
  [
    ...new Set(
      [model.slots, model.fasteners, model.connectors, model.bonds, model.catches]
        .flat()
        .filter((thing) => thing.face === face)
        .map((thing) => thing.layer),
    ),
  ].sort((a, b) => a - b);

/** What is drawn of a side when all above a layer is left away, from the lowest up. */
export function thingsShown({ model }: IndexedModel, face: Face, topLayer: number): ListedThing[] {
  const on = <T extends { face: Face; layer: number }>(thing: T) =>
    thing.face === face && thing.layer <= topLayer;
  const listed: ListedThing[] = [
    ...model.slots.filter(on).map((thing) => ({ list: 'slots' as const, thing })),
    ...model.bonds.filter(on).map((thing) => ({ list: 'bonds' as const, thing })),
    ...model.connectors.filter(on).map((thing) => ({ list: 'connectors' as const, thing })),
    ...model.fasteners.filter(on).map((thing) => ({ list: 'fasteners' as const, thing })),
    ...model.catches.filter(on).map((thing) => ({ list: 'catches' as const, thing })),
  ];
  // of one layer, points lie on parts
  const rank = { slots: 0, bonds: 1, connectors: 2, fasteners: 3, catches: 4 };
  return listed.sort((a, b) => a.thing.layer - b.thing.layer || rank[a.list] - rank[b.list]);
}

/** The layer down to which the inside is seen when a side is opened: what lies under its cover. */
export function insideLayer({ model }: IndexedModel, face: Face): number {
  const cover = model.slots.find((s) => s.kind === (face === 'back' ? 'back' : 'display') && s.face === face);
  const layers = [...model.slots, ...model.fasteners, ...model.bonds]
    .filter((t) => t.face === face && (!cover || t.layer < cover.layer))
    .map((t) => t.layer);
  return layers.length ? Math.max(...layers) : 99;
}

export type NoGo = DeviceModel['noGo'][number];
/** How deep a stretch of the rim is drawn at least, mm: it has to be seen and taken hold of. */
const rimMm = 3;
/** A stretch of the rim where no blade goes deep, as a box of the device. */
export function noGoBox(
  { edge, fromMm, toMm, depthMm }: NoGo,
  { widthMm, heightMm }: DeviceModel['outline'],
): Box {
  const deep = Math.max(depthMm, rimMm);
  const upright = edge === 'left' || edge === 'right';
  return {
    x: edge === 'right' ? widthMm - deep : edge === 'left' ? 0 : fromMm,
    y: edge === 'bottom' ? heightMm - deep : edge === 'top' ? 0 : fromMm,
    w: upright ? deep : toMm - fromMm,
    h: upright ? toMm - fromMm : deep,
  };
}
export const noGoId = (n: number) => `noGo:${n}`;
export const noGoNumber = (id: string): number | undefined =>
  id.startsWith('noGo:') ? Number(id.slice(5)) : undefined;

/** Where what is chosen lies, one box each. */
export const boxesOf = (index: IndexedModel, ids: readonly string[]): Box[] =>
  ids.flatMap((id) => {
    const listed = thingOf(index, id);
    return listed ? [boxOf(listed)] : [];
  });
/** The box round several boxes; undefined round none. */
export function around(boxes: readonly Box[]): Box | undefined {
  if (!boxes.length) return undefined;
  const x = Math.min(...boxes.map((b) => b.x));
  const y = Math.min(...boxes.map((b) => b.y));
  return {
    x,
    y,
    w: Math.max(...boxes.map((b) => b.x + b.w)) - x,
    h: Math.max(...boxes.map((b) => b.y + b.h)) - y,
  };
}
