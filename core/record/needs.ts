import type { Edit } from '../model/edit';
import type { IndexedModel } from '../model/index-model';
import type { Slot, Way } from '../model/schema';

/** What a way of a part waits for by the model: one thing that has to be undone, or a part that has to be away. */
export interface ModelNeed {
  /** Of the part, its way and the thing. */
  key: string;
  slot: string;
  way: string;
  first: string;
  kind: 'fastener' | 'connector' | 'bond' | 'catch' | 'part';
  /** Of a part: how far it has to be away. */
  pose?: Way['needs'][number]['pose'];
}
const lists = [
  ['fastener', 'fasteners'],
  ['connector', 'connectors'],
  ['bond', 'bonds'],
  ['catch', 'catches'],
] as const;
const keyOf = (slot: string, way: string, first: string) => `${slot} ${way} ${first}`;

/** All that the ways of a model wait for, in its order. What a way needs of its own part's pose is no such thing. */
export const needsOfModel = ({ model }: IndexedModel): ModelNeed[] =>
  model.slots.flatMap((slot) => slot.ways.flatMap((way) => needsOfWay(slot, way)));
export function needsOfWay(slot: Slot, way: Way): ModelNeed[] {
  const need = (kind: ModelNeed['kind'], first: string): ModelNeed => ({
    ...{ key: keyOf(slot.id, way.id, first), slot: slot.id, way: way.id, first, kind },
  });
  return [
    ...lists.flatMap(([kind, list]) => way[list].map((id) => need(kind, id))),
    ...way.needs.filter((n) => n.slot !== slot.id).map((n) => ({ ...need('part', n.slot), pose: n.pose })),
  ];
}
/** Whether it can be left out: what holds one part alone would never be loosed, and what nobody looses is a fault of the model. */
export function mayGo(index: IndexedModel, { first, slot, kind }: ModelNeed): boolean {
  if (kind === 'part') return true;
  const loosedElsewhere = index.model.slots.some(
    (other) =>
      other.id !== slot &&
      other.ways.some((way) => lists.some(([, list]) => (way[list] as readonly string[]).includes(first))),
  );
  if (kind === 'connector') return loosedElsewhere && index.connectors.get(first)?.joins[0] !== slot;
  const holds =
    (index.fasteners.get(first) ?? index.bonds.get(first) ?? index.catches.get(first))?.holds ?? [];
  return loosedElsewhere && holds.some((id) => id !== slot);
}
/** The changes that take needs out: of the ways, and of what a screw, a bond or a catch is said to hold. */
export function withoutNeeds(index: IndexedModel, needs: readonly ModelNeed[]): Edit[] {
  const going = new Set(needs.filter((need) => mayGo(index, need)).map((need) => need.key));
  const edits: Edit[] = [];
  for (const slot of index.model.slots) {
    if (!slot.ways.some((way) => needsOfWay(slot, way).some((need) => going.has(need.key)))) continue;
    const stays = (way: Way) => (id: string) => !going.has(keyOf(slot.id, way.id, id));
    const ways = slot.ways.map((way) => ({
      ...way,
      fasteners: way.fasteners.filter(stays(way)),
      connectors: way.connectors.filter(stays(way)),
      bonds: way.bonds.filter(stays(way)),
      catches: way.catches.filter(stays(way)),
      needs: way.needs.filter((need) => need.slot === slot.id || stays(way)(need.slot)),
    }));
    edits.push({ do: 'put', list: 'slots', id: slot.id, thing: { ...slot, ways } });
  }
  return [...edits, ...looserHolds(index, needs, going)];
}
function looserHolds(index: IndexedModel, needs: readonly ModelNeed[], going: ReadonlySet<string>): Edit[] {
  const gone = new Map<string, Set<string>>();
  for (const { key, first, slot } of needs)
    if (going.has(key)) gone.set(first, (gone.get(first) ?? new Set()).add(slot));
  const left = (id: string, holds: readonly string[]) => holds.filter((slot) => !gone.get(id)?.has(slot));
  return [...gone.keys()].flatMap((id): Edit[] => {
    const fastener = index.fasteners.get(id);
    const bond = index.bonds.get(id);
    const caught = index.catches.get(id);
    const holds = left(id, (fastener ?? bond ?? caught)?.holds ?? []);
    if (!holds.length) return [];
    if (fastener) return [{ do: 'put', list: 'fasteners', id, thing: { ...fastener, holds } }];
    if (bond) return [{ do: 'put', list: 'bonds', id, thing: { ...bond, holds } }];
    return caught ? [{ do: 'put', list: 'catches', id, thing: { ...caught, holds } }] : [];
  });
}
