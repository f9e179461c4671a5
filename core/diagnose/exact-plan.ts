import { after, type Belief, gainOf } from './belief';
import type { Problem, Test } from './problem';
import { atLeast, knownCosts, stopNow } from './stopping';

export interface Plan {
  next: { test: string } | { repair: string };
  /** What the plan costs on average from here: tests, one repair, and the penalty as far as it may be wrong. */
  expectedCost: number;
}

export interface Limits {
  budget: number;
  stop?: () => boolean;
}

/**
 * The plan of least expected cost, by dynamic programming over outcome trees: the belief after a set of outcomes does
 * not depend on their order, so each set is worked out once. A test that could not pay even if it told everything is
 * not followed.
 * @param left tests not yet done
 * @param limits.budget work at most, counted as causes times tests for each belief worked out
 * @param limits.stop asked at each belief whether the caller's time is over
 * @returns undefined when the limits were not enough
 */
export function exactPlan(
  pick: Pick<Problem, 'causes' | 'wrongRepairPenalty'>,
  belief: Belief,
  left: readonly Test[],
  limits: Limits,
): Plan | undefined {
  const { causes } = pick;
  const known = knownCosts(pick);
  const seen = new Map<string, number>();
  const done = new Int8Array(left.length).fill(-1);
  let work = 0;

  /** The best first test at a belief and what the plan costs from there; no test when stopping is best. */
  const best = (b: Belief): { test: number; cost: number } | undefined => {
    work += causes.length * left.length;
    if (work > limits.budget || limits.stop?.()) return undefined;
    const floor = atLeast(known, b);
    let found = { test: -1, cost: stopNow(pick, b).cost };
    const open = left
      .map((_, i) => i)
      .filter((i) => done[i] === -1 && left[i]!.cost + floor < found.cost - 1e-12);
    // what tells most for its cost first: a good answer early cuts more
    const worth = new Map(open.map((i) => [i, gainOf(causes, b, left[i]!)]));
    open.sort(
      (x, y) => worth.get(y)! / (left[y]!.cost + 1e-9) - worth.get(x)! / (left[x]!.cost + 1e-9) || x - y,
    );
    for (const i of open) {
      const test = left[i]!;
      if (worth.get(i)! <= 1e-12 || test.cost + floor >= found.cost - 1e-12) continue;
      const outcomes = test.outcomes
        .map((_, o) => after(causes, b, test, o))
        .map((a, o) => ({ ...a, o }))
        .filter((a) => a.belief);
      let cost = test.cost;
      let rest = outcomes.reduce((s, a) => s + a.chance * atLeast(known, a.belief!), 0);
      for (const outcome of outcomes) {
        rest -= outcome.chance * atLeast(known, outcome.belief!);
        done[i] = outcome.o;
        const v = value(outcome.belief!);
        done[i] = -1;
        if (v === undefined) return undefined;
        cost += outcome.chance * v;
        if (cost + rest >= found.cost - 1e-12) {
          cost = Number.POSITIVE_INFINITY;
          break;
        }
      }
      if (cost < found.cost - 1e-12) found = { test: i, cost };
    }
    return found;
  };
  const value = (b: Belief): number | undefined => {
    const key = String.fromCharCode(...done.map((d) => d + 2));
    const before = seen.get(key);
    if (before !== undefined) return before;
    const v = best(b)?.cost;
    if (v !== undefined) seen.set(key, v);
    return v;
  };
  const first = best(belief);
  if (!first) return undefined;
  return {
    next:
      first.test < 0 ? { repair: causes[stopNow(pick, belief).repair]!.id } : { test: left[first.test]!.id },
    expectedCost: first.cost,
  };
}
