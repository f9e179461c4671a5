import { after, beliefOf } from '../core/diagnose/belief';
import { diagnose } from '../core/diagnose/diagnose';
import { exactPlan } from '../core/diagnose/exact-plan';
import { greedyPlan } from '../core/diagnose/greedy-plan';
import { diagnoseProblemOf } from '../core/testing/diagnose-generator';
import { figure, median } from './figures';

const timed = (f: () => unknown): number => {
  const t = performance.now();
  f();
  return performance.now() - t;
};

/** Finding the fault: the next test, an answer's update, and the rule against the proof. */
export function benchDiagnose(): void {
  const large = Array.from({ length: 30 }, (_, i) => diagnoseProblemOf(i + 1, 20, 30));
  for (const p of large.slice(0, 5)) diagnose(p);
  const next = median(large.map((p) => timed(() => diagnose(p))));
  figure({
    what: 'diagnose: next test, 20 causes and 30 tests, median of 30',
    value: next,
    unit: 'ms',
    aim: '< 50',
    ok: next < 50,
  });
  const update = median(
    large.map((p) => {
      const b = beliefOf(p)!;
      return timed(() => after(p.causes, b, p.tests[0]!, 0));
    }),
  );
  figure({
    what: 'diagnose: the update after an outcome',
    value: update,
    unit: 'ms',
    aim: '< 5',
    ok: update < 5,
  });
  const ratios = Array.from({ length: 100 }, (_, i) => {
    const p = diagnoseProblemOf(i + 1, 5, 6);
    const b = beliefOf(p)!;
    return greedyPlan(p, b, p.tests).expectedCost / exactPlan(p, b, p.tests, { budget: 1e9 })!.expectedCost;
  });
  const mean = ratios.reduce((a, b) => a + b, 0) / ratios.length;
  figure({
    what: 'diagnose: plan by rule over exact plan, 5 causes and 6 tests, mean of 100',
    value: mean,
    unit: 'x',
    aim: '<= 1.05',
    ok: mean <= 1.05,
  });
  figure({ what: 'diagnose: the same, largest', value: Math.max(...ratios), unit: 'x' });
}
