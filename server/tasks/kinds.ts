import * as wording from '../../words/answers/kinds';
import type { TaskKind } from '../../core/wire/background';
import { beginTask, endTask, type Running } from '../db/tasks';
import { log } from '../log';
import { backUp } from './back-up';
import { type Done, Stopped, type Waiting } from './done';
import { eraseOld } from './erase-old';
import { exportAll, importAll } from './take-along';

const kinds: Record<TaskKind, (running: Running) => Promise<Done>> = {
  backup: backUp,
  erase: eraseOld,
  export: exportAll,
  import: importAll,
};
/** Does one task to its end, and keeps what came of it: what fails is said where people look, not in a log alone. */
export async function runTask({ shop, id, kind }: Waiting): Promise<void> {
  const running = await beginTask(shop, id);
  if (!running) return;
  try {
    const { said, file } = await kinds[kind](running);
    await endTask(running, 'done', said, file);
  } catch (e) {
    if (e instanceof Stopped) return endTask(running, 'stopped', wording.stopped);
    log.error({ err: e, kind }, 'background task failed');
    await endTask(running, 'failed', (e as Error).message.split('\n')[0]!.slice(0, 300));
  }
}
