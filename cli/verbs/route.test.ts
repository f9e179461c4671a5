import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { run } from '../testing/run';

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
