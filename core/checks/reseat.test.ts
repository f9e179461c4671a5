import { describe, expect, test } from 'vitest';
import type { FunctionId } from '../vocabulary/trade';
import { instruct } from '../progress/instruct';
import { flag } from '../log/state';
import { jobRouteInput } from '../progress/route-input-of-job';
import { planRoute } from '../route/plan';
import { Bench } from '../testing/bench';
import { allStations } from '../methods/catalogue';
import { indexed, mica9, modelHash, replace, route } from '../testing/demo-models';
import { follow } from '../testing/plan-again';
import { checksDue, openChecks } from './due';
import { reseatFor } from './reseat';

const index = indexed(mica9);
const means = { methods: {}, stations: allStations, hourlyRateMinor: 6000 };
const now = (b: Bench) => instruct(b.context, b.state, { at: b.at, clockKnown: true });

/** A bench that has just answered a round, with one function that fails. */
function failing(round: 'mid' | 'after', fn: FunctionId): Bench {
  const b = new Bench(index, route(mica9, replace('display'))).open(replace('display'));
  for (let k = 0; k < 500; k++) {
    const i = now(b);
    if (i.kind === 'checks' && i.step.round === round && !i.step.short) {
      for (const c of openChecks(b.state, index, round))
        b.do({ type: 'checked', round, function: c.function, result: c.function === fn ? 'fails' : 'works' });
      return b;
    }
    b.next();
  }
  throw new Error(`never came to the ${round} check`);
}

describe.each(['mid', 'after'] as const)('a check that fails in the %s round', (round) => {
  test('leads to what was touched last, not round in a circle', () => {
    const b = failing(round, 'touch');
    const said = now(b);
    expect(said).toMatchObject({ kind: 'failed', functions: ['touch'] });
    expect(said.kind === 'failed' && said.tasks).toContainEqual({ slot: 'display', action: 'reseat' });
  });
  test('cell off, the plug pressed home, cell on, and that function is tested again; all of it accepted', () => {
    const b = failing(round, 'touch');
    const tasks = reseatFor(index, b.state, ['touch']);
    const plan = planRoute(index, modelHash(mica9), jobRouteInput(means, index, b.state, { more: tasks }));
    if ('infeasible' in plan) throw new Error('no way');
    b.adopt(plan);
    const from = b.log.length;
    expect(follow(b)).toBeUndefined();
    const done = b.log.slice(from).map((e) => e.body);
    const at = (type: string, thing?: string) =>
      done.findIndex((d) => d.type === type && (!thing || ('connector' in d && d.connector === thing)));
    expect(at('connectorOff', 'K-cell')).toBeGreaterThanOrEqual(0);
    expect(at('reseated', 'K-touch')).toBeGreaterThan(at('connectorOff', 'K-cell'));
    expect(at('connectorOn', 'K-cell')).toBeGreaterThan(at('reseated', 'K-touch'));
    expect(done.find((d) => d.type === 'checked' && d.function === 'touch')).toMatchObject({
      result: 'works',
    });
    expect(flag(b.state, 'closedAt')).toBeGreaterThan(from);
  });
});

test('each function leads to what it is due because of, and to nothing else', () => {
  const b = failing('after', 'touch');
  const due = checksDue(b.state, index, 'after').filter((c) => c.because.length);
  expect(due.length).toBeGreaterThan(3);
  for (const { function: fn, because } of due) {
    const own = because.flatMap((id) =>
      index.slots.has(id) ? [id] : (index.connectors.get(id)?.joins ?? []),
    );
    // behind a bracket alone: what serves the function
    own.push(...index.model.slots.filter((s) => s.functions.some((f) => f === fn)).map((s) => s.id));
    const tasks = reseatFor(index, b.state, [fn]);
    expect(tasks.length, fn).toBeGreaterThan(0);
    for (const { slot } of tasks) expect(own, fn).toContain(slot);
  }
});
test('only what failed or has moved is asked again in the mid round', () => {
  const b = failing('mid', 'touch');
  const tasks = reseatFor(index, b.state, ['touch']);
  const plan = planRoute(index, modelHash(mica9), jobRouteInput(means, index, b.state, { more: tasks }));
  if ('infeasible' in plan) throw new Error('no way');
  b.adopt(plan);
  for (let k = 0; k < 100 && now(b).kind !== 'checks'; k++) b.next();
  const asked = now(b);
  expect(asked.kind === 'checks' && asked.open).not.toContain('cameras');
  expect(asked.kind === 'checks' && asked.open).toContain('touch');
});

test('of what a failing function depends on, what was touched last is looked at first', () => {
  const { state } = new Bench(index, route(mica9, replace('display'))).open(replace('display')).finish();
  const first = (touched: Record<string, number>) =>
    reseatFor(index, { ...state, touched: { ...state.touched, ...touched } }, ['ambient']).map((t) => t.slot);
  // the sensor's plug was the last one that was closed, the display the one before it
  expect(first({})).toEqual(['sensor-flex', 'display']);
  expect(first({ display: 900 })).toEqual(['display', 'sensor-flex']);
});
