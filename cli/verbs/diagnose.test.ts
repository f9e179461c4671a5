import { describe, expect, test } from 'vitest';
import { run } from '../testing/run';

describe('the verbs diagnose and inspect', () => {
  const ask = {
    wrongRepairPenalty: 50,
    seen: [],
    causes: [
      { id: 'panel', prior: 0.5, repairCost: 100 },
      { id: 'contact', prior: 0.5, repairCost: 5 },
    ],
    tests: [
      { id: 'reseat', cost: 4, outcomes: ['cured', 'same'], likelihood: { panel: [0, 1], contact: [1, 0] } },
    ],
  };
  test('answers with all that the contract names; a test that tells all comes first', () => {
    // by hand: stopping costs 5 + 50/2 = 30; the test 4, then half 5 and half the cheaper of 100 and 5 + 50
    expect(JSON.parse(run(['diagnose'], JSON.stringify(ask)).out)).toEqual({
      posterior: { panel: 0.5, contact: 0.5 },
      next: { repair: 'contact' },
      expectedCost: 30,
      optimal: true,
      gains: [{ test: 'reseat', gain: 1, perCost: 0.25 }],
    });
    const dear = JSON.parse(run(['diagnose'], JSON.stringify({ ...ask, wrongRepairPenalty: 200 })).out);
    expect(dear).toMatchObject({
      next: { test: 'reseat' },
      expectedCost: 4 + 0.5 * 5 + 0.5 * 100,
      optimal: true,
    });
    const after = JSON.parse(
      run(
        ['diagnose'],
        JSON.stringify({ ...ask, wrongRepairPenalty: 200, seen: [{ test: 'reseat', outcome: 'same' }] }),
      ).out,
    );
    expect(after).toEqual({
      posterior: { panel: 1, contact: 0 },
      next: { repair: 'panel' },
      expectedCost: 100,
      optimal: true,
      gains: [],
    });
  });
  test('names a row that is missing, too short or does not add up, a doubled test and an outcome that is not one', () => {
    const t = ask.tests[0]!;
    const r = run(
      ['diagnose'],
      JSON.stringify({
        ...ask,
        tests: [{ ...t, likelihood: { panel: [0, 0.5], battery: [1, 0] } }, { ...t }],
        seen: [
          { test: 'reseat', outcome: 'maybe' },
          { test: 'reseat', outcome: 'same' },
        ],
      }),
    );
    expect(r).toMatchObject({ code: 2, out: '' });
    for (const l of [
      'tests[1].id: the id reseat is already used at tests[0].id',
      'tests[0].likelihood.battery: there is no cause battery',
      'tests[0].likelihood.panel: expected chances that add up to 1, got 0.5',
      'tests[0].likelihood.contact: expected 2 chances, got nothing',
      'seen[0].outcome: test reseat has no outcome maybe',
      'seen[1].test: the id reseat is already used at seen[0].test',
    ])
      expect(r.err.split('\n')).toContain(l);
    expect(
      run(['diagnose'], JSON.stringify({ ...ask, causes: ask.causes.map((c) => ({ ...c, prior: 0 })) })).err,
    ).toContain('causes: expected at least one prior > 0');
  });
  test('what cannot have been seen is exit 3', () => {
    const r = run(
      ['diagnose'],
      JSON.stringify({
        ...ask,
        causes: [
          { ...ask.causes[0], prior: 1 },
          { ...ask.causes[1], prior: 0 },
        ],
        seen: [{ test: 'reseat', outcome: 'cured' }],
      }),
    );
    expect(r.code).toBe(3);
    expect(JSON.parse(r.out)).toMatchObject({ infeasible: true });
  });
  test('inspect orders by probability over cost', () => {
    // by hand: a 0.5/10, b 0.3/3, c 0.2/1: c, b, a at 0.2·1 + 0.3·4 + 0.5·14
    expect(
      JSON.parse(
        run(
          ['inspect'],
          JSON.stringify({
            faults: [
              { id: 'a', probability: 0.5, cost: 10 },
              { id: 'b', probability: 0.3, cost: 3 },
              { id: 'c', probability: 0.2, cost: 1 },
            ],
          }),
        ).out,
      ),
    ).toEqual({ order: ['c', 'b', 'a'], expectedCost: 8.4 });
    expect(run(['inspect'], JSON.stringify({ faults: [{ id: 'a', probability: 2, cost: -1 }] })).err).toBe(
      'faults[0].probability: expected a number <= 1, got 2\nfaults[0].cost: expected a number >= 0, got -1\n',
    );
  });
});
