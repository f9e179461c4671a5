import { beforeAll, describe, expect, test } from 'vitest';
import type { Body } from '../core/log/events';
import type { Who } from '../core/wire/who';
import { setHotAir } from './instruments/hot-air';
import { changeWorkshop, workshopPage } from './use-cases/workshop';
import { moduleTest } from './use-cases/module-test';
import { reworkPage } from './use-cases/rework-page';
import { sendCommands } from './use-cases/send-commands';
import { changeStencils, stencilsCsv, stencilsJson, stencilsPage } from './use-cases/stencils';
import { cmd, eventsOf, makeWorld, openJob, type World } from './testing/world';

let world: World;
let ines: Who;
let tova: Who;
beforeAll(async () => {
  world = await makeWorld();
  // the demo's stand-ins
  ines = { ...world.own.get('technician')!, demo: true };
  // the demo's stand-ins
  tova = { ...world.own.get('owner')!, demo: true };
}, 120_000);

const add = (stencil: Record<string, string>) => changeStencils(tova, { do: 'add', stencil });
describe('the list of stencils', () => {
  test('takes one in, says what is wrong at which field, and is the workshop’s own', async () => {
    expect(
      await add({ name: 'A', pitch_mm: '0,4', pattern: '111\n101\n111', aperture_mm: '0.25' }),
    ).toMatchObject({
      ok: true,
    });
    const wrong = async (field: string, value: string) => {
      const said = await add({ name: 'B', pitch_mm: '0.4', pattern: '11', [field]: value });
      return said.ok ? '' : (said.errors[field] ?? JSON.stringify(said.errors));
    };
    expect(await wrong('pitch_mm', '0')).toContain('above 0');
    expect(await wrong('pattern', '11/1')).toContain('Row 2 has 1');
    expect(await wrong('pattern', '11/1x')).toContain('Row 2');
    expect(await wrong('pattern', '00/00')).toContain('no aperture');
    expect(await wrong('aperture_mm', '0.4')).toContain('pitch');
    expect(await changeStencils(ines, { do: 'add', stencil: {} })).toMatchObject({ ok: false, status: 403 });
    const { stencils } = await stencilsPage(ines);
    expect(stencils).toMatchObject([
      { name: 'A', pitchMm: 0.4, pattern: ['111', '101', '111'], apertureMm: 0.25, thicknessMm: null },
    ]);
    expect((await stencilsPage(world.other.get('owner')!)).stencils).toEqual([]);
  });
  test('goes out as CSV and JSON and comes in from either, whole or not at all', async () => {
    const [csv, json] = [await stencilsCsv(tova), JSON.stringify(await stencilsJson(tova))];
    expect(csv.split('\r\n')[1]).toBe('A,0.4,111/101/111,circle,0.25,');
    const [a] = (await stencilsPage(tova)).stencils;
    for (const text of [csv, json]) {
      await changeStencils(tova, { do: 'remove', id: (await stencilsPage(tova)).stencils[0]!.id });
      expect(await changeStencils(tova, { do: 'import', csv: text })).toMatchObject({ ok: true });
      expect((await stencilsPage(tova)).stencils).toMatchObject([{ ...a, id: expect.any(String) }]);
    }
    const bad = await changeStencils(tova, {
      do: 'import',
      csv: 'name;pitch_mm;pattern\nC;0,5;11\nD;0,5;1a\n',
    });
    expect(bad).toMatchObject({ ok: false, errors: { csv: expect.stringContaining('line 3, pattern') } });
    expect(
      await changeStencils(tova, {
        do: 'import',
        csv: '{"stencils":[{"name":"E","pitchMm":0,"pattern":["1"]}]}',
      }),
    ).toMatchObject({ ok: false, errors: { csv: expect.stringContaining('stencils.0') } });
    expect((await stencilsPage(tova)).stencils).toHaveLength(1);
  });
});

describe('work under the microscope', () => {
  test('its events are counted for the next one: how it ended, and what the air was set to', async () => {
    const job = await openJob(world, ines);
    const send = async (body: Body) => (await sendCommands(ines, [cmd(ines, job, body)]))[0]!.outcome;
    const begun: Body = {
      ...{ type: 'reworkBegun', slot: 'display', kind: 'identity chip', school: '280' },
      ...{ practice: false, stencil: '', chip: 'panel-id' },
    };
    expect(await send(begun)).toMatchObject({ status: 'refused' });
    await send({ type: 'consentGiven', effect: 'chip', by: 'owner' });
    expect(await send(begun)).toMatchObject({ status: 'recorded' });
    const air: Body = {
      ...{ type: 'reworkHeatStarted', slot: 'display', step: 'lift', by: 'air', setC: 280, airPercent: 60 },
      extraction: true,
    };
    // the cell is on: nobody passes that
    expect(await send(air)).toMatchObject({ status: 'refused', refused: { code: 'interlock' } });
    await send({ type: 'connectorOff', connector: 'K-cell' });
    await send({ type: 'dataRead', slot: 'display' });
    expect(await send(air)).toMatchObject({ status: 'recorded' });
    await send({ type: 'reworkStepped', slot: 'display', step: 'lift' });
    expect(await reworkPage(ines)).toMatchObject({ past: [] });
    await send({ type: 'reworkEnded', slot: 'display', outcome: 'works' });
    expect((await reworkPage(ines)).past).toMatchObject([
      {
        ...{ kind: 'identity chip', school: '280', chip: 'panel-id', outcome: 'works' },
        heats: [{ step: 'lift', setC: 280, airPercent: 60 }],
      },
    ]);
    expect((await reworkPage(world.other.get('owner')!)).past).toEqual([]);
  });
  test('a module is tested part by part at the programmer; nobody else’s job is', async () => {
    const job = await openJob(world, ines);
    const ask = (slot: string, again: boolean) => ({
      ...{ slot, again, command: crypto.randomUUID(), at: Date.now(), clockKnown: true },
    });
    expect(await moduleTest(ines, job, ask('front-camera', false))).toEqual({
      ok: true,
      fails: ['dot projector'],
    });
    expect(await moduleTest(ines, job, ask('front-camera', true))).toEqual({ ok: true, fails: [] });
    expect(await moduleTest(ines, job, ask('nothing', true))).toBeUndefined();
    expect(await moduleTest(world.other.get('owner')!, job, ask('front-camera', true))).toBeUndefined();
    expect(await moduleTest(ines, job, { slot: 'front-camera' })).toMatchObject({ ok: false });
    // what it said is recorded by the server, as a stand-in's
    const bodies = (await eventsOf(ines, job)).map((e) => e.event.body);
    expect(bodies.filter((body) => body.type === 'moduleTested')).toEqual([
      { type: 'moduleTested', slot: 'front-camera', fails: ['dot projector'], again: false, simulated: true },
      { type: 'moduleTested', slot: 'front-camera', fails: [], again: true, simulated: true },
    ]);
  });
  test('the hot-air station is set, reads back, and says when a setting lies beyond its scale; then it is not on', async () => {
    expect(await setHotAir(ines, { on: true, setC: 300, airPercent: 10 })).toEqual({
      ...{ ok: true, on: true, setC: 300, airPercent: 10 },
    });
    expect(await setHotAir(ines, { on: true, setC: 600, airPercent: 10 })).toMatchObject({
      ok: false,
      outOfRange: true,
    });
    expect(await setHotAir(ines, { on: false, setC: 0, airPercent: 0 })).toMatchObject({
      ok: true,
      setC: 300,
    });
  });
});

test('how press and hot-air station are set is a lead’s to say, and what was measured of the air can be forgotten', async () => {
  const lead = world.own.get('lead')!;
  const film = { low: 200, likely: 260, high: 330 };
  expect(await changeWorkshop(ines, { do: 'press', force: 75, unit: 'kgf' })).toMatchObject({ status: 403 });
  expect(await changeWorkshop(lead, { do: 'press', force: 0, unit: 'kgf' })).toMatchObject({ status: 400 });
  expect(await changeWorkshop(lead, { do: 'press', force: 0.7, unit: 'kN' })).toMatchObject({ ok: true });
  expect(await changeWorkshop(lead, { do: 'hot air', filmWm2K: film, readings: 2 })).toMatchObject({
    ok: true,
  });
  expect((await workshopPage(lead)).settings).toMatchObject({
    press: { force: 0.7, unit: 'kN' },
    hotAir: { filmWm2K: film, readings: 2 },
  });
  await changeWorkshop(lead, { do: 'hot air', filmWm2K: film, readings: 0, forget: true });
  expect((await workshopPage(lead)).settings.hotAir).toBeUndefined();
});
