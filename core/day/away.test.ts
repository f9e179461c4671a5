import { describe, expect, test } from 'vitest';
import { block, day, faults, minute } from '../testing/days';
import { dayPlan } from './day-plan';

describe('who is away', () => {
  const work = (id: string, promisedIn?: number) => ({
    id,
    ...(promisedIn === undefined ? {} : { promisedIn }),
    blocks: [block(id, 20), block(id, 20)],
  });
  const away = (what: string, from: number, to: number) => ({ what, fromS: from * minute, toS: to * minute });
  test('has no hands then: nothing is begun that is not over before, and all goes on after', () => {
    const asked = { ...day(1, [work('a'), work('b')]), away: [away('p0', 30, 90)] };
    const made = dayPlan(asked);
    expect(faults(made)).toEqual([]);
    for (const b of made.blocks) expect(b.endS <= 30 * minute || b.startS >= 90 * minute, b.id).toBe(true);
    expect(made.jobs).toHaveLength(2);
    expect(dayPlan(asked)).toEqual(made);
  });
  test('one of two leaves the other; the hands that are there are named', () => {
    const asked = { ...day(2, [work('a'), work('b')]), away: [away('p1', 0, 300)] };
    const made = dayPlan(asked);
    expect(new Set(made.blocks.map((b) => b.person))).toEqual(new Set(['p0']));
    expect(Math.max(...made.blocks.map((b) => b.endS))).toBeGreaterThan(75 * minute);
  });
  test('a station that is away is waited for; one that holds two takes both at once', () => {
    const soak = (id: string) => ({
      id,
      blocks: [block(id, 10, { by: 'itself', station: 'hot-plate', action: 'heat' })],
    });
    const later = dayPlan({ ...day(2, [soak('a')]), away: [away('hot-plate', 0, 45)] });
    expect(later.blocks[0]!.startS).toBeGreaterThanOrEqual(45 * minute);
    const starts = (holds?: Record<string, number>) =>
      dayPlan({ ...day(2, [soak('a'), soak('b')]), ...(holds ? { holds } : {}) }).blocks.map((b) => b.startS);
    expect(Math.max(...starts())).toBeGreaterThanOrEqual(10 * minute);
    expect(starts({ 'hot-plate': 2 })).toEqual([0, 0]);
  });
  test('a promise within the pause is not kept, and its chance says so', () => {
    const asked = (gone: boolean) => ({
      ...day(1, [work('a', 60)]),
      ...(gone ? { away: [away('p0', 10, 100)] } : {}),
    });
    expect(dayPlan(asked(false)).jobs[0]!.chance).toBeGreaterThan(70);
    expect(dayPlan(asked(true)).jobs[0]!).toMatchObject({ chance: 0 });
    expect(dayPlan(asked(true)).jobs[0]!.lateS).toBeGreaterThan(60 * minute);
  });
  test('while everybody is gone nothing is in hand', () => {
    const asked = day(1, [{ id: 'a', blocks: [block('a', 20, { begun: true }), block('a', 20)] }]);
    const made = dayPlan({ ...asked, away: [away('p0', 0, 600)] });
    expect(made.blocks[0]!.startS).toBeGreaterThanOrEqual(600 * minute);
  });
});

describe('a station that is cold', () => {
  const soaks = (begun: boolean) => ({
    ...day(1, [
      { id: 'a', blocks: [block('a', 5), block('a', 10, { by: 'itself', station: 'hot-plate' })] },
      ...(begun
        ? [{ id: 'b', blocks: [block('b', 3, { by: 'itself', station: 'hot-plate', begun: true })] }]
        : []),
    ]),
    warmS: { 'hot-plate': 20 * minute, press: 5 * minute },
  });
  test('is switched on so long before it is used, and nothing is done at it before', () => {
    const plan = dayPlan(soaks(false));
    expect(plan.blocks.find((b) => b.station)!.startS).toBe(20 * minute);
    expect(plan.warms).toEqual([{ station: 'hot-plate', startS: 0, endS: 20 * minute }]);
  });
  test('is warm where something runs at it', () => {
    const plan = dayPlan(soaks(true));
    expect(plan.blocks.find((b) => b.job === 'a' && b.station)!.startS).toBeLessThan(10 * minute);
    expect(plan.warms).toEqual([]);
  });
});
