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
  if (groups.some((g) => !g.starts) || p.jobs.some((j) => j.deadline !== undefined)) return undefined;
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
  const tried = rules.map((rule) =>
    place(
      p,
      c,
      // what has begun stays where it is
      [...groups].sort(
        (a, b) => Number(isFixed(b)) - Number(isFixed(a)) || rule(a) - rule(b) || a.jobs[0]! - b.jobs[0]!,
      ),
    ),
  );
  return tried
    .filter((starts) => fits(c, starts))
    .reduce<Float64Array | undefined>(
      (best, next) => (!best || costOf(c, next) < costOf(c, best) ? next : best),
      undefined,
    );
}
function place(
  p: ScheduleProblem,
  c: Compiled,
  groups: { jobs: number[]; starts: Map<string, number> | undefined }[],
): Float64Array {
  const at = new Map(c.ids.map((id, i) => [id, i]));
  const used = new Map(p.resources.map((r) => [r.id, { capacity: r.capacity, placed: [] as Placed[] }]));
  const out = new Float64Array(c.n);
  for (const { jobs, starts } of groups) {
    const operations = jobs.flatMap((k) => p.jobs[k]!.operations);
    const wanted = operations
      .filter((o) => o.duration > 0)
      .flatMap((o) =>
        o.needs.map((need) => ({ use: used.get(need)!, start: starts!.get(o.id)!, duration: o.duration })),
      );
    let shift = 0;
    const fixed = operations.some((o) => o.at !== undefined);
    for (let again = !fixed; again; ) {
      again = false;
      for (const { use, start, duration } of wanted) {
        const later = freeFrom(use.placed, use.capacity, start + shift, duration);
        if (later > start + shift + 1e-9) {
          shift = later - start;
          again = true;
        }
      }
    }
    for (const { use, start, duration } of wanted)
      use.placed.push({ start: start + shift, end: start + shift + duration });
    for (const o of operations) out[at.get(o.id)!] = starts!.get(o.id)! + shift;
  }
  return out;
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
/** Whether nothing is used by more than it serves: what has begun is put where it is, whatever is there already. */
function fits(c: Compiled, starts: Float64Array): boolean {
  const each = [...c.unary.map((operations) => ({ operations, capacity: 1 })), ...c.cumulative];
  return each.every(({ operations, capacity }) =>
    operations.every(
      (i) =>
        operations.filter(
          (j) => starts[j]! <= starts[i]! + 1e-9 && starts[j]! + c.duration[j]! > starts[i]! + 1e-9,
        ).length <= capacity,
    ),
  );
}
