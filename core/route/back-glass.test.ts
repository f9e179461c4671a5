import { describe, expect, test } from 'vitest';
import { dune2, dune3, indexed, mica9, route, withMethods } from '../testing/demo-models';
import { Bench } from '../testing/bench';
import { routeFaults } from '../testing/route-faults';
import type { Step } from '../steps/route';

const tasks = [{ slot: 'back-glass', action: 'replace' as const }];
const chisel = route(dune2, { tasks });
const laser = route(dune2, { ...withMethods({ 'bonded-back': 'laser' }), tasks });
const at = (steps: readonly Step[], action: Step['action'], target?: string) =>
  steps.findIndex((s) => s.action === action && (target === undefined || s.targets.includes(target)));

describe('a back of glass that is glued on', () => {
  test('by chisel: the thick ring is crazed first, crumbs are looked for before the glue, punch and glasses are in the kit', () => {
    const { steps, kit } = chisel;
    expect(at(steps, 'craze')).toBeLessThan(at(steps, 'part'));
    expect(at(steps, 'crumbs')).toBeGreaterThan(at(steps, 'release'));
    expect(at(steps, 'crumbs')).toBeLessThan(at(steps, 'renew', 'back-glue'));
    expect(kit.tools).toEqual(expect.arrayContaining(['spring-punch', 'chisel', 'glasses']));
  });
  test('by laser: set to the part, a pass, glass off, a second pass, brushed; coil and flash left out; glasses in the kit', () => {
    const { steps, kit } = laser;
    const order = [
      at(steps, 'align'),
      at(steps, 'laser', 'back-glue:1:start'),
      at(steps, 'break glass'),
      // what is glued over the coil holds still: warmed, with a window to lift it in
      at(steps, 'heat'),
      at(steps, 'release', 'back-glue'),
      at(steps, 'laser', 'back-glue:2:start'),
      at(steps, 'brush'),
      at(steps, 'crumbs'),
      at(steps, 'renew', 'back-glue'),
    ];
    expect(order[0]).toBeGreaterThanOrEqual(0);
    expect(order).toEqual(order.toSorted((a, b) => a - b));
    expect(steps[at(steps, 'align')]!.cautions).toContain('laser-zones');
    expect(kit.tools).toContain('glasses');
    expect(kit.stations).toContain('glass-laser');
    expect(steps[at(steps, 'heat')]!.soak?.softForS).toBeGreaterThan(0);
    const cold = route(dune2, {
      ...withMethods({ 'bonded-back': 'laser' }),
      tasks,
      stations: ['glass-laser', 'microscope', 'seal-press'],
    });
    expect(at(cold.steps, 'heat')).toBe(-1);
  });
  test.each([
    ['whole', [], ['cup', 'blade', 'chisel']],
    ['broken', ['shattered'], ['chisel']],
    ['with glass missing', ['back glass missing'], ['spudger', 'chisel']],
  ] as const)('the tool follows the damage: %s', (_how, conditions, wanted) => {
    const { steps } = route(dune2, { tasks, conditions: [...conditions] });
    const own = ['cup', 'blade', 'chisel', 'spudger'];
    expect(steps[at(steps, 'release', 'back-glue')]!.tools.filter((t) => own.includes(t))).toEqual(wanted);
  });
  test.each([
    ['chisel', chisel],
    ['laser', laser],
  ] as const)(
    'by %s: rear cameras are masked meanwhile and bare again when it is checked; a bench can do all of it',
    (_how, r) => {
      const { steps } = r;
      const on = at(steps, 'mask on');
      const first = steps.findIndex((s) => ['craze', 'break glass', 'part'].includes(s.action));
      expect(on).toBeGreaterThanOrEqual(0);
      expect(on).toBeLessThan(first);
      expect(at(steps, 'mask off')).toBeGreaterThan(at(steps, 'renew', 'back-glue'));
      expect(at(steps, 'mask off')).toBeLessThan(at(steps, 'check', 'mid'));
      expect(steps[on]!.targets).toEqual(['camera']);
      expect(routeFaults(indexed(dune2), r)).toEqual([]);
      const bench = new Bench(indexed(dune2), r).open({ tasks }).finish();
      expect(Object.values(bench.state.mask)).toEqual(['off']);
      expect(Object.values(bench.state.question).filter(Boolean)).toEqual([]);
    },
  );
  test('planned again when the glass is off: the second pass is still to come, once, and no glass is broken', () => {
    const { standing } = laser.input;
    const again = route(dune2, {
      ...withMethods({ 'bonded-back': 'laser' }),
      tasks,
      standing: {
        ...standing,
        bondsOpen: ['back-glue'],
        acted: [
          'align back-glue',
          'laser back-glue:1:start',
          'laser back-glue:1:end',
          'break glass back-glue',
        ],
      },
    });
    const of = (action: Step['action']) => again.steps.filter((s) => s.action === action).length;
    expect([of('laser'), of('brush'), of('break glass'), of('crumbs')]).toEqual([1, 1, 0, 1]);
    expect(at(again.steps, 'brush')).toBeLessThan(at(again.steps, 'renew', 'back-glue'));
  });
  test('planned again while they are masked: the masks come off', () => {
    const masked = route(dune2, { tasks, standing: { ...chisel.input.standing, masksOn: ['camera'] } });
    expect(at(masked.steps, 'mask off', 'camera')).toBeGreaterThanOrEqual(0);
  });
});
describe('optics near hot air in the device', () => {
  test('are masked where the chip is worked at beside them; nothing is masked for a display or a cell', () => {
    const chip = route(dune3, { tasks: [{ slot: 'id-chip', action: 'rework' }] }).steps;
    const masks = chip.flatMap((s) => (s.action === 'mask on' ? s.targets : []));
    const bare = chip.flatMap((s) => (s.action === 'mask off' ? s.targets : []));
    expect(bare.toSorted()).toEqual(masks.toSorted());
    expect(route(mica9, {}).steps.some((s) => s.action === 'mask on')).toBe(false);
  });
  test('the strap is asked for wherever a cover comes off a board, out at once too', () => {
    const out = chisel.steps[at(chisel.steps, 'move', 'back-glass')]!;
    expect(out.cautions).toContain('strap-checked');
  });
});
