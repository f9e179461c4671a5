import { type Compiled, compile, costOf, type ScheduleProblem } from './problem';
import { Search } from './search';

/** Dead ends that are spent on one group of jobs alone. */
const aloneFails = 400;

/** Jobs that hang together by lags, as one. */
function groupsOf(p: ScheduleProblem): number[][] {
  const jobOf = new Map(p.jobs.flatMap((j, k) => j.operations.map((o) => [o.id, k] as const)));
  const group = p.jobs.map((_, k) => k);
  const root = (k: number): number => (group[k] === k ? k : root(group[k]!));
  for (const { from, to } of p.precedences) group[root(jobOf.get(from)!)] = root(jobOf.get(to)!);
  const out = new Map<number, number[]>();
  p.jobs.forEach((_, k) => {
    out.set(root(k), [...(out.get(root(k)) ?? []), k]);
  });
  return [...out.values()];
}
/** The operations of some jobs, planned as if they were alone. */
function alone(p: ScheduleProblem, jobs: number[]): Map<string, number> | undefined {
  const own = jobs.map((k) => p.jobs[k]!);
  const ids = new Set(own.flatMap((j) => j.operations.map((o) => o.id)));
  const c = compile({
    ...p,
    jobs: own,
    precedences: p.precedences.filter((l) => ids.has(l.from)),
    objective: 'makespan',
  });
  const search = new Search(c);
  search.run({ fails: aloneFails, stop: () => false });
  return search.best && new Map(c.ids.map((id, i) => [id, search.best![i]!]));
}

interface Placed {
  start: number;
  end: number;
}
/**
 * A schedule at once: one group of jobs after another by a rule, each as it would be alone, and as early as what is placed
 * already leaves room. What must follow soon within a group does. The best of a few rules.
 * @returns starts by place of the operation; undefined where a group alone has none
 */
export function firstSchedule(p: ScheduleProblem, c: Compiled): Float64Array | undefined {
  const groups = groupsOf(p).map((jobs) => ({ jobs, starts: alone(p, jobs) }));
  if (groups.some((g) => !g.starts)) return undefined;
  const isFixed = ({ jobs }: { jobs: number[] }) =>
    jobs.some((k) => p.jobs[k]!.operations.some((o) => o.at !== undefined));
  const due = ({ jobs }: { jobs: number[] }) => Math.min(...jobs.map((k) => c.due[k]!));
  const release = ({ jobs }: { jobs: number[] }) => Math.min(...jobs.map((k) => c.release[k]!));
  const work = ({ jobs }: { jobs: number[] }) =>
    jobs.reduce((s, k) => s + p.jobs[k]!.operations.reduce((t, o) => t + o.duration, 0), 0);
  const weight = ({ jobs }: { jobs: number[] }) => jobs.reduce((s, k) => s + c.weight[k]!, 0);
  const rules: ((g: { jobs: number[] }) => number)[] = [
    due,
    (g) => due(g) - work(g),
    (g) => work(g) / (weight(g) || 1),
    release,
  ];
  const isPressing = ({ jobs }: { jobs: number[] }) => jobs.some((k) => followsBegun(p, p.jobs[k]!));
  const tried = rules.flatMap((rule) => {
    // what has begun stays where it is; what has to be come back to soon is placed before the rest
    const order = [...groups].sort(
      (a, b) =>
        Number(isFixed(b)) - Number(isFixed(a)) ||
        Number(isPressing(b)) - Number(isPressing(a)) ||
        rule(a) - rule(b) ||
        a.jobs[0]! - b.jobs[0]!,
    );
    return place(p, c, order, isFixed) ?? [];
  });
  return tried
    .filter((starts) => fits(c, starts))
    .reduce<Float64Array | undefined>(
      (best, next) => (!best || costOf(c, next) < costOf(c, best) ? next : best),
      undefined,
    );
}
/** Whether something of a job has begun that has to be followed soon. */
function followsBegun(p: ScheduleProblem, job: ScheduleProblem['jobs'][number]): boolean {
  const begun = new Set(job.operations.filter((o) => o.at !== undefined).map((o) => o.id));
  return p.precedences.some((l) => l.maxLag !== null && begun.has(l.from));
}
type Uses = Map<string, { capacity: number; placed: Placed[] }>;
/** The operations of a job of which something has begun, one after another as early as there is room; undefined where a greatest lag is broken. */
function placeBegun(
  p: ScheduleProblem,
  jobs: readonly number[],
  used: Uses,
): Map<string, number> | undefined {
  const out = new Map<string, number>();
  const ends = new Map<string, number>();
  for (const job of jobs.map((k) => p.jobs[k]!))
    for (const o of job.operations) {
      const lags = p.precedences.filter((l) => l.to === o.id && ends.has(l.from));
      let start = o.at ?? Math.max(job.release, ...lags.map((l) => ends.get(l.from)! + l.minLag));
      if (o.at === undefined && o.duration > 0)
        for (let again = true; again; ) {
          again = false;
          for (const need of o.needs) {
            const use = used.get(need)!;
            const later = freeFrom(use.placed, use.capacity, start, o.duration);
            if (later > start + 1e-9) {
              start = later;
              again = true;
            }
          }
        }
      if (lags.some((l) => l.maxLag !== null && start > ends.get(l.from)! + l.maxLag + 1e-9))
        return undefined;
      out.set(o.id, start);
      ends.set(o.id, start + o.duration);
    }
  return out;
}
function place(
  p: ScheduleProblem,
  c: Compiled,
  groups: { jobs: number[]; starts: Map<string, number> | undefined }[],
  isFixed: (group: { jobs: number[] }) => boolean,
): Float64Array | undefined {
  const at = new Map(c.ids.map((id, i) => [id, i]));
  const used: Uses = new Map(p.resources.map((r) => [r.id, { capacity: r.capacity, placed: [] }]));
  const out = new Float64Array(c.n);
  for (const group of groups) {
    const operations = group.jobs.flatMap((k) => p.jobs[k]!.operations);
    const starts = isFixed(group)
      ? placeBegun(p, group.jobs, used)
      : shifted(operations, group.starts!, used);
    if (!starts) return undefined;
    for (const o of operations) {
      const start = starts.get(o.id)!;
      out[at.get(o.id)!] = start;
      if (o.duration > 0)
        for (const need of o.needs) used.get(need)!.placed.push({ start, end: start + o.duration });
    }
  }
  return out;
}
/** The same starts, all later by what is needed for room. */
function shifted(
  operations: readonly ScheduleProblem['jobs'][number]['operations'][number][],
  starts: Map<string, number>,
  used: Uses,
): Map<string, number> {
  const wanted = operations
    .filter((o) => o.duration > 0)
    .flatMap((o) =>
      o.needs.map((need) => ({ use: used.get(need)!, start: starts.get(o.id)!, duration: o.duration })),
    );
  let shift = 0;
  for (let again = true; again; ) {
    again = false;
    for (const { use, start, duration } of wanted) {
      const later = freeFrom(use.placed, use.capacity, start + shift, duration);
      if (later > start + shift + 1e-9) {
        shift = later - start;
        again = true;
      }
    }
  }
  return new Map(operations.map((o) => [o.id, starts.get(o.id)! + shift]));
}
/** The earliest time from which one more has room for so long. */
function freeFrom(placed: readonly Placed[], capacity: number, from: number, duration: number): number {
  for (let time = from; ; ) {
    const running = placed.filter((o) => o.start < time + duration - 1e-9 && o.end > time + 1e-9);
    // how many run at once changes upwards only where one begins
    const full = [time, ...running.map((o) => o.start).filter((t) => t > time)].find(
      (t) => running.filter((o) => o.start <= t + 1e-9 && o.end > t + 1e-9).length >= capacity,
    );
    if (full === undefined) return time;
    time = Math.min(
      ...running.filter((o) => o.end > full + 1e-9 && o.start <= full + 1e-9).map((o) => o.end),
    );
  }
}
/** Whether nothing is used by more than it serves, all lies in its time, and after what it has to follow. */
function fits(c: Compiled, starts: Float64Array): boolean {
  const each = [...c.unary.map((operations) => ({ operations, capacity: 1 })), ...c.cumulative];
  const inTime = starts.every(
    (start, i) => start >= c.earliest[i]! - 1e-9 && start + c.duration[i]! <= c.latest[i]! + 1e-9,
  );
  const inOrder = c.edges.every((e) => starts[e.to]! >= starts[e.from]! + e.weight - 1e-9);
  return (
    inTime &&
    inOrder &&
    each.every(({ operations, capacity }) =>
      operations.every(
        (i) =>
          operations.filter(
            (j) => starts[j]! <= starts[i]! + 1e-9 && starts[j]! + c.duration[j]! > starts[i]! + 1e-9,
          ).length <= capacity,
      ),
    )
  );
}
