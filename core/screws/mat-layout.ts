import { leastSquares, type Gap } from './separation';

/**
 * The mat: the device's own pattern, drawn larger, with a cell for each screw.
 *
 * Objective: least sum of squared distances between a cell and its hole's place in the enlarged pattern, so that
 * - no two cells overlap: they are a whole cell apart to the side, or above one another;
 * - order is kept: what lies 2 mm or more further left (higher up) on the device never lies further right (lower) on the
 *   mat (orthogonal ordering: Misue, Eades, Lai and Sugiyama, Layout adjustment and the mental map, 1995);
 * - every cell lies on the page.
 * Which way each pair keeps apart is chosen first, by where it is further apart already, and changed only where a row or
 * a column would not fit the page; for that choice the answer is exact, each axis by itself (as in Dwyer, Marriott and
 * Stuckey, Fast node overlap removal, 2005).
 */
export interface MatPoint {
  id: string;
  x: number;
  y: number;
}
/** Centre of a cell on its page, mm. */
export interface MatCell {
  id: string;
  page: number;
  x: number;
  y: number;
}
export interface MatPage {
  widthMm: number;
  heightMm: number;
  cellWidthMm: number;
  cellHeightMm: number;
}

/** Four of these fit an A4 sheet and a Letter sheet alike; a cell is wide enough for a finger tip and its label. */
export const matPage: MatPage = { widthMm: 90, heightMm: 122, cellWidthMm: 14, cellHeightMm: 13 };
/** A page is fuller than this only when its screws come out together: above it the pattern is hardly seen. */
const fullest = 0.72;
/** A pair changes its way at most so often before the page is given up. */
const mostFlips = 6;
/** Closer together than this on the device, along one axis, two screws have no order along it that anybody sees, mm. */
export const sameMm = 2;

interface Plan {
  order: { x: Int32Array; y: Int32Array };
  gaps: { x: Gap[]; y: Gap[] };
}

/**
 * Lays out screws, page after page, keeping together what is given together.
 * @param groups screws that come out together, in the order of the work
 * @param device width and height of the device, mm
 * @throws RangeError when a page is too small for a single cell
 */
export function layOutMat(
  groups: readonly (readonly MatPoint[])[],
  device: { widthMm: number; heightMm: number },
  page: MatPage = matPage,
): MatCell[] {
  if (page.cellWidthMm > page.widthMm || page.cellHeightMm > page.heightMm)
    throw new RangeError('a cell is larger than its page');
  const most = Math.max(
    1,
    Math.floor(
      fullest * Math.floor(page.widthMm / page.cellWidthMm) * Math.floor(page.heightMm / page.cellHeightMm),
    ),
  );
  const pages: MatPoint[][] = [];
  let now: MatPoint[] = [];
  const fits = (points: readonly MatPoint[]) =>
    points.length <= most && planOf(points, device, page) !== undefined;
  const close = () => {
    if (now.length) pages.push(now);
    now = [];
  };
  const take = (group: readonly MatPoint[]): void => {
    if (!group.length) return;
    if (fits([...now, ...group])) {
      now.push(...group);
      return;
    }
    if (now.length) {
      close();
      take(group);
      return;
    }
    // a group too large for a page of its own is halved, upper half first
    const byHeight = [...group].sort((a, b) => a.y - b.y || a.x - b.x);
    if (group.length === 1) {
      now.push(...group);
      return;
    }
    take(byHeight.slice(0, Math.ceil(group.length / 2)));
    close();
    take(byHeight.slice(Math.ceil(group.length / 2)));
  };
  for (const matPoints of groups) take(matPoints);
  close();
  return pages.flatMap((points, n) => pageOf(points, device, page, n));
}

const targets = (
  points: readonly MatPoint[],
  device: { widthMm: number; heightMm: number },
  page: MatPage,
) => ({
  x: Float64Array.from(
    points,
    (p) => page.cellWidthMm / 2 + (p.x / device.widthMm) * (page.widthMm - page.cellWidthMm),
  ),
  y: Float64Array.from(
    points,
    (p) => page.cellHeightMm / 2 + (p.y / device.heightMm) * (page.heightMm - page.cellHeightMm),
  ),
});

function pageOf(
  points: readonly MatPoint[],
  device: { widthMm: number; heightMm: number },
  page: MatPage,
  n: number,
): MatCell[] {
  const plan = planOf(points, device, page)!;
  const t = targets(points, device, page);
  const x = leastSquares(
    t.x,
    plan.gaps.x,
    plan.order.x,
    page.cellWidthMm / 2,
    page.widthMm - page.cellWidthMm / 2,
  );
  const y = leastSquares(
    t.y,
    plan.gaps.y,
    plan.order.y,
    page.cellHeightMm / 2,
    page.heightMm - page.cellHeightMm / 2,
  );
  return points.map((p, i) => ({ id: p.id, page: n, x: x[i]!, y: y[i]! }));
}

/** Which way each pair keeps apart, such that both rows and columns fit the page; undefined when there is no such way. */
function planOf(
  points: readonly MatPoint[],
  device: { widthMm: number; heightMm: number },
  page: MatPage,
): Plan | undefined {
  const n = points.length;
  const t = targets(points, device, page);
  const by = (a: 'x' | 'y', b: 'x' | 'y') =>
    Int32Array.from(points, (_, i) => i).sort(
      (i, j) => points[i]![a] - points[j]![a] || points[i]![b] - points[j]![b] || i - j,
    );
  const order = { x: by('x', 'y'), y: by('y', 'x') };
  const along = { x: Float64Array.from(points, (p) => p.x), y: Float64Array.from(points, (p) => p.y) };
  const cell = { x: page.cellWidthMm, y: page.cellHeightMm };
  // 1 = side by side, 0 = above one another
  const beside = new Uint8Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++)
      beside[i * n + j] =
        Math.abs(t.x[i]! - t.x[j]!) / cell.x >= Math.abs(t.y[i]! - t.y[j]!) / cell.y ? 1 : 0;
  const flipped = new Uint8Array(n * n);
  const length = { x: page.widthMm - cell.x, y: page.heightMm - cell.y };
  for (let tries = 0; tries < 12 * n; tries++) {
    let fit = true;
    for (const axis of ['x', 'y'] as const) {
      const chain = longestChain(
        order[axis],
        along[axis],
        (i, j) => (beside[i * n + j] === 1) === (axis === 'x'),
        cell[axis],
        length[axis],
      );
      if (!chain) continue;
      fit = false;
      const other = axis === 'x' ? 'y' : 'x';
      // of the pairs that make it too long, the one that is furthest apart the other way
      let best: [number, number] | undefined;
      for (let k = 1; k < chain.length; k++) {
        const [i, j] = [chain[k - 1]!, chain[k]!];
        const apart = ([a, b]: readonly [number, number]) =>
          Math.abs(t[other][a]! - t[other][b]!) - flipped[a * n + b]! * 1000;
        if (flipped[i * n + j]! < mostFlips && (!best || apart([i, j]) > apart(best))) best = [i, j];
      }
      if (!best) return undefined;
      for (const k of [best[0] * n + best[1], best[1] * n + best[0]]) {
        beside[k] = axis === 'x' ? 0 : 1;
        flipped[k]!++;
      }
      break;
    }
    if (fit)
      return {
        order,
        gaps: {
          x: gapsOf(along.x, order.x, (i, j) => beside[i * n + j] === 1, cell.x),
          y: gapsOf(along.y, order.y, (i, j) => beside[i * n + j] === 0, cell.y),
        },
      };
  }
  return undefined;
}

/** The chain of pairs that makes an axis longer than the page, or undefined when all fits. */
function longestChain(
  order: Int32Array,
  along: Float64Array,
  apart: (i: number, j: number) => boolean,
  cell: number,
  room: number,
): number[] | undefined {
  const n = order.length;
  const at = new Float64Array(n);
  const via = new Int32Array(n).fill(-1);
  /** Of what comes clearly before, the furthest along. */
  let before = 0;
  let front = -1;
  let end = -1;
  for (let k = 0; k < n; k++) {
    const j = order[k]!;
    while (along[j]! - along[order[before]!]! >= sameMm) {
      const i = order[before]!;
      if (front === -1 || at[i]! > at[front]!) front = i;
      before++;
    }
    if (front !== -1) {
      at[j] = at[front]!;
      via[j] = front;
    }
    for (let m = 0; m < k; m++) {
      const i = order[m]!;
      if (apart(i, j) && at[i]! + cell > at[j]! + 1e-9) {
        at[j] = at[i]! + cell;
        via[j] = i;
      }
    }
    if (end === -1 || at[j]! > at[end]!) end = j;
  }
  if (end === -1 || at[end]! <= room + 1e-9) return undefined;
  const chain: number[] = [];
  for (let j = end; j !== -1; j = via[j]!) chain.push(j);
  return chain.reverse();
}

/** Gaps to keep along an axis: a cell where a pair keeps apart that way, none where only the order counts. Those that follow from others are left out. */
function gapsOf(
  along: Float64Array,
  order: Int32Array,
  apart: (i: number, j: number) => boolean,
  cell: number,
): Gap[] {
  const gaps: Gap[] = [];
  const clearly = (i: number, j: number) => along[j]! - along[i]! >= sameMm;
  for (let k = 0; k < order.length; k++) {
    const j = order[k]!;
    for (let m = k - 1; m >= 0; m--) {
      const i = order[m]!;
      const cells = apart(i, j);
      if (!cells && !clearly(i, j)) continue;
      const binds = cells ? apart : clearly;
      let implied = false;
      for (let q = m + 1; q < k && !implied; q++) implied = binds(i, order[q]!) && binds(order[q]!, j);
      if (!implied) gaps.push({ before: i, after: j, mm: cells ? cell : 0 });
    }
  }
  return gaps;
}
