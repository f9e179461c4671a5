import * as wording from '../../words/answers/take-along';
import { mkdir, mkdtemp, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { plural } from '../../words/things';
import { readArchive } from '../archive/read-archive';
import { writeArchive } from '../archive/write-archive';
import { unzip } from '../archive/zip';
import { dropShop } from '../auth/held-sessions';
import { type Running, tellProgress } from '../db/tasks';
import { type Done, Stopped } from './done';
import { whoAsked } from './who-asked';

/** Files of one workshop: no other gets at them. */
export const archiveFolder = (shop: string) => join(process.env.SNAVEK_DATA ?? '.data', 'archives', shop);
export const archiveName = /^snavek-\d{8}-\d{6}\.zip$/;

/** Writes all of a workshop into one ZIP; the one before goes. */
export async function exportAll(running: Running): Promise<Done> {
  const who = await whoAsked(running);
  const folder = archiveFolder(running.shop);
  await mkdir(folder, { recursive: true });
  const stamp = new Date().toISOString().slice(0, 19).replaceAll(/[-:]/g, '').replace('T', '-');
  const name = `snavek-${stamp}.zip`;
  const { bytes, jobs, events } = await writeArchive(who, join(folder, name), goOn(running));
  for (const other of await readdir(folder))
    if (archiveName.test(other) && other !== name) await rm(join(folder, other));
  return {
    said: `${plural(jobs, 'job')}, ${plural(events, 'entry', 'entries')}, ${(bytes / 1e6).toFixed(1)} MB.`,
    file: name,
  };
}
/** Takes in what was sent; the file goes, whatever comes of it. */
export async function importAll(running: Running): Promise<Done> {
  const who = await whoAsked(running);
  const file = join(archiveFolder(running.shop), running.file ?? '');
  const folder = await mkdtemp(join(tmpdir(), 'snavek-archive-'));
  try {
    await tellProgress(running, 0, 'unpacking');
    const names = await unzip(file, folder);
    const { jobs, events } = await readArchive(who, folder, names, goOn(running));
    dropShop(running.shop);
    return {
      said: wording.isIn(plural(jobs, 'job'), plural(events, 'entry', 'entries')),
    };
  } finally {
    await rm(folder, { recursive: true, force: true });
    await rm(file, { force: true });
  }
}
/** Says how far it is, at most a few times a second, and ends it where that is asked. */
function goOn(running: Running): (done: number, said: string) => Promise<void> {
  let last = 0;
  return async (done, said) => {
    const now = performance.now();
    if (now - last < 300) return;
    last = now;
    if (!(await tellProgress(running, done, said))) throw new Stopped();
  };
}
