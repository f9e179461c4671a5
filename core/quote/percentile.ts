/**
 * The p-th quantile of sorted figures, between neighbours by straight line: type 7 of Hyndman and Fan, The American
 * Statistician 50(4), 1996.
 * @param sorted ascending, at least one
 * @param p 0 to 1
 */
export function percentile(sorted: ArrayLike<number>, p: number): number {
  const h = (sorted.length - 1) * p;
  const k = Math.floor(h);
  const a = sorted[k]!;
  return k + 1 < sorted.length ? a + (h - k) * (sorted[k + 1]! - a) : a;
}
