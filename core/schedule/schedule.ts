import { firstSchedule } from './first';
import { clashOf, lagsThatClash } from './clash';
import {
  type Clash,
  type Compiled,
  compile,
  makespanOf,
  type Schedule,
  type ScheduleProblem,
  tardinessOf,
} from './problem';
import { Search } from './search';

export interface ScheduleLimits {
  /** Steps of the search, over all its rounds. */
  nodes: number;
  /** Asked now and then; the caller's clock stands outside. */
  stop: () => boolean;
  /** A schedule that is known to be possible. */
  known?: Record<string, number>;
  /** Told of every better schedule. */
  onBetter?: (starts: Record<string, number>, cost: number) => void;
}
/** Dead ends of the first rounds; how many schedules are kept to be guided by; when rounds are given up for looking at all. */
const firstFails = 60;
const elite = 4;
const idleRounds = 40;

/** The sequence 1, 1, 2, 1, 1, 2, 4, ... (M. Luby, A. Sinclair and D. Zuckerman, Information Processing Letters 47, 1993). */
export function luby(k: number): number {
  let size = 1;
  while (size < k + 1) size = 2 * size + 1;
  let at = k;
  while (size - 1 !== at) {
    size = (size - 1) / 2;
    at %= size;
  }
  return (size + 1) / 2;
}

/**
 * The best schedule by an objective, exact where its limits allow and with an honest bound where they do not. First rounds
 * with few dead ends around the best schedules so far, then all that is left.
 * @returns what clashes where there is none; `undefined` as clash where none was found in time
 */
export function scheduleOf(
  problem: ScheduleProblem,
  limits: ScheduleLimits,
): { schedule: Schedule } | { clash: Clash | undefined } {
  const c = compile(problem);
  const lags = lagsThatClash(problem, c);
  if (lags) return { clash: lags };
  const search = new Search(c);
  const isOver = () => limits.stop() || search.nodes >= limits.nodes;
  if (search.hopeless) return { clash: clashOf(problem, isOver) };
  let bound = search.lowerBound();
  const kept: Float64Array[] = [];
  const keep = () => {
    if (!search.best || kept[0] === search.best) return;
    kept.unshift(search.best);
    kept.length = Math.min(kept.length, elite);
    limits.onBetter?.(startsOf(c, search.best), search.bestCost);
  };
  const first = firstSchedule(problem, c);
  if (first) search.know(first);
  if (limits.known) search.know(Float64Array.from(c.ids, (id) => limits.known![id]!));
  keep();
  let whole = search.run({ fails: firstFails * 4, stop: isOver });
  keep();
  for (let round = 0, idle = 0; !whole && !isOver() && idle < idleRounds; round++) {
    const before = search.bestCost;
    whole = search.run(
      { fails: firstFails * luby(round), stop: isOver },
      kept[round % Math.max(1, kept.length)],
      true,
    );
    keep();
    idle = search.bestCost < before ? 0 : idle + 1;
    if (search.best && search.bestCost <= bound + 1e-9) whole = true;
  }
  if (!whole && !isOver()) whole = search.run({ fails: Number.POSITIVE_INFINITY, stop: isOver }, search.best);
  keep();
  if (!search.best) return { clash: whole ? clashOf(problem, isOver) : undefined };
  if (!whole) bound = provedBound(c, bound, search.bestCost);
  return {
    schedule: {
      starts: startsOf(c, search.best),
      makespan: makespanOf(c, search.best),
      weightedTardiness: tardinessOf(c, search.best),
      lowerBound: whole ? search.bestCost : bound,
      optimal: whole,
    },
  };
}
const startsOf = (c: Compiled, start: Float64Array): Record<string, number> =>
  Object.fromEntries(c.ids.map((id, i) => [id, start[i]!]));

/** The least cost that the windows alone do not rule out: between what they say and what was found, by halving. */
function provedBound(c: Compiled, from: number, found: number): number {
  let [low, high] = [from, found];
  while (high - low > c.step) {
    const middle = Math.floor((low + high) / 2 / c.step) * c.step;
    if (middle <= low) break;
    // nothing of this cost or less: what costs less than a step more is ruled out
    const search = new Search(c, middle + c.step);
    if (search.hopeless) low = middle + c.step;
    else {
      low = Math.max(low, search.lowerBound());
      high = middle;
    }
  }
  return Math.min(low, found);
}
