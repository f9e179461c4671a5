import type { MetEntry } from '../log/met-schema';
import type { JobState } from '../log/state';
import { type IndexedModel, indexModel } from '../model/index-model';
import type { Bond, Catch, Connector, DeviceModel, Fastener, Slot, Way } from '../model/schema';
import { covers, heldBy, inOrder, isFree, isLid, type MetPart, needsOf, slotOf } from './holds';
import type { Pose } from '../vocabulary/trade';
import { functionsOfPart, installMinutes, releaseOf, traitsOf, wayMinutes } from './usual';

/**
 * Layers of what was met: each part lies one deeper than the one that came off before it. What was met before a part lies
 * no deeper than it, and what was met after it is covered by it where it lies under its outline.
 */
const topLayer = 98;
const layerOf = (thing: MetEntry, parts: readonly MetPart[]): number =>
  Math.max(1, topLayer - parts.filter((part) => part.seq < thing.seq).length);

/** What stands where nothing is known yet: no slot has this id. */
const nobody = '?';

/**
 * A device model with all that was met at one device put into it; what is met anew under an id of the model replaces it.
 * While things are still coming off, what holds nothing yet names a part that is not there.
 */
export function withMet(base: DeviceModel, met: Readonly<Record<string, MetEntry>>): DeviceModel {
  const things = inOrder(met);
  const parts = partsOf(met);
  const list = <T>(make: (thing: MetEntry, parts: readonly MetPart[]) => T | undefined): T[] =>
    things.map((thing) => make(thing, parts)).filter((made) => made !== undefined);
  const added = {
    fasteners: list(fastenerOf),
    connectors: list(connectorOf),
    bonds: list(bondOf),
    catches: list(catchOf),
  };
  const merged = <T extends { id: string }>(own: readonly T[], more: readonly T[]): T[] => [
    ...own.filter((thing) => !met[thing.id]),
    ...more,
  ];
  const slots: Lying = new Map([...base.slots, ...parts.map(lyingAs)].map((slot) => [slot.id, slot]));
  const opens = parts.find((part) => part.part === 'display' && part.first === 'folded')?.towards;
  return {
    ...base,
    hinge: opens ?? base.hinge,
    slots: merged(
      base.slots,
      parts.map((part) => madeSlot(part, met, slots, added)),
    ).map((slot) => withWhatLiesUnder(slot, things)),
    fasteners: merged(base.fasteners, added.fasteners),
    connectors: merged(base.connectors, added.connectors),
    bonds: merged(base.bonds, added.bonds),
    catches: merged(base.catches, added.catches),
  };
}
/**
 * A display or a back lies over all that was met while it was open, however it was drawn: geometry may add to that and
 * never takes away. Only a person can, by saying of a part that it did not need it.
 */
function withWhatLiesUnder(slot: Slot, things: readonly MetEntry[]): Slot {
  if (!isLid(slot)) return slot;
  const under = things.filter(
    (thing) =>
      thing.face === slot.face &&
      !(thing.kind === 'part' && thing.carrier === slot.id) &&
      thing.under.some((need) => slotOf(need) === slot.id),
  );
  const free = under.filter((thing) => thing.kind === 'part' && isFree(thing, slot.id));
  const ids = (more: readonly MetEntry[], own: readonly string[]) => [
    ...new Set([...own, ...more.map((thing) => thing.id)]),
  ];
  return {
    ...slot,
    covers: ids(
      under.filter((thing) => !free.includes(thing)),
      slot.covers,
    ),
    leavesFree: ids(free, slot.leavesFree),
  };
}
const partsOf = (met: Readonly<Record<string, MetEntry>>): MetPart[] =>
  inOrder(met).filter((thing) => thing.kind === 'part');
/** What every thing of a model has. */
const placed = (thing: MetEntry, parts: readonly MetPart[]) => ({
  id: thing.id,
  name: thing.name,
  face: thing.face,
  layer: layerOf(thing, parts),
});
const holds = (thing: MetEntry, parts: readonly MetPart[]): string[] => {
  const held = heldBy(thing, parts);
  return held.length ? held : [nobody];
};
function fastenerOf(thing: MetEntry, parts: readonly MetPart[]): Fastener | undefined {
  if (thing.kind !== 'fastener') return undefined;
  const { at, drive, lengthMm, headMm, thread } = thing;
  const own = { at, drive, lengthMm, headMm, thread };
  return { ...placed(thing, parts), ...own, kind: 'screw', threadLock: false, holds: holds(thing, parts) };
}
function connectorOf(thing: MetEntry, parts: readonly MetPart[]): Connector | undefined {
  if (thing.kind !== 'connector') return undefined;
  const { at, widthMm, carries, functions } = thing;
  const own = { at, widthMm, carries, functions };
  return { ...placed(thing, parts), ...own, press: 'straight', joins: joinsOf(thing, parts) };
}
function bondOf(thing: MetEntry, parts: readonly MetPart[]): Bond | undefined {
  if (thing.kind !== 'bond') return undefined;
  return {
    ...placed(thing, parts),
    kind: thing.bond,
    holds: holds(thing, parts),
    shape: { ...thing.shape, r: 1 },
    release: [releaseOf(thing.by)],
    tornThen: 'solvent',
    ...{ renewedBy: [], orTape: [], renewS: 60, cureS: 0, setsByLight: false },
  };
}
function catchOf(thing: MetEntry, parts: readonly MetPart[]): Catch | undefined {
  if (thing.kind !== 'catch') return undefined;
  const { at, direction } = thing;
  return { ...placed(thing, parts), kind: thing.catch, at, direction, holds: holds(thing, parts) };
}
type Lies = Pick<Slot, 'id' | 'kind' | 'face' | 'uncoversAt'>;
type Lying = ReadonlyMap<string, Lies>;
const lyingAs = ({ id, part, face, first }: MetPart): Lies => ({
  ...{ id, kind: part, face, uncoversAt: first ?? 'out' },
});
/** Whether it has to be told that another part waits in a pose: what lies under a part waits for it by that. */
function apartFrom(
  part: MetPart,
  id: string,
  pose: Pose,
  { slots, met }: { slots: Lying; met: Readonly<Record<string, MetEntry>> },
): boolean {
  const other = slots.get(id);
  if (!other || id === part.id) return false;
  const thing = met[id];
  const below = (isLid(other) && other.face === part.face) || (thing?.kind === 'part' && covers(thing, part));
  return !(below && pose === other.uncoversAt);
}
function madeSlot(
  part: MetPart,
  met: Readonly<Record<string, MetEntry>>,
  slots: Lying,
  things: Pick<DeviceModel, 'fasteners' | 'connectors' | 'bonds' | 'catches'>,
): Slot {
  const holding = (list: readonly { id: string; holds: readonly string[] }[]) =>
    list.filter((thing) => thing.holds.includes(part.id)).map((thing) => thing.id);
  const ways = waysOf(part, {
    apart: (id, pose) => apartFrom(part, id, pose, { slots, met }),
    fasteners: holding(things.fasteners),
    connectors: things.connectors
      .filter((c) => needsOf(part).includes(c.id) || c.joins[0] === part.id)
      .map((c) => c.id),
    bonds: holding(things.bonds),
    catches: holding(things.catches),
  });
  return {
    ...placed(part, partsOf(met)),
    kind: part.part,
    ...(part.carrier ? { carrier: part.carrier } : {}),
    shape: { ...part.shape, r: 1 },
    ...{ covers: [], leavesFree: [], uncoversAt: part.first ?? 'out' },
    ...{ arrivesWith: [], films: [], price: 0 },
    traits: traitsOf(part.part),
    functions: part.functions.length ? part.functions : functionsOfPart(part.part),
    ways,
    install: { after: [], under: [], side: 'inside', minutes: installMinutes },
  };
}

interface Holding extends Pick<Way, 'fasteners' | 'connectors' | 'bonds' | 'catches'> {
  /** Whether it has to be told that an id, being another part, has to be in this pose. */
  apart: (id: string, pose: Pose) => boolean;
}
/** The way that a part was seen to go: off at once, or into a pose first and off from there. */
function waysOf(part: MetPart, { apart, ...holding }: Holding): Way[] {
  const needs = (ids: readonly string[]): Way['needs'] => {
    const all = ids
      .map((id) => ({ slot: slotOf(id), pose: (id.split('@')[1] ?? 'out') as Exclude<Pose, 'in'> }))
      .filter(({ slot, pose }) => apart(slot, pose));
    // what is out is folded and shifted, too
    return [...new Map(all.map((n) => [`${n.slot} ${n.pose}`, n])).values()].filter(
      (n) => n.pose === 'out' || !all.some((m) => m.slot === n.slot && m.pose === 'out'),
    );
  };
  const common = {
    minutes: wayMinutes,
    ...{ risks: [], consumables: [], tools: [] },
    guard: { unless: [], methods: {} },
  };
  if (!part.first)
    return [
      {
        id: 'as-recorded',
        to: 'out',
        gesture: 'lift',
        needs: needs(part.needed),
        ...holding,
        ...common,
      },
    ];
  // what was undone only once it lay in its pose is no part of the way there
  const later = new Set(part.neededOut?.filter((id) => !part.needed.includes(id)));
  const split = (out: boolean) => ({
    fasteners: holding.fasteners.filter((id) => later.has(id) === out),
    connectors: holding.connectors.filter((id) => part.needed.includes(id) !== out),
    bonds: holding.bonds.filter((id) => later.has(id) === out),
    catches: holding.catches.filter((id) => later.has(id) === out),
  });
  return [
    {
      id: 'as-recorded',
      to: part.first,
      gesture: part.first === 'folded' ? 'swing' : 'shift',
      ...(part.towards ? { towards: part.towards } : {}),
      ...(part.first === 'folded' ? { angleDeg: 90 } : { shiftMm: 5 }),
      needs: needs(part.needed),
      ...split(false),
      ...common,
    },
    {
      id: 'off-from-there',
      to: 'out',
      gesture: 'lift',
      needs: [{ slot: part.id, pose: part.first }, ...needs(part.neededOut ?? [])],
      ...split(true),
      ...common,
    },
  ];
}

/** The part that a plug was undone for, and what it is plugged into: the board, or whatever part it lies on. */
function joinsOf(plug: MetEntry & { kind: 'connector' }, parts: readonly MetPart[]): [string, string] {
  const needing = parts.filter((part) => needsOf(part).includes(plug.id));
  // a board has every plug off before it goes: what is plugged into it is the other one
  const own =
    // power is the cell's, whatever else it was said to have been undone for
    (plug.carries === 'power' ? parts.find((part) => part.part === 'cell') : undefined)?.id ??
    (needing.find((part) => part.part !== 'board') ?? needing[0])?.id ??
    heldBy(plug, parts)[0] ??
    nobody;
  const under = parts.find(
    (part) =>
      part.id !== own &&
      part.seq > plug.seq &&
      plug.at.x >= part.shape.x &&
      plug.at.x <= part.shape.x + part.shape.w &&
      plug.at.y >= part.shape.y &&
      plug.at.y <= part.shape.y + part.shape.h,
  );
  return [own, (under ?? parts.find((part) => part.part === 'board'))?.id ?? own];
}

const made = new WeakMap<object, { base: IndexedModel; index: IndexedModel }>();

/** The model that a job is decided by: the one that it was opened with, and what has been met at its device since. */
export function indexOfJob(base: IndexedModel, { met }: Pick<JobState, 'met'>): IndexedModel {
  for (const _ in met) {
    const known = made.get(met);
    if (known?.base === base) return known.index;
    const index = indexWith(base, met);
    made.set(met, { base, index });
    return index;
  }
  return base;
}
/** The same without keeping it: for a thing that is only about to be met. */
export const indexWith = (base: IndexedModel, met: Readonly<Record<string, MetEntry>>): IndexedModel =>
  indexModel(withMet(base.model, met));

/** What has been recorded at a job, as a model of its own: of the variant that lay there, which is then the only one. */
export function draftOf({ model }: IndexedModel, variant: string): DeviceModel {
  const none = { slots: [], fasteners: [], connectors: [], bonds: [], catches: [] };
  const name = model.variants.find((v) => v.id === variant)?.name ?? variant;
  return { ...model, variants: [{ id: variant, name, remove: [], add: none, replace: none }] };
}
/** Whether anything was met at a job that its model does not have. */
export const hasMet = ({ met }: Pick<JobState, 'met'>): boolean => Object.keys(met).length > 0;
