import load from 'highs';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { depth, isLong } from '../testing/depth';
import { scheduleCosts, scheduleFaults } from '../testing/schedule-faults';
import { dayOf } from '../testing/schedule-generator';
import { scheduleMilp } from '../testing/schedule-milp';
import { jobShops, shopProblem } from '../testing/job-shops';
import { capacityThatClashes, clashOf } from './clash';
import type { Schedule, ScheduleProblem } from './problem';
import { luby, scheduleOf } from './schedule';

const solved = (p: ScheduleProblem, nodes = 200_000): Schedule => {
  const found = scheduleOf(p, { nodes, stop: () => false });
  if (!('schedule' in found)) throw new Error(JSON.stringify(found.clash));
  const { schedule } = found;
  expect(scheduleFaults(p, schedule.starts)).toEqual([]);
  const costs = scheduleCosts(p, schedule.starts);
  expect(schedule.makespan).toBeCloseTo(costs.makespan, 6);
  expect(schedule.weightedTardiness).toBeCloseTo(costs.tardiness, 6);
  return schedule;
};
/** One job for each operation; `needs` all of one thing. */
const flat = (
  durations: number[],
  needs: string[],
  more: Partial<ScheduleProblem> = {},
): ScheduleProblem => ({
  resources: [...new Set(needs)].map((id) => ({ id, capacity: 1 })),
  jobs: durations.map((duration, k) => ({
    id: `j${k}`,
    release: 0,
    due: null,
    weight: 1,
    operations: [{ id: `o${k}`, duration, needs }],
  })),
  precedences: [],
  objective: 'makespan',
  ...more,
});

describe('job shops of the literature', () => {
  // H. Fisher and G. L. Thompson 1963, S. Lawrence 1984: instances and published optima
  // the one of ten jobs on ten machines takes as long as all others
  test.each(jobShops().filter((s) => s.jobs.length <= 10 && (isLong || s.name !== 'ft10')))(
    '$name is solved to its published optimum of $optimum, and proved',
    (shop) => {
      expect(solved(shopProblem(shop), 2_000_000)).toMatchObject({
        makespan: shop.optimum,
        lowerBound: shop.optimum,
        optimal: true,
      });
    },
    60_000,
  );
});

describe('against the HiGHS solver (package highs, time-indexed mixed-integer programme)', () => {
  test.each(['makespan', 'tardiness'] as const)(
    'small bench days with lags cost the same: %s',
    async (objective) => {
      const solver = await load();
      for (let seed = 1; seed <= depth(4, 12); seed++) {
        const p = dayOf(seed, { jobs: 2 + (seed % 2), people: 1 + (seed % 2), coarse: 5, objective });
        const mine = solved(p);
        expect(mine.optimal).toBe(true);
        const theirs = solver.solve(scheduleMilp(p, mine.makespan + 4), {
          output_flag: false,
          mip_rel_gap: 0,
        });
        expect(theirs.Status, `seed ${seed}`).toBe('Optimal');
        expect(objective === 'makespan' ? mine.makespan : mine.weightedTardiness, `seed ${seed}`).toBeCloseTo(
          theirs.ObjectiveValue,
          5,
        );
      }
    },
    120_000,
  );
});

describe('by hand', () => {
  test('one thing serves one after another; two of it two at a time', () => {
    expect(solved(flat([3, 4, 5], ['plate']))).toMatchObject({ makespan: 12, optimal: true });
    const two = flat([3, 4, 5], ['plate'], { resources: [{ id: 'plate', capacity: 2 }] });
    expect(solved(two)).toMatchObject({ makespan: 7, lowerBound: 7, optimal: true });
    expect(solved(flat([3, 4, 5], []))).toMatchObject({ makespan: 5 });
  });
  test('of one machine and due dates, weight over time is not lateness: the lighter waits', () => {
    const p = flat([4, 4], ['hands'], { objective: 'tardiness' });
    const jobs = p.jobs.map((j, k) => ({ ...j, due: 4, weight: k ? 3 : 1 }));
    expect(solved({ ...p, jobs })).toMatchObject({ weightedTardiness: 4, lowerBound: 4, optimal: true });
  });
  test('what is soft for a while only waits for hands: it is warmed later', () => {
    const p = flat([5, 6, 30], [], {
      resources: [
        { id: 'hands', capacity: 1 },
        { id: 'plate', capacity: 1 },
      ],
      precedences: [{ from: 'o0', to: 'o1', minLag: 0, maxLag: 2 }],
    });
    const needs = [['plate'], ['hands'], ['hands']];
    const jobs = p.jobs.map((j, k) => ({
      ...j,
      release: 0,
      operations: [{ ...j.operations[0]!, needs: needs[k]! }],
    }));
    const held = {
      ...p,
      jobs,
      precedences: [...p.precedences, { from: 'o2', to: 'o1', minLag: 0, maxLag: null }],
    };
    const { starts } = solved(held);
    expect(starts.o1! - (starts.o0! + 5)).toBeLessThanOrEqual(2);
    expect(starts.o0).toBeGreaterThanOrEqual(23);
  });
  test('an empty day is done', () => {
    expect(solved({ ...flat([], []), jobs: [] })).toEqual({
      starts: {},
      makespan: 0,
      weightedTardiness: 0,
      lowerBound: 0,
      optimal: true,
    });
  });
  test('the rounds grow as they should', () => {
    expect(Array.from({ length: 15 }, (_, k) => luby(k))).toEqual([
      1, 1, 2, 1, 1, 2, 4, 1, 1, 2, 1, 1, 2, 4, 8,
    ]);
  });
});

describe('where there is none', () => {
  const clashIn = (p: ScheduleProblem) => {
    const found = scheduleOf(p, { nodes: 10_000, stop: () => false });
    if ('schedule' in found) throw new Error('there is one');
    return found.clash;
  };
  test('a circle of lags is named', () => {
    const p = flat([3, 4, 5], [], {
      precedences: [
        { from: 'o0', to: 'o1', minLag: 0, maxLag: null },
        { from: 'o1', to: 'o2', minLag: 0, maxLag: null },
        { from: 'o0', to: 'o2', minLag: 0, maxLag: 3 },
      ],
    });
    const clash = clashIn(p)!;
    expect(clash.why).toBe('lags');
    expect(clash.precedences).toHaveLength(3);
  });
  test('a greatest lag that its hands cannot keep is named with them', () => {
    const p = flat([3, 4, 5], ['hands'], {
      precedences: [
        { from: 'o0', to: 'o1', minLag: 0, maxLag: 1 },
        { from: 'o0', to: 'o2', minLag: 0, maxLag: 1 },
      ],
    });
    const clash = clashIn(p)!;
    expect(clash).toMatchObject({ why: 'together', resources: ['hands'] });
    expect(clash.precedences).toContainEqual({ from: 'o0', to: 'o1' });
  });
  test('of what has begun only that is named, also without time to tell which', () => {
    const p = flat([1, 1, 3, 4, 5, 5], ['hands'], {
      precedences: [
        { from: 'o0', to: 'o2', minLag: 0, maxLag: 1 },
        { from: 'o1', to: 'o3', minLag: 0, maxLag: 1 },
        { from: 'o4', to: 'o5', minLag: 0, maxLag: 9 },
      ],
    });
    const fixed: ScheduleProblem = {
      ...p,
      jobs: [
        {
          ...p.jobs[0]!,
          operations: p.jobs
            .flatMap((j) => j.operations)
            .slice(0, 4)
            .map((o, k) => (k < 2 ? { ...o, needs: [], at: 0 } : o)),
        },
        { ...p.jobs[0]!, id: 'later', operations: p.jobs.flatMap((j) => j.operations).slice(4) },
      ],
    };
    const lags = [p.precedences[0]!, p.precedences[1]!].map(({ from, to }) => ({ from, to }));
    expect(clashOf(fixed).precedences).toEqual(lags);
    expect(clashOf(fixed, () => true).precedences).toEqual(lags);
  });
  test('what there is none of is named', () => {
    const p = flat([3], ['plate'], { resources: [{ id: 'plate', capacity: 0 }] });
    expect(capacityThatClashes(p)).toEqual({ why: 'capacity', precedences: [], resources: ['plate'] });
  });
});

describe('whatever the day', () => {
  const day = fc.record({
    seed: fc.integer({ min: 1, max: 1e6 }),
    jobs: fc.integer({ min: 1, max: 4 }),
    people: fc.integer({ min: 1, max: 3 }),
  });
  const late = (p: ScheduleProblem) => solved(p, 50_000);
  test('more hands, or later promises, never make it worse', () => {
    fc.assert(
      fc.property(day, ({ seed, jobs, people }) => {
        const p = dayOf(seed, { jobs, people });
        const now = late(p);
        const more = late(dayOf(seed, { jobs, people: people + 1 }));
        const later = late({ ...p, jobs: p.jobs.map((j) => ({ ...j, due: j.due! + 15 })) });
        fc.pre(now.optimal && more.optimal && later.optimal);
        expect(more.weightedTardiness).toBeLessThanOrEqual(now.weightedTardiness);
        expect(later.weightedTardiness).toBeLessThanOrEqual(now.weightedTardiness);
      }),
      { numRuns: 25, seed: 16 },
    );
  }, 60_000);
  test('the same again is the same, and what is bounded is not below its bound', () => {
    fc.assert(
      fc.property(day, ({ seed, jobs, people }) => {
        const p = dayOf(seed, { jobs: jobs + 3, people });
        const few = solved(p, 400);
        expect(solved(p, 400)).toEqual(few);
        expect(few.lowerBound).toBeLessThanOrEqual(few.weightedTardiness + 1e-9);
        expect(few.optimal).toBe(few.lowerBound >= few.weightedTardiness - 1e-9);
      }),
      { numRuns: 15, seed: 17 },
    );
  }, 60_000);
});
