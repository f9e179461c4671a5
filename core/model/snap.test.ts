import { describe, expect, test } from 'vitest';
import { snap } from './snap';

const box = { x: 10, y: 20, w: 8, h: 4 };
describe('drawing to lines', () => {
  test('an edge or a middle that comes near another one is put on it, and the line is named', () => {
    // its right edge at 18, the other one's left edge at 18.4; its middle at 22, the other one's at 21.7
    const drawn = snap(box, [{ x: 18.4, y: 19.7, w: 5, h: 4 }], 0.5, 0.1);
    expect(drawn.dx).toBeCloseTo(0.4, 9);
    expect(drawn.dy).toBeCloseTo(-0.3, 9);
    expect(drawn.upright).toEqual([18.4]);
    expect(drawn.level).toEqual([19.7, 21.7, 23.7]);
  });
  test('of several the nearest draws', () => {
    const others = [
      { x: 10.4, y: 90, w: 0, h: 0 },
      { x: 9.8, y: 90, w: 0, h: 0 },
    ];
    expect(snap(box, others, 0.5, 0).dx).toBeCloseTo(-0.2, 9);
  });
  test('with nothing near it goes to the grid, or nowhere without one', () => {
    const far = [{ x: 60, y: 90, w: 1, h: 1 }];
    expect(snap({ x: 10.04, y: 20.07, w: 8, h: 4 }, far, 0.5, 0.1)).toMatchObject({ upright: [], level: [] });
    expect(snap({ x: 10.04, y: 20.07, w: 8, h: 4 }, far, 0.5, 0.1).dx).toBeCloseTo(-0.04, 9);
    expect(snap({ x: 10.04, y: 20.07, w: 8, h: 4 }, far, 0.5, 0)).toMatchObject({ dx: 0, dy: 0 });
  });
});
