import * as wording from '../../words/answers/tasks';
import { randomUUID } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { TaskKind, TaskLine, TaskState } from '../../core/wire/background';
import { BackgroundTask } from './entities-of-shop';
import { inShop, shopOf } from './orm';

/** Notes something to be done. @returns its id */
export async function addTask(
  em: EntityManager,
  kind: TaskKind,
  personId: string | null,
  file: string | null = null,
): Promise<string> {
  const id = randomUUID();
  await em.insert(BackgroundTask, { shopId: shopOf(em), id, kind, personId, file });
  return id;
}
/** The latest of a kind, the latest first. */
export async function latestTasks(em: EntityManager, kind: TaskKind, limit: number): Promise<TaskLine[]> {
  const rows = await em.find(BackgroundTask, { kind }, { orderBy: { createdAt: 'desc' }, limit });
  return rows.map(({ id, state, progress, said, file, createdAt }) => ({
    id,
    kind,
    state,
    progress,
    said,
    file: file ?? null,
    at: createdAt.getTime(),
  }));
}
/** Longer than this nothing takes: what says that it runs was cut off with its process, ms. */
const longestMs = 6 * 3_600_000;
const going = { state: { $in: ['waiting' as const, 'running' as const] } };
/** Whether one of a kind is not over yet: two of a kind at once would be in each other's way. */
export async function runningTask(em: EntityManager, kind: TaskKind, now: number): Promise<boolean> {
  await em.nativeUpdate(
    BackgroundTask,
    { kind, ...going, createdAt: { $lt: new Date(now - longestMs) } },
    { state: 'failed', said: wording.cutOff, endedAt: new Date(now) },
  );
  return (await em.count(BackgroundTask, { kind, ...going })) > 0;
}
export const askToStop = (em: EntityManager, id: string): Promise<number> =>
  em.nativeUpdate(BackgroundTask, { id, ...going }, { stop: true });

/** What a task that runs says of itself. */
export interface Running {
  shop: string;
  id: string;
  personId: string | null;
  file: string | null;
}
/** Takes a task up; undefined where it is over already, or was to be ended before it began. */
export const beginTask = (shop: string, id: string): Promise<Running | undefined> =>
  inShop(shop, async (em) => {
    const row = await em.findOne(BackgroundTask, { id });
    if (!row || !['waiting', 'running'].includes(row.state)) return undefined;
    row.state = row.stop ? 'stopped' : 'running';
    if (row.stop) row.endedAt = new Date();
    return row.stop ? undefined : { shop, id, personId: row.personId ?? null, file: row.file ?? null };
  });
/** How far it is. @returns whether it is to go on */
export const tellProgress = ({ shop, id }: Running, progress: number, said: string): Promise<boolean> =>
  inShop(shop, async (em) => {
    const row = await em.findOneOrFail(BackgroundTask, { id });
    row.progress = progress;
    row.said = said;
    return !row.stop;
  });
export const endTask = (
  { shop, id }: Running,
  state: Extract<TaskState, 'done' | 'failed' | 'stopped'>,
  said: string,
  file: string | null = null,
): Promise<void> =>
  inShop(shop, async (em) => {
    await em.nativeUpdate(BackgroundTask, { id }, { state, said, file, endedAt: new Date(), progress: 1 });
  });
