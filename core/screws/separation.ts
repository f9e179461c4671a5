/** `after` lies at least so much further along than `before`. */
export interface Gap {
  before: number;
  after: number;
  mm: number;
}

/** Sweeps after which the answer is taken as it is: far beyond what a mat needs (a few hundred). */
const mostSweeps = 4000;

/**
 * Positions along one axis with the least sum of squared distances from where they are wanted, subject to gaps and to
 * bounds: Hildreth's method (Hildreth 1957; a dual coordinate ascent), then one pass forwards and one backwards so that
 * every gap holds exactly.
 * @param order an order in which every gap points forwards
 * @throws nothing; gaps that do not fit between the bounds leave the last positions beyond the upper one
 */
export function leastSquares(
  wanted: Float64Array,
  gaps: readonly Gap[],
  order: Int32Array,
  low: number,
  high: number,
): Float64Array {
  const n = wanted.length;
  const x = Float64Array.from(wanted);
  const force = new Float64Array(gaps.length);
  const [floor, ceiling] = [new Float64Array(n), new Float64Array(n)];
  for (let sweep = 0; sweep < mostSweeps; sweep++) {
    let moved = 0;
    for (let c = 0; c < gaps.length; c++) {
      const gap = gaps[c]!;
      const next = Math.max(0, force[c]! + (gap.mm - (x[gap.after]! - x[gap.before]!)) / 2);
      const step = next - force[c]!;
      if (step === 0) continue;
      force[c] = next;
      x[gap.after]! += step;
      x[gap.before]! -= step;
      moved = Math.max(moved, Math.abs(step));
    }
    for (let i = 0; i < n; i++) {
      for (const [f, bound, sign] of [
        [floor, low, 1],
        [ceiling, high, -1],
      ] as const) {
        const next = Math.max(0, f[i]! + sign * (bound - x[i]!));
        const step = next - f[i]!;
        f[i] = next;
        x[i]! += sign * step;
        moved = Math.max(moved, Math.abs(step));
      }
    }
    if (moved < 1e-4) break;
  }
  const [into, out] = [new Map<number, Gap[]>(), new Map<number, Gap[]>()];
  for (const g of gaps) {
    into.set(g.after, [...(into.get(g.after) ?? []), g]);
    out.set(g.before, [...(out.get(g.before) ?? []), g]);
  }
  for (const i of order) {
    x[i] = Math.max(x[i]!, low);
    for (const g of into.get(i) ?? []) x[i] = Math.max(x[i]!, x[g.before]! + g.mm);
  }
  for (let k = n - 1; k >= 0; k--) {
    const i = order[k]!;
    x[i] = Math.min(x[i]!, high);
    for (const g of out.get(i) ?? []) x[i] = Math.min(x[i]!, x[g.after]! - g.mm);
  }
  return x;
}
