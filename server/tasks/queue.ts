import { Logger, parseCronItems, type Runner, run } from 'graphile-worker';
import { databaseUrl } from '../db/orm';
import { log } from '../log';
import type { Waiting } from './done';
import { runHourly } from './hourly';
import { runTask } from './kinds';

const isWaiting = (payload: unknown): payload is Waiting =>
  payload !== null &&
  typeof payload === 'object' &&
  'shop' in payload &&
  'id' in payload &&
  'kind' in payload;

/**
 * The queue lies in the database: what was asked for is done after a restart, too, and by one of several processes. Its
 * tables are its own, beside the workshop's, and no part of a backup.
 */
const g = globalThis as { __queue?: Promise<Runner> };
export const startQueue = (): Promise<Runner> =>
  (g.__queue ??= run({
    connectionString: databaseUrl(),
    maxPoolSize: 4,
    concurrency: 1,
    noHandleSignals: true,
    pollInterval: 5000,
    logger: new Logger(() => (level, message) => {
      if (level === 'error') log.error({ queue: message }, 'background work');
    }),
    taskList: {
      task: async (payload) => {
        if (isWaiting(payload)) await runTask(payload);
      },
      hourly: () => runHourly(Date.now(), enqueue),
    },
    parsedCronItems: parseCronItems([{ task: 'hourly', match: '7 * * * *', options: { maxAttempts: 1 } }]),
  }));
/** Puts a task into the queue; it is done as soon as a process is free, and once only. */
export async function enqueue(waiting: Waiting): Promise<void> {
  const runner = await startQueue();
  await runner.addJob('task', waiting, { jobKey: waiting.id, maxAttempts: 2 });
}
export async function endQueue(): Promise<void> {
  const queue = g.__queue;
  delete g.__queue;
  await (await queue)?.stop();
}
