import { execFile } from 'node:child_process';
import { readdir, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { version } from '../../package.json';
import { makeBackup } from '../db/backup/backup';
import { databaseUrl, inShop } from '../db/orm';
import { type Running, tellProgress } from '../db/tasks';
import { workshopOf } from '../db/workshop';
import { plural } from '../../words/things';
import type { Done } from './done';

const run = promisify(execFile);
export const backupFolder = () => join(process.env.SNAVEK_DATA ?? '.data', 'backups');
/** Those that are made by themselves are also removed by themselves. */
const daily = /^snavek-daily-\d{8}-\d{6}\.tar$/;
export const backupName = /^snavek-(?:daily-)?\d{8}-\d{6}\.tar$/;
const dayMs = 86_400_000;

/** Saves everything, brings it back in a database of its own to see that it can be, and removes what is older than is kept. */
export async function backUp(running: Running): Promise<Done> {
  const stamp = new Date().toISOString().slice(0, 19).replaceAll(/[-:]/g, '').replace('T', '-');
  const name = `snavek-${running.personId ? '' : 'daily-'}${stamp}.tar`;
  const file = join(backupFolder(), name);
  await tellProgress(running, 0.1, 'saving');
  const { counts } = await makeBackup(databaseUrl(), process.env.SNAVEK_DATA ?? '.data', file, version);
  await tellProgress(running, 0.5, 'bringing it back for a test');
  const came = await testRestore(file);
  const { settings } = await inShop(running.shop, workshopOf);
  await removeOld(settings.backups?.keepDays);
  return {
    said: `Saved: ${plural(counts.jobs, 'job')}, ${plural(counts.events, 'entry', 'entries')}. ${came}`,
    file: name,
  };
}

/**
 * Brings a backup back in a database of its own, and reads every log in it. In a process of its own: folding a hundred
 * thousand logs is nothing that a bench should wait for.
 * @returns what came of it, for a person
 * @throws where it does not come back as it was saved: then it is no backup
 */
async function testRestore(file: string): Promise<string> {
  const { stdout } = await run(
    process.execPath,
    ['scripts/run-ts.mjs', 'server/db/backup/command.ts', 'test', file],
    { env: { ...process.env, NODE_OPTIONS: '' }, maxBuffer: 10_000_000 },
  ).catch((e: { stdout?: string; stderr?: string }) => {
    throw new Error(
      `It was saved, but does not come back: ${(e.stderr || e.stdout || '').trim().split('\n')[0] ?? ''}`,
    );
  });
  return stdout.trim().split('\n').at(-1) ?? '';
}
/** The latest always stays, and what somebody made by hand. */
async function removeOld(keepDays = 14): Promise<void> {
  const names = (await readdir(backupFolder())).filter((name) => daily.test(name)).sort();
  for (const name of names.slice(0, -1)) {
    const { mtimeMs } = await stat(join(backupFolder(), name));
    if (Date.now() - mtimeMs > keepDays * dayMs) await rm(join(backupFolder(), name), { force: true });
  }
}
