import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { Body } from '../core/log/events';
import { originalPiece } from '../core/vocabulary/pieces';
import { sessionKey, whoAsks } from './auth/session';
import { appUrl } from './db/app-role';
import { closeBus, getBus } from './db/bus';
import { Person, Session } from './db/entities-of-shop';
import { appendToLog, heldJob, holdJob } from './db/job-log';
import { keepPrivate, privateOf } from './db/job-private';
import { databaseUrl, inShop } from './db/orm';
import { cmd, eventsOf, makeWorld, openJob, type World } from './testing/world';
import type { Who } from '../core/wire/who';
import { sendCommands, SignedOut } from './use-cases/send-commands';
import { signIn } from './use-cases/sign-in';
import { changeWorkshop } from './use-cases/workshop';

let world: World;
let tova: Who;
beforeAll(async () => {
  world = await makeWorld();
  tova = world.own.get('technician')!;
}, 120_000);
afterAll(async () => {
  await closeBus();
});

const out = (f: string): Body => ({ type: 'screwOut', fastener: f, piece: originalPiece(f) });
const statusOf = (answers: Awaited<ReturnType<typeof sendCommands>>) => answers.map((a) => a.outcome.status);
const request = (cookie: string) => new Request('http://127.0.0.1/', { headers: { cookie } });
/** Somebody signs in with a password. @returns the cookie */
async function signedIn(who: Who): Promise<string> {
  const answer = await signIn(who.login, 'a-long-password', randomUUID(), request(''));
  if (!answer.ok) throw new Error(answer.code);
  return answer.cookie.split(';')[0]!;
}

describe('a log is written on where it ends, and nowhere else', () => {
  test('a process that holds an older state is told what is newer and decides again', async () => {
    const job = await openJob(world, tova);
    await sendCommands(tova, [cmd(tova, job, { type: 'noted', text: 'seen' })]);
    const older = heldJob(tova.shopId, job)!;
    await sendCommands(tova, [cmd(tova, job, out('A1'))]);
    const head = heldJob(tova.shopId, job)!;
    expect(head.state.seq).toBe(older.state.seq + 1);
    // as another process would, that has not heard of it
    holdJob(tova.shopId, job, older);
    expect(
      statusOf(await sendCommands(tova, [cmd(tova, job, out('A1')), cmd(tova, job, out('A2'))])),
    ).toEqual(['already', 'recorded']);
    expect(heldJob(tova.shopId, job)!.state.seq).toBe(head.state.seq + 1);
    expect((await eventsOf(tova, job)).map((e) => e.seq)).toEqual(
      Array.from({ length: head.state.seq + 1 }, (_, k) => k + 1),
    );
  });
  test('a state whose last event is another one is no ground, whatever its number', async () => {
    const job = await openJob(world, tova);
    await sendCommands(tova, [cmd(tova, job, { type: 'noted', text: 'seen' })]);
    const held = heldJob(tova.shopId, job)!;
    const elsewhere = { ...held, state: { ...held.state, lastId: `${randomUUID()}:1` } };
    const at = { shopId: tova.shopId, jobId: job };
    const said = await appendToLog(at, elsewhere, { commands: [], events: [] });
    expect(said.answer).toBe('newer');
    // read anew from the log, not folded on what is wrong
    expect(said.answer === 'newer' && said.job.state.lastId).toBe(held.state.lastId);
    expect(said.answer === 'newer' && said.job.state.seq).toBe(held.state.seq);
  });
  test('a batch in which some are repeats: those get what they had, the rest is recorded, in their order', async () => {
    const job = await openJob(world, tova);
    const [a, b, c] = ['A1', 'A2']
      .map((f) => cmd(tova, job, out(f)))
      .concat(cmd(tova, job, { type: 'noted', text: 'last' })) as [
      ReturnType<typeof cmd>,
      ReturnType<typeof cmd>,
      ReturnType<typeof cmd>,
    ];
    const first = await sendCommands(tova, [a]);
    const all = await sendCommands(tova, [b, a, c, c]);
    expect(all.map((x) => x.id)).toEqual([b.id, a.id, c.id, c.id]);
    expect(all[1]!.outcome).toEqual(first[0]!.outcome);
    expect(all[3]!.outcome).toEqual(all[2]!.outcome);
    expect((await eventsOf(tova, job)).slice(-3).map((e) => e.event.body.type)).toEqual([
      'screwOut',
      'screwOut',
      'noted',
    ]);
  });
  test('a batch over two jobs is answered in its order, each in its log', async () => {
    const [one, two] = [await openJob(world, tova), await openJob(world, tova)];
    const batch = [one, two, one, two].map((job, k) => cmd(tova, job, { type: 'noted', text: `note ${k}` }));
    const answers = await sendCommands(tova, batch);
    expect(answers.map((a) => a.id)).toEqual(batch.map((c) => c.id));
    expect(statusOf(answers)).toEqual(['recorded', 'recorded', 'recorded', 'recorded']);
    for (const [job, texts] of [
      [one, ['note 0', 'note 2']],
      [two, ['note 1', 'note 3']],
    ] as const)
      expect(
        (await eventsOf(tova, job))
          .map((e) => e.event.body)
          .filter((body) => body.type === 'noted')
          .map((body) => (body as unknown as { text: string }).text),
      ).toEqual(texts);
  });
  test('nobody’s job, and another workshop’s, takes nothing', async () => {
    const theirs = await openJob(world, world.other.get('technician')!);
    const answers = await sendCommands(
      tova,
      [randomUUID(), theirs].map((job) => cmd(tova, job, { type: 'noted', text: 'x' })),
    );
    expect(answers.map((a) => a.outcome)).toMatchObject([
      { status: 'refused', refused: { code: 'no such job' } },
      { status: 'refused', refused: { code: 'no such job' } },
    ]);
  });
});

describe('what a process holds of who asks', () => {
  test('a session that has ended writes nothing, whoever still holds it', async () => {
    const job = await openJob(world, tova);
    const session = sessionKey(request(await signedIn(tova)))!;
    const send = () => sendCommands(tova, [cmd(tova, job, { type: 'noted', text: 'x' })], session);
    expect(statusOf(await send())).toEqual(['recorded']);
    const before = (await eventsOf(tova, job)).length;
    await inShop(tova.shopId, (em) => em.nativeDelete(Session, { tokenHash: session }));
    await expect(send()).rejects.toBeInstanceOf(SignedOut);
    await expect(
      sendCommands(tova, [cmd(tova, job, out('A1')), cmd(tova, job, out('A2'))], session),
    ).rejects.toBeInstanceOf(SignedOut);
    // nor what is decided with the stock and the papers of the job in one transaction: they stay as they were, too
    await inShop(tova.shopId, (em) => keepPrivate(em, job, 'passcode', '1234'));
    await expect(
      sendCommands(tova, [cmd(tova, job, { type: 'jobClosed', ending: 'declined', note: 'x' })], session),
    ).rejects.toBeInstanceOf(SignedOut);
    expect(await inShop(tova.shopId, (em) => privateOf(em, job, 'passcode'))).toBe('1234');
    expect((await eventsOf(tova, job)).length).toBe(before);
  });
  test('is dropped when it changes: here at once, elsewhere when the database tells of it', async () => {
    const bus = getBus(appUrl(databaseUrl()));
    await expect.poll(() => bus.hears, { timeout: 10_000 }).toBe(true);
    const cookie = await signedIn(tova);
    const first = await whoAsks(cookie);
    // held: the very same answer
    expect(await whoAsks(cookie)).toBe(first);
    // as another process would
    await inShop(tova.shopId, (em) =>
      em.nativeUpdate(Person, { id: tova.personId }, { bench: 'Pier bench' }),
    );
    await expect
      .poll(async () => (await whoAsks(cookie))?.bench, { timeout: 10_000, interval: 20 })
      .toBe('Pier bench');
    const owner = world.own.get('owner')!;
    await whoAsks(cookie);
    expect((await changeWorkshop(owner, { do: 'warranty', warrantyMonths: 9 })).ok).toBe(true);
    expect((await whoAsks(cookie))?.settings.warrantyMonths).toBe(9);
    const session = sessionKey(request(cookie))!;
    await inShop(tova.shopId, (em) => em.nativeDelete(Session, { tokenHash: session }));
    await expect.poll(() => whoAsks(cookie), { timeout: 10_000, interval: 20 }).toBeUndefined();
  });
  test('nothing is held while changes are not heard of', async () => {
    await closeBus();
    const cookie = await signedIn(tova);
    const first = await whoAsks(cookie);
    expect(await whoAsks(cookie)).not.toBe(first);
    expect(await whoAsks(cookie)).toEqual(first);
  });
});

describe('a second person confirms what a trainee passes', () => {
  /** A plug that is moved while the cell is on, with a reason, and somebody's login and password. */
  const passed = async (by: Who, login: string, password = 'a-long-password') => {
    const job = await openJob(world, tova);
    const override = {
      rules: ['cell first off'],
      reason: 'its plug is broken',
      confirm: { login, password },
    };
    const plug: Body = { type: 'connectorOff', connector: 'K-panel' };
    await sendCommands(by, [cmd(by, job, plug, { override })]);
    const log = (await eventsOf(tova, job)).map((e) => e.event);
    const named = log.map((e) => e.body).find((body) => body.type === 'overridden');
    return {
      confirmedBy: (named as { confirmedBy?: string } | undefined)?.confirmedBy,
      asks: log.some((e) => (e as { breach?: unknown[] }).breach?.length),
    };
  };
  test('a lead does, and it is in the log by their id', async () => {
    const [bo, marek] = [world.own.get('trainee')!, world.own.get('lead')!];
    expect(await passed(bo, marek.login)).toEqual({ confirmedBy: marek.personId, asks: false });
  });
  test('oneself does not, nor another workshop’s lead, nor a password that is wrong: the rule is broken and asks', async () => {
    const bo = world.own.get('trainee')!;
    const marek = world.own.get('lead')!;
    const nobodys = { confirmedBy: undefined, asks: true };
    expect(await passed(bo, bo.login)).toEqual(nobodys);
    expect(await passed(bo, world.other.get('lead')!.login)).toEqual(nobodys);
    expect(await passed(bo, marek.login, 'something else')).toEqual(nobodys);
  });
  test('another trainee does not', async () => {
    const [bo, second] = [world.own.get('trainee')!, world.own.get('technician')!];
    await inShop(second.shopId, (em) =>
      em.nativeUpdate(Person, { id: second.personId }, { role: 'trainee' }),
    );
    try {
      expect(await passed(bo, second.login)).toEqual({ confirmedBy: undefined, asks: true });
    } finally {
      await inShop(second.shopId, (em) =>
        em.nativeUpdate(Person, { id: second.personId }, { role: 'technician' }),
      );
    }
  });
});
