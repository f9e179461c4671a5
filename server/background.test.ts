import { randomUUID } from 'node:crypto';
import { existsSync, readdirSync, renameSync, utimesSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { TaskKind } from '../core/wire/background';
import type { Who } from '../core/wire/who';
import { tools } from '../scripts/tools.mjs';
import { Job, JobPrivate } from './db/entities';
import { BackgroundTask } from './db/entities-of-shop';
import { asOwner, inShop, shopOf } from './db/orm';
import { addTask, latestTasks } from './db/tasks';
import { people, shop } from '../demo/scenario';
import { makeWorkshop } from './seed/seed';
import { sendCommands } from './use-cases/send-commands';
import { runHourly } from './tasks/hourly';
import { lastDue } from './tasks/due';
import { endQueue, enqueue, startQueue } from './tasks/queue';
import { ownDatabase } from './testing/own-database';
import { cmd, eventsOf, openJob, type World } from './testing/world';
import { benchPage } from './use-cases/bench-page';
import { changeWorkshop, workshopPage } from './use-cases/workshop';

let database: Awaited<ReturnType<typeof ownDatabase>>;
let world: World;
let owner: Who;
beforeAll(async () => {
  tools();
  database = await ownDatabase();
  const staff = await makeWorkshop(shop, people, 'a-long-password', false);
  world = {
    own: new Map([...staff.values()].map((who) => [who.role, who])),
    other: new Map(),
    models: database.models,
  };
  owner = world.own.get('owner')!;
}, 120_000);
afterAll(async () => {
  await endQueue();
  await database.end();
});
const fresh = async (): Promise<Who> => ({ ...owner, settings: (await workshopPage(owner)).settings });
const latest = (kind: TaskKind) => inShop(owner.shopId, async (em) => (await latestTasks(em, kind, 1))[0]);
/** Waits until the latest of a kind is over. */
async function over(kind: TaskKind) {
  for (;;) {
    const task = await latest(kind);
    if (task && !['waiting', 'running'].includes(task.state)) return task;
    await new Promise((r) => setTimeout(r, 100));
  }
}
const received = () => openJob(world, owner, {}, false);
const closeIn = (job: string) =>
  sendCommands(owner, [cmd(owner, job, { type: 'jobClosed', ending: 'declined', note: 'too dear' })]);
const trouble = async () => (await benchPage(await fresh(), Date.now())).backup;

describe('a daily thing was last due', () => {
  const at = (text: string) => Date.parse(text);
  test.each([
    ['2026-11-29T09:00:00Z', 3, 'Europe/Dublin', '2026-11-29T03:00:00Z'],
    ['2026-11-29T02:59:00Z', 3, 'Europe/Dublin', '2026-11-28T03:00:00Z'],
    ['2026-11-29T03:00:00Z', 3, 'Europe/Dublin', '2026-11-29T03:00:00Z'],
    // summer time: three o'clock in Dublin is two in Greenwich
    ['2026-07-01T02:30:00Z', 3, 'Europe/Dublin', '2026-07-01T02:00:00Z'],
    ['2026-11-29T00:30:00Z', 23, 'Asia/Tokyo', '2026-11-28T14:00:00Z'],
  ])('at %s, hour %i in %s: %s', (now, hour, zone, due) => {
    expect(new Date(lastDue(at(now), hour, zone)).toISOString()).toBe(new Date(at(due)).toISOString());
  });
});

describe('the daily backup', () => {
  const backups = () => join(database.folder, 'backups');
  test('is made once a day by itself where it is wanted, is brought back for a test, and says what came of it', async () => {
    await received();
    await runHourly(Date.now(), enqueue);
    expect(await latest('backup')).toBeUndefined();
    expect(await changeWorkshop(owner, { do: 'backups', daily: true, hour: 0, keepDays: 7 })).toMatchObject({
      ok: true,
    });
    await runHourly(Date.now(), enqueue);
    expect(await over('backup')).toMatchObject({
      state: 'done',
      progress: 1,
      said: expect.stringMatching(
        /^Saved: 1 job, \d+ entries\. A test restore came back whole: 1 log read\.$/,
      ),
      file: expect.stringMatching(/^snavek-daily-/),
    });
    expect(await trouble()).toBeUndefined();
    const before = readdirSync(backups());
    await runHourly(Date.now(), enqueue);
    expect(readdirSync(backups())).toEqual(before);
    // nothing is left of the database that it was brought back in
    const left = await asOwner((orm) =>
      orm.em.getConnection().execute(`select 1 from pg_database where datname like 'snavek_test_%'`),
    );
    expect(left.filter((row) => JSON.stringify(row).includes('snavek_test_'))).toEqual([]);
  }, 120_000);
  test('that fails is said on the Bench, and tried again an hour later; what is old is removed, what was made by hand stays', async () => {
    const tomorrow = Date.now() + 86_400_000;
    const away = `${backups()}-away`;
    renameSync(backups(), away);
    // where the folder should be stands a file
    writeFileSync(backups(), '');
    await runHourly(tomorrow, enqueue);
    expect(await over('backup')).toMatchObject({ state: 'failed' });
    expect(await trouble()).toMatch(/EEXIST|ENOTDIR|not a directory|file already exists/);
    renameSync(backups(), `${away}-file`);
    renameSync(away, backups());
    const old = ['snavek-daily-20200101-030000.tar', 'snavek-20200101-030000.tar'];
    for (const name of old) {
      writeFileSync(join(backups(), name), '');
      utimesSync(join(backups(), name), 1, 1);
    }
    await runHourly(tomorrow, enqueue);
    expect(await over('backup')).toMatchObject({ state: 'done' });
    expect(await trouble()).toBeUndefined();
    expect(old.map((name) => existsSync(join(backups(), name)))).toEqual([false, true]);
  }, 120_000);
  test('that was not made for more than a day is missed', async () => {
    const who = await fresh();
    expect((await benchPage(who, Date.now() + 3 * 86_400_000)).backup).toBe('None was made since.');
    // and where it is not wanted nothing is missed
    const { backups: _, ...settings } = who.settings;
    expect((await benchPage({ ...who, settings }, Date.now() + 3 * 86_400_000)).backup).toBeUndefined();
  });
});

describe('erasing by a rule', () => {
  test('what is known of owners goes so many months after the job was closed, in the name of who made the rule', async () => {
    const [old, young, open] = [await received(), await received(), await received()];
    await inShop(owner.shopId, async (em) => {
      const longAgo = new Date(Date.now() - 100 * 86_400_000);
      await em.nativeUpdate(Job, { id: { $in: [old, young] } }, { ending: 'declined' });
      await em.nativeUpdate(Job, { id: { $in: [old, open] } }, { updatedAt: longAgo });
    });
    const known = () =>
      inShop(owner.shopId, async (em) =>
        (await em.find(JobPrivate, { jobId: { $in: [old, young, open] } })).map((row) => row.jobId),
      );
    expect(await changeWorkshop(owner, { do: 'erasing', afterMonths: 3 })).toMatchObject({ ok: true });
    await runHourly(Date.now(), enqueue);
    // its row says that it is closed, its log does not: what the log says counts
    expect(await over('erase')).toMatchObject({ said: expect.stringContaining('of 0 jobs') });
    expect(await known()).toContain(old);
    await closeIn(old);
    await inShop(owner.shopId, (em) =>
      em.nativeUpdate(Job, { id: old }, { updatedAt: new Date(Date.now() - 100 * 86_400_000) }),
    );
    await runHourly(Date.now() + 86_400_000, enqueue);
    expect(await over('erase')).toMatchObject({ said: expect.stringContaining('of 1 job ') });
    expect((await known()).toSorted()).toEqual([young, open].toSorted());
    const log = await eventsOf(owner, old);
    expect(log.at(-1)!.event.body).toMatchObject({
      type: 'noted',
      text: 'Erased by the rule of 3 months: the owner’s name.',
    });
  }, 120_000);
});

describe('the queue', () => {
  test('what was stopped before it began is not done; what a killed process left behind is said, and does not block', async () => {
    const id = await inShop(owner.shopId, (em) => addTask(em, 'erase', owner.personId));
    expect(await changeWorkshop(owner, { do: 'stop task', task: id })).toMatchObject({ ok: true });
    await startQueue();
    await enqueue({ shop: owner.shopId, id, kind: 'erase' });
    expect(await over('erase')).toMatchObject({ id, state: 'stopped' });
    await inShop(owner.shopId, (em) =>
      em.insert(BackgroundTask, {
        shopId: shopOf(em),
        id: randomUUID(),
        kind: 'erase',
        state: 'running',
        personId: null,
        file: null,
        createdAt: new Date(Date.now() - 7 * 3_600_000),
      }),
    );
    await runHourly(Date.now() + 3 * 86_400_000, enqueue);
    expect(await over('erase')).toMatchObject({ state: 'done' });
  }, 60_000);
});
