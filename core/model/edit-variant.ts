import { canonicalJson } from './canonical-json';
import { applyEdits, type Edit, type EditList, editLists } from './edit';
import type { DeviceModel, Variant } from './schema';
import { ofVariant } from './variant';

type Thing = { id: string };
const noThings = { slots: [], fasteners: [], connectors: [], bonds: [], catches: [] };

/** What a variant is of a model whose things are to be those of another one: taken out, another one, and put in, by id. */
function differencesTo(model: DeviceModel, target: DeviceModel): Pick<Variant, 'remove' | 'replace' | 'add'> {
  const ids = new Set(editLists.flatMap((list) => (target[list] as Thing[]).map((thing) => thing.id)));
  const remove = editLists.flatMap((list) =>
    (model[list] as Thing[]).filter((thing) => !ids.has(thing.id)).map((thing) => thing.id),
  );
  // what only hides less, since the hidden is not there, is no other part
  const bare = ofVariant(
    { ...model, variants: [{ id: '-', name: '-', remove, replace: noThings, add: noThings }] },
    '-',
  );
  const pick = (choose: (before: Thing | undefined, thing: Thing) => boolean) =>
    Object.fromEntries(
      editLists.map((list) => {
        const before = new Map((bare[list] as Thing[]).map((thing) => [thing.id, thing]));
        return [list, (target[list] as Thing[]).filter((thing) => choose(before.get(thing.id), thing))];
      }),
    ) as Variant['add'];
  return {
    remove,
    replace: pick((before, thing) => before !== undefined && canonicalJson(before) !== canonicalJson(thing)),
    add: pick((before) => before === undefined),
  };
}
const withVariants = (value: Variant[]): Edit => ({ do: 'set', field: 'variants', value });

/**
 * Changes of one variant of a model, as it is seen, as changes of the model: the things of the others stay as they are, and
 * what comes out the same as in all is no difference any more. What a model says beside its things is said for all.
 * @throws RangeError when the model has no such variant
 */
export function editsOfVariant(model: DeviceModel, variantId: string, edits: readonly Edit[]): Edit[] {
  const things = edits.filter((edit) => edit.do !== 'set');
  if (!things.length) return [...edits];
  // what is said of a thing that goes here stays said for the others
  const said = things.some((edit) => edit.do === 'remove') ? [] : edits.filter((edit) => edit.do === 'set');
  const target = applyEdits(ofVariant(model, variantId), things);
  const own = differencesTo(model, target);
  return [...said, withVariants(model.variants.map((v) => (v.id === variantId ? { ...v, ...own } : v)))];
}
/** Changes of all variants: what is taken out everywhere is no difference of one any more. */
export function editsOfAll(model: DeviceModel, edits: readonly Edit[]): Edit[] {
  const gone = new Set(edits.filter((edit) => edit.do === 'remove').map((edit) => edit.id));
  const named = (v: Variant) =>
    v.remove.some((id) => gone.has(id)) ||
    editLists.some((list) => (v.replace[list] as Thing[]).some((thing) => gone.has(thing.id)));
  if (!model.variants.some(named)) return [...edits];
  const variants = model.variants.map((v) => ({
    ...v,
    remove: v.remove.filter((id) => !gone.has(id)),
    replace: Object.fromEntries(
      editLists.map((list) => [list, (v.replace[list] as Thing[]).filter((thing) => !gone.has(thing.id))]),
    ) as Variant['replace'],
  }));
  return [...edits, withVariants(variants)];
}

/** One way in which a variant is not as all are. */
export interface VariantDifference {
  id: string;
  name: string;
  list: EditList;
  what: 'new' | 'gone' | 'other';
}
/** How a variant differs from what all have, a thing each. @throws RangeError when the model has no such variant */
export function differencesOfVariant(model: DeviceModel, variantId: string): VariantDifference[] {
  const variant = variantOf(model, variantId);
  return editLists.flatMap((list): VariantDifference[] => {
    const of = (things: readonly { id: string; name: string }[], what: VariantDifference['what']) =>
      things.map(({ id, name }) => ({ id, name, list, what }));
    const all = model[list] as { id: string; name: string }[];
    return [
      ...of(variant.add[list], 'new'),
      ...of(variant.replace[list], 'other'),
      ...of(
        all.filter((thing) => variant.remove.includes(thing.id)),
        'gone',
      ),
    ];
  });
}
/** Takes one difference of a variant back: there it is as everywhere. */
export function asInAll(model: DeviceModel, variantId: string, id: string): Edit[] {
  const without = (lists: Variant['add']) =>
    Object.fromEntries(
      editLists.map((list) => [list, (lists[list] as Thing[]).filter((thing) => thing.id !== id)]),
    ) as Variant['add'];
  const { remove, replace, add } = variantOf(model, variantId);
  const own = { remove: remove.filter((r) => r !== id), replace: without(replace), add: without(add) };
  return [withVariants(model.variants.map((v) => (v.id === variantId ? { ...v, ...own } : v)))];
}
/** A further variant, which differs in nothing yet. @param id that no other variant has */
export const addVariant = (model: DeviceModel, id: string, name: string): Edit[] => [
  withVariants([...model.variants, { id, name, remove: [], replace: noThings, add: noThings }]),
];
/** A variant under another name. */
export const nameVariant = (model: DeviceModel, id: string, name: string): Edit[] => [
  withVariants(model.variants.map((v) => (v.id === id ? { ...v, name } : v))),
];
/** A model without one of its variants; the last one stays. */
export const dropVariant = (model: DeviceModel, id: string): Edit[] =>
  model.variants.length > 1 ? [withVariants(model.variants.filter((v) => v.id !== id))] : [];

function variantOf(model: DeviceModel, id: string): Variant {
  const found = model.variants.find((v) => v.id === id);
  if (!found) throw new RangeError(`model ${model.id} has no variant ${id}`);
  return found;
}
