import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import type { Problem } from '../diagnose/problem';

/** A random case for tests and measurements: the same one for the same seed. */
export function diagnoseProblemOf(seed: number, causes = 4, tests = 5): Problem {
  const rng = xoroshiro128plus(seed);
  const u = () => uniformFloat64(rng);
  const row = (n: number) => {
    const w = Array.from({ length: n }, () => u() ** 3 + 0.02);
    const s = w.reduce((a, b) => a + b, 0);
    return w.map((x) => x / s);
  };
  const ids = Array.from({ length: causes }, (_, i) => `c${i + 1}`);
  const priors = row(causes);
  return {
    causes: ids.map((id, i) => ({ id, prior: priors[i]!, repairCost: Math.round(10 + 90 * u()) })),
    wrongRepairPenalty: Math.round(40 + 160 * u()),
    tests: Array.from({ length: tests }, (_, t) => {
      const n = u() < 0.7 ? 2 : 3;
      return {
        id: `t${t + 1}`,
        cost: Math.round(1 + 24 * u() ** 2),
        outcomes: ['yes', 'no', 'unclear'].slice(0, n),
        likelihood: Object.fromEntries(ids.map((id) => [id, row(n)])),
      };
    }),
    seen: [],
  };
}
