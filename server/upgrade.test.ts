import { dropDatabase } from './db/backup/drop-database';
import { execFile } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { promisify } from 'node:util';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { tools } from '../scripts/tools.mjs';
import type { Who } from '../core/wire/who';
import { programOf } from './db/backup/programs';
import { allShops } from './db/backup/shops';
import { asOwner, closeOrm, databaseUrl, inShop, migrate } from './db/orm';
import { peopleOf } from './db/people';
import { workshopOf } from './db/workshop';
import { shipModels } from './seed/seed';
import { eventsOf } from './testing/world';
import { benchPage, openJobsFor } from './use-cases/bench-page';
import { checkLogs } from './use-cases/check-logs';
import { jobPage } from './use-cases/job-page';
import { sendCommands } from './use-cases/send-commands';

/*
 * The demo workshop as version 0.1 of 28 November 2026 had it, with its tables, its names of events and a bench that had
 * kept four entries while the server was away. It is kept as it was: what is newer has to bring it up.
 */
const dump = 'server/testing/before-upgrade.dump';
const outbox = JSON.parse(readFileSync('server/testing/before-upgrade-outbox.json', 'utf8')) as {
  head: number;
  job: string;
  person: string;
  commands: { id: string; body: { type: string } }[];
};
const run = promisify(execFile);
const shared = databaseUrl();
const name = `old_${randomUUID().slice(0, 8)}`;
let who: Who;
async function inShared(sql: string): Promise<void> {
  const client = new pg.Client({ connectionString: shared });
  await client.connect();
  await client.query(sql);
  await client.end();
}
beforeAll(async () => {
  tools();
  // the roles that its rights are given to
  await asOwner(migrate);
  await inShared(`create database ${name}`);
  const url = new URL(shared);
  url.pathname = `/${name}`;
  const client = new pg.Client({ connectionString: shared });
  await client.connect();
  const restore = await programOf(client, 'pg_restore');
  await client.end();
  await run(restore, [`--dbname=${url.href}`, '--no-owner', '--exit-on-error', '--single-transaction', dump]);
  await closeOrm();
  process.env.DATABASE_URL = url.href;
  await asOwner(migrate);
  await shipModels();
  const [shopId] = await allShops();
  who = await inShop(shopId!, async (em) => {
    const { name: shopName, settings, demo } = await workshopOf(em);
    const { id, name, login, role, bench } = (await peopleOf(em)).find((p) => p.id === outbox.person)!;
    return { shopId: shopId!, personId: id, name, login, role, bench, shopName, settings, demo };
  });
}, 120_000);
afterAll(async () => {
  await closeOrm();
  process.env.DATABASE_URL = shared;
  await dropDatabase(inShared, name);
});

describe('a database of before the upgrade', () => {
  test('is brought up: every log comes to its row, every page is there', async () => {
    const found = await checkLogs();
    expect(found.faults).toEqual([]);
    expect(found.jobs).toBe(20);
    expect(found.events).toBeGreaterThan(1400);
    expect(await openJobsFor(who)).toHaveLength(6);
    expect(await benchPage(who, Date.now())).toMatchObject({ backup: undefined, first: undefined });
  });
  test('what its log says under names that have changed is known under those of today', async () => {
    const { state } = (await jobPage(who, outbox.job))!;
    expect(state.seq).toBe(outbox.head);
    expect(Object.values(state.transfer)).toContain('move over');
    expect(state.trouble['stripped head A1']).toBeNull();
    // and the log itself stays as it was written
    const types = (await eventsOf(who, outbox.job)).map(({ event }) => event.body.type);
    expect(types).toContain('fated');
    expect(types).toContain('eased');
  });
  test('what a bench had kept is taken, in order, and once', async () => {
    const answers = await sendCommands(who, outbox.commands);
    expect(answers.map(({ outcome }) => outcome.status)).toEqual(outbox.commands.map(() => 'recorded'));
    const again = await sendCommands(who, outbox.commands);
    expect(again.map(({ outcome }) => outcome)).toEqual(answers.map(({ outcome }) => outcome));
    const { state } = (await jobPage(who, outbox.job))!;
    expect(state.seq).toBe(outbox.head + outbox.commands.length);
    expect(state.transfer['display/sensor-flex']).toBe('keep');
    expect((await checkLogs()).faults).toEqual([]);
  });
});
