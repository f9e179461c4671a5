import type { Box } from './editing';

/** How a box was drawn to a line of others: by how much, and where the lines are that it came to lie on. mm */
export interface Snapped {
  dx: number;
  dy: number;
  /** Upright lines, by x. */
  upright: number[];
  /** Level lines, by y. */
  level: number[];
}
const edges = (from: number, size: number) => (size ? [from, from + size / 2, from + size] : [from]);
const same = (a: number, b: number) => Math.abs(a - b) < 1e-6;

/** The least shift that puts one of the own lines on one of the others'; 0 where none is near enough. */
function nearest(own: readonly number[], others: readonly number[], withinMm: number): number | undefined {
  let best: number | undefined;
  for (const a of own)
    for (const b of others) {
      const by = b - a;
      if (Math.abs(by) <= withinMm && (best === undefined || Math.abs(by) < Math.abs(best))) best = by;
    }
  return best;
}
/**
 * Draws a box to the edges and middles of others that it comes near to; where it comes near to none, to the grid.
 * @param withinMm how near that is
 * @param gridMm lines of the grid; 0 for none
 */
export function snap(box: Box, others: readonly Box[], withinMm: number, gridMm: number): Snapped {
  const [xs, ys] = [edges(box.x, box.w), edges(box.y, box.h)];
  const [otherXs, otherYs] = [others.flatMap((o) => edges(o.x, o.w)), others.flatMap((o) => edges(o.y, o.h))];
  const toGrid = (mm: number) => (gridMm ? Math.round(mm / gridMm) * gridMm - mm : 0);
  const x = nearest(xs, otherXs, withinMm);
  const y = nearest(ys, otherYs, withinMm);
  const dx = x ?? toGrid(box.x);
  const dy = y ?? toGrid(box.y);
  const lines = (own: readonly number[], theirs: readonly number[], by: number) =>
    [...new Set(theirs.filter((t) => own.some((o) => same(o + by, t))))].sort((a, b) => a - b);
  return {
    dx,
    dy,
    upright: x === undefined ? [] : lines(xs, otherXs, dx),
    level: y === undefined ? [] : lines(ys, otherYs, dy),
  };
}
