/** One thing that may be wrong; exactly one of a problem's causes is true. */
export interface Cause {
  id: string;
  /** Chance before any test; the priors of a problem are normalised by whoever reads them. */
  prior: number;
  /** What putting it right costs, in any one currency. */
  repairCost: number;
}
/** A test with a finite list of outcomes. Outcomes of different tests are independent given the cause. */
export interface Test {
  id: string;
  cost: number;
  outcomes: readonly string[];
  /** Cause to the chance of each outcome, in the order of `outcomes`; each row adds up to 1. */
  likelihood: Readonly<Record<string, readonly number[]>>;
}
export interface Seen {
  test: string;
  outcome: string;
}
/**
 * Finding a fault: one true cause, each test at most once, and at any point one repair, whose cost is paid, and the
 * penalty too when it was the wrong one.
 */
export interface Problem {
  causes: readonly Cause[];
  wrongRepairPenalty: number;
  tests: readonly Test[];
  seen: readonly Seen[];
}
