import type { Belief } from './belief';
import type { Problem } from './problem';

export interface Stop {
  repair: number;
  cost: number;
}

/** The best that can be done without another test: one repair, its cost, and the penalty as far as it may be wrong. */
export function stopNow(pick: Pick<Problem, 'causes' | 'wrongRepairPenalty'>, belief: Belief): Stop {
  let best: Stop = { repair: 0, cost: Number.POSITIVE_INFINITY };
  for (let c = 0; c < pick.causes.length; c++) {
    const cost = pick.causes[c]!.repairCost + pick.wrongRepairPenalty * (1 - belief[c]!);
    if (cost < best.cost - 1e-12) best = { repair: c, cost };
  }
  return best;
}

/**
 * What each cause would cost somebody who knew it: no plan costs less than this on average. Even knowing, a wrong and
 * cheap repair with its penalty may be the least.
 */
export function knownCosts(pick: Pick<Problem, 'causes' | 'wrongRepairPenalty'>): Float64Array {
  const wrong = Math.min(...pick.causes.map((c) => c.repairCost)) + pick.wrongRepairPenalty;
  return Float64Array.from(pick.causes, (c) => Math.min(c.repairCost, wrong));
}
export function atLeast(known: Float64Array, belief: Belief): number {
  let sum = 0;
  for (let c = 0; c < belief.length; c++) sum += belief[c]! * known[c]!;
  return sum;
}
