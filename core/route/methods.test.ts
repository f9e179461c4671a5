import { describe, expect, test } from 'vitest';
import type { DeviceModel } from '../model/schema';
import { atlas, dune2, dune3, mica9, mica9Wide, replace, route, withMethods } from '../testing/demo-models';
import { shows } from './methods-in-force';
import { concerns } from './method-blocks';
import { indexModel } from '../model/index-model';
import { defaultMethods, type MethodId, methodRows, methodsOf } from '../methods/methods';
import type { Route, RouteInput } from '../steps/route';

/** For each question a device and a job on which its options differ. */
const stage: Record<MethodId, [DeviceModel, Partial<RouteInput>]> = {
  power: [mica9, {}],
  softening: [mica9, {}],
  'heat-source': [mica9, {}],
  'connector-tools': [mica9, {}],
  'cell-between': [mica9, {}],
  'display-data': [mica9, replace('display')],
  'cell-bond': [mica9, {}],
  'cell-removal': [mica9, {}],
  'bonded-back': [dune2, replace('back-glass')],
  'rim-solvent': [mica9, {}],
  'seal-press': [mica9, {}],
  'display-at-seal': [mica9, replace('display')],
  'closing-press': [mica9, {}],
  'outer-film': [mica9, replace('display')],
  'leak-test': [mica9, {}],
  screws: [mica9, {}],
  'screw-keeping': [mica9, {}],
  'shattered-glass': [mica9, { conditions: ['shattered'] }],
  'deep-part': [mica9Wide, replace('ear-speaker')],
  'chip-work': [dune3, { tasks: [{ slot: 'id-chip', action: 'rework' }] }],
  calibration: [dune3, replace('camera')],
  'chip-removal': [dune3, { tasks: [{ slot: 'id-chip', action: 'rework' }] }],
  'fixing-glue': [atlas, replace('lens-1')],
  'cracked-glass': [dune2, replace('glass')],
  'part-test': [mica9, replace('display')],
};

describe.each(methodRows.map((r) => [r.id, r] as const))('house method %s', (id, row) => {
  const [model, job] = stage[id];
  const routes = new Map<string, Route>(
    row.options.map((o) => [o.id, route(model, { ...job, ...withMethods({ [id]: o.id }) })]),
  );
  test.each(row.options.map((o) => [o.name, o] as const))(
    '“%s” changes what its table says, and no other option does',
    (_name, option) => {
      const mine = routes.get(option.id)!;
      expect(shows(mine, option.changes, routes.values()), JSON.stringify(option.changes)).toBe(true);
      if ('cheapest' in option.changes) return;
      for (const other of row.options)
        if (other.id !== option.id && !('cheapest' in other.changes))
          expect(
            shows(routes.get(other.id)!, option.changes, routes.values()),
            `${other.id} shows ${JSON.stringify(option.changes)}`,
          ).toBe(false);
    },
  );
  test('its default is one of its options and has a reason', () => {
    expect(row.options.map((o) => o.id)).toContain(row.default);
    expect(row.why.length).toBeGreaterThan(15);
  });
});

describe('methods of a workshop and of a job', () => {
  test('the job’s choice stands before the workshop’s, that before the default; what is not known is passed over', () => {
    expect(methodsOf({ softening: 'heat', power: 'on' }, { softening: 'solvent' })).toMatchObject({
      softening: 'solvent',
      power: 'on',
      screws: 'reuse',
    });
    expect(methodsOf({ softening: 'steam', colour: 'red' })).toEqual(defaultMethods);
    expect(methodsOf(undefined)).toEqual(defaultMethods);
  });
  test('acetone never comes without its caution, nor heat without its own', () => {
    const r = route(mica9, withMethods({ 'rim-solvent': 'acetone' }));
    expect(r.steps.find((s) => s.action === 'clean rim')!.cautions).toEqual(
      expect.arrayContaining(['acetone-metal-only', 'solvent-away-from-heat', 'solvent-ventilate']),
    );
    for (const source of ['plate', 'mat', 'dryer', 'hot-air', 'press'] as const)
      expect(
        route(mica9, withMethods({ 'heat-source': source })).steps.find((s) => s.action === 'heat')!.cautions,
      ).toEqual(expect.arrayContaining(['heat-window', 'heat-near-cell']));
  });
  test('a station that the workshop does not own is not planned with: the next source, no press, no leak test, and nothing said about water', () => {
    const r = route(mica9, { stations: ['dryer'] });
    expect(r.kit.stations).toEqual(['dryer']);
    expect(r.steps.some((s) => s.action === 'press' || s.action === 'leak test')).toBe(false);
    expect(r.steps.find((s) => s.action === 'close')!.cautions).toContain('no-water-claim');
    expect(route(mica9, { stations: [] }).steps.some((s) => s.action === 'heat')).toBe(false);
  });
  test('metal never touches the cell’s plug (common practice)', () => {
    const r = route(mica9, withMethods({ 'connector-tools': 'metal' }));
    expect(
      r.steps
        .filter((s) => s.action === 'disconnect' && s.targets.includes('K-cell'))
        .every((s) => s.tools.join() === 'spudger'),
    ).toBe(true);
  });
});

test('how a bonded back comes off is asked only where a back is glued on', () => {
  const asked = (model: DeviceModel) => concerns(indexModel(model), 'bonded-back');
  expect(asked(mica9)).toBe(false);
  expect(asked(dune2)).toBe(true);
  expect(asked(dune3)).toBe(false);
  expect(concerns(indexModel(mica9), 'softening')).toBe(true);
});
