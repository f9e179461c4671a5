import fc from 'fast-check';
import { expect, test } from 'vitest';
import { plugLabels } from './map-labels';

const plug = (id: string, x: number, y: number, name = 'front camera') => ({ id, name, x, y, w: 6 });

test('a plug that stands alone has its name below it', () => {
  expect(plugLabels([plug('a', 20, 20)], 3).get('a')).toEqual({ dx: 0, dy: expect.closeTo(3.9, 5) });
});
test('of two side by side the second name goes above, a third stays clear of both', () => {
  const at = plugLabels([plug('a', 20, 20), plug('b', 28, 20), plug('c', 24, 26)], 3);
  expect(at.get('a')!.dy).toBeGreaterThan(0);
  expect(at.get('b')!.dy).toBeLessThan(0);
  expect(at.get('c')!.dy).toBeGreaterThan(0);
});
test('names do not lie on each other while there is room, and the same plugs are named alike in any order', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ x: fc.integer({ min: 10, max: 60 }), y: fc.integer({ min: 1, max: 6 }) }), {
        maxLength: 5,
      }),
      (spots) => {
        // rows far enough apart: then two names can only meet in their own row
        const plugs = spots.map((s, k) => plug(`p${k}`, s.x, s.y * 24, 'cell'));
        const at = plugLabels(plugs, 3);
        expect([...plugLabels([...plugs].reverse(), 3)].sort()).toEqual([...at].sort());
        const boxes = plugs.map((p) => ({
          x0: p.x + at.get(p.id)!.dx - 3.24,
          x1: p.x + at.get(p.id)!.dx + 3.24,
          y: p.y + at.get(p.id)!.dy,
        }));
        const crowded = new Set(plugs.map((p) => p.y)).size < plugs.length - 1;
        if (!crowded)
          boxes.forEach((a, i) =>
            boxes
              .slice(i + 1)
              .forEach((b) => expect(a.x0 < b.x1 && b.x0 < a.x1 && Math.abs(a.y - b.y) < 2.85).toBe(false)),
          );
      },
    ),
    { seed: 11 },
  );
});
