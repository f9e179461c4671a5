import { type Clash, type Compiled, compile, type Lag, type ScheduleProblem } from './problem';
import { Search } from './search';

/** Steps that are spent on telling which constraints clash. */
const tries = 3000;

/** A circle of lags that can never be kept, by Bellman and Ford; undefined where there is none. */
export function lagsThatClash(problem: ScheduleProblem, c: Compiled): Clash | undefined {
  const longest = new Float64Array(c.n);
  const by = new Int32Array(c.n).fill(-1);
  let last = -1;
  for (let pass = 0; pass <= c.n; pass++) {
    last = -1;
    for (const [k, { from, to, weight }] of c.edges.entries())
      if (longest[from]! + weight > longest[to]! + 1e-9) {
        longest[to] = longest[from]! + weight;
        by[to] = k;
        last = to;
      }
    if (last < 0) return undefined;
  }
  // so many steps back it is within the circle
  for (let k = 0; k < c.n; k++) last = c.edges[by[last]!]!.from;
  const lags = new Set<number>();
  for (let at = last; ; ) {
    const edge = c.edges[by[at]!]!;
    lags.add(edge.lag);
    at = edge.from;
    if (at === last) break;
  }
  return { why: 'lags', precedences: [...lags].map((k) => named(problem.precedences[k]!)), resources: [] };
}
const named = ({ from, to }: Lag) => ({ from, to });

/** Operations that need what there is none of; undefined where there are none. */
export function capacityThatClashes(problem: ScheduleProblem): Clash | undefined {
  const none = new Set(problem.resources.filter((r) => r.capacity < 1).map((r) => r.id));
  const wanted = problem.jobs.flatMap((j) => j.operations).flatMap((o) => o.needs.filter((n) => none.has(n)));
  return wanted.length ? { why: 'capacity', precedences: [], resources: [...new Set(wanted)] } : undefined;
}
/** Whether there is any schedule, as far as some steps tell. */
function isPossible(problem: ScheduleProblem, stop: () => boolean): boolean {
  const search = new Search(compile(problem));
  let left = tries;
  const whole = search.run({ fails: tries, stop: () => left-- <= 0 || stop() });
  return search.best !== undefined || !whole;
}
/** Only the jobs of which something stands fixed. */
function fixedOnly(problem: ScheduleProblem): ScheduleProblem {
  const jobs = problem.jobs.filter((j) => j.operations.some((o) => o.at !== undefined));
  const kept = new Set(jobs.flatMap((j) => j.operations.map((o) => o.id)));
  return {
    ...problem,
    jobs,
    precedences: problem.precedences.filter((p) => kept.has(p.from) && kept.has(p.to)),
  };
}
/**
 * The greatest lags without any one of which it would go, with what those operations need; all of them where it takes more,
 * or where there is no time to tell. What clashes among the jobs that have begun is looked for among these alone: a lag costs
 * a search, and of a day with thirty devices nobody waits for as many.
 */
export function clashOf(whole: ScheduleProblem, stop: () => boolean = () => false): Clash {
  const begun = fixedOnly(whole);
  const problem = isPossible(begun, stop) ? whole : begun;
  const greatest = problem.precedences.filter((p) => p.maxLag !== null);
  const without = greatest.filter(
    (lag) =>
      !stop() &&
      isPossible(
        {
          ...problem,
          precedences: problem.precedences.map((p) => (p === lag ? { ...p, maxLag: null } : p)),
        },
        stop,
      ),
  );
  const lags = without.length && !stop() ? without : greatest;
  const touched = new Set(lags.flatMap((l) => [l.from, l.to]));
  const needs = problem.jobs.flatMap((j) => j.operations).filter((o) => touched.has(o.id));
  return {
    why: 'together',
    precedences: lags.map(named),
    resources: [...new Set(needs.flatMap((o) => o.needs))],
  };
}
