import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Lag, Operation, ScheduledJob, ScheduleProblem } from '../schedule/problem';

export interface DayShape {
  jobs: number;
  people: number;
  /** Durations are divided by this: small numbers for solvers that count time in steps. */
  coarse?: number;
  objective?: ScheduleProblem['objective'];
}
const stations = ['plate', 'press', 'tester', 'programmer', 'microscope', 'charger'];

/**
 * A day at the bench, invented: devices that are warmed, opened while they are soft, worked at, pressed, cured and tested by
 * some people who are alike, with six stations. Times in minutes. The same seed gives the same day.
 */
export function dayOf(
  seed: number,
  { jobs, people, coarse = 1, objective = 'tardiness' }: DayShape,
): ScheduleProblem {
  const generator = xoroshiro128plus(seed);
  const pick = (from: number, to: number) => uniformInt(generator, from, to);
  const time = (from: number, to: number) => Math.max(1, Math.round(pick(from, to) / coarse));
  const precedences: Lag[] = [];
  const made: ScheduledJob[] = Array.from({ length: jobs }, (_, j) => {
    const operations: Operation[] = [];
    const add = (name: string, duration: number, needs: string[], lag: Partial<Lag> = {}) => {
      const id = `${j}/${name}`;
      const last = operations.at(-1);
      operations.push({ id, duration, needs });
      if (last) precedences.push({ from: last.id, to: id, minLag: 0, maxLag: null, ...lag });
    };
    const soft = time(2, 4);
    add('warm', time(4, 7), ['plate']);
    add('open', time(4, 10), ['hands'], { maxLag: soft });
    add('work', time(10, 40), pick(0, 2) ? ['hands'] : ['hands', 'microscope']);
    if (pick(0, 2) === 0) add('write', time(4, 9), ['hands', 'programmer']);
    add('close', time(6, 14), ['hands']);
    add('press', time(2, 5), ['press'], { maxLag: time(8, 14) });
    if (pick(0, 1)) add('test', time(3, 5), ['tester'], { minLag: time(4, 10) });
    if (pick(0, 3) === 0) add('charge', time(15, 40), ['charger']);
    add('hand over', time(3, 6), ['hands']);
    const least = operations.reduce((s, o) => s + o.duration, 0);
    const release = pick(0, 2) ? 0 : time(5, 60);
    return {
      id: String(j),
      release,
      due: release + least + time(0, 20 * jobs),
      weight: pick(1, 3),
      operations,
    };
  });
  return {
    resources: [
      { id: 'hands', capacity: people },
      ...stations.map((id) => ({ id, capacity: id === 'plate' || id === 'charger' ? 2 : 1 })),
    ],
    jobs: made,
    precedences,
    objective,
  };
}
