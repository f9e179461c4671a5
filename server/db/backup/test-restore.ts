import { randomBytes } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { checkLogs } from '../../use-cases/check-logs';
import { closeOrm, databaseUrl } from '../orm';
import { dropDatabase } from './drop-database';
import { restoreBackup } from './restore';

async function inDatabase(url: string, sql: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    await client.query(sql);
  } finally {
    await client.end();
  }
}
/**
 * Brings a backup back in a database of its own beside the workshop's, reads every log in it, and removes it again. It
 * changes the process's own database for that: it is called in a process that does nothing else.
 * @returns what came of it
 * @throws where the role may not make a database, or the file does not come back as it was saved
 */
export async function testRestore(file: string): ReturnType<typeof checkLogs> {
  const own = databaseUrl();
  const name = `snavek_test_${randomBytes(6).toString('hex')}`;
  const keys = await mkdtemp(join(tmpdir(), 'snavek-test-restore-'));
  await inDatabase(own, `create database ${name}`);
  try {
    const url = new URL(own);
    url.pathname = `/${name}`;
    await restoreBackup(url.href, keys, file);
    process.env.DATABASE_URL = url.href;
    return await checkLogs();
  } finally {
    await closeOrm();
    process.env.DATABASE_URL = own;
    await dropDatabase((sql) => inDatabase(own, sql), name);
    await rm(keys, { recursive: true, force: true });
  }
}
