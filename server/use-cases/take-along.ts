import * as wording from '../../words/answers/take-along';
import { randomUUID } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdir, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { TaskLine } from '../../core/wire/background';
import type { Changed } from '../../core/wire/changed';
import type { Who } from '../../core/wire/who';
import { inShop } from '../db/orm';
import { addTask, latestTasks, runningTask } from '../db/tasks';
import { mostBytes } from '../archive/layout';
import { enqueue } from '../tasks/queue';
import { archiveFolder, archiveName } from '../tasks/take-along';

const refused = (status: 403 | 409, form: string): Changed => ({ ok: false, status, errors: { form } });
const notHere = refused(403, wording.onlyOwner);

/** What is being written or taken in, or was last: one of each. */
export const archiveTasks = async (who: Who): Promise<TaskLine[]> =>
  who.role === 'owner'
    ? inShop(who.shopId, async (em) => [
        ...(await latestTasks(em, 'export', 1)),
        ...(await latestTasks(em, 'import', 1)),
      ])
    : [];
/** Begins to write everything into one file. */
export async function takeAlong(who: Who): Promise<Changed> {
  if (who.role !== 'owner') return notHere;
  const id = await inShop(who.shopId, async (em) =>
    (await runningTask(em, 'export', Date.now())) ? undefined : addTask(em, 'export', who.personId),
  );
  if (id) await enqueue({ shop: who.shopId, id, kind: 'export' });
  return { ok: true, said: '' };
}
/** The file that came of it; undefined where there is none of that name, or not for whoever asks. */
export async function archiveFile(who: Who, name: string): Promise<Response | undefined> {
  if (who.role !== 'owner' || !archiveName.test(name)) return undefined;
  const file = join(archiveFolder(who.shopId), name);
  const there = await stat(file).catch(() => undefined);
  if (!there) return undefined;
  return new Response(Readable.toWeb(createReadStream(file)) as ReadableStream, {
    headers: {
      'Content-Type': 'application/zip',
      'Content-Length': String(there.size),
      'Content-Disposition': `attachment; filename="${name}"`,
      'Cache-Control': 'private, no-store',
    },
  });
}
/** Keeps what is sent beside the data, as it comes, and begins to take it in. */
export async function takeIn(who: Who, body: ReadableStream<Uint8Array> | null): Promise<Changed> {
  if (who.role !== 'owner') return notHere;
  if (!body) return refused(409, wording.nothingSent);
  const folder = archiveFolder(who.shopId);
  await mkdir(folder, { recursive: true });
  const file = `in-${randomUUID()}.zip`;
  let bytes = 0;
  const limit = new Transform({
    transform(chunk: Buffer, _, done) {
      bytes += chunk.byteLength;
      done(bytes > mostBytes ? new RangeError('too large') : null, chunk);
    },
  });
  try {
    await pipeline(
      Readable.fromWeb(body as never),
      limit,
      createWriteStream(join(folder, file), { mode: 0o600 }),
    );
  } catch (e) {
    await rm(join(folder, file), { force: true });
    return refused(
      409,
      e instanceof RangeError ? wording.atMostMegabytes(mostBytes / 1e6) : wording.notWhole,
    );
  }
  const id = await inShop(who.shopId, async (em) =>
    (await runningTask(em, 'import', Date.now())) ? undefined : addTask(em, 'import', who.personId, file),
  );
  if (!id) {
    await rm(join(folder, file), { force: true });
    return refused(409, wording.anotherIsTakenIn);
  }
  await enqueue({ shop: who.shopId, id, kind: 'import' });
  return { ok: true, said: '' };
}
