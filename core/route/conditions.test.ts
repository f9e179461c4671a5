import { describe, expect, test } from 'vitest';
import { instruct } from '../progress/instruct';
import { Bench } from '../testing/bench';
import { atlas, dune2, dune3, indexed, mica4, mica9, replace, route } from '../testing/demo-models';
import type { Route } from '../steps/route';
import type { Caution, StepAction } from '../vocabulary/steps';

const actions = (r: Route): StepAction[] => r.steps.map((s) => s.action);
const cautions = (r: Route): Set<Caution> => new Set(r.steps.flatMap((s) => s.cautions));

describe('a condition changes the route', () => {
  test.each(['swollen', 'pierced'] as const)(
    '%s: no heat, no laser, no press; the cell is freed with solvent and comes out before anything else that can wait',
    (condition) => {
      const r = route(dune2, { ...replace('cell', 'loudspeaker'), conditions: [condition] });
      for (const a of ['heat', 'press'] as const) expect(actions(r)).not.toContain(a);
      // glued glass comes off by laser or by heat: with this cell inside there is no safe way, and it is said
      expect(() => route(dune2, { ...replace('back-glass'), conditions: [condition] })).toThrow(
        /no way.*back-glass@out/,
      );
      expect(cautions(route(mica9, { conditions: [condition] }))).toContain('wide-tool');
      const swollenFirst = route(mica9, { ...replace('cell', 'camera'), conditions: [condition] });
      const calm = route(mica9, replace('cell', 'camera'));
      const place = (x: Route) =>
        x.steps
          .filter((s) => s.action === 'move')
          .map((s) => s.targets[0])
          .indexOf('cell');
      expect(place(swollenFirst)).toBeLessThanOrEqual(place(calm));
      expect(
        swollenFirst.steps.findIndex((s) => s.action === 'move' && s.targets[0] === 'cell'),
      ).toBeLessThan(swollenFirst.steps.findIndex((s) => s.action === 'move' && s.targets[0] === 'camera'));
    },
  );
  test('shattered: the glass is covered before the cup; where panel and frame are both replaced a blade is allowed instead', () => {
    const r = route(mica9, { conditions: ['shattered'] });
    expect(actions(r).indexOf('prepare')).toBeLessThan(actions(r).indexOf('release'));
    expect(cautions(r)).toContain('glass');
    const both = route(atlas, { ...replace('display', 'frame'), conditions: ['shattered'] });
    expect(actions(both)).not.toContain('prepare');
    expect(cautions(both)).toContain('blade-at-rim');
    expect(both.kit.tools).toContain('blade');
  });
  test('bent: it lies flat on no plate and in no press', () => {
    const r = route(mica9, { conditions: ['bent'] });
    for (const flat of ['hot-plate', 'opening-press', 'seal-press'])
      expect(r.kit.stations).not.toContain(flat);
    expect(cautions(r)).toContain('bent-frame');
    expect(cautions(r)).toContain('press-by-hand');
  });
  test('stuck on: nothing asks to switch it off; it is treated as live until the cell is unplugged', () => {
    const r = route(mica9, { conditions: ['stuck on'] });
    expect(actions(r)).not.toContain('switch off');
    expect(
      r.steps
        .slice(
          0,
          r.steps.findIndex((s) => s.targets.includes('K-cell')),
        )
        .flatMap((s) => s.cautions),
    ).toContain('treat-live');
  });
  test('back glass missing: the hole is taped, and said at the cutting', () => {
    const r = route(mica9, { conditions: ['back glass missing'] });
    expect(r.steps[0]).toMatchObject({ action: 'prepare', targets: ['back'] });
    expect(r.steps.find((s) => s.action === 'release')!.cautions).toContain('open-back');
  });
  test('repaired before: each screw is measured as it comes out', () => {
    const r = route(mica9, { conditions: ['earlier repair'] });
    for (const s of r.steps) if (s.action === 'unscrew') expect(s.cautions).toContain('measure-screws');
    expect(r.kit.tools).toContain('calliper');
    expect(route(mica9).kit.tools).not.toContain('calliper');
  });
});

test('marks and answers at the counter set what they mean', () => {
  const b = new Bench(indexed(mica9), undefined).open();
  const mark = (
    kind: 'shattered glass' | 'earlier repair' | 'missing glass' | 'crack',
    side: 'front' | 'back',
  ) => b.do({ type: 'marked', mark: { id: `${kind} ${side}`, kind, side, x: 1, y: 1 } });
  mark('shattered glass', 'front');
  mark('earlier repair', 'front');
  mark('crack', 'back');
  mark('missing glass', 'front');
  expect(Object.keys(b.state.condition)).toEqual(['shattered', 'earlier repair']);
  mark('missing glass', 'back');
  b.do({ type: 'checked', round: 'before', function: 'touch', result: 'fails' });
  expect(Object.keys(b.state.condition)).toEqual([
    'shattered',
    'earlier repair',
    'back glass missing',
    'stuck on',
  ]);
});

describe('the way back is planned, not just reversed', () => {
  const at = (r: Route, action: StepAction, target: string) =>
    r.steps.findIndex((s) => s.action === action && s.targets.includes(target));
  test('a new display: data read before anything warms the old one, tried out of the bag, parts moved over at the bench, data written before it goes in', () => {
    const r = route(mica4, replace('display'));
    const off = at(r, 'move', 'display');
    const last = r.steps.findLastIndex((s) => s.action === 'move' && s.targets[0] === 'display');
    for (const moved of ['home-key', 'ear-speaker', 'front-flex', 'back-plate', 'key-bracket']) {
      expect(at(r, 'move', moved), moved).toBeGreaterThan(last);
      expect(at(r, 'fit', moved), moved).toBeGreaterThan(at(r, 'move', moved));
      expect(at(r, 'fit', moved), moved).toBeLessThan(at(r, 'fit', 'display'));
      expect(at(r, 'move', moved)).toBeLessThan(at(r, 'set aside', 'display'));
    }
    expect(off).toBeGreaterThan(0);
    expect(at(r, 'test part', 'display')).toBeLessThan(at(r, 'move', 'home-key'));
    expect(r.kit.parts).toEqual(['display']);
    const m9 = route(mica9, replace('display'));
    expect(at(m9, 'read data', 'display')).toBeGreaterThan(at(m9, 'move', 'display'));
    const warmed = m9.steps.findIndex(
      (s, i) => i > at(m9, 'move', 'display') && (s.action === 'heat' || s.action === 'solvent'),
    );
    expect(at(m9, 'read data', 'display')).toBeLessThan(warmed);
    expect(at(m9, 'write data', 'display')).toBeLessThan(at(m9, 'fit', 'display'));
    expect(m9.steps.find((s) => s.action === 'check' && s.round === 'mid')!.connectors).toEqual(
      mica9.bootRules[0]!.connectors,
    );
  });
  test('what comes fitted on the new part is not moved over, and leaves with the old one', () => {
    const r = route(dune2, replace('display'));
    expect(r.steps.some((s) => s.action === 'move' && s.targets[0] === 'glass')).toBe(false);
    const b = new Bench(indexed(dune2), r).open(replace('display')).finish();
    expect([b.state.place['glass#1'], b.state.place['glass#2']]).toEqual(['aside/recycling', 'slot/glass']);
  });
  test('a housing rebuild moves every piece, the new housing first and every screw of it back in', () => {
    const r = route(atlas, replace('frame'));
    const arrives = new Set(atlas.slots.find((s) => s.id === 'frame')!.arrivesWith);
    const fits = r.steps.filter((s) => s.action === 'fit');
    expect(fits[0]).toMatchObject({ targets: ['frame'], piece: 'frame#2' });
    const fitted = new Set(fits.flatMap((s) => s.targets));
    for (const s of atlas.slots) if (!s.carrier && !arrives.has(s.id)) expect(fitted, s.id).toContain(s.id);
    const screws = (a: StepAction) =>
      new Set(r.steps.filter((s) => s.action === a).flatMap((s) => s.targets));
    expect(screws('fasten')).toEqual(screws('unscrew'));
    expect(screws('unscrew').size).toBeGreaterThanOrEqual(120);
  });
  test('a rim is seen to one by one: its frame, the cover that goes on again, the mesh, and that all is dry', () => {
    const rims = (r: Route) => r.steps.filter((s) => s.action === 'clean rim').map((s) => s.targets);
    expect(rims(route(mica9))).toEqual([['rim', 'rim:other', 'rim:mesh', 'rim:dry']]);
    // a new display has no old glue on it
    expect(rims(route(mica9, replace('display')))).toEqual([['rim', 'rim:mesh', 'rim:dry']]);
    const b = new Bench(indexed(mica9), route(mica9)).open();
    while (b.next()) {
      if (b.log.at(-1)!.body.type !== 'rimCleaned') continue;
      const { rim } = b.state.rimDue;
      if (rim?.length)
        expect(b.do({ type: 'sealApplied', bond: 'seal' }).findings.map((f) => f.rule)).toContain(
          'rim not clean',
        );
    }
    expect(b.log.filter(({ body }) => body.type === 'rimCleaned')).toHaveLength(4);
  });
  test('brackets say their lip and angle, long screws are named, the seal waits for the clean rim, cures need no hands', () => {
    const r = route(dune2, replace('ring-magnets'));
    expect(
      r.steps.find((s) => s.action === 'fit' && s.targets[0] === 'camera-bracket') ??
        r.steps.find((s) => s.action === 'fit' && s.targets[0] === 'plug-cover'),
    ).toMatchObject({ angleDeg: 45 });
    expect(cautions(r)).toContain('long-screw');
    expect(actions(r).indexOf('clean rim')).toBeLessThan(actions(r).indexOf('apply seal'));
    expect(
      r.steps.find((s) => s.action === 'cure' && s.targets[0] === 'magnet-glue:start')!.waitS,
    ).toBeGreaterThan(0);
  });
  test('where the torque is known it is said, and the driver for it is laid out; nowhere else', () => {
    const r = route(dune3);
    expect(r.steps.find((s) => s.action === 'fasten' && s.targets.includes('A1'))).toMatchObject({
      torqueNcM: 4.5,
      tools: ['torque-driver'],
    });
    expect(r.kit.tools).toContain('torque-driver');
    expect(route(mica9).kit.tools).not.toContain('torque-driver');
  });
  test('a device that opens from both sides is closed on both, the back before the display', () => {
    const r = route(dune3, replace('port'));
    expect(r.turnings).toBeGreaterThan(0);
    const backIn = r.steps.findLastIndex((s) => s.action === 'fit' && s.targets[0] === 'back');
    expect(backIn).toBeGreaterThan(r.steps.findIndex((s) => s.action === 'check'));
    expect(backIn).toBeLessThan(at(r, 'close', 'display'));
  });
});

describe('what a bad cell forbids is planned with by the same table that forbids it', () => {
  test.each(['swollen', 'pierced', 'wet', 'hot'] as const)(
    '%s: no step of the route is one that the job would refuse',
    (condition) => {
      const tasks = replace('cell');
      const r = route(mica9, { ...tasks, conditions: [condition] });
      const b = new Bench(indexed(mica9), r).open(tasks);
      b.do({ type: 'conditionSet', condition, because: 'seen' });
      b.finish();
      expect(b.log.filter((e) => e.breach)).toEqual([]);
      expect(b.state.place['cell#2']).toBe('slot/cell');
      expect(b.do({ type: 'jobClosed', ending: 'handed over', note: '' }).refused).toBeUndefined();
      expect(r.steps.map((s) => s.action)).not.toContain('press');
      expect(r.steps.find((s) => s.action === 'apply seal')!.cautions).toContain('press-by-hand');
    },
  );
  test('a condition that comes up at the bench stops the press; planned again, the seal is pressed by hand', () => {
    const tasks = replace('cell');
    const b = new Bench(indexed(mica9), route(mica9, tasks)).open(tasks);
    for (let k = 0; k < 400 && b.next() && b.log.at(-1)!.body.type !== 'sealApplied'; k++);
    b.do({ type: 'conditionSet', condition: 'swollen', because: 'the new cell bulges' });
    expect(instruct(b.context, b.state, { at: b.at, clockKnown: true })).toEqual({
      kind: 'plan again',
      ids: ['swollen'],
      tasks: [],
    });
    expect(b.do({ type: 'acted', act: 'press', target: 'frame:start', forS: 30 }).refused).toMatchObject({
      code: 'interlock',
    });
    b.adopt(route(mica9, { ...tasks, conditions: ['swollen'], standing: b.standing() }));
    b.finish();
    expect(b.log.filter((e) => e.breach)).toEqual([]);
    expect(b.do({ type: 'jobClosed', ending: 'handed over', note: '' }).refused).toBeUndefined();
  });
});
