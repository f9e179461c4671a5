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
  test.each([
    ['left', { x: 2, y: 60, w: 3, h: 9 }, [60, 69]],
    ['right', { x: 'right', y: 60, w: 3, h: 9 }, [60, 69]],
    ['top', { x: 20, y: 1, w: 7, h: 4 }, [20, 27]],
    ['bottom', { x: 20, y: 'bottom', w: 7, h: 4 }, [20, 27]],
  ] as const)(
    'at the %s edge a stretch is as long as the thing, up to 8 mm from the rim',
    (edge, box, [fromMm, toMm]) => {
      const { widthMm, heightMm } = mica9.outline;
      const ear = mica9.slots.find((slot) => slot.kind === 'ear-speaker')!;
      const at = (gap: number) => {
        const shape = {
          ...ear.shape,
          ...box,
          x: edge === 'left' ? gap : box.x === 'right' ? widthMm - gap - box.w : box.x,
          y: edge === 'top' ? gap : box.y === 'bottom' ? heightMm - gap - box.h : box.y,
        };
        return rimStretches(indexed({ ...mica9, slots: [{ ...ear, shape }] }), 'front');
      };
      expect(at(8)).toEqual([{ edge, fromMm, toMm, care: 'alcohol', slot: ear.id }]);
      expect(at(8.1)).toEqual([]);
    },
  );
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
