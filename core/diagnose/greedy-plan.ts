import { after, type Belief, gainOf } from './belief';
import type { Plan } from './exact-plan';
import type { Problem, Test } from './problem';
import { atLeast, knownCosts, stopNow } from './stopping';

/**
 * A plan by rule: of the tests left, those that tell most per cost are tried, and stopping where that is cheaper.
 * Its expected cost is that of the plan itself, worked out over its outcome tree as far as `depth` tests.
 * @param depth how many tests one after another are looked ahead
 * @param width how many of the best tests by information per cost are compared at each point
 */
export function greedyPlan(
  pick: Pick<Problem, 'causes' | 'wrongRepairPenalty'>,
  belief: Belief,
  left: readonly Test[],
  depth = 6,
  width = 1,
): Plan {
  const { causes } = pick;
  const known = knownCosts(pick);
  const used = new Uint8Array(left.length);
  const value = (b: Belief, deep: number): { cost: number; test: number } => {
    let found = { cost: stopNow(pick, b).cost, test: -1 };
    if (deep === 0) return found;
    const floor = atLeast(known, b);
    const ranked: { i: number; rate: number }[] = [];
    for (let i = 0; i < left.length; i++) {
      if (used[i] || left[i]!.cost + floor >= found.cost - 1e-12) continue;
      const gain = gainOf(causes, b, left[i]!);
      if (gain > 1e-9) ranked.push({ i, rate: gain / Math.max(left[i]!.cost, 1e-9) });
    }
    ranked.sort((x, y) => y.rate - x.rate || x.i - y.i);
    for (const { i } of ranked.slice(0, width)) {
      const test = left[i]!;
      used[i] = 1;
      let cost = test.cost;
      for (let o = 0; o < test.outcomes.length; o++) {
        const a = after(causes, b, test, o);
        if (a.belief) cost += a.chance * value(a.belief, deep - 1).cost;
      }
      used[i] = 0;
      if (cost < found.cost - 1e-12) found = { cost, test: i };
    }
    return found;
  };
  const first = value(belief, depth);
  return {
    next:
      first.test < 0 ? { repair: causes[stopNow(pick, belief).repair]!.id } : { test: left[first.test]!.id },
    expectedCost: first.cost,
  };
}
