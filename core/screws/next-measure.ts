import type { Hole, LooseScrew, Sorted } from './sort-screws';

/** What would settle a doubt. */
export interface ToMeasure {
  screws: string[];
  what: 'drive' | 'head' | 'length again' | 'nothing tells them apart';
}

/**
 * What to look at or measure next, the narrowest doubt first: the drive where it was not said and the holes in question
 * differ in it; the head where it was not measured and they differ in that; else the length once more. Where the holes
 * differ in none of these by more than a calliper tells, measuring settles nothing.
 * @param resolutionMm what the calliper tells apart
 */
export function nextMeasures(
  sorted: Sorted,
  holes: readonly Hole[],
  screws: readonly LooseScrew[],
  resolutionMm = 0.05,
): ToMeasure[] {
  const hole = new Map(holes.map((h) => [h.id, h]));
  const screw = new Map(screws.map((s) => [s.id, s]));
  const at = new Map(sorted.assignments.map((a) => [a.screw, a.hole]));
  const seen = new Set<string>();
  return sorted.doubtful.flatMap((doubt) => {
    const key = [...doubt.screws].sort().join(' ');
    if (seen.has(key)) return [];
    seen.add(key);
    const mine = hole.get(doubt.hole)!;
    const others = [doubt.instead ?? '', ...doubt.screws.slice(1).map((s) => at.get(s) ?? '')]
      .map((id) => hole.get(id))
      .filter((h) => h !== undefined);
    const unknown = (test: (s: LooseScrew) => boolean) => doubt.screws.some((s) => test(screw.get(s)!));
    const differ = (of: (h: Hole) => number) =>
      others.some((h) => Math.abs(of(h) - of(mine)) > resolutionMm + 1e-9);
    const what =
      unknown((s) => s.drive === undefined) && others.some((h) => h.drive !== mine.drive)
        ? 'drive'
        : unknown((s) => s.headMm === undefined) && differ((h) => h.headMm)
          ? 'head'
          : !others.length || differ((h) => h.lengthMm)
            ? 'length again'
            : 'nothing tells them apart';
    return [{ screws: doubt.screws, what } as const];
  });
}
