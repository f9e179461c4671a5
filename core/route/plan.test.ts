import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { indexed, mica9, modelHash, route, sprigModel, swollen } from '../testing/demo-models';
import { standingOf } from '../progress/standing';
import { conditionsOf } from '../log/view';
import { unaccounted } from '../rules/balance';
import { openState } from '../log/view';
import { coveredBy } from '../model/covers';
import { checkRoutes } from './check-routes';
import { planRoute } from './plan';
import { defaultMethods } from '../methods/methods';
import { routeInput } from './route-input';
import type { Route } from '../steps/route';

const at = (r: Route, action: string, target: string) =>
  r.steps.findIndex((s) => s.action === action && s.targets.includes(target));

describe('the way out', () => {
  const r = route(mica9);
  test('is computed from what holds and hides the cell, not written down', () => {
    expect(r.steps.filter((s) => s.action === 'move').map((s) => `${s.targets[0]}@${s.pose}`)).toEqual([
      'display@folded',
      'cell-bracket@out',
      'speaker-cover@out',
      'vibration@out',
      'loudspeaker@out',
      'cell@out',
    ]);
    expect(
      r.steps.filter((s) => s.phase === 'Strip' && s.action === 'disconnect').map((s) => s.targets[0]),
    ).toEqual(['K-cell', 'K-vib', 'K-speak']);
  });
  test('the cell is unplugged before anything that is not on the way to its connector (common practice)', () => {
    const off = at(r, 'disconnect', 'K-cell');
    for (const s of r.steps.slice(0, off).filter((x) => x.action !== 'switch off'))
      expect(['display', 'cell-bracket']).toContain(s.about);
  });
  test('nothing is touched while something still hides it', () => {
    const index = indexed(mica9);
    const moved = new Set<string>();
    for (const s of r.steps) {
      if (s.phase !== 'Open' && s.phase !== 'Strip') break;
      if (s.action !== 'heat' && s.action !== 'solvent')
        for (const t of s.targets)
          for (const c of coveredBy(index, t)) expect(moved, `${s.id} ${t}`).toContain(c);
      if (s.action === 'move') moved.add(s.targets[0]!);
    }
  });
  test('bits are changed five times, which is proved to be the least', () => {
    // by hand: five-lobe out, Y and cross inside (each needed on both ways, cross between), Y again for the cell bracket, five-lobe last
    expect(r).toMatchObject({ changes: 5, turnings: 0, optimal: true });
  });
});

describe('conditions change the route', () => {
  test('a swollen cell is never heated, is poked at and not swept, and needs its container', () => {
    const r = route(mica9, { conditions: swollen });
    expect(r.steps.some((s) => s.action === 'heat')).toBe(false);
    for (const source of ['hot-plate', 'heat-mat', 'dryer', 'hot-air', 'seal-press'])
      expect(r.kit.stations).not.toContain(source);
    expect(r.steps.find((s) => s.action === 'release')!.cautions).toContain('swollen-poke');
    expect(r.steps.find((s) => s.action === 'move' && s.targets[0] === 'cell')!.cautions).toContain(
      'swollen-container',
    );
    expect(route(mica9).steps.some((s) => s.action === 'heat')).toBe(true);
  });
  test('the house method “solvent” does without the plate on a good cell, too', () => {
    const r = route(mica9, { methods: { ...defaultMethods, softening: 'solvent' } });
    expect(r.steps.slice(0, 4).map((s) => s.action)).toEqual(['switch off', 'unscrew', 'solvent', 'release']);
  });
  test('when every way to a part is forbidden, it says which part', () => {
    const only = structuredClone(mica9);
    only.bonds.find((b) => b.id === 'seal')!.release = only.bonds
      .find((b) => b.id === 'seal')!
      .release.filter((x) => x.by === 'heat');
    const r = planRoute(
      indexed(only),
      'h',
      routeInput({
        model: 'x',
        variant: 'standard',
        conditions: swollen,
        tasks: [{ slot: 'cell', action: 'replace' }],
      }),
    );
    expect(r).toMatchObject({
      infeasible: true,
      because: [{ code: 'no way', ids: expect.arrayContaining([expect.stringMatching(/^display@/)]) }],
    });
  });
});

describe.each([
  ['Mica 9', mica9],
  ['Sprig', sprigModel],
] as const)('the way back on %s', (_n, model) => {
  const r = route(model);
  test('puts back everything that came out, the cell’s connector after all others', () => {
    for (const s of r.steps) {
      if (s.action === 'unscrew')
        for (const t of s.targets) expect(at(r, 'fasten', t)).toBeGreaterThan(r.steps.indexOf(s));
      if (s.action === 'move' && s.pose === 'out')
        expect(at(r, 'fit', s.targets[0]!)).toBeGreaterThan(r.steps.indexOf(s));
    }
    const on = r.steps.filter((s) => s.action === 'connect').map((s) => s.targets[0]);
    expect(on.indexOf('K-cell')).toBe(new Set(on.filter((c) => c !== 'K-cell')).size);
  });
  test('the kit is exactly what the steps use', () => {
    expect(new Set(r.kit.bits)).toEqual(new Set(r.steps.flatMap((s) => s.bit ?? [])));
    expect(new Set(r.kit.tools)).toEqual(new Set(r.steps.flatMap((s) => s.tools)));
    expect(r.kit.parts).toEqual(['cell']);
  });
  test('checks stand before the seal and after closing', () => {
    const mid = r.steps.findIndex((s) => s.action === 'check' && s.round === 'mid');
    const close = r.steps.findIndex((s) => s.action === 'close');
    const seal = r.steps.findIndex((s) => s.action === 'apply seal');
    expect(mid).toBeLessThan(seal < 0 ? close : seal);
    expect(r.steps.at(-1)).toMatchObject({ action: 'check', round: 'after' });
    expect(r.steps.findLastIndex((s) => s.action === 'fasten')).toBeGreaterThan(close);
  });
  test('the same input gives the same route and the same hash', () => {
    expect(route(model).hash).toBe(r.hash);
    expect(route(model, { hourlyRateMinor: 6001 }).hash).not.toBe(r.hash);
  });
});

test('re-planned after any number of steps, the rest leads to a closed and balanced device', () => {
  const index = indexed(mica9);
  const first = route(mica9);
  const total = new Bench(index, first).open().finish().commands.length;
  for (let k = 0; k < total; k += 5) {
    const bench = new Bench(index, first).open();
    for (let i = 0; i < k && bench.next(); i++);
    const again = planRoute(index, modelHash(mica9), {
      ...first.input,
      conditions: conditionsOf(bench.state) as never,
      standing: standingOf(bench.state, index),
    });
    if ('infeasible' in again) throw new Error(`no way on after ${k} presses`);
    bench.adopt(again);
    bench.finish();
    expect(
      bench.do({ type: 'jobClosed', ending: 'handed over', note: '' }).refused,
      `after ${k} presses`,
    ).toBeUndefined();
    expect(unaccounted(bench.state, index)).toEqual([]);
    expect(
      bench.log.filter((e) => e.breach),
      `after ${k} presses`,
    ).toEqual([]);
  }
});

test('when a check fails after closing, the way to what was touched is planned from the closed device, and ends closed again', () => {
  const index = indexed(mica9);
  const bench = new Bench(index, route(mica9)).open().finish();
  bench.do({ type: 'checked', round: 'after', function: 'loudspeaker', result: 'fails' });
  const again = planRoute(index, modelHash(mica9), {
    ...route(mica9).input,
    tasks: [
      { slot: 'cell', action: 'replace' },
      { slot: 'loudspeaker', action: 'reach' },
    ],
    standing: standingOf(bench.state, index),
  });
  if ('infeasible' in again) throw new Error('no way');
  expect(again.steps.filter((s) => s.action === 'move').map((s) => s.targets[0])).toEqual(
    expect.arrayContaining(['display', 'speaker-cover']),
  );
  expect(again.steps.some((s) => s.action === 'set aside')).toBe(false);
  expect(again.steps.some((s) => s.action === 'apply seal')).toBe(true);
  bench.adopt(again);
  bench.finish();
  expect(bench.log.filter((e) => e.breach)).toEqual([]);
  expect(bench.do({ type: 'jobClosed', ending: 'handed over', note: '' }).refused).toBeUndefined();
  expect(bench.state.place['cell#2']).toBe('slot/cell');
});

describe.each([
  ['Mica 9', mica9],
  ['Sprig', sprigModel],
] as const)('every task on %s', (_n, model) => {
  test('in every variant there is a way to every slot and back', () => {
    expect(checkRoutes(model)).toEqual([]);
  });
  test('and the job accepts each of these routes from first to last', () => {
    for (const v of model.variants) {
      const index = indexed(model, v.id);
      for (const slot of index.slots.keys()) {
        const tasks = [{ slot, action: 'replace' as const }];
        const plan = route(model, { tasks }, v.id);
        const bench = new Bench(index, plan).open({ tasks, variant: v.id }).finish();
        expect(
          bench.log.filter((e) => e.breach).map((e) => [slot, e.body, e.breach]),
          slot,
        ).toEqual([]);
        expect(openState(bench.state, index), slot).not.toBe('open');
        expect(bench.state.place[`${slot}#2`], slot).toBe(`slot/${slot}`);
      }
    }
  });
});
test('a model in which a slot holds itself shut is found out, with its path', () => {
  const bad = structuredClone(mica9);
  bad.slots.find((s) => s.id === 'camera-bracket')!.ways[0]!.needs = [{ slot: 'camera', pose: 'out' }];
  expect(checkRoutes(bad).map((p) => p.path)).toContain('variants(standard).slots(camera)');
});
