import { describe, expect, test } from 'vitest';
import { indexed, mica9, shippedModels } from '../testing/demo-models';
import { rimStretches } from './rim-solvents';

describe('which solvent goes where on the rim', () => {
  test('no acetone at the ear mesh, nothing hard near the face module, on the edge that is nearest', () => {
    const found = rimStretches(indexed(mica9), 'front');
    const ear = mica9.slots.find((slot) => slot.kind === 'ear-speaker')!;
    expect(found).toContainEqual({
      ...{ edge: 'top', fromMm: ear.shape.x, toMm: ear.shape.x + ear.shape.w },
      ...{ care: 'alcohol', slot: ear.id },
    });
  });
  test('what lies in the middle asks for nothing; no stretch leaves its edge', () => {
    for (const model of shippedModels) {
      const { widthMm, heightMm } = model.outline;
      for (const face of ['front', 'back'] as const)
        for (const { edge, fromMm, toMm } of rimStretches(indexed(model), face)) {
          expect(fromMm).toBeGreaterThanOrEqual(0);
          expect(toMm).toBeLessThanOrEqual(edge === 'top' || edge === 'bottom' ? widthMm : heightMm);
        }
    }
    const inner = {
      ...mica9,
      slots: mica9.slots.map((s) => ({ ...s, shape: { ...s.shape, x: 30, y: 60, w: 5, h: 5 } })),
    };
    expect(rimStretches(indexed(inner), 'front')).toEqual([]);
  });
});
