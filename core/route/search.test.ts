import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { chooseWays, type WaysProblem } from './choose-ways';
import { type OrderProblem, orderOperations } from './order';

/** Every combination of ways, the executable ones costed: the oracle for small problems. */
function bruteWays(p: WaysProblem): number | undefined {
  const cost = new Map(p.operations.map((o) => [o.id, o.cost]));
  let best: number | undefined;
  const visit = (i: number, pick: Map<string, number>) => {
    if (i < p.parts.length) {
      for (let k = -1; k < p.parts[i]!.ways.length; k++) visit(i + 1, new Map(pick).set(p.parts[i]!.id, k));
      return;
    }
    const done = new Set<string>();
    for (let again = true; again; ) {
      again = false;
      for (const part of p.parts) {
        const k = pick.get(part.id)!;
        if (k >= 0 && !done.has(part.id) && part.ways[k]!.needs.every((n) => done.has(n))) {
          done.add(part.id);
          again = true;
        }
      }
    }
    const chosen = p.parts.filter((x) => pick.get(x.id)! >= 0);
    if (chosen.some((x) => !done.has(x.id)) || p.targets.some((t) => !done.has(t))) return;
    const ops = new Set(chosen.flatMap((x) => x.ways[pick.get(x.id)!]!.operations));
    const total =
      chosen.reduce((s, x) => s + x.ways[pick.get(x.id)!]!.cost, 0) +
      [...ops].reduce((s, o) => s + cost.get(o)!, 0);
    if (best === undefined || total < best) best = total;
  };
  visit(0, new Map());
  return best;
}
const id = (n: number) => fc.integer({ min: 0, max: n - 1 });
const waysProblem = fc.integer({ min: 2, max: 5 }).chain((n) =>
  fc.record({
    parts: fc.tuple(
      ...Array.from({ length: n }, (_, i) =>
        fc.record({
          id: fc.constant(`p${i}`),
          ways: fc
            .array(
              fc.record({
                needs: fc.uniqueArray(
                  id(n).map((k) => `p${k}`),
                  { maxLength: 2 },
                ),
                operations: fc.uniqueArray(
                  id(4).map((k) => `o${k}`),
                  { maxLength: 3 },
                ),
                cost: fc.integer({ min: 0, max: 20 }),
              }),
              { minLength: 1, maxLength: 2 },
            )
            .map((w) => w.map((x, k) => ({ id: `w${k}`, ...x }))),
        }),
      ),
    ),
    operations: fc.tuple(
      ...Array.from({ length: 4 }, (_, i) =>
        fc.integer({ min: 0, max: 15 }).map((cost) => ({ id: `o${i}`, cost })),
      ),
    ),
    targets: fc.uniqueArray(
      id(n).map((k) => `p${k}`),
      { minLength: 1, maxLength: 2 },
    ),
  }),
) as fc.Arbitrary<WaysProblem>;

describe('the choice of ways', () => {
  test('costs the least of all executable combinations, or says that there is none', () => {
    fc.assert(
      fc.property(waysProblem, (p) => {
        const answer = chooseWays(p);
        const best = bruteWays(p);
        if ('infeasible' in answer) expect(best).toBeUndefined();
        else {
          expect(answer.cost).toBe(best);
          expect(answer.optimal).toBe(true);
        }
      }),
      { numRuns: 300 },
    );
  });
  test('pays a shared operation once', () => {
    const answer = chooseWays({
      parts: ['a', 'b'].map((p) => ({
        id: p,
        ways: [{ id: 'w', needs: [], operations: ['open'], cost: 1 }],
      })),
      operations: [{ id: 'open', cost: 10 }],
      targets: ['a', 'b'],
    });
    expect(answer).toMatchObject({ cost: 12, optimal: true });
  });
  test('names what has no way', () => {
    expect(
      chooseWays({
        parts: [{ id: 'a', ways: [{ id: 'w', needs: ['b'], operations: [], cost: 1 }] }],
        operations: [],
        targets: ['a'],
      }),
    ).toEqual({ infeasible: true, because: ['b'] });
  });
  test('says so, with a valid bound, when its budget runs out', () => {
    const many: WaysProblem = {
      parts: Array.from({ length: 14 }, (_, i) => ({
        id: `p${i}`,
        ways: Array.from({ length: 3 }, (_, k) => ({
          id: `w${k}`,
          needs: [],
          operations: [`o${(i * 3 + k * 5) % 11}`],
          cost: (i * 7 + k * 13) % 17,
        })),
      })),
      operations: Array.from({ length: 11 }, (_, i) => ({ id: `o${i}`, cost: (i * 5) % 9 })),
      targets: Array.from({ length: 14 }, (_, i) => `p${i}`),
    };
    const short = chooseWays(many, { budget: 1 });
    const full = chooseWays(many);
    if ('infeasible' in short || 'infeasible' in full) throw new Error('expected answers');
    expect(short.optimal).toBe(false);
    expect(short.lowerBound).toBeLessThanOrEqual(full.cost);
    expect(full.cost).toBeLessThanOrEqual(short.cost);
  });
});

/** The cost of one sequence, by its definition: the first tool taken up counts as a change. */
function costOf(p: OrderProblem, sequence: string[]): number {
  let tool = p.startTool;
  let face: string = p.startFace;
  let cost = 0;
  for (const o of sequence.map((s) => p.operations.find((x) => x.id === s)!)) {
    if (o.face !== face) {
      cost += p.faceFlipCost;
      face = o.face;
    }
    if (o.tool !== null && o.tool !== tool) {
      cost += p.toolChangeCost;
      tool = o.tool;
    }
  }
  return cost;
}
function bruteOrder(p: OrderProblem): number {
  let best = Number.POSITIVE_INFINITY;
  const visit = (done: string[]) => {
    if (done.length === p.operations.length) {
      best = Math.min(best, costOf(p, done));
      return;
    }
    for (const o of p.operations)
      if (!done.includes(o.id) && p.precedences.every(([a, b]) => b !== o.id || done.includes(a)))
        visit([...done, o.id]);
  };
  visit([]);
  return best;
}
/** Order problems of so many operations, with these bits, on two sides. */
const problems = ([min, max]: [number, number], bits: string[], precedences: number) =>
  fc.integer({ min, max }).chain((n) =>
    fc.record({
      startTool: fc.constantFrom(null, ...bits),
      startFace: fc.constantFrom('front' as const, 'back' as const),
      toolChangeCost: fc.integer({ min: 0, max: 9 }),
      faceFlipCost: fc.integer({ min: 0, max: 9 }),
      operations: fc.tuple(
        ...Array.from({ length: n }, (_, i) =>
          fc.record({
            id: fc.constant(`x${i}`),
            tool: fc.constantFrom(null, ...bits),
            face: fc.constantFrom('front' as const, 'back' as const),
          }),
        ),
      ),
      precedences: fc.array(
        fc
          .tuple(id(n), id(n))
          .filter(([a, b]) => a < b)
          .map(([a, b]): [string, string] => [`x${a}`, `x${b}`]),
        { maxLength: precedences },
      ),
    }),
  ) as fc.Arbitrary<OrderProblem>;
const orderProblem = problems([2, 6], ['T0', 'T1', 'T2'], 6);

/**
 * The least cost of any permitted order by dynamic programming over what is done, the bit and the side: Held and Karp's
 * recursion (J. SIAM 10(1), 1962), which knows nothing of runs or bounds. Up to about 14 operations.
 */
function heldKarp(p: OrderProblem): number {
  const at = new Map(p.operations.map((o, i) => [o.id, i]));
  const before = p.operations.map(() => 0);
  for (const [a, b] of p.precedences) before[at.get(b)!]! |= 1 << at.get(a)!;
  const known = new Map<string, number>();
  const rest = (done: number, tool: string | null, face: string): number => {
    if (done === (1 << p.operations.length) - 1) return 0;
    const key = `${done} ${tool} ${face}`;
    const seen = known.get(key);
    if (seen !== undefined) return seen;
    let best = Number.POSITIVE_INFINITY;
    for (const [i, o] of p.operations.entries()) {
      if ((done >> i) & 1 || (before[i]! & done) !== before[i]) continue;
      const turn = o.face === face ? 0 : p.faceFlipCost;
      const change = o.tool === null || o.tool === tool ? 0 : p.toolChangeCost;
      best = Math.min(best, turn + change + rest(done | (1 << i), o.tool ?? tool, o.face));
    }
    known.set(key, best);
    return best;
  };
  return rest(0, p.startTool, p.startFace);
}
/** Like an opened device: up to eleven operations with five bits on two sides. */
const widerProblem = problems([7, 11], ['T0', 'T1', 'T2', 'T3', 'T4'], 14);

describe('the order of operations', () => {
  test('with five bits and two sides it is the best of all, and what it proves without searching is never too much', () => {
    fc.assert(
      fc.property(widerProblem, fc.nat({ max: 12 }), (p, budget) => {
        const best = heldKarp(p);
        expect(orderOperations(p)).toMatchObject({ cost: best, lowerBound: best, optimal: true });
        const short = orderOperations(p, { budget });
        expect(short.cost).toBe(costOf(p, short.sequence));
        expect(short.lowerBound).toBeLessThanOrEqual(best);
        expect(short.cost).toBeGreaterThanOrEqual(best);
        expect(short.optimal).toBe(short.lowerBound === short.cost);
      }),
      { numRuns: 150 },
    );
  });
  test('costs the least of all permitted orders, keeps every precedence, and its own figures are true', () => {
    fc.assert(
      fc.property(orderProblem, (p) => {
        const a = orderOperations(p);
        expect(a.sequence.toSorted()).toEqual(p.operations.map((o) => o.id).toSorted());
        for (const [x, y] of p.precedences) expect(a.sequence.indexOf(x)).toBeLessThan(a.sequence.indexOf(y));
        expect(a.cost).toBe(bruteOrder(p));
        expect(costOf(p, a.sequence)).toBe(a.cost);
        expect(a.toolChanges * p.toolChangeCost + a.faceFlips * p.faceFlipCost).toBe(a.cost);
        expect(a).toMatchObject({ optimal: true, lowerBound: a.cost });
      }),
      { numRuns: 250 },
    );
  });
  test('an operation without a tool changes nothing in hand', () => {
    const a = orderOperations({
      startTool: 'T0',
      startFace: 'front',
      toolChangeCost: 1,
      faceFlipCost: 1,
      operations: [
        { id: 'screw', tool: 'T0', face: 'front' },
        { id: 'lift', tool: null, face: 'front' },
        { id: 'screw2', tool: 'T0', face: 'front' },
      ],
      precedences: [
        ['screw', 'lift'],
        ['lift', 'screw2'],
      ],
    });
    expect(a).toMatchObject({ cost: 0, toolChanges: 0, sequence: ['screw', 'lift', 'screw2'] });
  });
  test('a bracket is not left half done where waiting costs nothing: its first screws wait for the last run with their bit', () => {
    const op = (id: string, tool: string | null) => ({ id, tool, face: 'front' as const });
    // Y now, then PH for another bracket that frees more Y, then PH again for the bracket's other screws
    const p: OrderProblem = {
      startTool: null,
      startFace: 'front',
      toolChangeCost: 1,
      faceFlipCost: 1,
      operations: [op('b-y', 'Y'), op('c-y', 'Y'), op('d-ph', 'PH'), op('e-y', 'Y'), op('b-ph', 'PH')],
      precedences: [
        ['c-y', 'd-ph'],
        ['d-ph', 'e-y'],
        ['e-y', 'b-ph'],
      ],
    };
    const a = orderOperations(p, { groupOf: (id) => (id.startsWith('b-') ? 'b' : undefined) });
    expect(a.cost).toBe(bruteOrder(p));
    expect(a.sequence.indexOf('b-ph') - a.sequence.indexOf('b-y')).toBe(1);
    expect(costOf(p, a.sequence)).toBe(a.cost);
  });
  test('a circle in the precedences is named', () => {
    const p: OrderProblem = {
      startTool: null,
      startFace: 'front',
      toolChangeCost: 1,
      faceFlipCost: 1,
      operations: ['a', 'b', 'c'].map((x) => ({ id: x, tool: null, face: 'front' })),
      precedences: [
        ['a', 'b'],
        ['b', 'c'],
        ['c', 'a'],
      ],
    };
    expect(() => orderOperations(p)).toThrow(/cycle: . > . > . > ./);
  });
  test('with no budget left it still answers, and the bound is valid', () => {
    const ops = Array.from({ length: 18 }, (_, i) => ({
      id: `x${i}`,
      tool: `T${(i * 5) % 4}`,
      face: (i % 3 ? 'front' : 'back') as 'front' | 'back',
    }));
    const p: OrderProblem = {
      startTool: null,
      startFace: 'front',
      toolChangeCost: 3,
      faceFlipCost: 2,
      operations: ops,
      precedences: ops.slice(2).map((o, i): [string, string] => [`x${i}`, o.id]),
    };
    const short = orderOperations(p, { budget: 0 });
    const full = orderOperations(p);
    expect(full.optimal).toBe(true);
    expect(short.lowerBound).toBeLessThanOrEqual(full.cost);
    expect(full.cost).toBeLessThanOrEqual(short.cost);
    expect(costOf(p, short.sequence)).toBe(short.cost);
  });
});
