/** Something that is needed while an operation runs: a person, a plate, a press. So many operations at a time. */
export interface Resource {
  id: string;
  capacity: number;
}
export interface Operation {
  id: string;
  duration: number;
  /** Resources, one of each, from its start to its end. */
  needs: readonly string[];
  /** It has begun, or is to begin just then. */
  at?: number;
}
export interface ScheduledJob {
  id: string;
  /** Nothing of it begins before this time. */
  release: number;
  /** When it is promised; null where nothing is. */
  due: number | null;
  /** What one unit of time of lateness costs. */
  weight: number;
  /** It has to have ended by then. */
  deadline?: number;
  operations: readonly Operation[];
}
/** `to` begins at least `minLag` after the end of `from`, and no later than `maxLag` after it where there is one. */
export interface Lag {
  from: string;
  to: string;
  minLag: number;
  maxLag: number | null;
}
export interface ScheduleProblem {
  resources: readonly Resource[];
  jobs: readonly ScheduledJob[];
  precedences: readonly Lag[];
  objective: 'makespan' | 'tardiness';
}
export interface Schedule {
  starts: Record<string, number>;
  makespan: number;
  weightedTardiness: number;
  /** Of the objective: no schedule is better. */
  lowerBound: number;
  optimal: boolean;
}
/** Why there is no schedule, and the precedences or resources that clash. */
export interface Clash {
  why: 'lags' | 'capacity' | 'together';
  precedences: { from: string; to: string }[];
  resources: string[];
}

/** The same as numbers: operations, resources and jobs by their place. */
export interface Compiled {
  n: number;
  ids: string[];
  duration: Float64Array;
  /** Job of each operation. */
  jobOf: Int32Array;
  release: Float64Array;
  /** When each operation may begin at the earliest and has to have ended at the latest, by what is fixed. */
  earliest: Float64Array;
  latest: Float64Array;
  due: Float64Array;
  weight: Float64Array;
  /** `start[to] >= start[from] + weight`. Of a greatest lag the edge goes back, and its weight is below zero. */
  edges: { from: number; to: number; weight: number; lag: number }[];
  /** Operations of each resource that may clash: those that take time. */
  unary: Int32Array[];
  cumulative: { operations: Int32Array; capacity: number; resource: string }[];
  objective: ScheduleProblem['objective'];
  /** The least step in time by which two schedules differ: 1 where all is whole numbers. */
  step: number;
  /** No sensible schedule is longer. */
  horizon: number;
}

const wholeStep = 1;
const smallStep = 1e-6;

export function compile(problem: ScheduleProblem): Compiled {
  const operations = problem.jobs.flatMap((job, k) => job.operations.map((o) => ({ ...o, job: k })));
  const at = new Map(operations.map((o, k) => [o.id, k]));
  const duration = Float64Array.from(operations, (o) => o.duration);
  const edges: Compiled['edges'] = problem.precedences.flatMap(({ from, to, minLag, maxLag }, lag) => {
    const [i, j] = [at.get(from)!, at.get(to)!];
    const forward = { from: i, to: j, weight: duration[i]! + minLag, lag };
    return maxLag === null ? [forward] : [forward, { from: j, to: i, weight: -(duration[i]! + maxLag), lag }];
  });
  const users = (id: string) =>
    Int32Array.from(operations.flatMap((o, k) => (o.duration > 0 && o.needs.includes(id) ? [k] : [])));
  const numbers = [
    ...duration,
    ...problem.jobs.flatMap((j) => [j.release, j.due ?? 0, j.weight]),
    ...operations.map((o) => o.at ?? 0),
    ...problem.precedences.flatMap((p) => [p.minLag, p.maxLag ?? 0]),
  ];
  const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);
  // one after the other, after all that stands fixed
  const fixed = operations.map((o) => (o.at === undefined ? 0 : o.at + o.duration));
  const horizon =
    Math.max(0, ...problem.jobs.map((j) => j.release), ...fixed) +
    sum([...duration]) +
    sum(problem.precedences.map((p) => Math.max(0, p.minLag)));
  return {
    n: operations.length,
    ids: operations.map((o) => o.id),
    duration,
    jobOf: Int32Array.from(operations, (o) => o.job),
    release: Float64Array.from(problem.jobs, (j) => j.release),
    earliest: Float64Array.from(operations, (o) => o.at ?? problem.jobs[o.job]!.release),
    latest: Float64Array.from(operations, (o) =>
      Math.min(
        horizon,
        o.at === undefined ? Number.POSITIVE_INFINITY : o.at + o.duration,
        problem.jobs[o.job]!.deadline ?? Number.POSITIVE_INFINITY,
      ),
    ),
    due: Float64Array.from(problem.jobs, (j) => j.due ?? Number.POSITIVE_INFINITY),
    weight: Float64Array.from(problem.jobs, (j) => j.weight),
    edges,
    unary: problem.resources.filter((r) => r.capacity === 1).map((r) => users(r.id)),
    cumulative: problem.resources
      .filter((r) => r.capacity > 1)
      .map((r) => ({ operations: users(r.id), capacity: r.capacity, resource: r.id }))
      .filter((r) => r.operations.length > r.capacity),
    objective: problem.objective,
    step: numbers.every(Number.isInteger) ? wholeStep : smallStep,
    horizon,
  };
}
/** When each job ends by the starts of its operations. */
export function endsOf(c: Compiled, start: ArrayLike<number>): Float64Array {
  const out = Float64Array.from(c.release);
  for (let i = 0; i < c.n; i++) {
    const end = start[i]! + c.duration[i]!;
    if (end > out[c.jobOf[i]!]!) out[c.jobOf[i]!] = end;
  }
  return out;
}
export const makespanOf = (c: Compiled, start: ArrayLike<number>): number =>
  Array.from({ length: c.n }, (_, i) => start[i]! + c.duration[i]!).reduce((a, b) => Math.max(a, b), 0);
export function tardinessOf(c: Compiled, start: ArrayLike<number>): number {
  return endsOf(c, start).reduce(
    (sum, end, j) => sum + (end > c.due[j]! ? c.weight[j]! * (end - c.due[j]!) : 0),
    0,
  );
}
export const costOf = (c: Compiled, start: ArrayLike<number>): number =>
  c.objective === 'makespan' ? makespanOf(c, start) : tardinessOf(c, start);
