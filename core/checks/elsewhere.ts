import { quantileSorted } from 'd3-array';
import type { JobEvent } from '../log/events';
import type { FigureName, Figures, Measured } from '../log/measured';
import type { FunctionId } from '../vocabulary/trade';

/** Figures that say how good a thing is, and not how often it was tried or how old it is. */
const telling: readonly FigureName[] = ['percent', 'level', 'sharpness', 'far', 'shake', 'hz', 'gravity'];
const worn: ReadonlySet<Measured['kind']> = new Set<Measured['kind']>(['battery', 'charging']);
/** Fewer devices than this say nothing about a model. */
const fewest = 5;

/** What other devices of a model measured of a function that worked: eight of ten between low and high. */
export interface Usual {
  function: FunctionId;
  kind: Measured['kind'];
  figure: FigureName;
  devices: number;
  low: number;
  high: number;
}
/** Whether a figure lies where eight of ten do. */
export const isUsual = ({ low, high }: Pick<Usual, 'low' | 'high'>, value: number): boolean =>
  value >= low && value <= high;
/** The last that one device measured of each function, in any round: a later one replaces an earlier one. */
function lastOf(log: readonly JobEvent[]): Map<FunctionId, Measured> {
  const last = new Map<FunctionId, Measured>();
  for (const { body } of log) if (body.type === 'checkMeasured') last.set(body.function, body.measured);
  return last;
}
/**
 * What is usual for a model, from the last measurements of other jobs; only of functions that worked, and only where as many
 * devices as are needed were measured.
 * @param logs of the other jobs, each in its order, without what was taken back
 */
export function usualOf(logs: readonly (readonly JobEvent[])[]): Usual[] {
  const values = new Map<string, { of: Omit<Usual, 'devices' | 'low' | 'high'>; all: number[] }>();
  for (const log of logs)
    for (const [fn, { kind, verdict, figures }] of lastOf(log)) {
      if (verdict !== 'works' || worn.has(kind)) continue;
      for (const figure of telling) {
        const value = figures[figure];
        if (value === undefined) continue;
        const key = `${fn} ${kind} ${figure}`;
        const known = values.get(key) ?? { of: { function: fn, kind, figure }, all: [] };
        known.all.push(value);
        values.set(key, known);
      }
    }
  return [...values.values()]
    .filter(({ all }) => all.length >= fewest)
    .map(({ of, all }): Usual => {
      const sorted = all.toSorted((a, b) => a - b);
      const at = (share: number) => Math.round(quantileSorted(sorted, share)! * 10) / 10;
      return { ...of, devices: all.length, low: at(0.1), high: at(0.9) };
    });
}
/** What the same device measured when it was here last, by function. */
export interface LastTime {
  job: number;
  at: number;
  figures: Partial<Record<FunctionId, Figures>>;
}
/** Of the newest earlier job of a device that measured anything; undefined where none did. */
export function lastTimeOf(
  jobs: readonly { number: number; log: readonly JobEvent[] }[],
): LastTime | undefined {
  for (const { number, log } of jobs) {
    const last = lastOf(log);
    const at = log.findLast(({ body }) => body.type === 'checkMeasured')?.at;
    if (at !== undefined)
      return {
        ...{ job: number, at },
        figures: Object.fromEntries([...last].map(([fn, { figures }]) => [fn, figures])),
      };
  }
  return undefined;
}
