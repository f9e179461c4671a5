import { dropDatabase } from '../db/backup/drop-database';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { appSecret } from '../db/app-role';
import { asOwner, closeOrm, databaseUrl, migrate } from '../db/orm';
import { shipModels } from '../seed/seed';

const inDatabase = (sql: string) => asOwner((orm) => orm.em.getConnection().execute(sql));
/**
 * A database with no workshop in it, beside the one that the tests share, and a folder for its files.
 * @returns the folder, and how both are removed
 */
export async function ownDatabase(): Promise<{
  folder: string;
  /** Hashes of the shipped models, by id. */
  models: Map<string, string>;
  end: () => Promise<void>;
}> {
  const [shared, data] = [databaseUrl(), process.env.SNAVEK_DATA];
  const name = `own_${randomUUID().slice(0, 8)}`;
  const folder = mkdtempSync(join(tmpdir(), 'snavek-own-'));
  const made = await inDatabase(`select 1 from pg_database where datname = 'snavek_shipped'`);
  await inDatabase(`create database ${name} ${(made as unknown[]).length ? 'template snavek_shipped' : ''}`);
  process.env.SNAVEK_APP_SECRET ??= appSecret();
  process.env.SNAVEK_DATA = folder;
  const url = new URL(shared);
  url.pathname = `/${name}`;
  process.env.DATABASE_URL = url.href;
  await asOwner(migrate);
  const shipped = await shipModels();
  return {
    folder,
    models: new Map([...shipped].map(([id, { hash }]) => [id, hash])),
    end: async () => {
      await closeOrm();
      process.env.DATABASE_URL = shared;
      if (data === undefined) delete process.env.SNAVEK_DATA;
      else process.env.SNAVEK_DATA = data;
      await dropDatabase(inDatabase, name);
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
