import fc from 'fast-check';
import { munkres } from 'munkres';
import { describe, expect, test } from 'vitest';
import { heapOf } from '../testing/screws-generator';
import { assign, withoutPair } from './assignment';
import { nextMeasures } from './next-measure';
import { type Hole, pairCost, type SortProblem, sortScrews, specOf } from './sort-screws';

const hole = (id: string, lengthMm: number, more: Partial<Hole> = {}): Hole => ({
  id,
  drive: 'PH000',
  lengthMm,
  headMm: 1.6,
  ...more,
});
const base = { sdLengthMm: 0.05, sdHeadMm: 0.1, strayCost: 8, missingCost: 8 };
const answer = (p: SortProblem) => {
  const a = sortScrews(p);
  if ('infeasible' in a) throw new Error(a.because.join());
  return a;
};
const sumOf = (cost: readonly ArrayLike<number>[], pairs: readonly (readonly [number, number])[]) =>
  pairs.reduce((s, [i, j]) => s + cost[i]![j]!, 0);
const square = fc.integer({ min: 1, max: 9 }).chain((n) =>
  fc.array(fc.array(fc.integer({ min: -20, max: 60 }), { minLength: n, maxLength: n }), {
    minLength: n,
    maxLength: n,
  }),
);

describe('the least assignment', () => {
  test('costs what the munkres package finds (Hungarian method, Kuhn 1955)', () => {
    fc.assert(
      fc.property(square, (cost) => {
        // that package takes no negative numbers: the same amount on every entry changes no choice
        const lifted = cost.map((r) => r.map((c) => c + 20));
        expect(assign(cost)!.cost).toBe(sumOf(cost, munkres(lifted)));
      }),
      { numRuns: 200 },
    );
  });
  test('its duals prove it: no pair is cheaper than its prices, every chosen one is just worth them', () => {
    fc.assert(
      fc.property(square, (cost) => {
        const a = assign(cost)!;
        for (const [i, row] of cost.entries())
          for (const [j, c] of row.entries()) {
            expect(c - a.u[i]! - a.v[j]!).toBeGreaterThan(-1e-9);
            if (a.columnOf[i] === j) expect(c - a.u[i]! - a.v[j]!).toBeCloseTo(0, 9);
          }
      }),
      { numRuns: 100 },
    );
  });
  test('the price of doing without a pair is that of solving again with the pair forbidden', () => {
    fc.assert(
      fc.property(square, fc.nat(8), (cost, at) => {
        const row = at % cost.length;
        const a = assign(cost)!;
        const own = a.columnOf[row]!;
        const again = assign(cost.map((r, i) => r.map((c, j) => (i === row && j === own ? Infinity : c))));
        const { dearer, changes } = withoutPair(cost, a, row, (j) => j === own);
        if (!again) {
          expect(dearer).toBe(Infinity);
          return;
        }
        expect(a.cost + dearer).toBeCloseTo(again.cost, 9);
        const column = Array.from(a.columnOf);
        for (const c of changes) column[c.row] = c.column;
        expect(new Set(column).size).toBe(cost.length);
        expect(
          sumOf(
            cost,
            column.map((j, i) => [i, j] as const),
          ),
        ).toBeCloseTo(again.cost, 9);
      }),
      { numRuns: 200 },
    );
  });
  test('says so when every assignment has a forbidden pair', () => {
    expect(
      assign([
        [Infinity, 1],
        [Infinity, 2],
      ]),
    ).toBeUndefined();
    expect(assign([])!.cost).toBe(0);
  });
});

describe('a heap of measured screws', () => {
  test('costs what the munkres package finds for the same pairs, strays and empty holes', () => {
    for (let seed = 1; seed <= 25; seed++) {
      const p = heapOf(seed, 4 + (seed % 9), seed % 3, seed % 2);
      const n = p.holes.length + p.screws.length;
      // forbidden pairs as something that is never worth it; lifted above nought
      const big = 1e6;
      const matrix = Array.from({ length: n }, (_, i) =>
        Array.from(
          { length: n },
          (_x, j) =>
            10 +
            (p.screws[i] && p.holes[j]
              ? Math.min(big, pairCost(p, p.screws[i]!, p.holes[j]!))
              : p.screws[i]
                ? p.strayCost!
                : p.holes[j]
                  ? p.missingCost!
                  : 0),
        ),
      );
      expect(answer(p).cost, `seed ${seed}`).toBeCloseTo(sumOf(matrix, munkres(matrix)) - 10 * n, 6);
    }
  });
  test('cost of a pair: two normal densities, constants included (worked by hand)', () => {
    // 0.5 ln 2 pi = 0.9189; ln 0.05 + ln 0.1 = -5.2983; one deviation off in length: + 0.5
    expect(pairCost(base, { id: 's', lengthMm: 1.25, headMm: 1.6 }, hole('A', 1.2))).toBeCloseTo(
      0.9189 * 2 - 5.2983 + 0.5,
      3,
    );
    expect(pairCost(base, { id: 's', lengthMm: 1.2 }, hole('A', 1.2))).toBeCloseTo(0.9189 - 2.9957, 3);
    expect(pairCost(base, { id: 's', drive: 'Y000', lengthMm: 1.2 }, hole('A', 1.2))).toBe(Infinity);
  });
  test('the long one of a bracket goes back to the long hole, and would be dangerous elsewhere', () => {
    const a = answer({
      ...base,
      holes: [
        hole('top', 2.8, { maxLengthMm: 3 }),
        hole('left', 1.2, { maxLengthMm: 1.4 }),
        hole('right', 1.2, { maxLengthMm: 1.4 }),
      ],
      screws: [
        { id: 'a', lengthMm: 1.19 },
        { id: 'b', lengthMm: 2.83 },
        { id: 'c', lengthMm: 1.22 },
      ],
    });
    expect(a.assignments.find((x) => x.screw === 'b')!.hole).toBe('top');
    expect(a.doubtful).toEqual([]);
    expect(a.dangerous).toEqual([]);
  });
  test('a screw just as long as its hole bears is no danger, one a hundredth longer is', () => {
    const dangers = (lengthMm: number) =>
      answer({
        ...base,
        holes: [hole('only', 1.2, { maxLengthMm: 1.4 })],
        screws: [{ id: 'a', lengthMm }],
      }).dangerous.map((d) => d.hole);
    expect(dangers(1.4)).toEqual([]);
    expect(dangers(1.41)).toEqual(['only']);
  });
  test('two holes with the same specification are interchangeable and no doubt; two that differ by a tenth are one', () => {
    const same = answer({
      ...base,
      holes: [hole('A', 1.2), hole('B', 1.2)],
      screws: [
        { id: 'a', lengthMm: 1.21 },
        { id: 'b', lengthMm: 1.18 },
      ],
    });
    expect(same.doubtful).toEqual([]);
    const near = answer({
      ...base,
      holes: [hole('A', 1.2, { maxLengthMm: 1.26 }), hole('B', 1.3, { maxLengthMm: 1.5, headMm: 1.9 })],
      screws: [
        { id: 'a', lengthMm: 1.24 },
        { id: 'b', lengthMm: 1.27 },
      ],
    });
    expect(near.doubtful.map((d) => [d.hole, d.screws])).toEqual([
      ['A', ['a', 'b']],
      ['B', ['b', 'a']],
    ]);
    // 0.5 ((0.07^2 + 0.06^2) - (0.04^2 + 0.03^2)) / 0.05^2 = 1.2
    expect(near.doubtful[0]!.margin).toBeCloseTo(1.2, 6);
    expect(near.dangerous).toEqual([{ screw: 'b', hole: 'A', why: '1.27 mm in a hole that bears 1.26 mm' }]);
  });
  test('what to measure next: the head where it differs and was not measured, else the length again', () => {
    const holes = [hole('A', 1.2), hole('B', 1.3, { headMm: 1.9 }), hole('C', 2.2), hole('D', 2.3)];
    const screws = [
      { id: 'a', lengthMm: 1.24 },
      { id: 'b', lengthMm: 1.26 },
      { id: 'c', lengthMm: 2.24, headMm: 1.6 },
      { id: 'd', lengthMm: 2.26, headMm: 1.6 },
    ];
    const next = nextMeasures(answer({ ...base, holes, screws }), holes, screws);
    expect(next.map((n) => [[...n.screws].sort().join(), n.what]).sort()).toEqual([
      ['a,b', 'head'],
      ['c,d', 'length again'],
    ]);
  });
  test('a screw whose drive was not said is looked at first, where that tells its holes apart', () => {
    const holes = [hole('A', 1.3), hole('B', 1.3, { drive: 'Y000' })];
    const screws = [{ id: 'a', lengthMm: 1.3 }];
    const a = answer({ ...base, holes, screws });
    expect(a.doubtful).toMatchObject([{ screws: ['a'], margin: 0 }]);
    expect(new Set([a.doubtful[0]!.hole, a.doubtful[0]!.instead])).toEqual(new Set(['A', 'B']));
    expect(nextMeasures(a, holes, screws)).toEqual([{ screws: ['a'], what: 'drive' }]);
    expect(answer({ ...base, holes, screws: [{ id: 'a', drive: 'Y000', lengthMm: 1.3 }] }).doubtful).toEqual(
      [],
    );
  });
  test('a lost screw leaves its hole missing and a stray is told from it, by identity', () => {
    const a = answer({
      ...base,
      holes: [hole('A', 1.2), hole('B', 2.4)],
      screws: [
        { id: 'a', lengthMm: 1.2 },
        { id: 'x', lengthMm: 4.1 },
      ],
    });
    expect(a).toMatchObject({ assignments: [{ screw: 'a', hole: 'A' }], strays: ['x'], missing: ['B'] });
  });
  test('where none may be stray and none may be missing, it says what stands against it', () => {
    expect(
      sortScrews({
        ...base,
        strayCost: null,
        missingCost: null,
        holes: [hole('A', 1.2)],
        screws: [{ id: 'a', drive: 'P2', lengthMm: 1.2 }],
      }),
    ).toEqual({ infeasible: true, because: ['no hole takes a', 'no screw fits A'] });
    expect(
      sortScrews({
        ...base,
        strayCost: null,
        holes: [hole('A', 1.2)],
        screws: [
          { id: 'a', lengthMm: 1.2 },
          { id: 'b', lengthMm: 1.2 },
        ],
      }),
    ).toEqual({ infeasible: true, because: ['more screws than holes that take them'] });
  });
  test('with a good calliper nearly every screw of a whole device goes home', () => {
    let right = 0;
    let all = 0;
    for (let seed = 1; seed <= 8; seed++) {
      const p = heapOf(seed, 60, 2, 1);
      const a = answer(p);
      const spec = new Map(p.holes.map((h) => [h.id, specOf(h)]));
      for (const x of a.assignments) {
        all++;
        if (p.from[x.screw] && spec.get(p.from[x.screw]!) === spec.get(x.hole)) right++;
      }
      expect(a.strays).toContain('x0');
      // each screw once, each hole once
      expect(new Set(a.assignments.map((x) => x.hole)).size + a.missing.length).toBe(p.holes.length);
      expect(a.assignments.length + a.strays.length).toBe(p.screws.length);
    }
    expect(right / all).toBeGreaterThan(0.9);
  });
});
