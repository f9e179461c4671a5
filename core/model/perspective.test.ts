import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Point } from './editing';
import { carry, homography, similarity, straighten } from './perspective';

const square = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
];
/**
 * The mapping of the unit square to a quadrilateral in closed form: Heckbert, Fundamentals of Texture Mapping and Image
 * Warping (1989), section 2.2.3; from memory.
 */
function heckbert([p0, p1, p2, p3]: readonly Point[]) {
  const [dx1, dy1] = [p1!.x - p2!.x, p1!.y - p2!.y];
  const [dx2, dy2] = [p3!.x - p2!.x, p3!.y - p2!.y];
  const [sx, sy] = [p0!.x - p1!.x + p2!.x - p3!.x, p0!.y - p1!.y + p2!.y - p3!.y];
  const det = dx1 * dy2 - dx2 * dy1;
  const g = (sx * dy2 - sy * dx2) / det;
  const h = (dx1 * sy - dy1 * sx) / det;
  return [
    p1!.x - p0!.x + g * p1!.x,
    p3!.x - p0!.x + h * p3!.x,
    p0!.x,
    p1!.y - p0!.y + g * p1!.y,
    p3!.y - p0!.y + h * p3!.y,
    p0!.y,
    g,
    h,
  ];
}
/** A device as a camera sees it: a rectangle with each corner somewhat off. */
const off = fc.tuple(
  fc.double({ min: -200, max: 200, noNaN: true }),
  fc.double({ min: -200, max: 200, noNaN: true }),
);
const seen = fc.tuple(off, off, off, off).map((o) =>
  [
    { x: 400, y: 300 },
    { x: 1500, y: 320 },
    { x: 1480, y: 2300 },
    { x: 380, y: 2250 },
  ].map((p, i) => ({ x: p.x + o[i]![0], y: p.y + o[i]![1] })),
);

describe('a photograph put straight', () => {
  test('the figures are those of the closed form', () => {
    fc.assert(
      fc.property(seen, (corners) => {
        const own = homography(square, corners)!;
        for (const [i, figure] of heckbert(corners).entries()) expect(own[i]).toBeCloseTo(figure, 5);
      }),
    );
  });
  test('there and back a point comes home within a tenth of a pixel', () => {
    const device = [
      { x: 0, y: 0 },
      { x: 600, y: 0 },
      { x: 600, y: 1200 },
      { x: 0, y: 1200 },
    ];
    fc.assert(
      fc.property(
        seen,
        fc.double({ min: 0, max: 600, noNaN: true }),
        fc.double({ min: 0, max: 1200, noNaN: true }),
        (corners, x, y) => {
          const there = homography(device, corners)!;
          const back = homography(corners, device)!;
          const home = carry(back, carry(there, { x, y }));
          expect(Math.hypot(home.x - x, home.y - y)).toBeLessThan(0.1);
        },
      ),
    );
  });
  test('corners on a line, crossed, or all in one place are none', () => {
    const [a, b, c, d] = square as [Point, Point, Point, Point];
    expect(homography(square, [a, b, { x: 2, y: 0 }, d])).toBeUndefined();
    expect(homography(square, [a, c, b, d])).toBeUndefined();
    expect(homography(square, [a, a, a, a])).toBeUndefined();
    // seen in a mirror: every corner goes round the other way, and that is no photograph, but can be put straight
    expect(homography(square, [b, a, d, c])).toBeDefined();
  });
  test('a pixel is looked for between its neighbours; outside of the picture it stays clear', () => {
    const from = { width: 3, height: 3, data: new Uint8ClampedArray(36) };
    for (let i = 0; i < 9; i++) from.data.set([i * 10, 0, 0, 255], i * 4);
    const half = straighten(from, [1, 0, 0.5, 0, 1, 0.5, 0, 0], 2, 2);
    // between 0, 10, 30 and 40 lies 20
    expect(half.data[0]).toBe(20);
    expect(half.data[3]).toBe(255);
    const outside = straighten(from, [1, 0, -5, 0, 1, 0, 0, 0], 1, 1);
    expect([...outside.data]).toEqual([0, 0, 0, 0]);
  });
  test('two known points scale and turn it: a quarter turn at double size by hand, lengths in one proportion', () => {
    const [a, b] = [
      { x: 1, y: 1 },
      { x: 3, y: 1 },
    ];
    const map = similarity(
      [a, b],
      [
        { x: 10, y: 10 },
        { x: 10, y: 14 },
      ],
    )!;
    expect(carry(map, a)).toEqual({ x: 10, y: 10 });
    expect(carry(map, { x: 1, y: 2 })).toEqual({ x: 8, y: 10 });
    expect(similarity([a, a], [a, b])).toBeUndefined();
    expect(similarity([a, b], [a, a])).toBeUndefined();
    fc.assert(
      fc.property(seen, seen, ([p, q, r], [u, v]) => {
        const of = similarity([p!, q!], [u!, v!])!;
        const far = (m: Point, n: Point) => Math.hypot(m.x - n.x, m.y - n.y);
        const scale = far(u!, v!) / far(p!, q!);
        expect(far(carry(of, q!), v!)).toBeLessThan(1e-6);
        expect(far(carry(of, r!), u!)).toBeCloseTo(scale * far(r!, p!), 6);
      }),
    );
  });
});
