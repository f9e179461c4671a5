import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { diagnoseProblemOf } from '../testing/diagnose-generator';
import { beliefOf, entropy, gainOf } from './belief';
import { diagnose } from './diagnose';
import { exactPlan } from './exact-plan';
import { greedyPlan } from './greedy-plan';
import { inspectionOrder, type Suspect } from './inspection-order';
import type { Problem, Seen } from './problem';
import { stopNow } from './stopping';

const seeds = Array.from({ length: 60 }, (_, i) => i + 1);
const joint = (p: Problem, cause: string, seen: readonly Seen[]) =>
  seen.reduce(
    (w, s) => {
      const t = p.tests.find((x) => x.id === s.test)!;
      return w * t.likelihood[cause]![t.outcomes.indexOf(s.outcome)]!;
    },
    p.causes.find((c) => c.id === cause)!.prior,
  );

/** A slow oracle without beliefs, bounds or memory: joint weights of whole histories, every test tried at every point. */
function oracle(p: Problem, seen: readonly Seen[]): number {
  const weights = p.causes.map((c) => joint(p, c.id, seen));
  const all = weights.reduce((a, b) => a + b, 0);
  let best = Math.min(
    ...p.causes.map((r, i) => r.repairCost + p.wrongRepairPenalty * (1 - weights[i]! / all)),
  );
  for (const t of p.tests) {
    if (seen.some((s) => s.test === t.id)) continue;
    let cost = t.cost;
    for (const o of t.outcomes) {
      const next = [...seen, { test: t.id, outcome: o }];
      const w = p.causes.reduce((s, c) => s + joint(p, c.id, next), 0);
      if (w > 0) cost += (w / all) * oracle(p, next);
    }
    best = Math.min(best, cost);
  }
  return best;
}

describe('what is believed', () => {
  test('a worked case of Bayes’ rule: prior 1 %, a test that finds 80 % and is wrong in 9.6 %, gives 7.8 % (Eddy 1982, probabilities of mammography; from memory)', () => {
    const p: Problem = {
      wrongRepairPenalty: 0,
      causes: [
        { id: 'ill', prior: 0.01, repairCost: 1 },
        { id: 'well', prior: 0.99, repairCost: 1 },
      ],
      tests: [
        { id: 't', cost: 1, outcomes: ['+', '-'], likelihood: { ill: [0.8, 0.2], well: [0.096, 0.904] } },
      ],
      seen: [{ test: 't', outcome: '+' }],
    };
    expect(beliefOf(p)![0]).toBeCloseTo(0.0776, 4);
  });
  test('does not depend on the order in which things were seen, nor on the scale of the priors', () => {
    for (const seed of seeds) {
      const p = diagnoseProblemOf(seed);
      const seen = p.tests.map((t) => ({ test: t.id, outcome: t.outcomes[seed % t.outcomes.length]! }));
      const a = beliefOf({ ...p, seen })!;
      const b = beliefOf({
        ...p,
        seen: seen.toReversed(),
        causes: p.causes.map((c) => ({ ...c, prior: c.prior * 7 })),
      })!;
      a.forEach((x, i) => {
        expect(x).toBeCloseTo(b[i]!, 12);
      });
    }
  });
  test('a test is expected to tell what it takes off the entropy on average, never less than nothing', () => {
    for (const seed of seeds) {
      const p = diagnoseProblemOf(seed, 6, 4);
      const b = beliefOf(p)!;
      for (const t of p.tests) {
        const later = t.outcomes.reduce((s, o) => {
          const w = p.causes.reduce((x, c) => x + joint(p, c.id, [{ test: t.id, outcome: o }]), 0);
          return s + w * entropy(beliefOf({ ...p, seen: [{ test: t.id, outcome: o }] })!);
        }, 0);
        expect(gainOf(p.causes, b, t)).toBeCloseTo(entropy(b) - later, 9);
      }
    }
  });
  test('what cannot be under any cause has no answer', () => {
    const p: Problem = {
      wrongRepairPenalty: 1,
      causes: [
        { id: 'a', prior: 1, repairCost: 1 },
        { id: 'b', prior: 0, repairCost: 1 },
      ],
      tests: [{ id: 't', cost: 1, outcomes: ['x', 'y'], likelihood: { a: [1, 0], b: [0, 1] } }],
      seen: [{ test: 't', outcome: 'y' }],
    };
    expect(diagnose(p)).toBeUndefined();
    expect(() => beliefOf({ ...p, seen: [{ test: 't', outcome: 'z' }] })).toThrow(RangeError);
  });
});

describe('the next best test', () => {
  test('the exact plan costs what an oracle finds that tries everything', () => {
    for (const seed of seeds) {
      const p = diagnoseProblemOf(seed, 2 + (seed % 4), 2 + (seed % 4));
      expect(exactPlan(p, beliefOf(p)!, p.tests, { budget: 1e9 })!.expectedCost).toBeCloseTo(
        oracle(p, []),
        9,
      );
    }
  });
  test('never dearer than stopping at once, and following its next test costs what it said', () => {
    for (const seed of seeds) {
      const p = diagnoseProblemOf(seed, 4, 5);
      const d = diagnose(p, { budget: 1e9 })!;
      expect(d.optimal).toBe(true);
      expect(d.expectedCost).toBeLessThanOrEqual(stopNow(p, beliefOf(p)!).cost + 1e-9);
      if ('repair' in d.next) continue;
      const t = p.tests.find((x) => x.id === (d.next as { test: string }).test)!;
      const cost = t.outcomes.reduce((s, o) => {
        const w = p.causes.reduce((x, c) => x + joint(p, c.id, [{ test: t.id, outcome: o }]), 0);
        return s + w * diagnose({ ...p, seen: [{ test: t.id, outcome: o }] }, { budget: 1e9 })!.expectedCost;
      }, t.cost);
      expect(cost).toBeCloseTo(d.expectedCost, 8);
    }
  });
  test('the plan by rule is never cheaper than the exact one, and on average not five in a hundred dearer', () => {
    const ratios = seeds.map((seed) => {
      const p = diagnoseProblemOf(seed, 5, 6);
      const b = beliefOf(p)!;
      return greedyPlan(p, b, p.tests).expectedCost / exactPlan(p, b, p.tests, { budget: 1e9 })!.expectedCost;
    });
    for (const r of ratios) expect(r).toBeGreaterThanOrEqual(1 - 1e-9);
    expect(ratios.reduce((a, b) => a + b, 0) / ratios.length).toBeLessThanOrEqual(1.05);
  });
  test('a large case is answered by rule and says that nothing is proved', () => {
    const d = diagnose(diagnoseProblemOf(3, 20, 30), { budget: 2000 })!;
    expect(d.optimal).toBe(false);
    expect(Object.values(d.posterior).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
    expect(d.gains).toHaveLength(30);
  });
  test('a test that costs nothing and tells something is done before any repair', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), (seed) => {
        const p = diagnoseProblemOf(seed, 3, 3);
        const free = { ...p, tests: p.tests.map((t) => ({ ...t, cost: 0 })) };
        const all = exactPlan(free, beliefOf(free)!, free.tests, { budget: 1e9 })!;
        const none = stopNow(free, beliefOf(free)!).cost;
        expect(all.expectedCost).toBeLessThanOrEqual(none + 1e-9);
        if (all.expectedCost < none - 1e-9) expect(all.next).toHaveProperty('test');
      }),
      { numRuns: 40, seed: 20261125 },
    );
  });
});

describe('the order of inspection', () => {
  const permutations = <T>(list: T[]): T[][] =>
    list.length < 2
      ? [list]
      : list.flatMap((x, i) => permutations(list.toSpliced(i, 1)).map((r) => [x, ...r]));
  const costOf = (order: Suspect[]) => {
    let spent = 0;
    return order.reduce((s, x) => {
      spent += x.cost;
      return s + x.probability * spent;
    }, 0);
  };
  test('by probability over cost is the cheapest of all orders (Heckerman, Breese and Rommelse 1995)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ w: fc.integer({ min: 1, max: 20 }), cost: fc.integer({ min: 0, max: 30 }) }), {
          minLength: 1,
          maxLength: 6,
        }),
        (raw) => {
          const sum = raw.reduce((s, x) => s + x.w, 0);
          const faults = raw.map((x, i) => ({ id: `f${i}`, probability: x.w / sum, cost: x.cost }));
          const answer = inspectionOrder(faults);
          const least = Math.min(...permutations(faults).map(costOf));
          expect(answer.expectedCost).toBeCloseTo(least, 9);
          expect(costOf(answer.order.map((id) => faults.find((f) => f.id === id)!))).toBeCloseTo(least, 9);
        },
      ),
      { numRuns: 150 },
    );
  });
  test('what costs nothing comes first, what cannot be at fault last, and equal ones keep their order', () => {
    expect(
      inspectionOrder([
        { id: 'a', probability: 0.5, cost: 5 },
        { id: 'never', probability: 0, cost: 1 },
        { id: 'b', probability: 0.5, cost: 5 },
        { id: 'free', probability: 0, cost: 0 },
      ]).order,
    ).toEqual(['free', 'a', 'b', 'never']);
    expect(() => inspectionOrder([{ id: 'a', probability: 0, cost: 1 }])).toThrow(RangeError);
    expect(inspectionOrder([])).toEqual({ order: [], expectedCost: 0 });
  });
});
