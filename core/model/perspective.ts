import type { Point } from './editing';

/** The eight figures of a mapping of the plane onto itself that keeps straight lines straight; the ninth is 1. */
export type Homography = readonly [number, number, number, number, number, number, number, number];

/** Solves a system of linear equations by elimination with the largest pivot; undefined where it has no one answer. */
function solve(rows: number[][]): number[] | undefined {
  const n = rows.length;
  const a = rows.map((row) => [...row]);
  for (let k = 0; k < n; k++) {
    let pivot = k;
    for (let i = k + 1; i < n; i++) if (Math.abs(a[i]![k]!) > Math.abs(a[pivot]![k]!)) pivot = i;
    if (Math.abs(a[pivot]![k]!) < 1e-9) return undefined;
    [a[k], a[pivot]] = [a[pivot]!, a[k]!];
    for (let i = k + 1; i < n; i++) {
      const by = a[i]![k]! / a[k]![k]!;
      for (let j = k; j <= n; j++) a[i]![j]! -= by * a[k]![j]!;
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i--) {
    let sum = a[i]![n]!;
    for (let j = i + 1; j < n; j++) sum -= a[i]![j]! * x[j]!;
    x[i] = sum / a[i]![i]!;
  }
  return x;
}
/** Twice the area of a triangle, by which three points on a line are known. */
const area = (a: Point, b: Point, c: Point) => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);

/**
 * The mapping that carries four points to four others (the direct linear transformation: Hartley and Zisserman, Multiple
 * View Geometry, section 4.1, with the ninth figure 1). Undefined where three of a kind lie on a line, or where the four
 * do not go round the same way: no camera sees a flat thing so.
 */
export function homography(from: readonly Point[], to: readonly Point[]): Homography | undefined {
  const triples = [
    [0, 1, 2],
    [1, 2, 3],
    [2, 3, 0],
    [3, 0, 1],
  ] as const;
  const scale = (points: readonly Point[]) =>
    Math.max(...points.map((p) => Math.abs(p.x - points[0]!.x) + Math.abs(p.y - points[0]!.y)), 1e-9);
  const least = [scale(from) ** 2 * 1e-4, scale(to) ** 2 * 1e-4] as const;
  const signs = triples.map(([i, j, k]) => {
    const [a, b] = [area(from[i]!, from[j]!, from[k]!), area(to[i]!, to[j]!, to[k]!)];
    return Math.abs(a) < least[0] || Math.abs(b) < least[1] ? 0 : Math.sign(a * b);
  });
  if (signs.some((s) => s === 0 || s !== signs[0])) return undefined;
  // about as large figures on both sides, so that nothing is lost in elimination
  const [s, t] = [scale(from), scale(to)];
  const rows = from.flatMap(({ x: px, y: py }, i) => {
    const [x, y, u, v] = [px / s, py / s, to[i]!.x / t, to[i]!.y / t];
    return [
      [x, y, 1, 0, 0, 0, -u * x, -u * y, u],
      [0, 0, 0, x, y, 1, -v * x, -v * y, v],
    ];
  });
  const h = solve(rows);
  if (!h) return undefined;
  const [a, b, c, d, e, f, g, k] = h as [number, number, number, number, number, number, number, number];
  return [(a * t) / s, (b * t) / s, c * t, (d * t) / s, (e * t) / s, f * t, g / s, k / s];
}
/**
 * The mapping that carries two points to two others by turning, scaling and moving alone: for a picture that was taken
 * straight from above. Undefined where two of a kind are one.
 */
export function similarity(
  [a, b]: readonly [Point, Point],
  [to, and]: readonly [Point, Point],
): Homography | undefined {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const [du, dv] = [and.x - to.x, and.y - to.y];
  const squared = dx * dx + dy * dy;
  if (squared < 1e-9 || du * du + dv * dv < 1e-9) return undefined;
  // as complex numbers: the quotient of the two ways is the turn and the scale
  const re = (du * dx + dv * dy) / squared;
  const im = (dv * dx - du * dy) / squared;
  return [re, -im, to.x - re * a.x + im * a.y, im, re, to.y - im * a.x - re * a.y, 0, 0];
}
/** Where a mapping carries a point. */
export function carry([a, b, c, d, e, f, g, h]: Homography, { x, y }: Point): Point {
  const w = g * x + h * y + 1;
  return { x: (a * x + b * y + c) / w, y: (d * x + e * y + f) / w };
}

/** A picture as its pixels, four bytes each, row by row. */
export interface Pixels {
  data: Uint8ClampedArray;
  width: number;
  height: number;
}
/**
 * A picture put straight: each pixel of the new one is looked for in the old one, between its four neighbours in
 * proportion; what lies outside of it stays clear.
 * @param map from the new picture to the old one, pixels
 */
export function straighten(from: Pixels, map: Homography, width: number, height: number): Pixels {
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const at = carry(map, { x, y });
      const [left, top] = [Math.floor(at.x), Math.floor(at.y)];
      if (left < 0 || top < 0 || left >= from.width - 1 || top >= from.height - 1) continue;
      const [fx, fy] = [at.x - left, at.y - top];
      const corner = (top * from.width + left) * 4;
      const below = corner + from.width * 4;
      for (let k = 0; k < 4; k++) {
        const upper = from.data[corner + k]! * (1 - fx) + from.data[corner + 4 + k]! * fx;
        const lower = from.data[below + k]! * (1 - fx) + from.data[below + 4 + k]! * fx;
        data[(y * width + x) * 4 + k] = upper * (1 - fy) + lower * fy;
      }
    }
  return { data, width, height };
}
