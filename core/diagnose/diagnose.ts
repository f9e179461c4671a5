import { beliefOf, gainOf } from './belief';
import { exactPlan, type Limits, type Plan } from './exact-plan';
import { greedyPlan } from './greedy-plan';
import type { Problem } from './problem';

export interface Diagnosis extends Plan {
  /** Chance of each cause after what has been seen. */
  posterior: Record<string, number>;
  /** Whether `expectedCost` is proved to be the least; otherwise it is that of a plan by rule. */
  optimal: boolean;
  /** Every test not yet done: bits expected from it, and bits for each unit of cost (null for a test that costs nothing). */
  gains: { test: string; gain: number; perCost: number | null }[];
}

/** Work that the exact search may do at a bench before the rule is taken instead: about 15 ms. */
export const benchLimits: Limits = { budget: 80_000 };

/**
 * The next best test, or the repair when no test pays any more. Exact where the case is small enough, by rule otherwise.
 * @returns undefined when what was seen cannot happen under any cause
 */
export function diagnose(problem: Problem, limits = benchLimits): Diagnosis | undefined {
  const belief = beliefOf(problem);
  if (!belief) return undefined;
  const left = problem.tests.filter((t) => !problem.seen.some((s) => s.test === t.id));
  const exact = exactPlan(problem, belief, left, limits);
  const plan = exact ?? greedyPlan(problem, belief, left, problem.causes.length * left.length > 300 ? 5 : 7);
  return {
    posterior: Object.fromEntries(problem.causes.map((c, i) => [c.id, belief[i]!])),
    ...plan,
    optimal: exact !== undefined,
    gains: left.map((test) => {
      const gain = gainOf(problem.causes, belief, test);
      return { test: test.id, gain, perCost: test.cost > 0 ? gain / test.cost : null };
    }),
  };
}
