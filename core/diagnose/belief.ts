import type { Cause, Problem, Test } from './problem';

/** Chances of the causes, in their order, adding up to 1. */
export type Belief = Float64Array;

/** What an outcome would make of a belief: how likely it is, and the belief after it (undefined where it cannot be). */
export interface After {
  chance: number;
  belief: Belief | undefined;
}

/**
 * Bayes' rule for one outcome: posterior proportional to prior times likelihood.
 * @param outcome index into the test's outcomes
 */
export function after(causes: readonly Cause[], belief: Belief, test: Test, outcome: number): After {
  const next = new Float64Array(belief.length);
  let chance = 0;
  for (let c = 0; c < belief.length; c++) {
    next[c] = belief[c]! * test.likelihood[causes[c]!.id]![outcome]!;
    chance += next[c]!;
  }
  if (chance <= 0) return { chance: 0, belief: undefined };
  for (let c = 0; c < next.length; c++) next[c]! /= chance;
  return { chance, belief: next };
}

/**
 * The belief that follows from the priors and from what has been seen.
 * @returns undefined when what was seen cannot happen under any cause
 * @throws RangeError when a seen test or outcome is not part of the problem
 */
export function beliefOf(problem: Problem): Belief | undefined {
  const sum = problem.causes.reduce((s, c) => s + c.prior, 0);
  if (sum <= 0) return undefined;
  let belief: Belief | undefined = Float64Array.from(problem.causes, (c) => c.prior / sum);
  for (const seen of problem.seen) {
    const test = problem.tests.find((t) => t.id === seen.test);
    const outcome = test?.outcomes.indexOf(seen.outcome) ?? -1;
    if (!test || outcome < 0) throw new RangeError(`test ${seen.test} has no outcome ${seen.outcome}`);
    belief = after(problem.causes, belief, test, outcome).belief;
    if (!belief) return undefined;
  }
  return belief;
}

/** Uncertainty of a belief in bits: Shannon's entropy. */
export function entropy(belief: Belief): number {
  let h = 0;
  for (const p of belief) if (p > 0) h -= p * Math.log2(p);
  return h;
}

/**
 * What a test is expected to tell, in bits: the mutual information of cause and outcome (Shannon 1948).
 * Never negative; 0 for a test whose outcome does not depend on the cause.
 */
export function gainOf(causes: readonly Cause[], belief: Belief, test: Test): number {
  let gain = 0;
  for (let o = 0; o < test.outcomes.length; o++) {
    let chance = 0;
    for (let c = 0; c < belief.length; c++) chance += belief[c]! * test.likelihood[causes[c]!.id]![o]!;
    if (chance <= 0) continue;
    for (let c = 0; c < belief.length; c++) {
      const l = test.likelihood[causes[c]!.id]![o]!;
      if (belief[c]! > 0 && l > 0) gain += belief[c]! * l * Math.log2(l / chance);
    }
  }
  return Math.max(0, gain);
}
