import { randomUUID } from 'node:crypto';
import { beforeAll, describe, expect, test } from 'vitest';
import { formBody, jsonBody, localPath, requireSameOrigin } from '../app/context';
import { action as commands } from '../app/routes/work/commands';
import type { Body, JobEvent } from '../core/log/events';
import { originalPiece } from '../core/vocabulary/pieces';
import { holdStream, endStreamsOf, mostStreams } from './auth/streams';
import { asOwner, canWrite, getOrm, isDatabaseAway } from './db/orm';
import { call, cmd, eventsOf, makeWorld, openJob, receipt, type World } from './testing/world';
import type { Who } from '../core/wire/who';
import { jobPage } from './use-cases/job-page';
import { modelNotesOf } from './db/notes';
import { receiveJob } from './use-cases/receive-job';
import { sendCommands } from './use-cases/send-commands';
import { signIn } from './use-cases/sign-in';
import { inShop } from './db/orm';

let world: World;
let tova: Who;
let marek: Who;
let bo: Who;
beforeAll(async () => {
  world = await makeWorld();
  tova = world.own.get('technician')!;
  marek = world.own.get('lead')!;
  bo = world.own.get('trainee')!;
}, 120_000);

const out = (f: string): Body => ({ type: 'screwOut', fastener: f, piece: originalPiece(f) });
const request = (headers: Record<string, string> = {}, body = '', method = 'POST') =>
  new Request('http://bench.local/x', { method, headers, ...(method === 'GET' ? {} : { body }) });
const statusOf = async (work: () => unknown): Promise<number> => {
  try {
    await work();
    return 200;
  } catch (e) {
    if (e instanceof Response) return e.status;
    throw e;
  }
};

describe('text that is no text, and times beyond the calendar', () => {
  test.each([
    ['a NUL', { type: 'noted', text: 'a\u0000b' }],
    ['half a character', { type: 'noted', text: 'a\ud800' }],
    ['a name that every object has', { type: 'enrolled', what: 'constructor' }],
    ['a promise at 9e15', { type: 'promised', at: 9e15, as: '' }],
    ['a piece that no device has', { type: 'found', piece: 'A1#0' }],
  ])('%s is refused by itself, and what lies behind it goes on', async (_name, body) => {
    const job = await openJob(world, tova);
    const answer = await call(
      commands as never,
      tova,
      '/commands',
      {},
      {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ commands: [cmd(tova, job, body as Body), cmd(tova, job, out('A1'))] }),
      },
    );
    const { answers } = answer.body as { answers: { outcome: { status: string } }[] };
    expect(answers.map((a) => a.outcome.status)).toEqual(['refused', 'recorded']);
  });
  test('a time beyond the calendar is refused with the command', async () => {
    const job = await openJob(world, tova);
    const [a] = await sendCommands(tova, [cmd(tova, job, out('A1'), { at: 9e15 })]);
    expect(a!.outcome).toMatchObject({ status: 'refused', refused: { code: 'not understood' } });
  });
  test('in any other body it is told where it stands', async () => {
    const bad = request(
      { 'content-type': 'application/json' },
      JSON.stringify({ part: { name: 'a\u0000' } }),
    );
    await expect(jsonBody(bad)).rejects.toMatchObject({ status: 400 });
    expect(await receiveJob(tova, randomUUID(), null, Date.now())).toMatchObject({ ok: false });
    const far = receipt(world.models.get('mica-9')!, { promisedAt: 9e15 });
    expect(await receiveJob(tova, randomUUID(), far, Date.now())).toMatchObject({
      ok: false,
      errors: { promisedAt: expect.any(String) },
    });
  });
});

describe('what a person decided cannot be forged', () => {
  test('an override is written by a decision only', async () => {
    const job = await openJob(world, bo);
    const forged: Body = {
      type: 'overridden',
      rule: 'cell first off',
      reason: 'forged',
      confirmedBy: marek.personId,
    };
    const [a] = await sendCommands(bo, [cmd(bo, job, forged)]);
    expect(a!.outcome.status).toBe('refused');
    expect((await eventsOf(bo, job)).some((e) => e.event.body.type === 'overridden')).toBe(false);
  });
  test('a consent names a signature that was taken for this job', async () => {
    const job = await openJob(world, tova, {}, false);
    const consent: Body = { type: 'consentGiven', effect: 'water', by: 'owner', signature: randomUUID() };
    const [a] = await sendCommands(tova, [cmd(tova, job, consent)]);
    expect(a!.outcome).toMatchObject({
      status: 'refused',
      refused: { code: 'unknown thing', id: 'signature' },
    });
  });
  test('what was refused is not passed by saying that it was passed', async () => {
    const job = await openJob(world, bo);
    await sendCommands(bo, [cmd(bo, job, { type: 'conditionSet', condition: 'swollen', because: 'seen' })]);
    const seq = (await jobPage(bo, job))!.state.seq;
    const heat: Body = { type: 'heatStarted', station: 'hot-plate', forS: 180, hot: 'said' };
    for (const passedAt of [seq, seq + 50]) {
      const [a] = await sendCommands(bo, [cmd(bo, job, heat, { passedAt })]);
      expect(a!.outcome, String(passedAt)).toMatchObject({
        status: 'refused',
        refused: { code: 'interlock' },
      });
    }
    // on a copy that had not heard of it yet, it was passed: that is a breach, and it is asked about
    const [late] = await sendCommands(bo, [cmd(bo, job, heat, { passedAt: seq - 1 })]);
    expect(late!.outcome).toMatchObject({ status: 'recorded' });
    expect((late!.outcome as { events: JobEvent[] }).events.at(-1)!.breach).toEqual([
      { rule: 'no heat on this cell', ids: ['swollen'] },
    ]);
  });
  test('a bench clock an hour ahead ends no wait', async () => {
    const job = await openJob(world, tova);
    await sendCommands(tova, [cmd(tova, job, { type: 'solventApplied', bond: 'seal', dwellS: 0 })]);
    const heat: Body = { type: 'heatStarted', station: 'hot-plate', forS: 180, hot: 'said' };
    const [a] = await sendCommands(tova, [cmd(tova, job, heat, { at: Date.now() + 3_600_000 })]);
    expect(a!.outcome).toMatchObject({
      status: 'refused',
      refused: { code: 'interlock', findings: [{ rule: 'solvent still wet' }] },
    });
    // passed at the bench by its own clock: recorded as the breach that it is
    const seq = (await jobPage(tova, job))!.state.seq;
    const [b] = await sendCommands(tova, [
      cmd(tova, job, heat, { at: Date.now() + 3_600_000, passedAt: seq }),
    ]);
    expect((b!.outcome as { events: JobEvent[] }).events.at(-1)).toMatchObject({
      clockKnown: false,
      breach: [{ rule: 'solvent still wet' }],
    });
  });
  test('the id of a command belongs to one job', async () => {
    const [one, two] = [await openJob(world, tova), await openJob(world, tova)];
    const command = cmd(tova, one, out('A1'));
    await sendCommands(tova, [command]);
    const [again] = await sendCommands(tova, [{ ...command, job: two }]);
    expect(again!.outcome).toMatchObject({ status: 'refused', refused: { code: 'used before' } });
  });
});

test('a log that was put back and has gone on differently is read anew, although it is as long as before', async () => {
  const job = await openJob(world, tova);
  await sendCommands(tova, [cmd(tova, job, out('A1')), cmd(tova, job, out('A2'))]);
  const log = await eventsOf(tova, job);
  // the database is put back to before the last entry, and another one comes in its place
  const last = log.at(-1)!;
  const other = { ...last.event, id: randomUUID(), body: { type: 'noted', text: 'after the restore' } };
  const changed = await asOwner((orm) =>
    orm.em.fork().transactional(async (em) => {
      await em.execute(`select set_config('app.shop', ?, true)`, [tova.shopId]);
      await em.execute(`alter table job_event disable trigger job_event_append_only`);
      await em.execute(`update job_event set event = ?::jsonb where job_id = ? and seq = ?`, [
        JSON.stringify(other),
        job,
        last.seq,
      ]);
      await em.execute(`alter table job_event enable trigger job_event_append_only`);
      return em.execute<{ id: string }[]>(
        `select event->>'id' as id from job_event where job_id = ? and seq = ?`,
        [job, last.seq],
      );
    }),
  );
  expect(changed).toEqual([{ id: other.id }]);
  const [a] = await sendCommands(tova, [cmd(tova, job, out('A2'))]);
  expect(a!.outcome.status).toBe('recorded');
});

describe('passwords', () => {
  const from = () => new Request('http://127.0.0.1/sign-in');
  test('are counted before they are checked: tries at the same time do not slip through', async () => {
    const ines = world.own.get('owner')!;
    const tries = await Promise.all(
      Array.from({ length: 20 }, () => signIn(ines.login, 'wrong', 'one-place', from())),
    );
    expect(tries.filter((t) => !t.ok && t.code === 'wrong').length).toBeLessThanOrEqual(8);
    expect(tries.filter((t) => !t.ok && t.code === 'too many').length).toBeGreaterThanOrEqual(12);
  });
  test('tried from strange addresses, they do not lock the owner out', async () => {
    const lead = world.other.get('lead')!;
    expect((await signIn(lead.login, 'a-long-password', 'home', from())).ok).toBe(true);
    for (let k = 0; k < 45; k++) await signIn(lead.login, 'wrong', `strange-${k}`, from());
    expect(await signIn(lead.login, 'a-long-password', 'strange-99', from())).toMatchObject({
      code: 'too many',
    });
    expect((await signIn(lead.login, 'a-long-password', 'home', from())).ok).toBe(true);
  });
  test('of a second person are limited just so', async () => {
    const trainee = world.other.get('trainee')!;
    const lead = world.other.get('lead')!;
    const job = await openJob(world, trainee);
    const off: Body = { type: 'connectorOff', connector: 'K-panel' };
    const tried = async (password: string) => {
      const override = {
        rules: ['cell first off'],
        reason: 'because',
        confirm: { login: lead.login, password },
      };
      const [a] = await sendCommands(trainee, [cmd(trainee, job, off, { override })]);
      return (
        (a!.outcome as { events?: JobEvent[] }).events?.some((e) => e.body.type === 'overridden') ?? false
      );
    };
    for (let k = 0; k < 10; k++) {
      expect(await tried('wrong')).toBe(false);
      await sendCommands(trainee, [cmd(trainee, job, { type: 'connectorOn', connector: 'K-panel' })]);
    }
    expect(await tried('a-long-password')).toBe(false);
  });
});

describe('doors', () => {
  test('a form of another site, of no site or of a malformed one is not taken', async () => {
    const form = { 'content-type': 'application/x-www-form-urlencoded' };
    expect(await statusOf(() => requireSameOrigin(request({ ...form, origin: 'http://bench.local' })))).toBe(
      200,
    );
    expect(await statusOf(() => requireSameOrigin(request({ ...form, origin: 'http://evil.example' })))).toBe(
      403,
    );
    expect(await statusOf(() => requireSameOrigin(request({ ...form, origin: 'null' })))).toBe(403);
    expect(await statusOf(() => requireSameOrigin(request({ ...form, origin: '%%' })))).toBe(400);
    expect(await statusOf(() => requireSameOrigin(request(form)))).toBe(403);
    expect(
      await statusOf(() => requireSameOrigin(request({ ...form, 'sec-fetch-site': 'cross-site' }))),
    ).toBe(403);
    expect(await statusOf(() => requireSameOrigin(request({ 'content-type': 'application/json' })))).toBe(
      200,
    );
  });
  test('a body is cut off at its limit without a word about its length', async () => {
    const big = request({ 'content-type': 'application/json' }, `"${'x'.repeat(1_100_000)}"`);
    big.headers.delete('content-length');
    await expect(jsonBody(big)).rejects.toMatchObject({ status: 413 });
    await expect(
      formBody(request({ 'content-type': 'multipart/form-data; boundary=x' }, '--x--')),
    ).rejects.toMatchObject({
      status: 400,
    });
  });
  test('after signing in one comes to a page of this app, or to the bench', () => {
    for (const to of ['/jobs/1/work', '/stock?q=a', '/', '/workshop']) expect(localPath(to)).toBe(to);
    for (const to of [
      '/\t/evil.example',
      '//evil.example',
      '/\\evil.example',
      'https://evil.example',
      '/%09//x',
      '/open-jobs',
      '',
      null,
    ])
      expect(localPath(to), String(to)).toBe('/');
  });
  test('a session has so many streams, and none after it has ended', () => {
    const ended: number[] = [];
    for (let k = 0; k < mostStreams + 2; k++) holdStream('s1', () => ended.push(k));
    expect(ended).toEqual([0, 1]);
    holdStream('s2', () => ended.push(100));
    endStreamsOf('s1');
    expect(ended).toEqual([0, 1, 2, 3, 4, 5]);
  });
  test('signing in ends the session before it', async () => {
    const owner = world.other.get('owner')!;
    const first = await signIn(
      owner.login,
      'a-long-password',
      'desk',
      new Request('http://127.0.0.1/sign-in'),
    );
    const cookie = first.ok ? first.cookie.split(';')[0]! : '';
    const live = async () => {
      const { whoAsks } = await import('./auth/session');
      return whoAsks(cookie);
    };
    expect((await live())?.personId).toBe(owner.personId);
    await signIn(
      owner.login,
      'a-long-password',
      'desk',
      new Request('http://127.0.0.1/sign-in', { headers: { cookie } }),
    );
    expect(await live()).toBeUndefined();
  });
  test('the app knows whether it can write, and a database that is away from one that refuses', async () => {
    expect(await canWrite((await getOrm()).em)).toBe(true);
    expect(isDatabaseAway(Object.assign(new Error('x'), { code: '57P01' }))).toBe(true);
    expect(isDatabaseAway(Object.assign(new Error('x'), { cause: { code: 'ECONNREFUSED' } }))).toBe(true);
    expect(isDatabaseAway(Object.assign(new Error('x'), { code: '22P02' }))).toBe(false);
  });
});

test('of many notes the newest hundred come along, from however many jobs', async () => {
  const job = await openJob(world, tova);
  await sendCommands(
    tova,
    Array.from({ length: 40 }, (_, k) => cmd(tova, job, { type: 'noted', text: `note ${k}`, thing: 'A1' })),
  );
  const next = await openJob(world, tova);
  const modelNotes = await inShop(tova.shopId, (em) =>
    modelNotesOf(em, world.models.get('mica-9')!, 'standard', next),
  );
  expect(modelNotes.length).toBeLessThanOrEqual(100);
  expect(modelNotes.filter((l) => l.job === job)).toHaveLength(30);
  expect(modelNotes[0]!.text).toBe('note 39');
});
