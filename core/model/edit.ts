import type { Face } from '../vocabulary/trade';
import { canonicalJson } from './canonical-json';
import type { DeviceModel } from './schema';

/** The lists of things that a model has. */
export const editLists = ['slots', 'fasteners', 'connectors', 'bonds', 'catches'] as const;
export type EditList = (typeof editLists)[number];
type ThingOf<L extends EditList> = DeviceModel[L][number];

/** What a model says beside its things, each as a whole. */
export const editFields = [
  'maker',
  'name',
  'generation',
  'outline',
  'hinge',
  'openMaxDeg',
  'pickDepthMm',
  'stack',
  'noGo',
  'pairing',
  'programming',
  'chips',
  'said',
  'bootRules',
  'variants',
  'items',
  'tools',
  'stations',
  'shortList',
] as const;
export type EditField = (typeof editFields)[number];

/**
 * A change of a model as data: a thing is put in, in the place of one of its id where there is one, or taken out; or what
 * the model says beside its things is said otherwise. A thing that is put back goes to where it stood (`at`), so that a
 * change and its inverse leave the model as it was.
 */
export type Edit =
  | { [L in EditList]: { do: 'put'; list: L; id: string; thing: ThingOf<L>; at?: number } }[EditList]
  | { do: 'remove'; list: EditList; id: string }
  | { [F in EditField]: { do: 'set'; field: F; value: DeviceModel[F] } }[EditField];

/** The key by which one change of a list of changes is chosen. */
export const editKey = (edit: Edit): string =>
  edit.do === 'set' ? `set ${edit.field}` : `${edit.do} ${edit.list} ${edit.id}`;

/** A model with changes made, in their order; what is taken out and is not there changes nothing. */
export function applyEdits(model: DeviceModel, edits: readonly Edit[]): DeviceModel {
  return edits.reduce(applyEdit, model);
}
function applyEdit(model: DeviceModel, edit: Edit): DeviceModel {
  if (edit.do === 'set') return { ...model, [edit.field]: edit.value };
  const list = model[edit.list] as { id: string }[];
  const changed =
    edit.do === 'remove'
      ? list.filter((thing) => thing.id !== edit.id)
      : list.some((thing) => thing.id === edit.id)
        ? list.map((thing) => (thing.id === edit.id ? edit.thing : thing))
        : list.toSpliced(edit.at ?? list.length, 0, edit.thing);
  return { ...model, [edit.list]: changed };
}

/** The changes that take changes back again, in the order in which they are to be made on the changed model. */
export function invertEdits(model: DeviceModel, edits: readonly Edit[]): Edit[] {
  const back: Edit[] = [];
  let before = model;
  for (const edit of edits) {
    back.unshift(inverseOf(before, edit));
    before = applyEdit(before, edit);
  }
  return back;
}
function inverseOf(model: DeviceModel, edit: Edit): Edit {
  if (edit.do === 'set') return { do: 'set', field: edit.field, value: model[edit.field] } as Edit;
  const { list, id } = edit;
  const at = (model[list] as { id: string }[]).findIndex((thing) => thing.id === id);
  return at < 0 ? { do: 'remove', list, id } : ({ do: 'put', list, id, thing: model[list][at], at } as Edit);
}

/** The changes that make the things of one model those of another; none for two that have the same. */
export function difference(from: DeviceModel, to: DeviceModel): Edit[] {
  const said = editFields
    .filter((field) => canonicalJson(from[field]) !== canonicalJson(to[field]))
    .map((field) => ({ do: 'set', field, value: to[field] }) as Edit);
  const things = editLists.flatMap((list): Edit[] => {
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
  return [...said, ...things];
}

/** What one change of two models comes to, for whoever compares them. */
export interface Difference {
  key: string;
  /** The thing's id; of what the model says beside its things, which of it. */
  id: string;
  name: string;
  list: EditList | 'said';
  what: 'new' | 'gone' | 'other';
  /** How far it lies from where it lay, mm. */
  movedMm?: number;
  /** Where it lies in the other one. */
  there?: Place & { face: Face };
  /** A screw's length before and after, mm. */
  lengthMm?: [before: number, after: number];
  /** Ways out of a part that came and went, by id. */
  waysNew?: string[];
  waysGone?: string[];
}
/** Says what differs between two models, a change each, in the order of `difference`. */
export const compareModels = (from: DeviceModel, to: DeviceModel): Difference[] =>
  difference(from, to).map((edit): Difference => {
    const key = editKey(edit);
    if (edit.do === 'set') return { key, id: edit.field, name: edit.field, list: 'said', what: 'other' };
    const { list, id } = edit;
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

/** mm; a point has no extent. */
type Place = { x: number; y: number; w?: number; h?: number };
const placeOf = (thing: ThingOf<EditList>) => ('at' in thing ? thing.at : thing.shape);
function movedBetween(a: ThingOf<EditList>, b: ThingOf<EditList>): Pick<Difference, 'movedMm' | 'there'> {
  const [from, to] = [placeOf(a), placeOf(b)];
  const mm = Math.round(Math.hypot(to.x - from.x, to.y - from.y) * 100) / 100;
  const { x, y } = to;
  const size = 'shape' in b ? { w: b.shape.w, h: b.shape.h } : {};
  return mm ? { movedMm: mm, there: { face: b.face, x, y, ...size } } : {};
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
