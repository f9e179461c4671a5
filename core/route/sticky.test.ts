import { expect, test } from 'vitest';
import type { Step } from '../steps/route';
import { dune3, indexed, replace, route, shippedModels, withMethods } from '../testing/demo-models';

/** What may be done between laying something sticky and pressing its piece on it: more of the kind, and the cell on again. */
const brief: ReadonlySet<Step['action']> = new Set([
  'renew',
  'clean rim',
  'press',
  'cure',
  'connect',
  'check',
  'mask off',
]);
const kinds = ['display', 'cell', 'back', 'frame', 'front-sensors'];
const asked = shippedModels.flatMap((model) =>
  model.slots
    .filter((slot) => kinds.includes(slot.kind))
    .map((slot) => [`${model.name} ${slot.id}`, model, slot.id] as const),
);
test.each(asked)('%s: what is sticky is laid right before its piece goes on', (_name, model, slot) => {
  const index = indexed(model, model.variants[0]!.id);
  const { steps } = route(model, replace(slot), model.variants[0]!.id);
  for (const [k, step] of steps.entries()) {
    if (step.action !== 'renew') continue;
    for (const bond of step.targets) {
      const { holds } = index.bonds.get(bond)!;
      // underfill runs under what is on already: nothing is laid on it
      if (holds.some((held) => index.slots.get(held)?.kind === 'chip')) continue;
      const on = steps.findIndex(
        (s, n) =>
          n > k &&
          ['fit', 'close'].includes(s.action) &&
          s.pose !== 'folded' &&
          holds.includes(s.targets[0]!),
      );
      // a display that was off its plugs is hung again meanwhile: the seal has its liner on
      const between = steps
        .slice(k + 1, on)
        .filter((s) => !(s.action === 'fit' && s.about === 'display' && s.pose === 'folded'))
        .map((s) => s.action);
      expect(on, bond).toBeGreaterThan(k);
      expect(
        between.filter((action) => !brief.has(action)),
        `${bond}, then ${between.join()}`,
      ).toEqual([]);
    }
  }
});

test('a back’s seal is laid while the cell is off: with the rim’s, or, where it stays on from then, before it goes on', () => {
  const order = (more: object) => {
    const { steps } = route(dune3, { ...replace('back'), ...more });
    const at = (action: Step['action'], target: string) =>
      steps.findIndex((s) => s.action === action && s.targets.includes(target));
    const on = steps.findIndex(
      (s, k) => s.action === 'connect' && s.targets.includes('K-cell') && k > at('renew', 'back-seal'),
    );
    return { rim: at('apply seal', 'seal'), back: at('renew', 'back-seal'), on };
  };
  const each = order({});
  expect(each.rim).toBeLessThan(each.back);
  expect(each.back).toBeLessThan(each.on);
  const once = order(withMethods({ 'cell-between': 'once' }));
  expect(once.back).toBeLessThan(once.on);
  expect(once.on).toBeLessThan(once.rim);
});
