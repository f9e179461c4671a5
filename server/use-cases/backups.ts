import { createReadStream } from 'node:fs';
import { readdir, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { version } from '../../package.json';
import type { BackupFile } from '../../core/wire/backup-file';
import type { Changed } from '../../core/wire/changed';
import type { Who } from '../../core/wire/who';
import { makeBackup } from '../db/backup/backup';
import { databaseUrl } from '../db/orm';
import { workshopCount } from '../db/sessions';
import { log } from '../log';

const folder = () => join(process.env.SNAVEK_DATA ?? '.data', 'backups');
const named = /^snavek-\d{8}-\d{6}\.tar$/;

/**
 * A backup holds everything of the installation: an owner makes and takes one where theirs is the only workshop; where
 * there are several, whoever runs the machine does.
 */
const mayBackUp = async (who: Who): Promise<boolean> => who.role === 'owner' && (await workshopCount()) === 1;

/** The backups that lie beside the data, the latest first; undefined for whom they are not. */
export async function backupFiles(who: Who): Promise<BackupFile[] | undefined> {
  if (!(await mayBackUp(who))) return undefined;
  const names = await readdir(folder()).catch(() => []);
  const files = await Promise.all(
    names
      .filter((name) => named.test(name))
      .map(async (name) => {
        const { size, mtimeMs } = await stat(join(folder(), name));
        return { name, bytes: size, madeAt: Math.round(mtimeMs) };
      }),
  );
  return files.sort((a, b) => b.madeAt - a.madeAt);
}
/** Makes one now, while everybody works. */
export async function backUpNow(who: Who): Promise<Changed> {
  if (!(await mayBackUp(who)))
    return {
      ok: false,
      status: 403,
      errors: { form: 'Only an owner saves, and only the one workshop of a machine.' },
    };
  const stamp = new Date().toISOString().slice(0, 19).replaceAll(/[-:]/g, '').replace('T', '-');
  const file = join(folder(), `snavek-${stamp}.tar`);
  try {
    const { counts } = await makeBackup(databaseUrl(), process.env.SNAVEK_DATA ?? '.data', file, version);
    return { ok: true, said: `Saved: ${counts.jobs} jobs, ${counts.events} entries.` };
  } catch (e) {
    log.error({ err: e }, 'backup failed');
    return { ok: false, status: 409, errors: { form: `It failed: ${(e as Error).message.split('\n')[0]}` } };
  }
}
/** One of them to be taken away; undefined where there is none of that name, or it is not for whoever asks. */
export async function backupFile(who: Who, name: string): Promise<Response | undefined> {
  const file = (await backupFiles(who))?.find((one) => one.name === name);
  if (!file) return undefined;
  return new Response(Readable.toWeb(createReadStream(join(folder(), name))) as ReadableStream, {
    headers: {
      'Content-Type': 'application/x-tar',
      'Content-Length': String(file.bytes),
      'Content-Disposition': `attachment; filename="${name}"`,
      'Cache-Control': 'private, no-store',
    },
  });
}
