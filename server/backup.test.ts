import { dropDatabase } from './db/backup/drop-database';
import { randomUUID } from 'node:crypto';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import pg from 'pg';
import type { Who } from '../core/wire/who';
import { makeBackup } from './db/backup/backup';
import { restoreBackup } from './db/backup/restore';
import { closeOrm, databaseUrl } from './db/orm';
import { checkLogs } from './use-cases/check-logs';
import { sendCommands } from './use-cases/send-commands';
import { jobPage } from './use-cases/job-page';
import { cmd, endWorld, makeWorld, openJob, type World } from './testing/world';

let world: World;
let tova: Who;
const folder = mkdtempSync(join(tmpdir(), 'snavek-backups-'));
const shared = databaseUrl();
const made: string[] = [];
beforeAll(async () => {
  world = await makeWorld();
  tova = world.own.get('technician')!;
}, 120_000);
afterAll(async () => {
  process.env.DATABASE_URL = shared;
  await endWorld();
  for (const name of made) await dropDatabase((sql) => inDatabase(shared, sql), name);
  rmSync(folder, { recursive: true, force: true });
});
async function inDatabase<T extends object>(url: string, sql: string): Promise<T[]> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return (await client.query<T>(sql)).rows;
  } finally {
    await client.end();
  }
}
async function emptyDatabase(): Promise<string> {
  const name = `back_${randomUUID().slice(0, 8)}`;
  await inDatabase(shared, `create database ${name}`);
  made.push(name);
  const url = new URL(shared);
  url.pathname = `/${name}`;
  return url.href;
}

test('saved while eight benches write: what was acknowledged before is in it, in order, and every log comes to its row', async () => {
  const jobs = await Promise.all(Array.from({ length: 8 }, () => openJob(world, tova)));
  const acknowledged = new Map<string, number>();
  let writing = true;
  const benches = jobs.map(async (job, bench) => {
    for (let k = 0; writing; k++) {
      const [answer] = await sendCommands(tova, [
        cmd(tova, job, { type: 'noted', text: `bench ${bench}, note ${k}` }),
      ]);
      if (answer!.outcome.status === 'recorded') acknowledged.set(job, answer!.outcome.seq);
    }
  });
  await new Promise((r) => setTimeout(r, 300));
  const before = new Map(acknowledged);
  const file = join(folder, 'while-written.tar');
  const backup = await makeBackup(shared, folder, file, '0.0.1');
  writing = false;
  await Promise.all(benches);
  expect(before.size).toBe(8);
  expect(backup.counts.events).toBeGreaterThan(0);

  const url = await emptyDatabase();
  await restoreBackup(url, join(folder, 'restored'), file);
  await closeOrm();
  process.env.DATABASE_URL = url;
  try {
    const found = await checkLogs();
    expect(found.faults).toEqual([]);
    expect(found.events).toBe(backup.counts.events);
    for (const [job, seq] of before) {
      const { state } = (await jobPage(tova, job))!;
      expect(state.seq).toBeGreaterThanOrEqual(seq);
    }
    // what came back is locked as it was, and can be worked on
    const [answer] = await sendCommands(tova, [cmd(tova, jobs[0]!, { type: 'noted', text: 'after' })]);
    expect(answer!.outcome.status).toBe('recorded');
    expect(await jobPage(world.other.get('owner')!, jobs[0]!)).toBeUndefined();
  } finally {
    await closeOrm();
    process.env.DATABASE_URL = shared;
  }
}, 120_000);

test('a file that is cut short, altered, of a newer version or no backup is refused before anything is touched', async () => {
  const file = join(folder, 'good.tar');
  await makeBackup(shared, folder, file, '0.0.1');
  const url = await emptyDatabase();
  const bytes = readFileSync(file);
  const refused = async (name: string, content: Buffer | string, says: RegExp) => {
    const bad = join(folder, name);
    writeFileSync(bad, content);
    await expect(restoreBackup(url, join(folder, 'never'), bad), name).rejects.toThrow(says);
  };
  await refused('cut.tar', bytes.subarray(0, bytes.length / 2), /cut short|altered/);
  const altered = Buffer.from(bytes);
  altered[Math.floor(bytes.length / 2)]! ^= 1;
  await refused('altered.tar', altered, /altered or damaged/);
  await refused('words.tar', 'this is no backup', /not a backup/);
  const parts = mkdtempSync(join(folder, 'parts-'));
  execFileSync('tar', ['-C', parts, '-xf', file]);
  const manifest = JSON.parse(readFileSync(join(parts, 'manifest.json'), 'utf8')) as { migrations: string[] };
  writeFileSync(
    join(parts, 'manifest.json'),
    JSON.stringify({ ...manifest, migrations: [...manifest.migrations, 'm20990101_tomorrow'] }),
  );
  execFileSync('tar', ['-C', parts, '-cf', join(folder, 'newer.tar'), 'manifest.json', 'database.dump']);
  await expect(restoreBackup(url, join(folder, 'never'), join(folder, 'newer.tar'))).rejects.toThrow(
    /newer version/,
  );
  writeFileSync(join(folder, 'passwd'), 'x');
  const strange = ['manifest.json', 'database.dump', '../passwd'];
  execFileSync('tar', ['-C', parts, '-P', '-cf', join(folder, 'strange.tar'), ...strange]);
  await expect(restoreBackup(url, join(folder, 'never'), join(folder, 'strange.tar'))).rejects.toThrow(
    /not a backup/,
  );
  expect(await inDatabase(url, `select 1 from pg_class where relnamespace = 'public'::regnamespace`)).toEqual(
    [],
  );
  // and where something is, nothing is brought back over it
  await expect(restoreBackup(shared, join(folder, 'never'), file)).rejects.toThrow(/not empty/);
  expect(statSync(join(folder, 'never'), { throwIfNoEntry: false })).toBeUndefined();
}, 120_000);

test('the role that reads everything can sign in only while a backup is made, and never writes', async () => {
  const [role] = await inDatabase<{ rolcanlogin: boolean; rolbypassrls: boolean; rolsuper: boolean }>(
    shared,
    `select rolcanlogin, rolbypassrls, rolsuper from pg_roles where rolname = 'snavek_backup'`,
  );
  expect(role).toEqual({ rolcanlogin: false, rolbypassrls: false, rolsuper: false });
  const rights = await inDatabase(
    shared,
    `select table_name from information_schema.role_table_grants where grantee = 'snavek_backup' and privilege_type <> 'SELECT'`,
  );
  expect(rights).toEqual([]);
});
