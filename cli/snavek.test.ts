import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { orderProblemOf } from '../core/testing/order-generator';
import { waysProblemOf } from '../core/testing/ways-generator';
import { run } from './testing/run';
import { verbs } from './verbs';

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
