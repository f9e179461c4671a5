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
  // what has to be come back to soon is placed before all else; the rest of what is fixed before the others, or among them
  const tried = rules.flatMap((rule) =>
    [true, false].flatMap((fixedFirst) => {
      const order = [...groups].sort(
        (a, b) =>
          Number(isPressing(b)) - Number(isPressing(a)) ||
          (fixedFirst ? Number(isFixed(b)) - Number(isFixed(a)) : 0) ||
          rule(a) - rule(b) ||
          a.jobs[0]! - b.jobs[0]!,
      );
      return place(p, c, order, isFixed) ?? [];
    }),
  );
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
type Operations = readonly ScheduleProblem['jobs'][number]['operations'][number][];
/** Operations in their order, those together that have to follow each other soon. */
function linksOf(p: ScheduleProblem, operations: Operations): Operations[] {
  const out: Operations[number][][] = [];
  for (const o of operations) {
    const before = new Set(
      p.precedences.filter((l) => l.to === o.id && l.maxLag !== null).map((l) => l.from),
    );
    const last = out.at(-1);
    if (last?.some((b) => before.has(b.id))) last.push(o);
    else out.push([o]);
  }
  return out;
}
/**
 * The operations of jobs of which something stands at its time, around that: what has to follow each other soon together, each as
 * early as there is room, and what leads soon to one that stands as late as that asks. Undefined where a greatest lag is broken.
 */
function placeAround(
  p: ScheduleProblem,
  jobs: readonly number[],
  used: Uses,
): Map<string, number> | undefined {
  const ends = new Map<string, number>();
  const out = new Map<string, number>();
  const put = (o: Operations[number], start: number) => {
    out.set(o.id, start);
    ends.set(o.id, start + o.duration);
  };
  const lagsTo = (o: Operations[number]) => p.precedences.filter((l) => l.to === o.id && ends.has(l.from));
  for (const job of jobs.map((k) => p.jobs[k]!))
    for (const link of linksOf(p, job.operations)) {
      const earliest = (o: Operations[number]) =>
        Math.max(job.release, ...lagsTo(o).map((l) => ends.get(l.from)! + l.minLag));
      // one after another, as if there were room; then all of the link later by what is needed for it
      for (const o of link) put(o, o.at ?? earliest(o));
      const stands = link.findLastIndex((o) => o.at !== undefined);
      for (let k = stands - 1; k >= 0; k--) {
        const [o, next] = [link[k]!, link[k + 1]!];
        const lag = p.precedences.find((l) => l.from === o.id && l.to === next.id)?.minLag ?? 0;
        put(o, out.get(next.id)! - lag - o.duration);
      }
      if (stands < 0)
        for (const [id, start] of shifted(link, out, used)) put(link.find((o) => o.id === id)!, start);
      for (const o of link.slice(stands < 0 ? link.length : stands + 1))
        put(o, roomFor(o, earliest(o), used));
      const isBroken = (o: Operations[number]) =>
        lagsTo(o).some((l) => l.maxLag !== null && out.get(o.id)! > ends.get(l.from)! + l.maxLag + 1e-9);
      if (link.some(isBroken)) return undefined;
    }
  return out;
}
/** The earliest from a time on that all that an operation needs is free. */
function roomFor(o: Operations[number], from: number, used: Uses): number {
  return shifted([o], new Map([[o.id, from]]), used).get(o.id)!;
}
/** Places groups one after another: first of all what stands at its time. */
function place(
  p: ScheduleProblem,
  c: Compiled,
  groups: { jobs: number[]; starts: Map<string, number> | undefined }[],
  isFixed: (group: { jobs: number[] }) => boolean,
): Float64Array | undefined {
  const at = new Map(c.ids.map((id, i) => [id, i]));
  const used: Uses = new Map(p.resources.map((r) => [r.id, { capacity: r.capacity, placed: [] }]));
  const use = (o: Operations[number], start: number) => {
    if (o.duration > 0)
      for (const need of o.needs) used.get(need)!.placed.push({ start, end: start + o.duration });
  };
  for (const o of p.jobs.flatMap((j) => j.operations)) if (o.at !== undefined) use(o, o.at);
  const out = new Float64Array(c.n);
  for (const group of groups) {
    const operations = group.jobs.flatMap((k) => p.jobs[k]!.operations);
    const starts = isFixed(group)
      ? placeAround(p, group.jobs, used)
      : shifted(operations, group.starts!, used);
    if (!starts) return undefined;
    for (const o of operations) {
      const start = starts.get(o.id)!;
      out[at.get(o.id)!] = start;
      if (o.at === undefined) use(o, start);
    }
  }
  return out;
}
/** The same starts, all later by what is needed for room. */
function shifted(
  operations: Operations,
  starts: ReadonlyMap<string, number>,
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
