import * as wording from '../../words/answers/backups';
import { createReadStream } from 'node:fs';
import { readdir, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import type { BackupFile } from '../../core/wire/backup-file';
import type { Changed } from '../../core/wire/changed';
import type { Who } from '../../core/wire/who';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { TaskLine } from '../../core/wire/background';
import type { ShopSettings } from '../../core/wire/who';
import { inShop } from '../db/orm';
import { addTask, latestTasks, runningTask } from '../db/tasks';
import { backupFolder, backupName } from '../tasks/back-up';
import { enqueue } from '../tasks/queue';
import { workshopCount } from '../db/sessions';

/** A daily backup that is older than this has been missed, ms. */
const oldMs = 26 * 3_600_000;

/**
 * A backup holds everything of the installation: an owner makes and takes one where theirs is the only workshop; where
 * there are several, whoever runs the machine does.
 */
const mayBackUp = async (who: Who): Promise<boolean> => who.role === 'owner' && (await workshopCount()) === 1;

/** The backups that lie beside the data, the latest first; undefined for whom they are not. */
export async function backupFiles(who: Who): Promise<BackupFile[] | undefined> {
  if (!(await mayBackUp(who))) return undefined;
  const names = await readdir(backupFolder()).catch(() => []);
  const files = await Promise.all(
    names
      .filter((name) => backupName.test(name))
      .map(async (name) => {
        const { size, mtimeMs } = await stat(join(backupFolder(), name));
        return { name, bytes: size, madeAt: Math.round(mtimeMs) };
      }),
  );
  return files.sort((a, b) => b.madeAt - a.madeAt);
}
/** What is being saved or was last, the latest first; nothing for whom it is not. */
export const backupTasks = async (who: Who): Promise<TaskLine[]> =>
  (await mayBackUp(who)) ? inShop(who.shopId, (em) => latestTasks(em, 'backup', 3)) : [];
/** Begins one, which is made while everybody works. */
export async function backUpNow(who: Who): Promise<Changed> {
  if (!(await mayBackUp(who)))
    return {
      ok: false,
      status: 403,
      errors: { form: wording.onlyOwnerSaves },
    };
  const id = await inShop(who.shopId, async (em) =>
    (await runningTask(em, 'backup', Date.now())) ? undefined : addTask(em, 'backup', who.personId),
  );
  if (id) await enqueue({ shop: who.shopId, id, kind: 'backup' });
  return { ok: true, said: '' };
}
/** What is wrong with the daily backup, for the Bench; undefined where it is as it should be, or is not wanted. */
export async function backupTrouble(
  em: EntityManager,
  settings: ShopSettings,
  now: number,
): Promise<string | undefined> {
  if (!settings.backups?.daily) return undefined;
  const tasks = await latestTasks(em, 'backup', 20);
  const over = tasks.filter((task) => task.state !== 'waiting' && task.state !== 'running');
  if (over[0]?.state === 'failed') return over[0].said;
  const good = over.find((task) => task.state === 'done');
  return good && now - good.at > oldMs ? wording.noneMadeSince : undefined;
}
/** One of them to be taken away; undefined where there is none of that name, or it is not for whoever asks. */
export async function backupFile(who: Who, name: string): Promise<Response | undefined> {
  const file = (await backupFiles(who))?.find((one) => one.name === name);
  if (!file) return undefined;
  return new Response(Readable.toWeb(createReadStream(join(backupFolder(), name))) as ReadableStream, {
    headers: {
      'Content-Type': 'application/x-tar',
      'Content-Length': String(file.bytes),
      'Content-Disposition': `attachment; filename="${name}"`,
      'Cache-Control': 'private, no-store',
    },
  });
}
