import type { TaskKind } from '../../core/wire/background';
import { beginTask, endTask, type Running } from '../db/tasks';
import { log } from '../log';
import { backUp } from './back-up';
import { type Done, Stopped } from './done';
import { eraseOld } from './erase-old';
import type { Waiting } from './queue';

const kinds: Partial<Record<TaskKind, (running: Running) => Promise<Done>>> = {
  backup: backUp,
  erase: eraseOld,
};
/** Does one task to its end, and keeps what came of it: what fails is said where people look, not in a log alone. */
export async function runTask({ shop, id, kind }: Waiting): Promise<void> {
  const running = await beginTask(shop, id);
  if (!running) return;
  try {
    const work = kinds[kind];
    if (!work) throw new Error(`nothing does ${kind}`);
    const { said, file } = await work(running);
    await endTask(running, 'done', said, file);
  } catch (e) {
    if (e instanceof Stopped) return endTask(running, 'stopped', 'Stopped.');
    log.error({ err: e, kind }, 'background task failed');
    await endTask(running, 'failed', (e as Error).message.split('\n')[0]!.slice(0, 300));
  }
}
