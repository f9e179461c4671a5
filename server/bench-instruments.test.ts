import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { BodyOf } from '../core/log/events';
import type { PressedDevice, PressLine } from '../core/wire/press-run';
import type { Who } from '../core/wire/who';
import { eventsOf, makeWorld, openJob, type World } from './testing/world';
import { readPlate, setPlate } from './use-cases/hot-plate';
import { press, pressCurve } from './use-cases/press';
import { sendCommands } from './use-cases/send-commands';
import { cmd } from './testing/world';
import { startUsbMeter } from './instruments/usb-meter';
import { tryInstrument } from './use-cases/instruments';
import { usbMeter } from './use-cases/usb-meter';
import { changeWorkshop, workshopPage } from './use-cases/workshop';

let world: World;
let tova: Who;
let job: string;
beforeAll(async () => {
  process.env.SNAVEK_PRESS_SPEED = '40';
  world = await makeWorld();
  // the demo's stand-ins
  tova = { ...world.own.get('technician')!, demo: true };
  job = await openJob(world, tova);
}, 120_000);
afterAll(async () => {
  delete process.env.SNAVEK_PRESS_SPEED;
});
const run = async (simulate: PressedDevice, who = tova, of = job, begins = false): Promise<PressLine> => {
  const lines: PressLine[] = [];
  const ask = { command: randomUUID(), at: Date.now(), clockKnown: true, target: 'frame', holdS: 30 };
  await press(who, of, { ...ask, begins, simulate }, (l) => lines.push(l));
  expect(lines.filter((l) => l.say === 'pressing').length).toBeGreaterThanOrEqual(lines.length - 1);
  return lines.at(-1)!;
};

describe('a press with its gauge', () => {
  test('that held is in the log with its figures, and its curve is kept whole', async () => {
    // 75 kgf are 735.5 N
    expect(await run('holds')).toMatchObject({ say: 'pressed', pressed: { verdict: 'held' } });
    const last = (await eventsOf(tova, job)).at(-1)!.event.body as BodyOf<'pressRead'>;
    expect(last).toMatchObject({
      type: 'pressRead',
      target: 'frame',
      held: true,
      setN: 735.5,
      simulated: true,
    });
    const curve = (await pressCurve(tova, job, last.id))!;
    expect(curve).toMatchObject({ setN: 735.5, holdS: 30, instrument: expect.stringContaining('FORCE') });
    // ten readings a second: two to come to it, thirty of hold, one to let go
    expect(curve.samples).toHaveLength(331);
    expect(await pressCurve(world.other.get('owner')!, job, last.id)).toBeUndefined();
  });
  test('that slips or is too weak is recorded as what it was', async () => {
    expect(await run('slips')).toMatchObject({ pressed: { verdict: 'too short' } });
    expect(await run('weak')).toMatchObject({ pressed: { verdict: 'too weak' } });
    expect((await eventsOf(tova, job)).at(-1)!.event.body).toMatchObject({ type: 'pressRead', held: false });
  });
  test('does not move where a rule stands against it: over a swollen cell', async () => {
    const bad = await openJob(world, tova);
    await sendCommands(tova, [
      cmd(tova, bad, { type: 'conditionSet', condition: 'swollen', because: 'it stands proud' }),
    ]);
    const before = (await eventsOf(tova, bad)).length;
    expect(await run('holds', tova, bad, true)).toMatchObject({ fault: 'stopped by a rule' });
    const types = (await eventsOf(tova, bad)).slice(before).map((e) => e.event.body.type);
    expect(types).not.toContain('pressRead');
  });
  test('is nobody else’s, and an ask that is none is refused', async () => {
    expect(await run('holds', world.other.get('owner')!)).toMatchObject({ fault: 'no such job' });
    const lines: PressLine[] = [];
    await press(tova, job, { target: 'frame' }, (l) => lines.push(l));
    expect(lines).toMatchObject([{ fault: 'not understood' }]);
  });
  test('models that there is a plate for are kept, and none is every one', async () => {
    const lead = world.own.get('lead')!;
    const ask = { do: 'press', force: 75, unit: 'kgf' };
    await changeWorkshop(lead, { ...ask, models: ['mica-9'] });
    expect((await workshopPage(lead)).settings.press).toEqual({ force: 75, unit: 'kgf', models: ['mica-9'] });
    await changeWorkshop(lead, ask);
    expect((await workshopPage(lead)).settings.press).toEqual({ force: 75, unit: 'kgf' });
  });
});
describe('the hot plate', () => {
  test('is set, warms with its ramp, is off again; beyond its scale it says so', async () => {
    // a workshop's plate is on through the day
    expect(await readPlate(tova)).toMatchObject({ ok: true, on: true, setC: 80, nowC: 80 });
    expect(await setPlate(tova, { on: true, setC: 95 })).toMatchObject({ ok: true, on: true, setC: 95 });
    await new Promise((r) => setTimeout(r, 1500));
    const warmer = await readPlate(tova);
    expect(warmer).toMatchObject({ ok: true, on: true });
    expect(warmer.ok && warmer.nowC).toBeGreaterThan(80.5);
    expect(await setPlate(tova, { on: true, setC: 399 })).toMatchObject({ ok: false, outOfRange: true });
    expect(await setPlate(tova, { on: true, setC: 'hot' })).toMatchObject({ ok: false });
    expect(await setPlate(tova, { on: false, setC: 80 })).toMatchObject({ ok: true, on: false });
  });
});
describe('the USB meter', () => {
  test('says voltage and current of what hangs at it; an ask that is none is not understood', async () => {
    expect(await usbMeter(tova, {})).toEqual({ ok: true, volt: 5.02, ampere: 1.43, simulated: true });
    expect(await usbMeter(tova, { simulate: 'dead port' })).toMatchObject({ ok: true, ampere: 0.003 });
    expect(await usbMeter(tova, { simulate: 'hammer' })).toMatchObject({ ok: false });
  });
});

describe('a workshop of one’s own', () => {
  const own = () => ({ ...tova, demo: false });
  const set = (instrument: string, address: unknown, who = world.own.get('lead')!) =>
    changeWorkshop(who, { do: 'instrument', instrument, address });
  const fresh = async () => ({ ...own(), settings: (await workshopPage(tova)).settings });

  test('has no instrument before it is set up: nothing is read, and nothing recorded', async () => {
    const before = (await eventsOf(tova, job)).length;
    expect(await usbMeter(own(), {})).toEqual({ ok: false, said: 'not set up: Workshop, Instruments' });
    expect(await readPlate(own())).toMatchObject({ ok: false });
    expect(await run('holds', own())).toMatchObject({ say: 'failed', fault: 'no gauge' });
    expect((await eventsOf(tova, job)).length).toBe(before);
  });
  test('an address is tried, kept by an owner or a lead, and asked; what it says is no stand-in’s', async () => {
    const meter = await startUsbMeter();
    const address = `127.0.0.1:${meter.port}`;
    const lead = world.own.get('lead')!;
    const tried = (who: Who, at: unknown) =>
      tryInstrument(who, { do: 'try instrument', instrument: 'usb-meter', address: at });
    expect(await tried(lead, address)).toEqual({ ok: true, name: expect.stringContaining('USB METER') });
    expect(await tried(tova, address)).toEqual({ ok: false, said: 'not allowed' });
    expect(await tried(lead, '127.0.0.1:1')).toMatchObject({ ok: false });
    expect(await set('usb-meter', address, tova)).toMatchObject({ status: 403 });
    for (const bad of ['meter', 'meter:0', 'meter:65536', 'a b:1', 'http://x:1', 7, ''])
      expect(await set('usb-meter', bad), String(bad)).toMatchObject({ ok: false, status: 400 });
    expect(await set('usb-meter', address)).toMatchObject({ ok: true });
    expect(await usbMeter(await fresh(), {})).toEqual({ ok: true, volt: 5.02, ampere: 1.43 });
    await meter.stop();
    expect(await usbMeter(await fresh(), {})).toMatchObject({ ok: false });
    expect(await set('usb-meter', null)).toMatchObject({ ok: true });
    expect((await fresh()).settings.instruments).toEqual({});
  });
});
