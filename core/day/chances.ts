import { mean, quantile } from 'd3-array';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { ScheduleProblem } from '../schedule/problem';
import type { DayAsked } from './asked';
import type { Block } from './blocks';
import { comingS } from './day-problem';

/** So many days are drawn. */
const days = 200;
const exactly = (s: number) => ({ low: s, likely: s, high: s });

/** A draw from the triangle of a three-point figure; a simulation of the plan needs no finer shape. */
function drawn({ low, likely, high }: Block['takes'], u: number): number {
  if (high <= low) return likely;
  const peak = (likely - low) / (high - low);
  return u < peak
    ? low + Math.sqrt(u * (high - low) * (likely - low))
    : high - Math.sqrt((1 - u) * (high - low) * (high - likely));
}
/** The mean of a triangle: of what is drawn here. */
export const meanOfDrawn = ({ low, likely, high }: Block['takes']): number => (low + likely + high) / 3;
/** By days in which everything takes what it may take. */
export interface DrawnDays {
  /** In how many of a hundred its promise is kept. */
  chance: number;
  /** When it is ready in the mean, s from now. */
  meanS: number;
  /** By when it is ready in nine of ten of them, s from now. */
  surelyS: number;
}
const surely = 0.9;
/** For each device what drawn days show, its order of blocks as it is planned; what is wanted just then does not begin before. */
export function chances(
  asked: DayAsked,
  problem: ScheduleProblem,
  starts: Record<string, number>,
): DrawnDays[] {
  const generator = xoroshiro128plus(16);
  const order = problem.jobs
    .flatMap((job, j) =>
      job.operations.map((operation, k) => ({
        ...{ j, k, needs: operation.needs, start: starts[operation.id]!, at: operation.at ?? 0 },
        // who is away is away for so long, whatever the day is like
        takes: asked.jobs[j]?.blocks[k]?.takes ?? exactly(operation.duration),
        comes: asked.jobs[j] ? comingS(asked.jobs[j].blocks[k]!, asked.jobs[j].blocks[k - 1]) : 0,
      })),
    )
    .sort((a, b) => a.start - b.start || a.k - b.k);
  const kept = problem.jobs.map(() => 0);
  const endsS = problem.jobs.map((): number[] => []);
  for (let day = 0; day < days; day++) {
    const free = new Map(problem.resources.map((r) => [r.id, new Array<number>(r.capacity).fill(0)]));
    const ready = problem.jobs.map(() => 0);
    for (const { j, needs: names, start, at, takes, comes } of order) {
      const needs = names.map((n) => free.get(n)!);
      const isAway = j >= asked.jobs.length;
      const places = needs.map((f) => f.indexOf(Math.min(...f)));
      const begins = Math.max(isAway ? start : ready[j]!, at, ...needs.map((f, i) => f[places[i]!]!));
      const ends = begins + (isAway ? takes.likely : drawn(takes, uniformFloat64(generator))) + comes;
      needs.forEach((f, i) => {
        f[places[i]!] = ends;
      });
      ready[j] = ends;
    }
    problem.jobs.forEach((job, j) => {
      if (job.due !== null && ready[j]! <= job.due) kept[j] = kept[j]! + 1;
      endsS[j]!.push(ready[j]!);
    });
  }
  return kept.map((n, j) => ({
    chance: Math.round((100 * n) / days),
    meanS: Math.round(mean(endsS[j]!)!),
    surelyS: Math.ceil(quantile(endsS[j]!, surely)!),
  }));
}
