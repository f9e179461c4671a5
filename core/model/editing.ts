import { canonicalJson } from './canonical-json';
import { applyEdits, type Edit } from './edit';
import { type IndexedModel, indexModel } from './index-model';
import type { Bond, Catch, Connector, DeviceModel, Fastener, Slot } from './schema';
import type { Face } from '../vocabulary/trade';
import { rulesWithout } from './variant';

/** A thing of a model, with the list that it stands in. */
export type ListedThing =
  | { list: 'slots'; thing: Slot }
  | { list: 'fasteners'; thing: Fastener }
  | { list: 'connectors'; thing: Connector }
  | { list: 'bonds'; thing: Bond }
  | { list: 'catches'; thing: Catch };
export interface Point {
  x: number;
  y: number;
}
export interface Box extends Point {
  w: number;
  h: number;
}

/** The thing of an id; undefined where the model has none of it. */
export function thingOf(index: IndexedModel, id: string): ListedThing | undefined {
  const slot = index.slots.get(id);
  if (slot) return { list: 'slots', thing: slot };
  const fastener = index.fasteners.get(id);
  if (fastener) return { list: 'fasteners', thing: fastener };
  const connector = index.connectors.get(id);
  if (connector) return { list: 'connectors', thing: connector };
  const bond = index.bonds.get(id);
  if (bond) return { list: 'bonds', thing: bond };
  const caught = index.catches.get(id);
  return caught && { list: 'catches', thing: caught };
}
/** Puts a thing in, in the place of the one of its id. */
export const put = ({ list, thing }: ListedThing): Edit => ({ do: 'put', list, id: thing.id, thing }) as Edit;

const hundredth = (mm: number) => Math.round(mm * 100) / 100;
const clip = (mm: number, most: number) => hundredth(Math.min(Math.max(mm, 0), Math.max(0, most)));

/** Where a thing lies, as a box; of a point one without extent. mm of the device's frame. */
export const boxOf = ({ thing }: ListedThing): Box =>
  'shape' in thing ? thing.shape : { ...thing.at, w: 0, h: 0 };

/** The thing with its box elsewhere: a part or a bond takes the size, too. It stays within the outline. */
export function withBox(listed: ListedThing, box: Box, { outline }: DeviceModel): ListedThing {
  const { thing } = listed;
  const { widthMm, heightMm } = outline;
  if ('shape' in thing) {
    const w = clip(Math.max(box.w, 0.2), widthMm);
    const h = clip(Math.max(box.h, 0.2), heightMm);
    const shape = { ...thing.shape, x: clip(box.x, widthMm - w), y: clip(box.y, heightMm - h), w, h };
    return { ...listed, thing: { ...thing, shape } } as ListedThing;
  }
  const at = { x: clip(box.x, widthMm), y: clip(box.y, heightMm) };
  return { ...listed, thing: { ...thing, at } } as ListedThing;
}

const listedOf = (index: IndexedModel, ids: readonly string[]): ListedThing[] =>
  ids.map((id) => thingOf(index, id)).filter((listed) => listed !== undefined);

/** Things, and what holds nothing but them: screws, strips, catches, and the plugs at their own ends move with a part. */
export function withHeld(index: IndexedModel, ids: readonly string[]): string[] {
  const own = new Set(ids);
  const { fasteners, bonds, catches, connectors } = index.model;
  const held = [...fasteners, ...bonds, ...catches].filter((thing) => thing.holds.every((id) => own.has(id)));
  const plugs = connectors.filter((plug) => own.has(plug.joins[0]));
  return [...new Set([...ids, ...held.map((thing) => thing.id), ...plugs.map((plug) => plug.id)])];
}
/** How far things can be moved together without one of them leaving the outline: what was asked for, or less. mm */
export function movable(index: IndexedModel, ids: readonly string[], { x, y }: Point): Point {
  const { widthMm, heightMm } = index.model.outline;
  let [dx, dy] = [x, y];
  for (const listed of listedOf(index, ids)) {
    const box = boxOf(listed);
    dx = Math.min(Math.max(dx, -box.x), widthMm - box.x - box.w);
    dy = Math.min(Math.max(dy, -box.y), heightMm - box.y - box.h);
  }
  return { x: hundredth(dx), y: hundredth(dy) };
}
/** Moves things together; none of them leaves the outline. */
export function moveThings(index: IndexedModel, ids: readonly string[], by: Point): Edit[] {
  const { x, y } = movable(index, ids, by);
  if (!x && !y) return [];
  return listedOf(index, ids).map((listed) => {
    const box = boxOf(listed);
    return put(withBox(listed, { ...box, x: box.x + x, y: box.y + y }, index.model));
  });
}

export type Alignment = 'left' | 'right' | 'top' | 'bottom' | 'middle' | 'centre';
/** Puts things in line with the edge, or the middle, of the box that is round all of them. */
export function alignThings(index: IndexedModel, ids: readonly string[], to: Alignment): Edit[] {
  const listed = listedOf(index, ids);
  const boxes = listed.map(boxOf);
  const left = Math.min(...boxes.map((b) => b.x));
  const right = Math.max(...boxes.map((b) => b.x + b.w));
  const top = Math.min(...boxes.map((b) => b.y));
  const bottom = Math.max(...boxes.map((b) => b.y + b.h));
  const place: Record<Alignment, (b: Box) => Partial<Point>> = {
    left: () => ({ x: left }),
    right: (b) => ({ x: right - b.w }),
    centre: (b) => ({ x: (left + right - b.w) / 2 }),
    top: () => ({ y: top }),
    bottom: (b) => ({ y: bottom - b.h }),
    middle: (b) => ({ y: (top + bottom - b.h) / 2 }),
  };
  return listed.map((l, i) => put(withBox(l, { ...boxes[i]!, ...place[to](boxes[i]!) }, index.model)));
}
/** Turns things left to right about the middle of the device. */
export const mirrorThings = (index: IndexedModel, ids: readonly string[]): Edit[] =>
  listedOf(index, ids).map((listed) => {
    const box = boxOf(listed);
    return put(withBox(listed, { ...box, x: index.model.outline.widthMm - box.x - box.w }, index.model));
  });

/** The lists by which a way looses things, by the list that they stand in. */
const loosedIn = {
  fasteners: 'fasteners',
  connectors: 'connectors',
  bonds: 'bonds',
  catches: 'catches',
} as const;
/** The parts that a thing holds or joins. */
const heldParts = ({ list, thing }: ListedThing): readonly string[] =>
  list === 'slots' ? [] : list === 'connectors' ? thing.joins.slice(0, 1) : thing.holds;

/**
 * Puts a new thing in, and into the ways of the parts that it holds: what no way looses would never be free. Of a plug it
 * is the first of the two that it joins.
 */
export function addThing(index: IndexedModel, listed: ListedThing): Edit[] {
  if (listed.list === 'slots') return [put(listed)];
  const list = loosedIn[listed.list];
  const ways = heldParts(listed).flatMap((id): Edit[] => {
    const slot = index.slots.get(id);
    if (!slot || slot.ways.some((way) => way[list].includes(listed.thing.id))) return [];
    const [first, ...others] = slot.ways;
    if (!first) return [];
    // what leads to a pose comes first, and the way on from there finds it undone
    const loosed = (way: Slot['ways'][number]) => ({ ...way, [list]: [...way[list], listed.thing.id] });
    const rest = others.map((way) => (way.needs.some((need) => need.slot === id) ? way : loosed(way)));
    return [put({ list: 'slots', thing: { ...slot, ways: [loosed(first), ...rest] } })];
  });
  return [put(listed), ...ways];
}

/** Copies of things, each a step further; under ids that nothing has yet. @param fresh the next free id like this one */
export function copyThings(
  index: IndexedModel,
  ids: readonly string[],
  { count, step }: { count: number; step: Point },
  fresh: (like: string, taken: ReadonlySet<string>) => string,
): { edits: Edit[]; ids: string[] } {
  const taken = new Set(allIds(index));
  const edits: Edit[] = [];
  const made: string[] = [];
  let now = index;
  for (let k = 1; k <= count; k++)
    for (const listed of listedOf(index, ids)) {
      const box = boxOf(listed);
      const id = fresh(listed.thing.id, taken);
      taken.add(id);
      made.push(id);
      const moved = withBox(listed, { ...box, x: box.x + k * step.x, y: box.y + k * step.y }, index.model);
      const added = addThing(now, { ...moved, thing: { ...moved.thing, id } } as ListedThing);
      edits.push(...added);
      now = indexModel(applyEdits(now.model, added));
    }
  return { edits, ids: made };
}
/** Every id that a model has taken. */
export const allIds = ({ model }: IndexedModel): string[] =>
  [model.slots, model.fasteners, model.connectors, model.bonds, model.catches].flat().map((t) => t.id);

/** The next free id like another: S4 of S3, key-2 of key. */
export function idLike(like: string, taken: ReadonlySet<string>): string {
  const [, stem, number] = /^(.*?)(\d*)$/.exec(like)!;
  const base = number ? stem! : `${like}-`.slice(0, 37);
  let n = number ? Number(number) + 1 : 2;
  while (taken.has(`${base}${n}`)) n++;
  return `${base}${n}`;
}

/** Takes things out, and their names out of all that names them; what would then hold or join nothing goes with them. */
export function takeOutThings(index: IndexedModel, ids: readonly string[]): Edit[] {
  const gone = new Set(ids);
  const { model } = index;
  for (const thing of [...model.fasteners, ...model.bonds, ...model.catches])
    if (thing.holds.every((id) => gone.has(id))) gone.add(thing.id);
  for (const connector of model.connectors)
    if (connector.joins.some((id) => gone.has(id))) gone.add(connector.id);
  const removed = [...gone].flatMap((id): Edit[] => {
    const listed = thingOf(index, id);
    return listed ? [{ do: 'remove', list: listed.list, id }] : [];
  });
  return [...removed, ...withoutNames(index, gone), ...fieldsWithout(model, gone)];
}
function withoutNames(index: IndexedModel, gone: ReadonlySet<string>): Edit[] {
  const { model } = index;
  const left = (names: readonly string[]) => names.filter((id) => !gone.has(id));
  const stays = <T extends { id: string }>(thing: T) => !gone.has(thing.id);
  const named = (names: readonly string[]) => names.some((id) => gone.has(id));
  const out: ListedThing[] = model.slots
    .filter(stays)
    .filter((slot) => named(namedBy(slot)))
    .map((slot) => ({ list: 'slots', thing: slotWithout(slot, gone) }));
  for (const fastener of model.fasteners.filter(stays))
    if (named([...fastener.holds, fastener.standsOn ?? ''])) {
      const { standsOn, ...rest } = fastener;
      const stands = standsOn && !gone.has(standsOn) ? { standsOn } : {};
      out.push({ list: 'fasteners', thing: { ...rest, ...stands, holds: left(fastener.holds) } });
    }
  for (const bond of model.bonds.filter(stays))
    if (named(bond.holds)) out.push({ list: 'bonds', thing: { ...bond, holds: left(bond.holds) } });
  for (const caught of model.catches.filter(stays))
    if (named(caught.holds)) out.push({ list: 'catches', thing: { ...caught, holds: left(caught.holds) } });
  return out.map(put);
}
const namedBy = (slot: Slot): string[] => [
  slot.carrier ?? '',
  slot.partOf ?? '',
  ...slot.covers,
  ...slot.leavesFree,
  ...slot.arrivesWith,
  ...(slot.install?.after ?? []),
  ...(slot.install?.under ?? []),
  ...slot.ways.flatMap((way) => [
    ...way.needs.map((need) => need.slot),
    ...way.fasteners,
    ...way.connectors,
    ...way.bonds,
    ...way.catches,
  ]),
];
function slotWithout({ carrier, partOf, install, ...slot }: Slot, gone: ReadonlySet<string>): Slot {
  const left = (names: readonly string[]) => names.filter((id) => !gone.has(id));
  return {
    ...slot,
    ...(carrier && !gone.has(carrier) ? { carrier } : {}),
    ...(partOf && !gone.has(partOf) ? { partOf } : {}),
    ...(install ? { install: { ...install, after: left(install.after), under: left(install.under) } } : {}),
    covers: left(slot.covers),
    leavesFree: left(slot.leavesFree),
    arrivesWith: left(slot.arrivesWith),
    ways: slot.ways.map((way) => ({
      ...way,
      needs: way.needs.filter((need) => !gone.has(need.slot)),
      fasteners: left(way.fasteners),
      connectors: left(way.connectors),
      bonds: left(way.bonds),
      catches: left(way.catches),
    })),
  };
}
function fieldsWithout(model: DeviceModel, gone: ReadonlySet<string>): Edit[] {
  return Object.entries(rulesWithout(model, gone))
    .filter(([field, value]) => canonicalJson(model[field as 'pairing']) !== canonicalJson(value))
    .map(([field, value]) => ({ do: 'set', field, value }) as Edit);
}

/** The part that lies uppermost under a point, of those on a side that lie no higher than a layer; undefined where none does. */
export const partAt = (
  { model }: IndexedModel,
  { x, y }: Point,
  face: Face,
  topLayer: number,
): Slot | undefined =>
  model.slots
    .filter(
      (slot) =>
        slot.face === face &&
        slot.kind !== 'frame' &&
        slot.layer <= topLayer &&
        x >= slot.shape.x &&
        x <= slot.shape.x + slot.shape.w &&
        y >= slot.shape.y &&
        y <= slot.shape.y + slot.shape.h,
    )
    .toSorted((a, b) => b.layer - a.layer)[0];
