import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { orderProblemOf } from '../core/testing/order-generator';
import { waysProblemOf } from '../core/testing/ways-generator';
import { main } from './snavek';
import { verbs } from './verbs';

function run(args: string[], stdin = '', now = () => 0): { code: number; out: string; err: string } {
  let out = '';
  let err = '';
  const code = main(
    args,
    (t) => {
      out += t;
    },
    (t) => {
      err += t;
    },
    () => stdin,
    now,
  );
  return { code, out, err };
}
const order = {
  startTool: null,
  startFace: 'front',
  toolChangeCost: 2,
  faceFlipCost: 1,
  operations: [
    { id: 'a', tool: 'P2', face: 'front' },
    { id: 'b', tool: null, face: 'back' },
  ],
  precedences: [['a', 'b']],
};
const ways = {
  parts: [{ id: 'p', ways: [{ id: 'w', needs: [], operations: ['o'], cost: 1 }] }],
  operations: [{ id: 'o', cost: 2 }],
  targets: ['p'],
};

describe('the command line', () => {
  test('answers from standard input and from a file, on one line of JSON', () => {
    const a = run(['order'], JSON.stringify(order));
    expect(a).toMatchObject({ code: 0, err: '' });
    expect(JSON.parse(a.out)).toEqual({
      sequence: ['a', 'b'],
      cost: 3,
      toolChanges: 1,
      faceFlips: 1,
      lowerBound: 3,
      optimal: true,
    });
    const file = join(mkdtempSync(join(tmpdir(), 'snavek-')), 'ways.json');
    writeFileSync(file, JSON.stringify(ways));
    expect(JSON.parse(run(['ways', file]).out)).toEqual({
      ways: { p: 'w' },
      order: ['p'],
      cost: 3,
      optimal: true,
    });
  });
  test('tells every problem with the path of its field, what was expected and what was there, and answers nothing', () => {
    const bad = {
      ...order,
      toolChangeCost: -4,
      operations: [
        { id: 'a', tool: 'P2', face: 'top' },
        { id: '', tool: 7, face: 'back' },
      ],
      precedences: [['a']],
      extra: 1,
    };
    const r = run(['order'], JSON.stringify(bad));
    expect(r).toMatchObject({ code: 2, out: '' });
    for (const line of [
      'toolChangeCost: expected a number >= 0, got -4',
      'operations[0].face: expected "front" or "back", got "top"',
      'operations[1].id: expected at least 1 characters, got ""',
      'operations[1].tool: expected a text, got 7',
      'extra: no such field is known here',
    ])
      expect(r.err.split('\n')).toContain(line);
    expect(r.err).toMatch(/^precedences\[0\]/m);
  });
  test('a doubled id, a name of nothing and a circle are bad input, the circle named', () => {
    expect(
      run(['order'], JSON.stringify({ ...order, operations: [...order.operations, order.operations[0]] }))
        .err,
    ).toBe('operations[2].id: the id a is already used at operations[0].id\n');
    expect(run(['order'], JSON.stringify({ ...order, precedences: [['a', 'z']] })).err).toBe(
      'precedences[0][1]: there is no operation z\n',
    );
    const r = run(
      ['order'],
      JSON.stringify({
        ...order,
        precedences: [
          ['a', 'b'],
          ['b', 'a'],
        ],
      }),
    );
    expect(r).toMatchObject({ code: 2, out: '' });
    expect(r.err).toMatch(/^precedences: cycle: (a > b > a|b > a > b)\n$/);
    expect(
      run(
        ['ways'],
        JSON.stringify({
          ...ways,
          parts: [{ id: 'p', ways: [{ id: 'w', needs: ['q'], operations: ['x'], cost: -1 }] }],
        }),
      ).err,
    ).toContain('parts[0].ways[0].cost: expected a number >= 0, got -1');
    expect(run(['ways'], JSON.stringify({ ...ways, targets: ['p', 'q'] })).err).toBe(
      'targets[1]: there is no part q\n',
    );
  });
  test('no answer is exit 3, with the reason on standard output', () => {
    const r = run(
      ['ways'],
      JSON.stringify({
        operations: [],
        targets: ['p'],
        parts: [
          { id: 'p', ways: [{ id: 'w', needs: ['q'], operations: [], cost: 1 }] },
          { id: 'q', ways: [{ id: 'w', needs: ['p'], operations: [], cost: 1 }] },
        ],
      }),
    );
    expect(r.code).toBe(3);
    expect(JSON.parse(r.out)).toEqual({ infeasible: true, because: ['p', 'q'] });
  });
  test('not JSON, no such file, no such verb, no such option, no seconds: each is said', () => {
    expect(run(['order'], '{').err).toContain('(standard input): expected JSON');
    expect(run(['order', '/nowhere.json'])).toMatchObject({ code: 2, out: '' });
    expect(run(['dance']).err).toContain('dance: no such verb');
    expect(run(['order', '--fast']).err).toContain('--fast: no such option');
    expect(run(['order', '--seconds', 'x'], JSON.stringify(order)).err).toContain(
      '--seconds: expected a number > 0, got x',
    );
  });
  test('screws: the shape of the contract; a screw that no hole takes is no answer', () => {
    const heap = {
      holes: [
        { id: 'A', drive: 'PH000', lengthMm: 1.2, headMm: 1.6, maxLengthMm: 1.4 },
        { id: 'B', drive: 'PH000', lengthMm: 2.4, headMm: 1.6 },
      ],
      screws: [
        { id: 's1', drive: 'PH000', lengthMm: 2.41, headMm: 1.6 },
        { id: 's2', lengthMm: 1.2 },
      ],
      sdLengthMm: 0.05,
      sdHeadMm: 0.1,
      strayCost: null,
      missingCost: null,
    };
    const r = run(['screws'], JSON.stringify(heap));
    expect(r.code).toBe(0);
    expect(JSON.parse(r.out)).toMatchObject({
      assignments: [
        { screw: 's1', hole: 'B' },
        { screw: 's2', hole: 'A' },
      ],
      strays: [],
      missing: [],
      doubtful: [],
      dangerous: [],
    });
    expect(run(['screws'], JSON.stringify({ ...heap, screws: heap.screws.slice(1) }))).toMatchObject({
      code: 3,
      out: '{"infeasible":true,"because":["more holes than screws that fit them"]}\n',
    });
    expect(
      run(
        ['screws'],
        JSON.stringify({ ...heap, screws: [heap.screws[0], { ...heap.screws[0], lengthMm: 0 }] }),
      ).err.split('\n')[0],
    ).toBe('screws[1].lengthMm: expected a number > 0, got 0');
  });
  test.each(Object.keys(verbs))('%s prints the JSON Schema of its input (2020-12)', (name) => {
    const r = run([...name.split(' '), '--schema']);
    expect(r.code).toBe(0);
    expect(JSON.parse(r.out)).toMatchObject({
      $schema: 'https://json-schema.org/draft/2020-12/schema',
      type: 'object',
    });
  });
  test('when the time is over it answers with what it has, and a bound that is not above it', () => {
    let t = 0;
    for (const [verb, problem] of [
      ['order', orderProblemOf(3)],
      ['ways', waysProblemOf(4)],
    ] as const) {
      const r = run([verb, '--seconds', '0.001'], JSON.stringify(problem), () => (t += 1000));
      expect(r.code).toBe(0);
      const a = JSON.parse(r.out);
      if (a.lowerBound !== undefined) expect(a.lowerBound).toBeLessThanOrEqual(a.cost);
    }
  });
});

describe('the verb route', () => {
  const ask = {
    model: JSON.parse(readFileSync('demo/models/sprig.json', 'utf8')),
    tasks: [{ slot: 'cell', action: 'replace' }],
  };
  test('answers with a route that says all that the contract names', () => {
    const r = JSON.parse(run(['route'], JSON.stringify(ask)).out);
    for (const k of [
      'hash',
      'steps',
      'kit',
      'minutes',
      'cost',
      'changes',
      'turnings',
      'lowerBound',
      'optimal',
      'effects',
      'checks',
    ])
      expect(r).toHaveProperty(k);
    expect(Object.keys(r.kit)).toEqual(
      expect.arrayContaining(['bits', 'tools', 'stations', 'parts', 'consumables']),
    );
    for (const s of r.steps)
      expect(s).toMatchObject({
        id: expect.any(String),
        phase: expect.any(String),
        action: expect.any(String),
        targets: expect.any(Array),
        face: expect.any(String),
        handsS: { low: expect.any(Number), likely: expect.any(Number), high: expect.any(Number) },
        waitS: expect.any(Number),
        why: expect.any(Array),
        cautions: expect.any(Array),
      });
  });
  test('goes on from where the device stands', () => {
    const whole = JSON.parse(run(['route'], JSON.stringify(ask)).out);
    const rest = JSON.parse(
      run(['route'], JSON.stringify({ ...ask, state: { fastenersOut: ['A1', 'A2'] } })).out,
    );
    expect(
      rest.steps.filter(
        (s: { action: string; targets: string[] }) => s.action === 'unscrew' && s.targets.includes('A1'),
      ),
    ).toEqual([]);
    expect(rest.steps.length).toBeLessThan(whole.steps.length);
  });
  test('names what is wrong in the model and in the question by its path', () => {
    const broken = structuredClone(ask);
    broken.model.slots[0].ways[0].fasteners[0] = 'Z9';
    expect(run(['route'], JSON.stringify(broken)).err).toContain(
      'model.slots[0].ways[0].fasteners[0]: there is no fastener Z9',
    );
    const wrong = run(['route'], JSON.stringify({ ...ask, variant: 'moon', tasks: [] }));
    expect(wrong).toMatchObject({ code: 2, out: '' });
    expect(wrong.err).toContain('tasks: expected at least 1 entries');
    expect(run(['route'], JSON.stringify({ ...ask, variant: 'moon' })).err).toContain(
      'variant: the model has no variant moon',
    );
    expect(
      run(
        ['route'],
        JSON.stringify({
          ...ask,
          methods: { softening: 'steam' },
          state: { moved: [{ slot: 'lid', pose: 'out' }] },
        }),
      )
        .err.split('\n')
        .slice(0, 2),
    ).toEqual([
      'state.moved[0].slot: there is no slot lid',
      'methods.softening: expected "heat" or "solvent" or "heat-solvent", got "steam"',
    ]);
  });
  test('no safe way is exit 3, with what stands in it', () => {
    const only = structuredClone(ask);
    for (const s of only.model.slots)
      if (s.id === 'cell') for (const w of s.ways) w.guard = { unless: ['swollen'] };
    const r = run(['route'], JSON.stringify({ ...only, conditions: ['swollen'] }));
    expect(r.code).toBe(3);
    expect(JSON.parse(r.out)).toMatchObject({
      infeasible: true,
      because: [{ code: 'no way', ids: ['cell@out'] }],
    });
  });
});
test('the verb model check gives figures for a good model and every problem of a bad one, with exit 2 then', () => {
  const json = JSON.parse(readFileSync('demo/models/sprig.json', 'utf8'));
  expect(JSON.parse(run(['model', 'check'], JSON.stringify(json)).out)).toMatchObject({
    ok: true,
    problems: [],
    figures: { fasteners: json.fasteners.length, slots: json.slots.length },
  });
  const bad = run(['model', 'check'], JSON.stringify({ ...json, hinge: 'sideways', maker: '' }));
  expect(bad.code).toBe(2);
  expect(
    JSON.parse(bad.out)
      .problems.map((p: { path: string }) => p.path)
      .sort(),
  ).toEqual(['hinge', 'maker']);
});

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

describe('derive', () => {
  const things = [
    { id: 's', kind: 'fastener', face: 'front', at: { x: 5, y: 5 } },
    { id: 'p', kind: 'part', face: 'front', shape: { x: 0, y: 0, w: 10, h: 10 } },
    { id: 'k', kind: 'connector', face: 'front', at: { x: 50, y: 50 }, joins: ['p'] },
  ];
  test('says what had to be off before what, in the fixed shape', () => {
    const input = { teardowns: [{ things, off: ['s', 'k', 'p'] }] };
    expect(JSON.parse(run(['derive'], JSON.stringify(input)).out)).toEqual({
      relations: [
        { first: 's', then: 'p', kind: 'holds', grade: 'seen', teardowns: 1 },
        { first: 'k', then: 'p', kind: 'joins', grade: 'said', teardowns: 1 },
      ],
      refuted: [{ first: 'p', then: 's', kind: 'covers', teardown: 0 }],
    });
  });
  test('names every place that is no record of the same device', () => {
    const other = things.map((t) => ({ ...t, id: t.id === 'k' ? 'other' : t.id, joins: t.joins && ['q'] }));
    const input = {
      teardowns: [
        { things, off: ['s'] },
        { things: [...other, { id: 'n', kind: 'part', face: 'back' }], off: ['s', 's', 'x'] },
      ],
    };
    const { code, out, err } = run(['derive'], JSON.stringify(input));
    expect([code, out]).toEqual([2, '']);
    expect(err.trim().split('\n')).toEqual([
      'teardowns[1].off[1]: the id s is already used at teardowns[1].off[0]',
      'teardowns[1].off[2]: there is no thing x',
      'teardowns[1].things[2].joins[0]: there is no part q',
      'teardowns[1].things[2].id: expected the things of teardowns[0], got other',
      'teardowns[1].things[3]: expected either at or shape',
      'teardowns[1].things[3].shape: expected a shape, got nothing',
      'teardowns[1].things[3].id: expected the things of teardowns[0], got n',
      'teardowns[1].things: expected k of teardowns[0], got nothing',
    ]);
  });
});

describe('heat and leak', () => {
  const glass = { name: 'glass', thicknessMm: 1, kWmK: 1, densityKgM3: 2500, cpJkgK: 800 };
  const soak = {
    layers: [glass, { ...glass, name: 'cell', thicknessMm: 4, contactBelowM2KW: 2e-3 }],
    bottom: { plateC: 80, contactM2KW: 1e-3 },
    top: { airC: 20, hWm2K: 10 },
    startC: 20,
    seconds: 95,
    probes: [
      { name: 'line', layer: 'glass', at: 1 },
      { name: 'cell', layer: 'cell', at: 0.5 },
    ],
    window: { bond: 'line', softC: 45, cell: 'cell', limitC: 45 },
  };
  test('say temperatures at every whole ten seconds and the end, and the window', () => {
    const said = JSON.parse(run(['heat'], JSON.stringify(soak)).out);
    expect(said.times).toEqual([0, 10, 20, 30, 40, 50, 60, 70, 80, 90, 95]);
    expect(Object.keys(said.probes)).toEqual(['line', 'cell']);
    expect(said.window.opensS).toBeGreaterThan(0);
    expect(said.window.closesS).toBeGreaterThan(said.window.opensS);
    const never = { ...soak, window: { ...soak.window, limitC: 20.01 } };
    expect(JSON.parse(run(['heat'], JSON.stringify(never)).out).window).toBeNull();
    // taken off the plate, it cools
    const off = { ...soak, seconds: 300, phases: [{ fromS: 60, bottom: soak.top, top: soak.top }] };
    const cooled = JSON.parse(run(['heat'], JSON.stringify(off)).out);
    expect(cooled.probes.line.at(-1)).toBeLessThan(cooled.probes.line[6]);
  });
  test('name each field that is no layer, no probe, no plate', () => {
    const wrong = {
      ...soak,
      layers: [{ ...glass, thicknessMm: 0 }],
      bottom: { plateC: 80, hWm2K: 1 },
      probes: [{ name: 'line', layer: 'glass', at: 2 }],
    };
    const { code, out, err } = run(['heat'], JSON.stringify(wrong));
    expect([code, out]).toEqual([2, '']);
    expect(err).toContain('layers[0].thicknessMm: expected a number > 0, got 0');
    expect(err).toContain('bottom.hWm2K: no such field is known here');
    expect(err).toContain('probes[0].at: expected a number <= 1, got 2');
    const dangling = { ...soak, probes: [{ name: 'line', layer: 'foil', at: 0 }] };
    expect(run(['heat'], JSON.stringify(dangling)).err.trim().split('\n')).toEqual([
      'probes[0].layer: there is no layer foil',
      'window.cell: there is no probe cell',
    ]);
  });
  test('say how fast it leaks, in the fixed shape; samples out of order are named', () => {
    const samples = Array.from({ length: 41 }, (_, k) => ({ tS: k, pPa: -20_000 + 10 * k }));
    const asked = { volumeMl: 10, samples, ambientPa: 101_325, holdS: 40, limitPaS: 5 };
    const said = JSON.parse(run(['leak'], JSON.stringify(asked)).out);
    expect(said).toMatchObject({ dropPa: 400, tauS: 0, tempCorrected: false, verdict: 'fail' });
    expect(said.rateSteadyPaS).toBeCloseTo(10, 6);
    expect(Object.keys(said).toSorted()).toEqual(
      [
        'because',
        'dropPa',
        'leakSccm',
        'rateSteadyPaS',
        'settling',
        'tauS',
        'tempCorrected',
        'verdict',
      ].toSorted(),
    );
    const mixed = { ...asked, samples: [samples[1], samples[0]], limitSccm: 1 };
    expect(run(['leak'], JSON.stringify(mixed)).err.trim().split('\n')).toEqual([
      'samples[1].tS: expected a number > 1, got 0',
      'limitSccm: expected one limit, got limitPaS and limitSccm',
    ]);
  });
});

describe('balls and stencil', () => {
  test('say the ball of an aperture, and the stencils of a chip', () => {
    const aperture = { aperture: { shape: 'circle', sizeMm: 0.3 }, thicknessMm: 0.1, metalFraction: 0.5 };
    expect(JSON.parse(run(['balls'], JSON.stringify(aperture)).out).ballMm).toBeCloseTo(0.189, 3);
    const chip = { pitchMm: 0.35, pattern: ['11', '01'] };
    const asked = { chip, stencils: [{ id: 's', pitchMm: 0.35, pattern: ['111', '011'] }] };
    expect(JSON.parse(run(['stencil'], JSON.stringify(asked)).out)).toEqual({
      fits: [{ id: 's', rotation: 0, offset: [0, 0], exact: false }],
    });
  });
  test('name ragged rows, another character, a pitch of 0 and an aperture wider than the pitch', () => {
    const wrong = {
      chip: { pitchMm: 0.35, pattern: ['11', '0'] },
      stencils: [{ id: 's', pitchMm: 0.35, pattern: ['1'], apertureMm: 0.4 }],
    };
    expect(run(['stencil'], JSON.stringify(wrong)).err.trim().split('\n')).toEqual([
      'chip.pattern[1]: expected 2 characters, got 1',
      'stencils[0].apertureMm: expected less than the pitch 0.35, got 0.4',
    ]);
    const worse = { chip: { pitchMm: 0, pattern: ['1x'] }, stencils: [] };
    expect(run(['stencil'], JSON.stringify(worse)).err).toContain(
      'chip.pitchMm: expected a number > 0, got 0',
    );
    expect(run(['stencil'], JSON.stringify(worse)).err).toContain(
      'chip.pattern[0]: expected a row of 0 and 1',
    );
    expect(
      run(['balls'], '{"aperture":{"shape":"oval","sizeMm":1},"thicknessMm":1,"metalFraction":2}').code,
    ).toBe(2);
  });
});
