import { describe, expect, test } from 'vitest';
import type { Step } from '../steps/route';
import { dune2, dune3, indexed, mica9, replace, route, swollen } from './demo-models';
import { routeFaults } from './route-faults';

const index = indexed(mica9);
const { steps } = route(mica9, {
  tasks: ['display', 'cell', 'camera'].map((slot) => ({ slot, action: 'replace' as const })),
});
const at = (wanted: (step: Step) => boolean) => {
  const found = steps.findIndex(wanted);
  if (found < 0) throw new Error('there is no such step');
  return found;
};
const is = (action: Step['action'], target: string) => (step: Step) =>
  step.action === action && step.targets.includes(target) && !step.trial;
/** The route with one step done somewhere else. */
const movedTo = (from: number, to: number): Step[] => {
  const rest = steps.filter((_, k) => k !== from);
  return [...rest.slice(0, to), steps[from]!, ...rest.slice(to)];
};

describe('the checker of routes finds what it is for', () => {
  test('nothing in a whole route', () => expect(routeFaults(index, { steps })).toEqual([]));
  const needed = steps
    .map((step, k) => [k, step] as const)
    .filter(
      ([, step]) =>
        !step.trial &&
        // what is laid in folded may as well be laid in when what lies under it is there
        !(step.action === 'fit' && step.pose === 'folded') &&
        ['unscrew', 'disconnect', 'unhook', 'move', 'fasten', 'fit', 'apply seal', 'liner off'].includes(
          step.action,
        ),
    );
  test.each(needed.map(([k, s]) => [`${k} ${s.action} ${s.targets.join(',')}`, k] as const))(
    'that a step is left out: %s',
    (_name, k) => {
      expect(routeFaults(index, { steps: steps.filter((_, n) => n !== k) })).not.toEqual([]);
    },
  );
  test('a plug that moves while the cell is on', () => {
    const live = movedTo(at(is('disconnect', 'K-cell')), at(is('disconnect', 'K-panel')));
    expect(routeFaults(index, { steps: live }).join()).toContain('while the cell is on');
  });
  test('the cell before another plug', () => {
    const first = movedTo(at(is('connect', 'K-cell')), at(is('connect', 'K-panel')));
    expect(routeFaults(index, { steps: first }).join()).toMatch(/while the cell is on|comes before/);
  });
  test('a strip that comes after its piece', () => {
    const late = movedTo(at(is('renew', 'strip-tl')), at(is('fit', 'cell')));
    expect(routeFaults(index, { steps: late }).join()).toContain('comes after its piece');
  });
  test('a piece that goes over one which comes later', () => {
    const over = movedTo(at(is('fit', 'camera-bracket')), at(is('fit', 'camera')));
    expect(routeFaults(index, { steps: over })).not.toEqual([]);
  });
  test('a bracket that lies loose while twelve other things are done', () => {
    const own = steps.flatMap((step, k) =>
      step.action === 'fasten' && index.fasteners.get(step.targets[0]!)!.holds.includes('camera-bracket')
        ? [k]
        : [],
    );
    const rest = steps.filter((_, k) => !own.includes(k));
    rest.splice(own[0]! + 12, 0, ...own.map((k) => steps[k]!));
    expect(routeFaults(index, { steps: rest }).join()).toMatch(/camera-bracket has lain loose for 1\d steps/);
  });
  test('a seal on a rim that is not clean', () => {
    const dirty = movedTo(
      at((s) => s.action === 'clean rim'),
      at((s) => s.action === 'close'),
    );
    expect(routeFaults(index, { steps: dirty }).join()).toContain('not clean');
  });
  test('an order of closing that no bench keeps', () => {
    const wide = route(mica9, replace('display', 'cell')).steps;
    const without = (gone: (s: Step) => boolean) => wide.filter((s) => !gone(s));
    expect(routeFaults(index, { steps: wide })).toEqual([]);
    // the cell off with the device still on
    const on = without((s) => s.action === 'switch off' && s.targets[0] === 'device:mid');
    expect(routeFaults(index, { steps: on }).join()).toContain('not been switched off');
    // the display hangs beside the frame that is pressed
    const press = wide.findIndex((s) => s.action === 'press' && s.targets[0] === 'frame:start');
    const hung = wide.findIndex((s, k) => k > press && s.action === 'fit' && s.about === 'display');
    const early = wide.toSpliced(hung, 1).toSpliced(press, 0, wide[hung]!);
    expect(routeFaults(index, { steps: early }).join()).toContain('hangs beside the frame');
    // a board whose plugs go on before its screws
    const board = route(mica9, replace('board')).steps;
    const plug = board.findIndex((s) => s.action === 'connect' && !s.trial);
    const screw = board.findIndex((s) => s.action === 'fasten' && s.about === 'board');
    expect(screw).toBeGreaterThan(0);
    expect(plug).toBeGreaterThan(screw);
    const loose = board.toSpliced(screw, 1).toSpliced(plug, 0, board[screw]!);
    expect(routeFaults(index, { steps: loose }).join()).toContain('board is not held');
  });
  test('a back that is warmed or cut while the display hangs open; strips that have dried', () => {
    const both = indexed(dune3);
    const { steps } = route(dune3, replace('back', 'port'));
    expect(routeFaults(both, { steps })).toEqual([]);
    const open = steps.findIndex((s) => s.action === 'move' && s.about === 'display');
    const heat = steps.findIndex((s) => s.action === 'heat' && s.face === 'back');
    const late = steps.toSpliced(open, 1).toSpliced(heat, 0, steps[open]!);
    expect(routeFaults(both, { steps: late }).join()).toContain('warmed while the display hangs open');
    const wet = route(mica9, { conditions: swollen }).steps;
    const again = wet.map((s) => (s.action === 'solvent' && s.about === 'cell' ? { ...s, waitS: 400 } : s));
    expect(routeFaults(index, { steps: wet })).toEqual([]);
    expect(routeFaults(index, { steps: again }).join()).toContain('was wetted');
  });
  test('hot air at a chip while the cell is on', () => {
    const chip = route(dune3, replace('id-chip')).steps;
    const live = chip.filter((s) => !(s.action === 'disconnect' && s.targets[0] === 'K-cell'));
    expect(routeFaults(indexed(dune3), { steps: chip })).toEqual([]);
    expect(routeFaults(indexed(dune3), { steps: live }).join()).toContain('warmed while the cell is on');
    const first = (test: (s: Step) => boolean) => chip.findIndex(test);
    const out = chip[first((s) => s.action === 'move' && s.targets[0] === 'cell')]!;
    const late = [...chip.filter((s) => s !== out)];
    late.splice(late.findIndex((s) => s.action === 'set aside') + 1, 0, out);
    expect(routeFaults(indexed(dune3), { steps: late }).join()).toContain('warmed with the cell beside it');
    const resin = chip[first((s) => s.action === 'renew' && s.targets[0] === 'chip-glue')]!;
    const early = chip.filter((s) => s !== resin);
    early.splice(
      early.findIndex((s) => s.action === 'check'),
      0,
      resin,
    );
    expect(routeFaults(indexed(dune3), { steps: early }).join()).toContain('has not been tried');
  });
  test('a back that is chiselled over bare cameras, closed with a mask on, or glued over crumbs', () => {
    const glass = route(dune2, { tasks: [{ slot: 'back-glass', action: 'replace' }] }).steps;
    const on = indexed(dune2);
    const without = (...actions: string[]) =>
      routeFaults(on, { steps: glass.filter((s) => !actions.includes(s.action)) }).join();
    expect(routeFaults(on, { steps: glass })).toEqual([]);
    expect(without('mask on')).toContain('is not masked');
    expect(without('mask off')).toContain('is still masked');
    expect(without('crumbs')).toContain('nobody has looked for crumbs');
  });
  test('a screw that is fastened under what lies on it', () => {
    const under = movedTo(at(is('fasten', 'B3')), at((s) => s.action === 'close') + 1);
    expect(routeFaults(index, { steps: under })).not.toEqual([]);
  });
});

test.each(['swollen', 'pierced'] as const)(
  'a %s cell is out before any other part is changed, and nothing is warmed or pressed before that',
  (condition) => {
    const plan = route(mica9, {
      tasks: ['camera', 'cell', 'display'].map((slot) => ({ slot, action: 'replace' as const })),
      conditions: [condition],
    });
    expect(routeFaults(index, plan)).toEqual([]);
    const out = plan.steps.findIndex(
      (s) => s.action === 'move' && s.targets[0] === 'cell' && s.pose === 'out',
    );
    const before = plan.steps.slice(0, out);
    expect(out).toBeGreaterThan(0);
    expect(before.filter((s) => ['heat', 'press', 'set aside', 'compare', 'fit'].includes(s.action))).toEqual(
      [],
    );
    expect(before.filter((s) => s.action === 'move' && s.targets[0] === 'camera')).toEqual([]);
    expect(plan.steps.filter((s) => s.action === 'heat')).toEqual([]);
  },
);
