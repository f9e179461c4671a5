import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { indexed, mica9, route } from '../testing/demo-models';
import { paceOf, promisesKept, stepTimes, timesByKind } from './true-times';

const plan = route(mica9);
/** A whole job, each press so long after the one before, ms. */
function pressed(paceMs: number) {
  const bench = new Bench(indexed(mica9), plan);
  bench.paceMs = paceMs;
  bench.open().finish();
  return bench.log;
}

describe('what the steps of a job took', () => {
  test('is the time from the entry before each; what runs by itself is left out', () => {
    const times = stepTimes(plan, pressed(20_000));
    expect(times.length).toBeGreaterThan(15);
    const soaks = plan.steps.filter((s) => s.waitS > 0).map((s) => s.action);
    expect(times.some((t) => t.action === 'heat')).toBe(false);
    expect(soaks).toContain('heat');
    const screws = times.find((t) => t.action === 'unscrew')!;
    const step = plan.steps.find((s) => s.action === 'unscrew')!;
    expect(screws.tookS).toBeCloseTo(20 * step.targets.length, 0);
    expect(screws.plannedS).toBeCloseTo(step.handsS.likely, 6);
  });
  test('a pause of more than a quarter of an hour, or an unknown clock, says nothing', () => {
    expect(stepTimes(plan, pressed(16 * 60_000))).toEqual([]);
    expect(
      stepTimes(
        plan,
        pressed(20_000).map((e) => ({ ...e, clockKnown: false })),
      ),
    ).toEqual([]);
  });
  test('makes a pace: as planned at first, and the more is done the more it is what was measured; within bounds', () => {
    const of = (n: number, factor: number) =>
      Array.from({ length: n }, () => ({ action: 'move' as const, plannedS: 60, tookS: 60 * factor }));
    expect(paceOf([])).toBe(1);
    expect(paceOf(of(15, 1))).toBe(1);
    // as many planned minutes as count beforehand: half of what was measured
    expect(paceOf(of(15, 1.4))).toBeCloseTo(1.2, 9);
    expect(paceOf(of(60, 1.4))).toBeGreaterThan(1.3);
    expect(paceOf(of(600, 9))).toBe(1.6);
    expect(paceOf(of(600, 0.1))).toBe(0.7);
  });
});
describe('a month', () => {
  test('by kind of step: medians, and where most of the time went first', () => {
    const kinds = timesByKind([
      { action: 'move', plannedS: 10, tookS: 12 },
      { action: 'move', plannedS: 20, tookS: 30 },
      { action: 'move', plannedS: 30, tookS: 300 },
      { action: 'unscrew', plannedS: 5, tookS: 4 },
    ]);
    expect(kinds.map((k) => k.action)).toEqual(['move', 'unscrew']);
    expect(kinds[0]).toMatchObject({ steps: 3, plannedS: 20, tookS: 30, sumS: 342 });
    expect(kinds[0]!.mostS).toBeCloseTo(30 + 0.8 * 270, 6);
  });
  test('promises: kept to the minute, and by how much the others were late', () => {
    const job = (lateMin: number) => ({ promisedAt: 1e12, doneAt: 1e12 + lateMin * 60_000 });
    expect(promisesKept([])).toEqual({ promised: 0, kept: 0, lateS: undefined, mostLateS: undefined });
    expect(
      promisesKept([job(-30), job(0.5), job(10), job(20), job(60), { promisedAt: null, doneAt: 5 }]),
    ).toEqual({ promised: 5, kept: 2, lateS: 1200, mostLateS: 3600 });
  });
});
