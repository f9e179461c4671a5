import { execFile } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync } from 'node:fs';
import { copyFile, mkdir, rm, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { promisify } from 'node:util';
import pg from 'pg';
import { backupRole } from '../app-role';
import { digestOf, dumpName, folderBeside, keyNames, type Manifest, pack } from './archive';
import { programOf } from './programs';

const run = promisify(execFile);
export interface BackupMade {
  file: string;
  bytes: number;
  counts: Manifest['counts'];
  tookMs: number;
}

/**
 * Writes everything that a workshop has into one file, while the app runs: all of it as it is at one moment.
 * @param url the migrating owner's address of the database
 * @param data the folder with the keys
 * @param file where it is written; a file that is there is replaced when the new one is whole
 * @param version of the app
 */
export async function makeBackup(
  url: string,
  data: string,
  file: string,
  version: string,
): Promise<BackupMade> {
  const began = Date.now();
  await mkdir(dirname(file), { recursive: true });
  const folder = await folderBeside(file);
  try {
    return await asReader(url, async (reader, readerUrl) => {
      await reader.query('begin isolation level repeatable read read only');
      const [{ snapshot }] = (
        await reader.query<{ snapshot: string }>('select pg_export_snapshot() as snapshot')
      ).rows as [{ snapshot: string }];
      const counts = await countsOf(reader);
      const migrations = await reader.query<{ name: string }>(
        'select name from mikro_orm_migrations order by id',
      );
      await run(await programOf(reader, 'pg_dump'), [
        `--dbname=${readerUrl}`,
        '--format=custom',
        '--enable-row-security',
        // work that waits is no part of what is saved
        '--exclude-schema=graphile_worker',
        `--snapshot=${snapshot}`,
        `--file=${join(folder, dumpName)}`,
      ]);
      await reader.query('commit');
      const keys = keyNames.filter((name) => existsSync(join(data, name)));
      for (const name of keys) await copyFile(join(data, name), join(folder, name));
      const manifest: Manifest = {
        format: 1,
        version,
        madeAt: new Date(began).toISOString(),
        migrations: migrations.rows.map((row) => row.name),
        owner: new URL(url).username,
        counts,
        parts: Object.fromEntries(
          await Promise.all(
            [dumpName, ...keys].map(async (name) => [name, await digestOf(join(folder, name))] as const),
          ),
        ),
      };
      await writeFile(join(folder, 'manifest.json'), JSON.stringify(manifest, null, 2));
      const bytes = await pack(folder, ['manifest.json', dumpName, ...keys], file);
      return { file, bytes, counts, tookMs: Date.now() - began };
    });
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** Everything that is counted is counted in the transaction that is dumped. */
export async function countsOf(client: pg.Client): Promise<Manifest['counts']> {
  const { rows } = await client.query<{ workshops: string; people: string; jobs: string; events: string }>(
    `select (select count(*) from workshop) as workshops, (select count(*) from person) as people,
       (select count(*) from job) as jobs, (select count(*) from job_event) as events`,
  );
  const [row] = rows;
  return {
    workshops: Number(row!.workshops),
    people: Number(row!.people),
    jobs: Number(row!.jobs),
    events: Number(row!.events),
  };
}

/**
 * A connection as the role that reads everything. Its password is made for this once and is worth nothing an hour later;
 * two backups at the same time wait for each other.
 */
export async function asReader<T>(
  url: string,
  work: (reader: pg.Client, readerUrl: string) => Promise<T>,
): Promise<T> {
  const owner = new pg.Client({ connectionString: url });
  await owner.connect();
  try {
    await owner.query(`select pg_advisory_lock(hashtext('backup'))`);
    const password = randomBytes(24).toString('hex');
    const until = new Date(Date.now() + 3_600_000).toISOString();
    await owner.query(`alter role ${backupRole()} login password '${password}' valid until '${until}'`);
    const readerUrl = new URL(url);
    readerUrl.username = backupRole();
    readerUrl.password = password;
    const reader = new pg.Client({ connectionString: readerUrl.href });
    await reader.connect();
    try {
      return await work(reader, readerUrl.href);
    } finally {
      await reader.end();
      await owner.query(`alter role ${backupRole()} nologin password null`);
    }
  } finally {
    await owner.end();
  }
}
