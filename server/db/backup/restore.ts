import { execFile } from 'node:child_process';
import { existsSync } from 'node:fs';
import { copyFile, mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import pg from 'pg';
import { appRole, backupRole } from '../app-role';
import { migrationsList } from '../migrations';
import { keyNames, type Manifest, NoBackup, dumpName, unpack } from './archive';
import { asReader, countsOf } from './backup';
import { programOf } from './programs';

const run = promisify(execFile);

/**
 * Brings a backup back into an empty database. Everything about the file is checked before anything is touched; what the
 * dump holds comes in one transaction, whole or not at all.
 * @param url the owner's address of the database, which must be empty
 * @param data the folder that the keys go into; keys that are there stay
 * @throws NoBackup with what is wrong, for a person
 */
export async function restoreBackup(url: string, data: string, file: string): Promise<Manifest> {
  const { folder, manifest } = await unpack(
    file,
    migrationsList.map((m) => m.name),
  );
  const owner = new pg.Client({ connectionString: url });
  try {
    await owner.connect();
    await refuseWhereItDoesNotBelong(owner, url, manifest);
    for (const role of [appRole(), backupRole()])
      await owner.query(
        `do $$ begin if not exists (select from pg_roles where rolname = '${role}') then create role ${role} nologin nosuperuser nocreatedb nocreaterole nobypassrls; end if; end $$`,
      );
    await run(await programOf(owner, 'pg_restore'), [
      `--dbname=${url}`,
      '--no-owner',
      '--exit-on-error',
      '--single-transaction',
      join(folder, dumpName),
    ]).catch((e: { stderr?: string }) => {
      throw new NoBackup(`PostgreSQL does not take it: ${(e.stderr ?? '').trim().split('\n')[0] ?? ''}`);
    });
    const counts = await asReader(url, countsOf);
    if (JSON.stringify(counts) !== JSON.stringify(manifest.counts))
      throw new NoBackup(
        `It came back with ${JSON.stringify(counts)}, saved were ${JSON.stringify(manifest.counts)}.`,
      );
    await mkdir(data, { recursive: true });
    for (const name of keyNames)
      if (manifest.parts[name] && !existsSync(join(data, name)))
        await copyFile(join(folder, name), join(data, name));
    return manifest;
  } finally {
    await owner.end();
    await rm(folder, { recursive: true, force: true });
  }
}
async function refuseWhereItDoesNotBelong(owner: pg.Client, url: string, manifest: Manifest): Promise<void> {
  const { rows } = await owner.query<{ n: string }>(
    `select count(*) as n from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r'`,
  );
  if (Number(rows[0]!.n) > 0)
    throw new NoBackup(
      'The database is not empty: a backup is brought back where nothing is, so that nothing is lost.',
    );
  if (manifest.owner !== decodeURIComponent(new URL(url).username))
    throw new NoBackup(`Its tables belong to the role ${manifest.owner}: restore as that role.`);
}
