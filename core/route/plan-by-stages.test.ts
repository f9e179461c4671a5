import { describe, expect, test } from 'vitest';
import { atlas, indexed, mica9, modelHash, replace, route } from '../testing/demo-models';
import { planByStages } from './plan-by-stages';
import { routeInput } from './route-input';

describe('a route in stages', () => {
  test('answers at once, gets no worse, and ends with the proof', () => {
    let last = Number.POSITIVE_INFINITY;
    let bound = 0;
    const told = [
      ...planByStages(
        indexed(atlas),
        modelHash(atlas),
        routeInput({ model: 'atlas', variant: 'standard', ...replace('board', 'port') }),
      ),
    ];
    for (const { route: r } of told) {
      if ('infeasible' in r) throw new Error('no way');
      expect(r.searched).toBeLessThanOrEqual(last);
      expect(r.lowerBound).toBeGreaterThanOrEqual(bound);
      expect(r.lowerBound).toBeLessThanOrEqual(r.searched);
      last = r.searched;
      bound = r.lowerBound;
    }
    expect(told.map((t) => t.done)).toEqual([...told.slice(1).map(() => false), true]);
    const end = told.at(-1)!.route;
    expect('infeasible' in end || end.optimal).toBe(true);
  });
  test('ends where it is told to, with what it has and an honest gap', () => {
    const told = [
      ...planByStages(
        indexed(mica9),
        'h',
        routeInput({ model: 'mica-9', variant: 'standard', ...replace('cell') }),
        () => true,
      ),
    ];
    expect(told).toHaveLength(1);
    const r = told[0]!.route;
    if ('infeasible' in r) throw new Error('no way');
    expect(r.steps.length).toBe(route(mica9).steps.length);
    expect(r.lowerBound).toBeLessThanOrEqual(route(mica9).searched);
  });
  test('with no way it says so in one stage', () => {
    const told = [
      ...planByStages(
        indexed(mica9),
        'h',
        routeInput({ model: 'mica-9', variant: 'standard', tasks: [{ slot: 'lid', action: 'replace' }] }),
      ),
    ];
    expect(told).toMatchObject([
      { done: true, route: { infeasible: true, because: [{ code: 'unknown slot', ids: ['lid'] }] } },
    ]);
  });
});
