import type { DeviceModel, Slot } from './schema';

const lists = ['slots', 'fasteners', 'connectors', 'bonds', 'catches'] as const;

/**
 * The model as one variant has it: things removed, replaced and added by id, in that order.
 * A replaced thing keeps its place in the list, so that orders that fall back on it stay stable.
 * @throws RangeError when the model has no such variant (a programmer's mistake: callers offer only those it has).
 */
export function ofVariant(model: DeviceModel, variantId: string): DeviceModel {
  const variant = model.variants.find((v) => v.id === variantId);
  if (!variant) throw new RangeError(`model ${model.id} has no variant ${variantId}`);
  const gone = new Set(variant.remove);
  const out = { ...model };
  for (const list of lists) {
    const replaced = new Map<string, unknown>(variant.replace[list].map((x) => [x.id, x]));
    const kept: unknown[] = (model[list] as { id: string }[])
      .filter((x) => !gone.has(x.id))
      .map((x) => replaced.get(x.id) ?? x);
    if (list === 'slots') {
      // hiding, or leaving free, a thing that this variant does not have means nothing
      for (const [i, s] of (kept as Slot[]).entries())
        kept[i] = {
          ...s,
          covers: s.covers.filter((c) => !gone.has(c)),
          leavesFree: s.leavesFree.filter((c) => !gone.has(c)),
        } as Slot;
    }
    (out as Record<string, unknown>)[list] = [...kept, ...variant.add[list]];
  }
  return gone.size ? { ...out, ...rulesWithout(model, gone) } : out;
}
/** What a model says of another piece, of starting and of chips, without what is said of things that are not there. */
export function rulesWithout(
  { pairing, programming, chips, bootRules }: DeviceModel,
  gone: ReadonlySet<string>,
): Pick<DeviceModel, 'pairing' | 'programming' | 'bootRules' | 'chips'> {
  const stays = (row: { slot: string }) => !gone.has(row.slot);
  return {
    pairing: pairing.filter(stays),
    programming: programming.filter(stays),
    ...(chips ? { chips: chips.filter(stays) } : {}),
    bootRules: bootRules
      .map((rule) => ({ ...rule, connectors: rule.connectors.filter((id) => !gone.has(id)) }))
      .filter((rule) => rule.connectors.length),
  };
}
