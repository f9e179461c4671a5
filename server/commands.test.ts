import { randomUUID } from 'node:crypto';
import { beforeAll, describe, expect, test } from 'vitest';
import { action as commands } from '../app/routes/work/commands';
import { loader as logJson } from '../app/routes/report/log-json';
import { loader as pdf } from '../app/routes/report/report-pdf';
import type { Body } from '../core/log/events';
import { fold } from '../core/log/evolve';
import { empty } from '../core/log/state';
import { originalPiece } from '../core/vocabulary/pieces';
import { asOwner, inShop } from './db/orm';
import { loadState } from './db/job-log';
import { call, cmd, eventsOf, makeWorld, openJob, receipt, type World } from './testing/world';
import { sendCommands } from './use-cases/send-commands';
import { demoAllowed, signIn } from './use-cases/sign-in';
import { draftSchema } from '../forms/receipt-fields';
import { receiveJob } from './use-cases/receive-job';
import { adoptRoute } from './use-cases/plan-route';
import type { Who } from '../core/wire/who';

let world: World;
let tova: Who;
let marek: Who;
beforeAll(async () => {
  world = await makeWorld();
  tova = world.own.get('technician')!;
  marek = world.own.get('lead')!;
}, 120_000);

const out = (f: string): Body => ({ type: 'screwOut', fastener: f, piece: originalPiece(f) });
const post = (who: Who | undefined, body: string) =>
  call(
    commands as never,
    who,
    '/commands',
    {},
    { method: 'POST', headers: { 'content-type': 'application/json' }, body },
  );

describe('a command', () => {
  test('sent twice is recorded once and answered the same', async () => {
    const job = await openJob(world, tova);
    const c = cmd(tova, job, out('A1'));
    const [first] = await sendCommands(tova, [c]);
    const [again] = await sendCommands(tova, [c]);
    expect(first!.outcome.status).toBe('recorded');
    expect(again!.outcome).toEqual(first!.outcome);
    expect((await eventsOf(tova, job)).filter((e) => e.event.body.type === 'screwOut')).toHaveLength(1);
  });
  test('of two benches at the same moment takes out one screw, not two', async () => {
    const job = await openJob(world, tova);
    const answers = await Promise.all(
      [tova, marek, tova, marek].map((w) => sendCommands(w, [cmd(w, job, out('A1'))])),
    );
    expect(answers.map((a) => a[0]!.outcome.status).toSorted()).toEqual([
      'already',
      'already',
      'already',
      'recorded',
    ]);
    expect((await eventsOf(tova, job)).filter((e) => e.event.body.type === 'screwOut')).toHaveLength(1);
  });
  test('many at once from two benches leave a log without a gap, equal to its own fold', async () => {
    const job = await openJob(world, tova);
    const screws = ['A1', 'A2', 'B1', 'B2', 'B3', 'B4', 'L1', 'L2', 'L3', 'L4'];
    await Promise.all(
      screws.flatMap((f) => [
        sendCommands(tova, [cmd(tova, job, out(f))]),
        sendCommands(marek, [cmd(marek, job, out(f))]),
      ]),
    );
    const log = await eventsOf(tova, job);
    expect(log.map((e) => e.seq)).toEqual(log.map((_, i) => i + 1));
    expect(log.filter((e) => e.event.body.type === 'screwOut')).toHaveLength(screws.length);
    const state = await inShop(tova.shopId, (em) => loadState(em, job));
    expect(state).toEqual(JSON.parse(JSON.stringify(fold(empty(), log.map((e) => e.event) as never))));
  });
  test('over many events snapshots are used and agree with the whole fold', async () => {
    const job = await openJob(world, tova);
    for (let k = 0; k < 60; k++)
      await sendCommands(tova, [
        cmd(
          tova,
          job,
          k % 2 ? { type: 'retracted', event: (await eventsOf(tova, job)).at(-1)!.event.id } : out('A1'),
        ),
      ]);
    const [snap] = await inShop(tova.shopId, (em) =>
      em.execute<{ n: string }[]>(`select count(*) as n from job_snapshot where job_id = ?`, [job]),
    );
    expect(Number(snap!.n)).toBeGreaterThan(0);
    const log = (await eventsOf(tova, job)).map((e) => e.event) as never[];
    expect(await inShop(tova.shopId, (em) => loadState(em, job))).toEqual(
      JSON.parse(JSON.stringify(fold(empty(), log))),
    );
  });
  test('after the database was put back to an earlier day goes on from what is in the log, not from what the process remembers', async () => {
    const job = await openJob(world, tova);
    await sendCommands(tova, [cmd(tova, job, out('A1')), cmd(tova, job, out('A2'))]);
    const log = await eventsOf(tova, job);
    const kept = log.at(-2)!.event.seq;
    await asOwner((orm) =>
      orm.em.fork().transactional(async (em) => {
        await em.execute(`select set_config('app.shop', ?, true)`, [tova.shopId]);
        await em.execute('alter table job_event disable trigger job_event_append_only');
        await em.execute('delete from job_event where job_id = ? and seq > ?', [job, kept]);
        await em.execute('update job set seq = ? where id = ?', [kept, job]);
        await em.execute('alter table job_event enable trigger job_event_append_only');
      }),
    );
    const [answer] = await sendCommands(tova, [cmd(tova, job, out('A2'))]);
    expect(answer!.outcome).toMatchObject({ status: 'recorded', seq: kept + 1 });
    const now = (await eventsOf(tova, job)).map((e) => e.event);
    expect(now.map((e) => e.seq)).toEqual(now.map((_, k) => k + 1));
    expect(now.filter((e) => e.body.type === 'screwOut')).toHaveLength(2);
  });
  test('of another person’s outbox is refused and leaves no trace', async () => {
    const job = await openJob(world, tova);
    const [a] = await sendCommands(marek, [cmd(tova, job, out('A1'))]);
    expect(a!.outcome).toMatchObject({ status: 'refused', refused: { code: 'another person' } });
    expect((await sendCommands(tova, [cmd(tova, job, out('A1'))]))[0]!.outcome.status).toBe('recorded');
  });
  test('for an unknown job, or another workshop’s, finds no such job', async () => {
    const job = await openJob(world, tova);
    const stranger = world.other.get('technician')!;
    for (const id of [randomUUID(), job])
      expect((await sendCommands(stranger, [cmd(stranger, id, out('A1'))]))[0]!.outcome).toMatchObject({
        status: 'refused',
        refused: { code: 'no such job' },
      });
    expect((await eventsOf(tova, job)).some((e) => e.event.body.type === 'screwOut')).toBe(false);
  });
  test('a gate decided on a stale copy is recorded with its breach; one asked at the server is refused', async () => {
    const job = await openJob(world, tova);
    const heat: Body = { type: 'heatStarted', station: 'hot-plate', forS: 180, hot: 'said' };
    await sendCommands(marek, [
      cmd(marek, job, { type: 'conditionSet', condition: 'swollen', because: 'seen' }),
    ]);
    expect((await sendCommands(tova, [cmd(tova, job, heat)]))[0]!.outcome).toMatchObject({
      status: 'refused',
      refused: { code: 'interlock' },
    });
    expect((await sendCommands(tova, [cmd(tova, job, heat, { passedAt: 3 })]))[0]!.outcome).toMatchObject({
      status: 'recorded',
      events: [{ breach: [{ rule: 'no heat on this cell' }] }],
    });
  });
  test('a trainee passes a stop only with a second person’s password', async () => {
    const bo = world.own.get('trainee')!;
    const job = await openJob(world, bo);
    const off: Body = { type: 'connectorOff', connector: 'K-panel' };
    const override = { rules: ['cell first off'], reason: 'cell plug is broken' };
    const wrong = await sendCommands(bo, [
      cmd(bo, job, off, { override: { ...override, confirm: { login: marek.login, password: 'guess' } } }),
    ]);
    expect(wrong[0]!.outcome).toMatchObject({ events: [{ breach: [{ rule: 'cell first off' }] }] });
    const right = await sendCommands(bo, [
      cmd(
        bo,
        job,
        { type: 'connectorOff', connector: 'K-touch' },
        { override: { ...override, confirm: { login: marek.login, password: 'a-long-password' } } },
      ),
    ]);
    expect(right[0]!.outcome).toMatchObject({
      events: [
        { body: { type: 'overridden', confirmedBy: marek.personId } },
        { body: off.type === 'connectorOff' ? { connector: 'K-touch' } : {} },
      ],
    });
  });
});

describe('bad input gets a clear message', () => {
  test.each([
    ['malformed JSON', '{"commands": [', 400, /malformed JSON/],
    ['no list', '{}', 400, /"path":"commands"/],
    [
      'an unknown event',
      JSON.stringify({ commands: [{ id: 'abcdefgh', body: { type: 'exploded' } }] }),
      200,
      /"not understood".*"path":"body\.type"/,
    ],
    [
      'a field of the wrong kind',
      JSON.stringify({
        commands: [
          {
            id: 'abcdefgh',
            job: 'x',
            person: 'y',
            body: { type: 'screwOut', fastener: 3, piece: 'A1#1' },
            at: -1,
            clockKnown: true,
          },
        ],
      }),
      200,
      /"not understood".*"path":"body\.fastener"/,
    ],
  ])('%s', async (_n, body, status, text) => {
    const a = await post(tova, body);
    expect(a.status).toBe(status);
    expect(JSON.stringify(a.body)).toMatch(text);
  });
  test('a note of five megabytes is refused, and nothing is recorded', async () => {
    const job = await openJob(world, tova);
    const a = await post(
      tova,
      JSON.stringify({ commands: [cmd(tova, job, { type: 'noted', text: 'x'.repeat(5_000_000) })] }),
    );
    expect(a.status).toBe(413);
    expect(JSON.stringify(a.body)).toContain('at most 1 MB');
    expect((await eventsOf(tova, job)).some((e) => e.event.body.type === 'noted')).toBe(false);
  });
  test('a screw that the model does not have', async () => {
    const job = await openJob(world, tova);
    expect((await sendCommands(tova, [cmd(tova, job, out('Z9'))]))[0]!.outcome).toMatchObject({
      status: 'refused',
      refused: { code: 'unknown thing', id: 'Z9#1' },
    });
  });
});

describe('Receive', () => {
  test('a form with every field wrong names every field and opens nothing', async () => {
    const id = randomUUID();
    const done = await receiveJob(
      tova,
      id,
      {
        modelHash: 'none',
        variant: '',
        tag: ' ',
        owner: 'x'.repeat(90),
        complaint: '',
        promisedAt: 5,
        promisedAs: 'x'.repeat(90),
        tasks: [],
        passcode: 'x'.repeat(90),
      },
      Date.now(),
    );
    expect(done.ok).toBe(false);
    if (!done.ok)
      expect(Object.keys(done.errors).toSorted()).toEqual([
        'complaint',
        'modelHash',
        'owner',
        'passcode',
        'promisedAs',
        'promisedAt',
        'tag',
        'variant',
      ]);
    expect(await eventsOf(tova, id)).toEqual([]);
  });
  test('a promise in the past and an unanswered function are said at their fields', async () => {
    const done = await receiveJob(
      tova,
      randomUUID(),
      receipt(world.models.get('mica-9')!, {
        promisedAt: Date.UTC(2020, 0, 1),
        before: { power: { result: 'works' } },
      }),
      Date.now(),
    );
    expect(done).toMatchObject({
      ok: false,
      errors: {
        promisedAt: 'The promised time is in the past.',
        before: '11 of 12 functions have no answer yet.',
      },
    });
  });
  test('sent twice, it opens one job; its number follows the last', async () => {
    const id = randomUUID();
    const form = receipt(world.models.get('sprig')!, {
      before: Object.fromEntries(
        [
          'power',
          'picture',
          'touch',
          'cameras',
          'loudspeaker',
          'microphones',
          'keys',
          'charging',
          'radios',
          'battery',
        ].map((f) => [f, { result: 'untested' }]),
      ),
    });
    const both = await Promise.all([
      receiveJob(tova, id, form, Date.now()).catch(() => 'lost the race'),
      receiveJob(tova, id, form, Date.now()).catch(() => 'lost the race'),
    ]);
    expect(both).toContainEqual({ ok: true, job: id, next: 'offer' });
    expect(await receiveJob(tova, id, form, Date.now())).toEqual({ ok: true, job: id, next: 'offer' });
    expect((await eventsOf(tova, id)).filter((e) => e.event.body.type === 'opened')).toHaveLength(1);
  });
  test('a panel standing proud makes the route one without heat', async () => {
    const job = await openJob(world, tova, {
      marks: [{ id: 'm1', side: 'front', x: 60, y: 70, kind: 'panel standing proud' }],
    });
    const [row] = await inShop(tova.shopId, (em) =>
      em.execute<{ route: { steps: { action: string }[] } }[]>(
        `select r.route from route r join job_event e on e.event->'body'->>'routeHash' = r.hash where e.job_id = ?`,
        [job],
      ),
    );
    expect(row!.route.steps.map((s) => s.action)).not.toContain('heat');
  });
  test('a draft has no place for a passcode, and a passcode goes with the job', async () => {
    // of letters that no id and no time in a log can hold by chance
    const passcode = 'swing-tide';
    expect(draftSchema.safeParse({ tag: 'x', passcode }).success).toBe(false);
    const job = await openJob(world, tova, { passcode });
    const kept = () =>
      inShop(tova.shopId, (em) =>
        em.execute(`select value from job_private where job_id = ? and kind = 'passcode'`, [job]),
      );
    expect(await kept()).toEqual([{ value: passcode }]);
    await sendCommands(tova, [cmd(tova, job, { type: 'jobClosed', ending: 'declined', note: '' })]);
    expect(await kept()).toEqual([]);
    expect(JSON.stringify(await eventsOf(tova, job))).not.toMatch(/swing-tide|Runa/);
  });
});

test('a job is planned again in the middle, and what is out stays out', async () => {
  const job = await openJob(world, tova);
  await sendCommands(tova, [cmd(tova, job, out('A1')), cmd(tova, job, out('A2'))]);
  const again = await adoptRoute(tova, job, randomUUID(), {
    more: [{ slot: 'loudspeaker', action: 'reach' }],
  });
  expect(again).toMatchObject({ ok: true, outcome: { status: 'recorded' } });
  const state = await inShop(tova.shopId, (em) => loadState(em, job));
  expect(state.place).toMatchObject({ 'A1#1': 'mat/A1', 'A2#1': 'mat/A2' });
  const [row] = await inShop(tova.shopId, (em) =>
    em.execute<{ route: { steps: { action: string; targets: string[] }[] } }[]>(
      `select route from route where hash = ?`,
      [state.flag.routeHash],
    ),
  );
  expect(row!.route.steps.some((s) => s.action === 'unscrew' && s.targets.includes('A1'))).toBe(false);
  expect(row!.route.steps.some((s) => s.action === 'fasten' && s.targets.includes('A1'))).toBe(true);
});

describe('the record', () => {
  test('the PDF is one, with its fonts embedded; the log holds every event and no name', async () => {
    const job = await openJob(world, tova);
    await sendCommands(tova, [cmd(tova, job, out('A1'))]);
    const file = await call(pdf as never, tova, `/jobs/${job}/report.pdf`, { job });
    const bytes = Buffer.from(await file.response!.arrayBuffer()).toString('latin1');
    expect(bytes.startsWith('%PDF-1.7')).toBe(true);
    expect(bytes).toMatch(/\/FontFile[23]/);
    expect(bytes).toContain('/MarkInfo');
    const log = (await call(logJson as never, tova, `/jobs/${job}/log.json`, { job })).body as {
      format: string;
      events: { seq: number }[];
    };
    expect(log.format).toBe('snavek.job-log');
    expect(log.events.length).toBe((await eventsOf(tova, job)).length);
    expect(JSON.stringify(log)).not.toContain('Runa');
  });
});

describe('signing in', () => {
  const request = (headers: Record<string, string> = {}) =>
    new Request('http://localhost/sign-in', { headers });
  test('a right password gives a cookie that scripts cannot read; wrong ones are limited for the login', async () => {
    const ok = await signIn(marek.login, 'a-long-password', 'somewhere', request());
    const [token, ...attributes] = (ok as { cookie: string }).cookie.split('; ');
    expect(token).toMatch(/^snavek_session=[\w-]{43}$/);
    expect(attributes.toSorted()).toEqual(['HttpOnly', 'Max-Age=43200', 'Path=/', 'SameSite=Lax']);
    for (let k = 0; k < 8; k++)
      expect(await signIn(tova.login, 'wrong', 'elsewhere', request())).toEqual({ ok: false, code: 'wrong' });
    expect(await signIn(tova.login, 'a-long-password', 'elsewhere', request())).toMatchObject({
      ok: false,
      code: 'too many',
    });
    expect(await signIn('no-such-login', 'x', 'elsewhere', request())).toEqual({ ok: false, code: 'wrong' });
  });
  test('behind TLS the cookie is for TLS only', async () => {
    expect(
      await signIn(marek.login, 'a-long-password', 'somewhere', new Request('https://bench.example/sign-in')),
    ).toMatchObject({ cookie: expect.stringContaining('; Secure') });
  });
  test('demo sign-in needs loopback and no forwarding headers', () => {
    const host = process.env.HOST;
    try {
      process.env.HOST = '127.0.0.1';
      expect(demoAllowed(request())).toBe(true);
      expect(demoAllowed(request({ 'x-forwarded-for': '10.0.0.1' }))).toBe(false);
      process.env.HOST = '0.0.0.0';
      expect(demoAllowed(request())).toBe(false);
    } finally {
      if (host === undefined) delete process.env.HOST;
      else process.env.HOST = host;
    }
  });
});
