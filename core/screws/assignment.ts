/**
 * The assignment of rows to columns with the least sum of costs, every row to one column, by shortest augmenting paths
 * (Jonker and Volgenant, Computing 38, 1987, after Kuhn 1955). Kept with its dual prices, so that "what would it cost
 * without this pair" is one more path and not one more assignment.
 */
export interface Assignment {
  /** Column of each row. */
  columnOf: Int32Array;
  /** Row of each column. */
  rowOf: Int32Array;
  cost: number;
  /** Dual prices: cost[i][j] - u[i] - v[j] >= 0, and = 0 for every pair that was chosen. */
  u: Float64Array;
  v: Float64Array;
}

/**
 * @param cost a square matrix; `Infinity` forbids a pair, finite numbers may be negative
 * @returns undefined when every assignment has a forbidden pair
 */
export function assign(cost: readonly ArrayLike<number>[]): Assignment | undefined {
  const n = cost.length;
  const u = new Float64Array(n);
  const v = new Float64Array(n);
  const rowOf = new Int32Array(n).fill(-1);
  const columnOf = new Int32Array(n).fill(-1);
  for (let row = 0; row < n; row++) {
    // no negative reduced cost may leave the new row
    u[row] = Infinity;
    for (let j = 0; j < n; j++) u[row] = Math.min(u[row]!, cost[row]![j]! - v[j]!);
    if (u[row] === Infinity) return undefined;
    const path = shortestPath(cost, u, v, rowOf, row, (j) => rowOf[j] === -1);
    if (!path) return undefined;
    const { dist, from, done, end } = path;
    const length = dist[end]!;
    u[row]! += length;
    for (let j = 0; j < n; j++)
      if (done[j] && j !== end) {
        u[rowOf[j]!]! += length - dist[j]!;
        v[j]! -= length - dist[j]!;
      }
    for (let j = end; ; ) {
      const i = from[j]!;
      rowOf[j] = i;
      const before = columnOf[i]!;
      columnOf[i] = j;
      if (i === row) break;
      j = before;
    }
  }
  let sum = 0;
  for (let i = 0; i < n; i++) sum += cost[i]![columnOf[i]!]!;
  return { columnOf, rowOf, cost: sum, u: u, v };
}

/** Dijkstra over columns by reduced costs: the cheapest alternating path from a row to a column that ends it. */
function shortestPath(
  cost: readonly ArrayLike<number>[],
  u: Float64Array,
  v: Float64Array,
  rowOf: Int32Array,
  start: number,
  ends: (column: number) => boolean,
  barred?: (column: number) => boolean,
  upTo = Infinity,
) {
  const n = u.length;
  const dist = new Float64Array(n).fill(Infinity);
  const from = new Int32Array(n).fill(-1);
  const done = new Uint8Array(n);
  let row = start;
  let base = 0;
  for (;;) {
    let best = Infinity;
    let next = -1;
    const costs = cost[row]!;
    for (let j = 0; j < n; j++) {
      if (done[j]) continue;
      if (row !== start || !barred?.(j)) {
        const d = base + Math.max(0, costs[j]! - u[row]! - v[j]!);
        if (d < dist[j]!) {
          dist[j] = d;
          from[j] = row;
        }
      }
      if (dist[j]! < best) {
        best = dist[j]!;
        next = j;
      }
    }
    if (next === -1 || best > upTo) return undefined;
    done[next] = 1;
    base = best;
    if (ends(next)) return { dist, from, done, end: next };
    row = rowOf[next]!;
  }
}

/**
 * How much dearer the best assignment is in which this row takes none of the barred columns (its own is one of them).
 * @param upTo what is dearer than this is not looked for further
 * @returns the difference, >= 0 (`Infinity` when there is none up to there), and each changed row with its other column
 */
export function withoutPair(
  cost: readonly ArrayLike<number>[],
  assignment: Assignment,
  row: number,
  barred: (column: number) => boolean,
  upTo = Infinity,
): { dearer: number; changes: { row: number; column: number }[] } {
  const own = assignment.columnOf[row]!;
  // its own column is free then: the path that comes back to it closes the circle
  const path = shortestPath(
    cost,
    assignment.u,
    assignment.v,
    assignment.rowOf,
    row,
    (j) => j === own,
    barred,
    upTo,
  );
  if (!path) return { dearer: Infinity, changes: [] };
  const changes: { row: number; column: number }[] = [];
  for (let j = path.end; ; ) {
    const i = path.from[j]!;
    changes.push({ row: i, column: j });
    if (i === row) break;
    j = assignment.columnOf[i]!;
  }
  return { dearer: path.dist[path.end]!, changes };
}
