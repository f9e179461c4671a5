import load from 'highs';
import { describe, expect, test } from 'vitest';
import { depth } from '../testing/depth';
import { waysMilp } from '../testing/ways-milp';
import { waysProblemOf } from '../testing/ways-generator';
import { chooseWays, choicesUpTo, type WaysAnswer, type WaysProblem } from './choose-ways';

/** An independent check that a choice can be carried out, and what it costs by the definition. */
function costOf(p: WaysProblem, a: Exclude<WaysAnswer, { infeasible: true }>): number {
  const out = new Set<string>();
  const ops = new Set<string>();
  let cost = 0;
  for (const id of a.order) {
    const way = p.parts.find((x) => x.id === id)!.ways.find((w) => w.id === a.ways[id])!;
    for (const n of way.needs) expect(out, `${id} needs ${n}`).toContain(n);
    out.add(id);
    cost += way.cost;
    for (const o of way.operations) ops.add(o);
  }
  for (const t of p.targets) expect(out).toContain(t);
  return cost + [...ops].reduce((s, o) => s + p.operations.find((x) => x.id === o)!.cost, 0);
}

describe('the choice of ways against the HiGHS solver (package highs, mixed-integer programme)', () => {
  test('costs the same on devices of ten to twenty-two parts', async () => {
    const solver = await load();
    for (let seed = 1; seed <= depth(10, 24); seed++) {
      const p = waysProblemOf(seed, 10 + (seed % 5) * 3, 2 + (seed % 2));
      const mine = chooseWays(p);
      const theirs = solver.solve(waysMilp(p), { output_flag: false, mip_rel_gap: 0 });
      if ('infeasible' in mine) {
        expect(theirs.Status, `seed ${seed}`).toBe('Infeasible');
        continue;
      }
      expect(theirs.Status).toBe('Optimal');
      expect(mine.optimal).toBe(true);
      expect(mine.cost, `seed ${seed}`).toBeCloseTo(theirs.ObjectiveValue, 6);
      expect(costOf(p, mine)).toBe(mine.cost);
    }
  }, 60_000);
});

test('the list of choices starts with the cheapest, has no double, and misses none below its limit', () => {
  for (let seed = 1; seed <= 30; seed++) {
    const p = waysProblemOf(seed, 8, 2);
    const best = chooseWays(p);
    if ('infeasible' in best) continue;
    const { choices, complete } = choicesUpTo(p, best.cost + 12, 500);
    expect(complete).toBe(true);
    expect(choices[0]!.cost).toBe(best.cost);
    expect(new Set(choices.map((c) => JSON.stringify(Object.entries(c.ways).sort()))).size).toBe(
      choices.length,
    );
    for (const c of choices) expect(costOf(p, { ...c, lowerBound: c.cost, optimal: true })).toBe(c.cost);
    const few = choicesUpTo(p, best.cost + 12, 2);
    expect(few.choices.map((c) => c.cost)).toEqual(choices.slice(0, 2).map((c) => c.cost));
    expect(few.complete).toBe(choices.length <= 2);
  }
});
