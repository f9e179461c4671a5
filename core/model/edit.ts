import { canonicalJson } from './canonical-json';
import type { DeviceModel } from './schema';

const editLists = ['slots', 'fasteners', 'connectors', 'bonds', 'catches'] as const;
export type EditList = (typeof editLists)[number];
type ThingOf<L extends EditList> = DeviceModel[L][number];

/** A change of a model as data: a thing is put in, in the place of one of its id where there is one, or taken out. */
export type Edit =
  | { [L in EditList]: { do: 'put'; list: L; id: string; thing: ThingOf<L> } }[EditList]
  | { do: 'remove'; list: EditList; id: string };

/** The key by which one change of a list of changes is chosen. */
export const editKey = (edit: Edit): string => `${edit.do} ${edit.list} ${edit.id}`;

/** A model with changes made, in their order; what is taken out and is not there changes nothing. */
export function applyEdits(model: DeviceModel, edits: readonly Edit[]): DeviceModel {
  let next = model;
  for (const edit of edits) {
    const list = next[edit.list] as { id: string }[];
    const changed =
      edit.do === 'remove'
        ? list.filter((thing) => thing.id !== edit.id)
        : list.some((thing) => thing.id === edit.id)
          ? list.map((thing) => (thing.id === edit.id ? edit.thing : thing))
          : [...list, edit.thing];
    next = { ...next, [edit.list]: changed };
  }
  return next;
}

/** The changes that make the things of one model those of another; none for two that have the same. */
export function difference(from: DeviceModel, to: DeviceModel): Edit[] {
  return editLists.flatMap((list): Edit[] => {
    const before = new Map((from[list] as { id: string }[]).map((thing) => [thing.id, thing]));
    const after = new Map((to[list] as { id: string }[]).map((thing) => [thing.id, thing]));
    const put = [...after.values()]
      .filter((thing) => {
        const old = before.get(thing.id);
        return !old || canonicalJson(old) !== canonicalJson(thing);
      })
      .map((thing) => ({ do: 'put', list, id: thing.id, thing }) as Edit);
    const gone = [...before.keys()].filter((id) => !after.has(id));
    return [...put, ...gone.map((id): Edit => ({ do: 'remove', list, id }))];
  });
}

/** What one change of two models comes to, for whoever compares them. */
export interface Difference {
  key: string;
  id: string;
  name: string;
  list: EditList;
  what: 'new' | 'gone' | 'other';
  /** How far it lies from where it lay, mm. */
  movedMm?: number;
  /** A screw's length before and after, mm. */
  lengthMm?: [before: number, after: number];
  /** Ways out of a part that came and went, by id. */
  waysNew?: string[];
  waysGone?: string[];
}
/** Says what differs between two models, a change each, in the order of `difference`. */
export const compareModels = (from: DeviceModel, to: DeviceModel): Difference[] =>
  difference(from, to).map((edit) => {
    const { list, id } = edit;
    const key = editKey(edit);
    const find = (model: DeviceModel) =>
      (model[list] as ThingOf<EditList>[]).find((thing) => thing.id === id);
    const [before, after] = [find(from), find(to)];
    const name = (after ?? before)!.name;
    if (!before || !after) return { key, id, name, list, what: after ? 'new' : 'gone' };
    return {
      key,
      id,
      name,
      list,
      what: 'other',
      ...movedBetween(before, after),
      ...otherwise(before, after),
    };
  });

const placeOf = (thing: ThingOf<EditList>) => ('at' in thing ? thing.at : thing.shape);
function movedBetween(a: ThingOf<EditList>, b: ThingOf<EditList>): Pick<Difference, 'movedMm'> {
  const [from, to] = [placeOf(a), placeOf(b)];
  const mm = Math.round(Math.hypot(to.x - from.x, to.y - from.y) * 100) / 100;
  return mm ? { movedMm: mm } : {};
}
function otherwise(a: ThingOf<EditList>, b: ThingOf<EditList>): Partial<Difference> {
  if ('lengthMm' in a && 'lengthMm' in b)
    return a.lengthMm === b.lengthMm ? {} : { lengthMm: [a.lengthMm, b.lengthMm] };
  if (!('ways' in a && 'ways' in b)) return {};
  const ids = (ways: readonly { id: string }[]) => ways.map((way) => way.id);
  const came = ids(b.ways).filter((id) => !ids(a.ways).includes(id));
  const went = ids(a.ways).filter((id) => !ids(b.ways).includes(id));
  return { ...(came.length ? { waysNew: came } : {}), ...(went.length ? { waysGone: went } : {}) };
}
