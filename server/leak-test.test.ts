import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { LeakDevice, LeakLine } from '../core/wire/leak-test';
import type { Who } from '../core/wire/who';
import { eventsOf, makeWorld, openJob, type World } from './testing/world';
import { leakCurve, leakSelfTest, leakTest } from './use-cases/leak-test';
import type { Body } from '../core/log/events';
import { cmd } from './testing/world';
import { sendCommands } from './use-cases/send-commands';
import { changeWorkshop, workshopPage } from './use-cases/workshop';

let world: World;
let tova: Who;
let job: string;
beforeAll(async () => {
  process.env.SNAVEK_LEAK_SPEED = '60';
  world = await makeWorld();
  const lead = world.own.get('lead')!;
  // the demo's stand-ins
  tova = { ...world.own.get('technician')!, demo: true };
  expect(
    await changeWorkshop(tova, { do: 'leak tester', setPa: 20_000, holdS: 20, limitPaS: 2 }),
  ).toMatchObject({
    status: 403,
  });
  for (const bad of [{ holdS: 0 }, { setPa: 0 }, { limitPaS: -1 }, { setPa: 'much' }])
    expect(
      await changeWorkshop(lead, { do: 'leak tester', setPa: 20_000, holdS: 20, limitPaS: 2, ...bad }),
    ).toMatchObject({ ok: false, status: 400 });
  expect(
    await changeWorkshop(lead, { do: 'leak tester', setPa: 20_000, holdS: 20, limitPaS: 2 }),
  ).toMatchObject({
    ok: true,
  });
  tova = { ...tova, settings: (await workshopPage(tova)).settings };
  job = await openJob(world, tova);
}, 120_000);
afterAll(async () => {
  delete process.env.SNAVEK_LEAK_SPEED;
});
const run = async (simulate: LeakDevice, who = tova, of = job): Promise<LeakLine[]> => {
  const lines: LeakLine[] = [];
  await leakTest(who, of, { command: randomUUID(), at: Date.now(), clockKnown: true, simulate }, (l) =>
    lines.push(l),
  );
  return lines;
};
/** What its own test came to, when it found its reference leak. */
const found = (at: number) => ({
  ...{ at, by: tova.personId, ratePaS: 2, errorPaS: 0.01, referencePaS: 2, ok: true },
});
const doneOf = (lines: LeakLine[]) =>
  lines.find((l) => l.say === 'done') as Extract<LeakLine, { say: 'done' }>;

describe('a leak test at the tester', () => {
  test('of a device that holds is in the log with its figures, and its curve is kept whole', async () => {
    const lines = await run('tight');
    expect(lines[0]).toMatchObject({
      say: 'begun',
      volumeMl: 80,
      instrument: expect.stringContaining('LEAK'),
    });
    const { answer, measurement, outcome } = doneOf(lines);
    expect(answer).toMatchObject({ verdict: 'pass' });
    expect(answer.settling.amplitudePa).toBeGreaterThan(30);
    expect(outcome).toMatchObject({ status: 'recorded' });
    const last = (await eventsOf(tova, job)).at(-1)!.event.body;
    expect(last).toMatchObject({
      type: 'leakTested',
      holds: true,
      measured: { id: measurement, setPa: 20_000, holdS: 20, limitPaS: 2 },
      // it has not found its reference leak, and is a stand-in
      proved: false,
      simulated: true,
    });
    const curve = (await leakCurve(tova, job, measurement))!;
    // twenty readings a second over twenty seconds, both ends
    expect(curve.samples).toHaveLength(401);
    expect(curve.samples.at(-1)!.tS).toBe(20);
    // what settles in the stand-in, give or take its noise
    expect(Math.abs(curve.settledPa - 60)).toBeLessThan(6);
    expect(await leakCurve(world.other.get('owner')!, job, measurement)).toBeUndefined();
  });
  test('one that leaks fails, with the loss that it has; what settles for long is told from a leak', async () => {
    const leaks = doneOf(await run('leaks'));
    expect(leaks.answer.verdict).toBe('fail');
    // the stand-in loses 14 Pa/s
    expect(Math.abs(leaks.answer.rateSteadyPaS! - 14)).toBeLessThan(3 * leaks.answer.rateErrorPaS! + 0.2);
    expect((await eventsOf(tova, job)).at(-1)!.event.body).toMatchObject({
      type: 'leakTested',
      holds: false,
    });
    const settles = doneOf(await run('settles'));
    expect(settles.answer.verdict).not.toBe('fail');
    expect(settles.answer.dropPa).toBeGreaterThan(300);
  });
  test('one that is never drawn down leaks grossly: it fails, and what was reached is kept', async () => {
    const { answer, measurement, outcome } = doneOf(await run('open'));
    expect(answer).toMatchObject({
      verdict: 'fail',
      because: 'gross leak: 4.0 kPa of 20.0 kPa reached when the hold began',
    });
    expect(answer.rateSteadyPaS).toBeUndefined();
    expect(outcome).toMatchObject({ status: 'recorded' });
    const { body } = (await eventsOf(tova, job)).at(-1)!.event;
    expect(body).toMatchObject({ type: 'leakTested', holds: false, lost: { value: 16_000, unit: 'Pa' } });
    expect((body as { measured?: object }).measured).not.toHaveProperty('ratePaS');
    expect((await leakCurve(tova, job, measurement))!.samples).toEqual([{ tS: 0, pPa: -4000 }]);
  });
  test('what the workshop says may be lost counts, within its bounds', async () => {
    const lead = world.own.get('lead')!;
    const set = { do: 'leak tester', setPa: 20_000, holdS: 20, limitPaS: 50 };
    for (const bad of [{ lossShare: 0.5 }, { lossShare: 0 }, { fillS: 1 }, { fillS: 400 }])
      expect(await changeWorkshop(lead, { ...set, ...bad })).toMatchObject({ status: 400 });
    const withShare = async (lossShare: number) => {
      expect(await changeWorkshop(lead, { ...set, lossShare })).toMatchObject({ ok: true });
      const who = { ...tova, settings: (await workshopPage(tova)).settings };
      return doneOf(await run('leaks', who)).answer.verdict;
    };
    // it loses 14 Pa/s and 60 Pa, 340 Pa in all
    expect([await withShare(0.015), await withShare(0.05)]).toEqual(['fail', 'pass']);
  });
  test('one that still cools is unclear: nothing is said of it in the log, and the curve is kept', async () => {
    const before = (await eventsOf(tova, job)).length;
    const { answer, measurement, outcome } = doneOf(await run('warm'));
    expect(answer.verdict).toBe('unclear');
    expect(answer.because).toMatch(/K that nobody measured/);
    expect(outcome).toBeUndefined();
    expect((await eventsOf(tova, job)).length).toBe(before);
    expect(await leakCurve(tova, job, measurement)).toBeDefined();
  });
  test('a tester that stops, or is unplugged, half-way gives no test', async () => {
    const before = (await eventsOf(tova, job)).length;
    expect((await run('stops')).at(-1)).toMatchObject({ say: 'failed', fault: 'stopped' });
    expect((await run('unplugged')).at(-1)).toMatchObject({ say: 'failed', fault: 'no tester' });
    expect((await eventsOf(tova, job)).length).toBe(before);
  });
  test('finds its reference leak once a day, and tests no device after it did not', async () => {
    const lead = world.own.get('lead')!;
    const try_ = async (simulate: string, who = tova) => {
      const lines: LeakLine[] = [];
      await leakSelfTest(who, { simulate }, (l) => lines.push(l));
      tova = { ...tova, settings: (await workshopPage(tova)).settings };
      return lines.at(-1)!;
    };
    expect(await try_('reference')).toMatchObject({ fault: 'no reference' });
    const set = { do: 'leak tester', setPa: 20_000, holdS: 20, limitPaS: 2 };
    expect(await changeWorkshop(lead, { ...set, referencePaS: 0 })).toMatchObject({ status: 400 });
    expect(await changeWorkshop(lead, { ...set, referencePaS: 2 })).toMatchObject({ ok: true });
    tova = { ...tova, settings: (await workshopPage(tova)).settings };
    expect(await try_('reference', { ...tova, role: 'trainee' })).toMatchObject({ fault: 'not allowed' });
    expect(await try_('hose leaks')).toMatchObject({
      say: 'tried',
      selfTest: { ok: false, referencePaS: 2 },
    });
    expect(await run('tight')).toMatchObject([{ fault: 'own test failed' }]);
    expect(await try_('reference')).toMatchObject({ selfTest: { ok: true } });
    expect(doneOf(await run('tight')).answer.verdict).toBe('pass');
    // what it made of its reference leak says nothing once it is set otherwise
    await changeWorkshop(lead, { ...set, referencePaS: 2 });
    expect((await workshopPage(tova)).settings.leakSelfTest).toBeUndefined();
  });
  test('figures that a bench sends by itself are no proof, and proof is what the server knows of', async () => {
    const sent = async (who: Who, body: object) => {
      await sendCommands(who, [cmd(who, job, { type: 'leakTested', holds: true, ...body } as Body)]);
      return (await eventsOf(tova, job)).at(-1)!.event.body;
    };
    const lost = (value: number) => ({ value, unit: 'Pa' as const });
    const lately = { ...tova, settings: { ...tova.settings, leakSelfTest: found(Date.now() - 60_000) } };
    const longAgo = { ...tova, settings: { ...tova.settings, leakSelfTest: found(Date.now() - 90_000_000) } };
    expect(await sent(lately, { lost: lost(1), proved: true })).toMatchObject({ proved: true });
    expect(await sent(longAgo, { lost: lost(2), proved: true })).toMatchObject({
      lost: lost(2),
      proved: false,
    });
    const measured = {
      ...{ id: randomUUID(), setPa: 20_000, holdS: 20, limitPaS: 2 },
      ...{ ratePaS: 0.1, errorPaS: 0.01, sccm: 0.01 },
    };
    expect(await sent(lately, { lost: lost(3), measured, proved: true })).toMatchObject({ proved: false });
  });
  test('for nobody else’s job, and with no tester set', async () => {
    const other = { ...world.other.get('owner')!, settings: tova.settings };
    expect(await run('tight', other)).toEqual([{ say: 'failed', fault: 'no such job', said: '' }]);
    // a workshop of one's own has no tester before its address is kept
    expect((await run('tight', { ...tova, demo: false })).at(-1)).toMatchObject({
      fault: 'no tester',
      said: 'not set up: Workshop, Instruments',
    });
    const { leakTester: _, ...settings } = tova.settings;
    expect(await run('tight', { ...tova, settings })).toMatchObject([{ fault: 'not set' }]);
    const lines: LeakLine[] = [];
    await leakTest(tova, job, { simulate: 'hammer' }, (l) => lines.push(l));
    expect(lines).toMatchObject([{ say: 'failed', fault: 'not understood' }]);
  });
});
