import type { EntityManager } from '@mikro-orm/postgresql';
import type { KeptPin } from '../../core/day/what-if';
import type { Route } from '../../core/steps/route';
import type { JobEvent } from '../../core/log/events';
import { flag } from '../../core/log/state';
import { Job } from './entities';
import { DayShown } from './entities-of-shop';
import { eventsAfter, loadState } from './job-log';
import { shopOf } from './orm';
import { routeOf } from './routes';

/** What was shown of the next quarter of an hour, if that was no longer ago than so much, ms. */
export async function shownBefore(em: EntityManager, now: number, atMostMs: number): Promise<KeptPin[]> {
  const row = await em.findOne(DayShown, {});
  return row && now - row.shownAt.getTime() <= atMostMs ? row.blocks : [];
}
/** Keeps what is shown now. */
export const keepShown = (em: EntityManager, blocks: KeptPin[], now: number): Promise<unknown> =>
  em.upsert(
    DayShown,
    { shopId: shopOf(em), blocks, shownAt: new Date(now) },
    { onConflictFields: ['shopId'] },
  );

/** A job that was handed over: its route, its log without what was taken back, and its promise. */
export interface EndedJob {
  id: string;
  modelHash: string;
  promisedAt: number | null;
  doneAt: number;
  route: Route | undefined;
  log: JobEvent[];
}
/** The jobs that were handed over since a moment, the newest first; of one model where it is named. */
export async function endedJobs(
  em: EntityManager,
  since: number,
  most: number,
  modelHash?: string,
): Promise<EndedJob[]> {
  const rows = await em.find(
    Job,
    {
      ending: 'handed over',
      updatedAt: { $gte: new Date(since) },
      ...(modelHash === undefined ? {} : { modelHash }),
    },
    { orderBy: { updatedAt: 'desc' }, limit: most },
  );
  const out: EndedJob[] = [];
  for (const job of rows) {
    const state = await loadState(em, job.id);
    const route = await routeOf(em, flag(state, 'routeHash'));
    const all = await eventsAfter(em, job.id, 0);
    out.push({
      ...{ id: job.id, modelHash: job.modelHash, route },
      promisedAt: job.promisedAt?.getTime() ?? null,
      doneAt: all.findLast((e) => e.body.type === 'jobClosed')?.at ?? job.updatedAt.getTime(),
      log: all.filter((e) => state.retracted[e.id] === undefined),
    });
  }
  return out;
}
