import fc from 'fast-check';
import { mean, quantileSorted, variance } from 'simple-statistics';
import { describe, expect, test } from 'vitest';
import { indexed, mica9, replace, route } from '../testing/demo-models';
import { advise } from './advice';
import { dataReadAt, quoteInput } from './for-route';
import { earliestReady } from './promise';
import {
  percentileOf,
  chanceWithin,
  type Distribution,
  expectedCost,
  type QuoteInput,
  simulateCost,
  chanceOfTrouble,
} from './quote';
import { betaShape, meanOf, type ThreePoint, varianceOf } from './three-point';

const run = (q: QuoteInput, seed = 1, trials = 4000): Distribution => {
  const g = simulateCost(q, seed, trials);
  for (;;) {
    const n = g.next();
    if (n.done) return n.value;
  }
};
const three = fc
  .tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 0, max: 400 }), fc.integer({ min: 0, max: 400 }))
  .map((x): ThreePoint => {
    const [low, likely, high] = x.toSorted((a, b) => a - b) as [number, number, number];
    return { low, likely, high };
  });

describe('three points', () => {
  test('the worked example of Hillier and Lieberman, Introduction to Operations Research, on three estimates (from memory): fourteen activities, and the longest path of 44 weeks with variance 9', () => {
    const activities: Record<
      string,
      [low: number, likely: number, high: number, mean: number, variance: number]
    > = {
      A: [1, 2, 3, 2, 1 / 9],
      B: [2, 3.5, 8, 4, 1],
      C: [6, 9, 18, 10, 4],
      D: [4, 5.5, 10, 6, 1],
      E: [1, 4.5, 5, 4, 4 / 9],
      F: [4, 4, 10, 5, 1],
      G: [5, 6.5, 11, 7, 1],
      H: [5, 8, 17, 9, 4],
      I: [3, 7.5, 9, 7, 1],
      J: [3, 9, 9, 8, 1],
      K: [4, 4, 4, 4, 0],
      L: [1, 5.5, 7, 5, 1],
      M: [1, 2, 3, 2, 1 / 9],
      N: [5, 5.5, 9, 6, 4 / 9],
    };
    const of = (a: string): ThreePoint => {
      const [low, likely, high] = activities[a]!;
      return { low, likely, high };
    };
    for (const [a, [, , , mean, variance]] of Object.entries(activities)) {
      expect(meanOf(of(a)), a).toBeCloseTo(mean, 12);
      expect(varianceOf(of(a)), a).toBeCloseTo(variance, 12);
    }
    const path = [...'ABCEFJLN'].map(of);
    expect(path.reduce((s, t) => s + meanOf(t), 0)).toBeCloseTo(44, 12);
    expect(path.reduce((s, t) => s + varianceOf(t), 0)).toBeCloseTo(9, 12);
    // the same through the quote's own sum: 3600 an hour is one for each second
    const whole = expectedCost({
      parts: [],
      handsS: path,
      hourlyRateMinor: 3600,
      consumablesMinor: 0,
      risks: [],
    });
    expect([whole.mean, whole.sd]).toEqual([expect.closeTo(44, 9), expect.closeTo(3, 9)]);
  });
  test('the beta distribution that stands for them has just this mean and variance (moments of the beta distribution: a/(a+b), ab/((a+b)²(a+b+1)))', () => {
    fc.assert(
      fc.property(three, (t) => {
        const s = betaShape(t);
        if (!s) {
          expect(t.high).toBe(t.low);
          return;
        }
        expect(s.alpha).toBeGreaterThan(0);
        expect(s.beta).toBeGreaterThan(0);
        const n = s.alpha + s.beta;
        expect(t.low + (t.high - t.low) * (s.alpha / n)).toBeCloseTo(meanOf(t), 8);
        expect(((t.high - t.low) ** 2 * (s.alpha * s.beta)) / (n * n * (n + 1))).toBeCloseTo(
          varianceOf(t),
          6,
        );
      }),
    );
  });
});
test('percentiles agree with the simple-statistics package where both interpolate alike, and with a worked case of type 7', () => {
  // R's quantile(c(1, 2, 3, 4, 10), 0.1) with its default type 7 is 1.4 (Hyndman and Fan 1996)
  expect(percentileOf([1, 2, 3, 4, 10], 0.1)).toBeCloseTo(1.4, 12);
  // that package takes the middle of two neighbours: the same where type 7 falls on a value or half-way between two
  fc.assert(
    fc.property(fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 1, maxLength: 30 }), (list) => {
      const sorted = list.toSorted((a, b) => a - b);
      for (const p of [0, 0.5, 1]) expect(percentileOf(sorted, p)).toBeCloseTo(quantileSorted(sorted, p), 9);
    }),
  );
});
describe('the cost by trials', () => {
  const q: QuoteInput = {
    parts: [{ name: 'cell', low: 1500, likely: 2400, high: 4200 }],
    handsS: [
      { low: 60, likely: 120, high: 300 },
      { low: 10, likely: 10, high: 10 },
      { low: 300, likely: 500, high: 1500 },
    ],
    hourlyRateMinor: 6000,
    consumablesMinor: 350,
    risks: [{ what: 'flex torn', chance: 0.05, cost: 14000 }],
  };
  test('has the mean and the spread that adding means and variances gives', () => {
    const d = run(q, 7, 40_000);
    const e = expectedCost(q);
    // five standard errors of the mean: a right program fails once in a million
    expect(Math.abs(d.mean - e.mean)).toBeLessThan((5 * e.sd) / Math.sqrt(d.trials));
    expect(d.sd / e.sd).toBeCloseTo(1, 1);
    expect(d.mean).toBeCloseTo(mean([...d.sorted]), 6);
    expect(d.sd ** 2 / ((variance([...d.sorted]) * d.trials) / (d.trials - 1))).toBeCloseTo(1, 9);
  });
  test('says one in ten, one in two and nine in ten of its own trials; the bars end where the tail is thin', () => {
    const d = run(q, 3);
    for (const [share, at] of [
      [0.1, d.p10],
      [0.5, d.p50],
      [0.9, d.p90],
    ] as const)
      expect(d.sorted.filter((x) => x <= at).length / d.trials, String(share)).toBeCloseTo(share, 2);
    expect(d.bins[0]!.from).toBe(d.sorted[0]);
    const last = d.bins.at(-1)!.to;
    const most = d.sorted[d.trials - 1]!;
    expect(last).toBeCloseTo(
      Math.max(d.bins[0]!.from + d.bins.length, Math.min(most, 4 * d.p90 - 3 * d.p50)),
      6,
    );
  });
  test('is the same for the same seed and another for another; every trial is in a bin', () => {
    expect(run(q, 3).sorted).toEqual(run(q, 3).sorted);
    expect(run(q, 4).mean).not.toBe(run(q, 3).mean);
    expect(run(q, 3).bins.reduce((n, b) => n + b.n, 0)).toBe(4000);
  });
  test('nothing uncertain costs one sum; a limit is kept by as many as cost no more', () => {
    const d = run(
      { ...q, parts: [{ name: 'x', low: 500, likely: 500, high: 500 }], handsS: [], risks: [] },
      1,
      20,
    );
    expect([d.p10, d.p50, d.p90, d.sd]).toEqual([850, 850, 850, 0]);
    expect([chanceWithin(d, 849), chanceWithin(d, 850)]).toEqual([0, 1]);
    expect(() => run(q, 1, 1)).toThrow(RangeError);
  });
  test('of a planned route takes the part’s own price where one was chosen, and the risks add up to the route’s', () => {
    const r = route(mica9, replace('cell'));
    const list = quoteInput(indexed(mica9), r, {});
    expect(list.parts[0]!.high).toBeGreaterThan(list.parts[0]!.low);
    const own = quoteInput(indexed(mica9), r, {
      cell: {
        part: 'p',
        name: 'cell',
        provenance: 'pulled',
        supplier: '',
        lot: '',
        serial: '',
        priceMinor: 1900,
        arrivesWith: [],
        released: 'not needed',
        proof: '',
      },
    });
    expect(own.parts).toEqual([{ name: 'cell', low: 1900, likely: 1900, high: 1900 }]);
    // what an owner pays is all of it with the tax, and its spread as well
    const [net, paid] = [expectedCost(list), expectedCost(quoteInput(indexed(mica9), r, {}, 1.2))];
    expect(paid.mean / net.mean).toBeCloseTo(1.2, 12);
    expect(paid.sd / net.sd).toBeCloseTo(1.2, 12);
    expect(Math.abs(r.risks.reduce((s, x) => s + x.chance * x.cost, 0) - r.cost.risk)).toBeLessThan(
      r.risks.length,
    );
    // the route's own hands and the quote's are the same three-point sum
    const likely = list.handsS.reduce((s, t) => s + t.likely, 0);
    expect(likely / 60).toBeCloseTo(r.minutes.hands.likely, 6);
  });
});
describe('the advice', () => {
  const whole = { id: 'all', meanMinor: 12_000, p90Minor: 15_000, chance: 0.9 };
  test.each([
    ['replace', 'dearer than another phone', { replacement: 11_000 }],
    ['replace', 'near the price of another phone', { replacement: 18_000 }],
    ['repair', 'cheaper than another phone', { replacement: 40_000 }],
    [
      'decline',
      'dearer than another offer',
      { replacement: 40_000, offers: [{ name: 'the maker', priceMinor: 9000 }] },
    ],
    ['repair', 'within the limit', { limit: 15_000 }],
    [
      'repair partly',
      'over the limit, part of it fits',
      {
        limit: 10_000,
        chance: 0.4,
        parts: [{ id: 'cell only', meanMinor: 6000, p90Minor: 7000, chance: 0.99 }],
      },
    ],
    ['decline', 'over the limit', { limit: 8000, chance: 0.1 }],
    ['repair', 'nothing to compare', {}],
  ] as const)('%s: %s', (advice, because, given) => {
    const g = given as {
      replacement?: number;
      offers?: { name: string; priceMinor: number }[];
      limit?: number;
      chance?: number;
      parts?: (typeof whole)[];
    };
    const a = advise(
      { ...whole, chance: g.limit ? (g.chance ?? 0.9) : null } as typeof whole,
      g.parts ?? [],
      g.replacement ?? null,
      g.offers ?? [],
      g.limit ?? null,
    );
    expect(a).toMatchObject({ advice, because });
  });
});
test('of two trials there is a spread, by one less than there are; of one there is none to tell', () => {
  const even = { name: 'part', low: 0, likely: 50, high: 100 };
  const q: QuoteInput = { consumablesMinor: 0, hourlyRateMinor: 0, parts: [even], handsS: [], risks: [] };
  const d = run(q, 5, 2);
  // two values around their mean: their spread is how far they are apart, by the root of two
  const half = Math.abs(d.p90 - d.p10) / 0.8 / 2;
  expect(d.sd).toBeCloseTo(half * Math.SQRT2, 6);
  expect(d.sd).toBeGreaterThan(0);
  expect(() => run(q, 5, 1)).toThrow(RangeError);
});
test('each trial is in the bar of its cost: the least in the first, and none where nothing costs so much', () => {
  const either = { what: 'glass', chance: 0.25, cost: 3000 };
  const d = run({ consumablesMinor: 1000, hourlyRateMinor: 0, parts: [], handsS: [], risks: [either] });
  const held = (cost: number) => d.bins.find((bin) => cost >= bin.from && cost < bin.to)!.n;
  expect(held(1000) / d.trials).toBeCloseTo(0.75, 1);
  expect(d.bins.at(-1)!.n / d.trials).toBeCloseTo(0.25, 1);
  expect(d.bins.slice(1, -1).every((bin) => bin.n === 0)).toBe(true);
});
test('trouble is that at least one of the risks happens', () => {
  const risk = (chance: number) => ({ what: 'glass', chance, cost: 1 });
  expect(chanceOfTrouble([])).toBe(0);
  expect(chanceOfTrouble([risk(0.5), risk(0.5)])).toBeCloseTo(0.75, 12);
  expect(chanceOfTrouble([risk(0.1), risk(1)])).toBe(1);
});
test('a limit that the whole stays within for sure is no reason to do a part of it', () => {
  const sure = { id: 'whole', meanMinor: 5000, p90Minor: 6000, chance: 0.95 };
  const part = { id: 'part', meanMinor: 2000, p90Minor: 2500, chance: 1 };
  expect(advise(sure, [part], null, [], 9000)).toMatchObject({ advice: 'repair', option: 'whole' });
  expect(advise({ ...sure, chance: null }, [part], null, [], 9000)).toMatchObject({
    because: 'nothing to compare',
  });
});
test('a device is ready after what stands before it, its own hands and its own waits', () => {
  const own = { low: 600, likely: 1200, high: 3000 };
  const at = earliestReady(
    0,
    own,
    300,
    [
      { handsS: 1800, promisedAt: 10 },
      { handsS: 600, promisedAt: 5_000_000 },
      { handsS: 600, promisedAt: null },
    ],
    2,
  );
  expect(at).toEqual({
    likelyAt: (1500 + 1400 + 300) * 1000,
    lateAt: (1500 + 3000 + 300) * 1000,
    queueS: 1500,
  });
  expect(
    earliestReady(
      0,
      own,
      300,
      [
        { handsS: 1800, promisedAt: 10 },
        { handsS: 600, promisedAt: 5_000_000 },
      ],
      1,
      1000,
    ).queueS,
  ).toBe(1800);
});

test('the offer says at which step data are read, and what is warmed before', () => {
  const step = (action: string, target: string) => ({ action, targets: [target] });
  const at = dataReadAt({
    steps: [
      step('heat', 'start'),
      step('heat', 'end'),
      step('move', 'display'),
      step('read data', 'display'),
    ] as never,
  });
  expect(at).toEqual([{ slot: 'display', step: 4, of: 4, warmedAt: 2 }]);
  expect(dataReadAt({ steps: [step('read data', 'display')] as never })).toEqual([
    { slot: 'display', step: 1, of: 1 },
  ]);
});
