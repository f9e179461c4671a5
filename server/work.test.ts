import { randomUUID } from 'node:crypto';
import { beforeAll, describe, expect, test } from 'vitest';
import type { Body } from '../core/log/events';
import { originalPiece } from '../core/vocabulary/pieces';
import { placeOf } from '../core/log/view';
import { indexModel } from '../core/model/index-model';
import { inShop } from './db/orm';
import { startProgrammer } from './instruments/programmer-simulator';
import { quoted, Scpi, ScpiFault } from './instruments/scpi';
import { identityData } from './use-cases/identity-data';
import { jobPage } from './use-cases/job-page';
import { sendCommands } from './use-cases/send-commands';
import { changeSpares, sparesCsv, sparesPage } from './use-cases/spares';
import { eventsOf, makeWorld, openJob, type World } from './testing/world';
import type { Who } from '../core/wire/who';

let world: World;
let tova: Who;
let ines: Who;
beforeAll(async () => {
  world = await makeWorld();
  // the demo's stand-ins
  tova = { ...world.own.get('technician')!, demo: true };
  // the demo's stand-ins
  ines = { ...world.own.get('owner')!, demo: true };
}, 120_000);
const send = async (who: Who, job: string, body: Body, more: Record<string, unknown> = {}) =>
  (
    await sendCommands(who, [
      { id: randomUUID(), job, person: who.personId, body, at: Date.now(), clockKnown: true, ...more },
    ])
  )[0]!.outcome;

describe('the spares box', () => {
  const csv =
    'drive,thread,length_mm,head_mm,count,note\r\nPH000,M1.2,"1,4",1.8,3,"from kits, mixed"\r\nY000,M1.2,1.3,1.8,2,\r\n';
  test('takes a CSV in whole or not at all, adds to what is there, and gives the same file out again', async () => {
    expect(await changeSpares(ines, { do: 'import', csv })).toMatchObject({
      ok: true,
      said: '2 kinds of screw taken in.',
    });
    expect(await changeSpares(ines, { do: 'import', csv })).toMatchObject({ ok: true });
    expect((await sparesPage(ines)).map((s) => [s.drive, s.lengthMm, s.count])).toEqual([
      ['PH000', 1.4, 6],
      ['Y000', 1.3, 4],
    ]);
    const out = await sparesCsv(ines);
    expect(out.split('\r\n').slice(0, 2)).toEqual([
      'drive,thread,length_mm,head_mm,count,note',
      'PH000,M1.2,1.4,1.8,6,"from kits, mixed"',
    ]);
    const wrong = await changeSpares(ines, {
      do: 'import',
      csv: 'drive,thread,length_mm,head_mm\nPH000,M1.2,1.4,1.8\ndisc,M9,0,1.8\n',
    });
    expect(wrong).toMatchObject({ ok: false, status: 400 });
    expect(wrong.ok ? '' : wrong.errors.csv).toMatch(
      /^Nothing was taken in\. line 3, drive: One of: .*line 3, thread: A metric thread.*line 3, length_mm:/,
    );
    expect((await sparesPage(ines)).map((s) => s.count)).toEqual([6, 4]);
  });
  test('is filled by an owner or a lead, and never seen by another workshop', async () => {
    expect(
      await changeSpares(tova, {
        do: 'add',
        screw: { drive: 'P2', thread: 'M1.4', length_mm: '6.7', head_mm: '1.5' },
      }),
    ).toMatchObject({ ok: false, status: 403 });
    expect(await sparesPage(world.other.get('owner')!)).toEqual([]);
  });
  test('a screw taken for a hole is one less in the box; what is too long for the hole is refused and stays there', async () => {
    const job = await openJob(world, tova);
    const index = indexModel((await jobPage(tova, job))!.model);
    const hole = index.model.fasteners.find((f) => f.drive === 'Y000' && f.lengthMm === 1.3)!;
    const short = index.model.fasteners.find(
      (f) => f.thread === 'M1.2' && (f.maxLengthMm ?? f.lengthMm) < 1.4 && f.lengthMm < 1.35,
    )!;
    const [ph, y] = await sparesPage(ines);
    await send(tova, job, { type: 'screwOut', fastener: hole.id, piece: originalPiece(hole.id) });
    await send(tova, job, { type: 'lost', piece: originalPiece(hole.id) });
    const take = (s: typeof ph, fastener: string): Body => ({
      type: 'substituted',
      fastener,
      piece: `${fastener}#2`,
      spare: s!.id,
      drive: s!.drive as 'P2',
      thread: s!.thread,
      lengthMm: 0.5,
      headMm: 0.5,
    });
    expect(await send(tova, job, take(y, hole.id))).toMatchObject({ status: 'recorded' });
    // what it is, is what the box says, whatever the browser claimed
    const state = (await jobPage(tova, job))!.state;
    expect(state.spec[`${hole.id}#2`]).toEqual({ drive: 'Y000', thread: 'M1.2', lengthMm: 1.3, headMm: 1.8 });
    expect(state.place[`${hole.id}#2`]).toBe(`mat/${hole.id}`);
    expect(state.place[`${hole.id}#1`]).toBe('adrift');
    expect(await send(tova, job, take(ph, short.id))).toMatchObject({
      status: 'refused',
      refused: { code: 'interlock', findings: [{ rule: 'substitute does not fit' }] },
    });
    expect((await sparesPage(ines)).map((s) => s.count)).toEqual([6, 3]);
    for (let k = 0; k < 3; k++) await changeSpares(ines, { do: 'count', id: y!.id, by: -1 });
    expect(await send(tova, job, { ...take(y, hole.id), piece: `${hole.id}#3` } as Body)).toMatchObject({
      status: 'refused',
      refused: { code: 'no such part' },
    });
  });
});

describe('the programmer’s lines (SCPI-99, IEEE 488.2 common commands)', () => {
  test('answers *IDN? and *OPC?, keeps an error queue that empties to no error, and refuses an unknown header with -113', async () => {
    const sim = await startProgrammer();
    const scpi = await Scpi.open('127.0.0.1', sim.port);
    expect((await scpi.ask('*IDN?')).split(',')).toHaveLength(4);
    await scpi.tell('*RST');
    await expect(scpi.tell('DANCE:NOW 3')).rejects.toMatchObject({ code: -113 });
    expect(await scpi.ask('SYST:ERR?')).toBe('0,"No error"');
    await expect(scpi.tell(`ADAP:SEL ${quoted('a model of nobody')}`)).rejects.toBeInstanceOf(ScpiFault);
    scpi.close();
    await sim.stop();
    await expect(Scpi.open('127.0.0.1', sim.port, 500)).rejects.toMatchObject({ code: 0 });
  });
});

describe('identity data', () => {
  const ask = (job: string, what: 'read' | 'write', simulate = 'none') =>
    identityData(tova, job, {
      do: what,
      command: randomUUID(),
      slot: 'display',
      at: Date.now(),
      clockKnown: true,
      simulate,
    });
  test('of the old part are read, checked and saved with the job; written to the new one, read back and compared', async () => {
    const job = await openJob(world, tova, { tasks: [{ slot: 'display', action: 'replace' }] });
    expect(await ask(job, 'write')).toMatchObject({ ok: false, fault: 'nothing saved' });
    const read = await ask(job, 'read');
    expect(read).toMatchObject({ ok: true, outcome: { status: 'recorded' } });
    const digest = read.ok ? read.digest : '';
    const rows = await inShop(tova.shopId, (em) =>
      em.execute<{ digest: string; hex: string; slot: string }[]>(
        `select digest, hex, slot from identity_data where job_id = ?`,
        [job],
      ),
    );
    expect(rows).toMatchObject([{ digest, slot: 'display' }]);
    expect(rows[0]!.hex).toMatch(/^[0-9a-f]{128}$/);
    expect(await ask(job, 'write')).toMatchObject({ ok: true, digest });
    expect((await jobPage(tova, job))!.state.data.display).toBe('written');
    expect(
      (await eventsOf(tova, job)).map((e) => e.event.body).filter((b) => b.type.startsWith('data')),
    ).toMatchObject([
      { type: 'dataRead', data: digest, simulated: true },
      { type: 'dataWritten', verified: true, data: digest, simulated: true },
    ]);
  });
  test.each([
    ['unreadable', 'unreadable'],
    ['wrong model', 'wrong model'],
    ['checksum', 'checksum'],
  ])('a part that is %s is told as such, and nothing is recorded as read', async (simulate, fault) => {
    const job = await openJob(world, tova, { tasks: [{ slot: 'display', action: 'replace' }] });
    expect(await ask(job, 'read', simulate)).toMatchObject({ ok: false, fault });
    expect((await jobPage(tova, job))!.state.data.display).toBeUndefined();
    expect(await ask(job, 'read')).toMatchObject({ ok: true });
  });
  test.each([
    ['power', 'power lost'],
    ['checksum', 'differs'],
  ])(
    '%s while writing: recorded as not proved, the saved data stay, and writing again puts it right',
    async (simulate, fault) => {
      const job = await openJob(world, tova, { tasks: [{ slot: 'display', action: 'replace' }] });
      await ask(job, 'read');
      expect(await ask(job, 'write', simulate)).toMatchObject({ ok: false, fault });
      expect((await jobPage(tova, job))!.state.data.display).toBe('unverified');
      expect(await ask(job, 'write')).toMatchObject({ ok: true });
      expect((await jobPage(tova, job))!.state.data.display).toBe('written');
    },
  );
  test('the same request twice is one entry', async () => {
    const job = await openJob(world, tova, { tasks: [{ slot: 'display', action: 'replace' }] });
    const same = {
      do: 'read' as const,
      command: randomUUID(),
      slot: 'display',
      at: Date.now(),
      clockKnown: true,
    };
    await identityData(tova, job, same);
    await identityData(tova, job, same);
    expect((await eventsOf(tova, job)).filter((e) => e.event.body.type === 'dataRead')).toHaveLength(1);
  });
});

describe('what is noted of a thing', () => {
  test('is shown on the next job with this model, but not to another workshop, and not when it was taken back', async () => {
    const first = await openJob(world, tova);
    await send(tova, first, { type: 'noted', text: 'head is soft', thing: 'C3' });
    const back = await send(tova, first, { type: 'noted', text: 'wrong device', thing: 'C3', finding: true });
    await send(tova, first, {
      type: 'retracted',
      event: back.status === 'recorded' ? back.events[0]!.id : '',
    });
    const next = await openJob(world, tova);
    expect((await jobPage(tova, next))!.modelNotes.map((l) => [l.thing, l.text, l.finding])).toEqual([
      ['C3', 'head is soft', false],
    ]);
    const other = world.other.get('technician')!;
    expect((await jobPage(other, await openJob(world, other)))!.modelNotes).toEqual([]);
  });
});

describe('two benches that have not heard of each other', () => {
  test('contradict each other: both stand, the gates are shut, until one who has looked names the truth', async () => {
    const job = await openJob(world, tova);
    const marek = world.own.get('lead')!;
    const { state, model } = (await jobPage(tova, job))!;
    const index = indexModel(model);
    const heard = state.seq;
    expect(
      await send(tova, job, { type: 'screwOut', fastener: 'A1', piece: 'A1#1' }, { seen: heard }),
    ).toMatchObject({ status: 'recorded' });
    expect(await send(marek, job, { type: 'lost', piece: 'A1#1' }, { seen: heard })).toMatchObject({
      status: 'recorded',
      events: [
        {
          breach: [
            {
              rule: 'two accounts',
              ids: ['piece A1#1'],
              claims: [
                { by: tova.personId, value: 'mat/A1' },
                { by: marek.personId, value: 'adrift' },
              ],
            },
          ],
        },
      ],
    });
    expect(
      await send(tova, job, { type: 'heatStarted', station: 'hot-plate', forS: 180, hot: 'said' }),
    ).toMatchObject({
      status: 'refused',
      refused: { code: 'interlock' },
    });
    const after = (await jobPage(tova, job))!.state;
    const [question] = Object.keys(after.question).filter((q) => after.question[q]);
    expect(
      await send(tova, job, {
        type: 'truthNamed',
        question: question!,
        about: 'piece A1#1',
        value: 'mat/A1',
      }),
    ).toMatchObject({ status: 'recorded' });
    const end = (await jobPage(tova, job))!.state;
    expect(placeOf(end, 'A1#1', index)).toBe('mat/A1');
    expect(Object.values(end.question).filter(Boolean)).toEqual([]);
    expect(
      await send(tova, job, { type: 'heatStarted', station: 'hot-plate', forS: 180, hot: 'said' }),
    ).toMatchObject({
      status: 'recorded',
    });
  });
  test('say the same: one event; and whoever had heard of the other contradicts nobody', async () => {
    const job = await openJob(world, tova);
    const marek = world.own.get('lead')!;
    const heard = (await jobPage(tova, job))!.state.seq;
    await send(tova, job, { type: 'screwOut', fastener: 'A1', piece: 'A1#1' }, { seen: heard });
    expect(
      await send(marek, job, { type: 'screwOut', fastener: 'A1', piece: 'A1#1' }, { seen: heard }),
    ).toMatchObject({ status: 'already' });
    expect(
      await send(marek, job, { type: 'screwIn', fastener: 'A1', piece: 'A1#1' }, { seen: heard + 1 }),
    ).toMatchObject({
      status: 'recorded',
      events: [expect.not.objectContaining({ breach: expect.anything() })],
    });
  });
});

test('an entry of another version of the app that cannot be read is refused by itself; those around it are taken', async () => {
  const job = await openJob(world, tova);
  const command = (body: object) => ({
    id: randomUUID(),
    job,
    person: tova.personId,
    body,
    at: Date.now(),
    clockKnown: true,
  });
  const answers = await sendCommands(tova, [
    command({ type: 'noted', text: 'one' }),
    command({ type: 'of a later version', what: 1 }),
    command({ type: 'noted', text: 'two' }),
  ]);
  expect(answers.map((a) => a.outcome.status)).toEqual(['recorded', 'refused', 'recorded']);
  expect(answers[1]!.outcome).toMatchObject({ refused: { code: 'not understood' } });
});
