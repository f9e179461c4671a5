import { describe, expect, test } from 'vitest';
import { forLevel } from './tools-by-level';
import { Bench } from '../testing/bench';
import {
  atlas,
  dune2,
  dune3,
  indexed,
  mica9,
  replace,
  route,
  swollen,
  withMethods,
} from '../testing/demo-models';
import { methodBlock } from './method-blocks';
import { generalStations } from '../methods/catalogue';
import { routeFaults } from '../testing/route-faults';
import type { Route } from '../steps/route';

const at = (r: Route, test: (s: Route['steps'][number]) => boolean) => r.steps.findIndex(test);
const whole = new Set(generalStations.filter((s) => s.whole).map((s) => s.id));

describe('heat where it may not be', () => {
  test('a cover is warmed and cut before another one hangs open; on a phone that stands open only an edge is warmed', () => {
    const r = route(dune3, replace('back', 'port'));
    const open = at(r, (s) => s.action === 'move' && s.pose === 'folded');
    const cellOut = at(r, (s) => s.action === 'move' && s.targets[0] === 'cell');
    const late = r.steps
      .slice(open + 1, cellOut < 0 ? undefined : cellOut)
      .filter((s) => s.action === 'heat');
    expect(late).toEqual([]);
    expect(r.steps.filter((s) => s.action === 'heat')).toHaveLength(2);
    // planned again with the display open: nothing that warms all of it
    const b = new Bench(indexed(dune3), route(dune3, replace('display'))).open(replace('display'));
    for (let k = 0; k < 60 && b.standing().openCover === undefined; k++) b.next();
    const again = route(dune3, { ...replace('back'), standing: b.standing() });
    const warmed = again.steps.filter((s) => s.action === 'heat');
    expect(warmed.length).toBeGreaterThan(0);
    for (const s of warmed) expect(whole.has(s.station!), s.station).toBe(false);
  });
  test('the interlock stops the plate under an open phone, and lets a loose display be warmed', () => {
    const b = new Bench(indexed(mica9), route(mica9, replace('display'))).open(replace('display'));
    b.do({ type: 'pieceMoved', slot: 'display', pose: 'folded' });
    for (const q in b.state.question) b.do({ type: 'answered', question: q, answer: 'seen' });
    const plate = { type: 'heatStarted', station: 'hot-plate', forS: 60, hot: 'said' } as const;
    expect(b.do(plate).refused).toMatchObject({
      code: 'interlock',
      findings: [{ rule: 'open on the heat', ids: ['cell'] }],
    });
    expect(b.do({ ...plate, station: 'dryer' }).refused).toBeUndefined();
    b.do({ type: 'heatEnded' });
    b.at += 600_000;
    expect(b.do({ ...plate, part: 'display' }).refused).toBeUndefined();
  });
  test('what is lasered is lasered on the closed device', () => {
    const r = route(dune2, { ...replace('back-glass', 'cell'), ...withMethods({ 'bonded-back': 'laser' }) });
    const laser = at(r, (s) => s.station === 'glass-laser');
    expect(laser).toBeGreaterThanOrEqual(0);
    expect(laser).toBeLessThan(at(r, (s) => s.action === 'move' && s.targets[0] === 'display'));
  });
});

describe('glue', () => {
  test('contact glue takes its own time, lamp or no lamp', () => {
    const r = route(dune2, { ...replace('back-glass'), ...withMethods({ 'fixing-glue': 'uv' }) });
    const cure = r.steps.find((s) => s.action === 'cure')!;
    expect(cure.waitS).toBe(1800);
    expect(cure.station).toBeUndefined();
  });
  test('a UV glue sets under the lamp where light reaches it, and is what is used then', () => {
    const r = route(atlas, { ...replace('lens-1'), ...withMethods({ 'fixing-glue': 'uv' }) });
    expect(r.steps.find((s) => s.action === 'cure')).toMatchObject({ station: 'uv-lamp', waitS: 30 });
    expect(r.kit.consumables.map((c) => c.item)).toContain('uv-glue');
    expect(r.steps.flatMap((s) => s.cautions)).toContain('uv-eyes');
  });
  test('the device does not close before it has set', () => {
    const b = new Bench(indexed(dune2), route(dune2, replace('back-glass'))).open(replace('back-glass'));
    for (let k = 0; k < 200 && b.log.at(-1)!.body.type !== 'pieceFitted'; k++) b.next();
    b.do({ type: 'acted', act: 'cure', target: 'back-glue:start', forS: 1800 });
    b.do({ type: 'acted', act: 'cure', target: 'back-glue:end' });
    b.answer('mid', 'works');
    expect(b.do({ type: 'deviceClosed' }).findings).toContainEqual(
      expect.objectContaining({ rule: 'glue not set', ids: ['back-glue'], seconds: expect.any(Number) }),
    );
    b.at += 1_800_000;
    expect(b.do({ type: 'deviceClosed' }).findings.map((f) => f.rule)).not.toContain('glue not set');
  });
});

describe('chip work', () => {
  const r = route(dune3, { ...replace('display'), ...withMethods({ 'display-data': 'chip' }) });
  test('a chip that is moved: data saved first, cell off, its bracket away, the old display still at hand', () => {
    const chip = at(r, (s) => s.action === 'move chip');
    const first = (name: string, test: (s: Route['steps'][number]) => boolean) => {
      const i = at(r, test);
      expect(i, name).toBeGreaterThanOrEqual(0);
      expect(i, name).toBeLessThan(chip);
    };
    first('read', (s) => s.action === 'read data' && s.targets[0] === 'display');
    first('bracket', (s) => s.action === 'move' && s.targets[0] === 'chip-bracket' && s.pose === 'folded');
    first('cell', (s) => s.action === 'disconnect' && s.targets[0] === 'K-cell');
    expect(at(r, (s) => s.action === 'set aside')).toBeGreaterThan(chip);
  });
  test('it records no notice as accepted, and the job closes without data to write', () => {
    expect(r.steps.map((s) => s.action)).not.toContain('leave data');
    const b = new Bench(indexed(dune3), r).open(replace('display')).finish();
    expect(b.log.filter((e) => e.body.type === 'dataDeclined')).toEqual([]);
    expect(b.do({ type: 'jobClosed', ending: 'handed over', note: '' }).refused).toBeUndefined();
  });
  test('a rework of the chip: the cell off and out, and hot air at the microscope, not the 80 °C of opening', () => {
    const work = route(dune3, { tasks: [{ slot: 'id-chip', action: 'rework' }] });
    const warm = at(work, (s) => s.action === 'rework');
    expect(work.steps[warm]).toMatchObject({ station: 'microscope', targets: ['id-chip'] });
    expect(at(work, (s) => s.action === 'disconnect' && s.targets[0] === 'K-cell')).toBeLessThan(warm);
    const out = at(work, (s) => s.action === 'move' && s.targets[0] === 'cell' && s.pose === 'out');
    expect(out).toBeGreaterThanOrEqual(0);
    expect(out).toBeLessThan(warm);
    expect(work.steps.some((s) => s.station === 'hot-air')).toBe(false);
  });
});

describe('a swollen cell', () => {
  const r = route(mica9, { conditions: swollen });
  test('is never discharged on purpose, and no strip is pulled', () => {
    const cautions = r.steps.flatMap((s) => s.cautions);
    expect(cautions).not.toContain('charge-low');
    expect(cautions).not.toContain('strip-flat');
    const well = route(mica9, withMethods({ 'cell-removal': 'solvent' }));
    expect(well.steps.flatMap((s) => s.cautions)).toContain('charge-low');
  });
  test('goes into its container in the very next step after it is out', () => {
    const out = at(r, (s) => s.action === 'move' && s.targets[0] === 'cell');
    expect(r.steps[out + 1]).toMatchObject({ action: 'set aside', targets: ['cell'], tools: ['sand-box'] });
    expect(r.steps.filter((s) => s.action === 'set aside' && s.targets[0] === 'cell')).toHaveLength(1);
  });
  test('is freed by one wetting along its edge for the strips that are worked on while it is wet; later ones are wetted again', () => {
    const wet = r.steps.filter((s) => s.action === 'solvent' && s.about === 'cell');
    expect(wet.length).toBeGreaterThan(0);
    expect(wet.length).toBeLessThan(3);
    expect(routeFaults(indexed(mica9), r)).toEqual([]);
    expect(
      r.steps.filter((s) => s.action === 'release' && s.about === 'cell').flatMap((s) => s.targets),
    ).toHaveLength(4);
  });
  test('a method that is not followed says why', () => {
    expect(methodBlock(r.input, 'softening', 'heat')).toEqual({ code: 'condition', ids: ['swollen'] });
    expect(methodBlock(r.input, 'cell-removal', 'pull')).toEqual({ code: 'condition', ids: ['swollen'] });
    expect(methodBlock({ ...r.input, stations: [] }, 'leak-test', 'always')).toEqual({
      code: 'station',
      station: 'leak-tester',
    });
    expect(methodBlock(r.input, 'softening', 'solvent')).toBeUndefined();
  });
});

test('metal at the plugs is for practised hands: a trainee is given plastic, and nobody metal at the cell', () => {
  const r = route(mica9, { ...replace('display'), ...withMethods({ 'connector-tools': 'metal' }) });
  const plug = r.steps.find((s) => s.action === 'disconnect' && s.targets.includes('K-panel'))!;
  expect(forLevel(plug, 'technician').tools).toContain('fine-tweezers');
  expect(forLevel(plug, 'trainee')).toMatchObject({
    tools: ['spudger'],
    cautions: expect.arrayContaining(['plastic-only']),
  });
  for (const s of r.steps.filter((x) => x.targets.includes('K-cell')))
    expect(s.tools).not.toContain('fine-tweezers');
});

describe('a glue by its sheet', () => {
  const sheet = { name: 'a', atC: 23, openS: 240, handlingS: 1800, fullS: 86_400 };
  const glues = {
    sheets: { 'contact-glue': sheet, 'perimeter-seal': { ...sheet, handlingS: 0 } },
    roomC: 23,
  };
  const planned = (more: object) => route(dune2, { ...replace('back-glass'), ...more });
  const cureOf = (r: ReturnType<typeof planned>) =>
    r.steps.find((s) => s.action === 'cure' && s.targets[0] === 'back-glue:start')!.waitS;
  const laying = (r: ReturnType<typeof planned>) =>
    r.steps.find((s) => s.action === 'renew' && s.targets.includes('back-glue'))!;
  test('is waited for as long as that says in this room; without one the model’s time stands', () => {
    const waits = withMethods({ 'fixing-glue': 'wait' });
    const model = dune2.bonds.find((b) => b.id === 'back-glue')!.cureS;
    expect(cureOf(planned(waits))).toBe(model);
    expect(cureOf(planned({ ...waits, glues }))).toBe(1800);
    expect(cureOf(planned({ ...waits, glues: { ...glues, roomC: 13 } }))).toBe(3600);
    expect(laying(planned(waits)).glue).toBeUndefined();
    expect(laying(planned({ ...waits, glues }))).toMatchObject({
      glue: { item: 'contact-glue', openS: 240, fullS: 86_400 },
      maxDelayS: 240,
    });
  });
  test('is kept in the log as it was laid, until it is loosed', () => {
    const waits = { ...withMethods({ 'fixing-glue': 'wait' }), glues };
    const b = new Bench(indexed(dune2), planned(waits)).open(replace('back-glass')).finish();
    expect(b.state.laid['back-glue']).toMatchObject({ item: 'contact-glue', openS: 240, fullS: 86_400 });
  });
});

test('a device that the press has no plate for is sealed by hand, and said so', () => {
  const presses = (more: object) => route(mica9, more).steps.filter((s) => s.action === 'press').length;
  expect(presses({})).toBeGreaterThan(0);
  expect(presses({ pressPlates: ['mica-9', 'sprig'] })).toBe(presses({}));
  expect(presses({ pressPlates: ['sprig'] })).toBe(0);
  const seal = route(mica9, { pressPlates: ['sprig'] }).steps.find((s) => s.action === 'apply seal')!;
  expect(seal.cautions).toContain('press-by-hand');
});
