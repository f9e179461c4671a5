import type { EntityManager } from '@mikro-orm/postgresql';
import type { Command } from '../../core/job/decide';
import { conditionsOf, standingOf } from '../../core/job/standing';
import { flag, type JobState } from '../../core/job/state';
import type { Task } from '../../core/job/events';
import type { IndexedModel } from '../../core/model/index-model';
import type { Condition } from '../../core/model/schema';
import { planRoute } from '../../core/route/plan';
import { type Methods, methodsOf } from '../../core/route/methods';
import type { Route, RouteInput, RouteResult } from '../../core/route/types';
import { inShop } from '../db/orm';
import { appendCommand, indexOf, loadState, lockJob } from '../db/job-log';
import type { Outcome, Who } from '../types';

/** The route for a job from where its device stands now; `more` are tasks beside the job's own (what to look at again). */
export function planFor(who: Who, index: IndexedModel, state: JobState, more: Task[] = []): RouteResult {
  return planRoute(index, flag(state, 'modelHash')!, inputFor(who, index, state, more));
}
/** What the planner is asked for a job: its tasks and state, the workshop's methods, stations and rate. */
export function inputFor(who: Who, index: IndexedModel, state: JobState, more: Task[] = [], wishes: RouteWishes = {}): RouteInput {
  const own = Object.entries(state.task).map(([slot, action]) => ({ slot, action }) as Task);
  const standing = standingOf(state, index);
  return {
    model: index.model.id, variant: flag(state, 'variant')!, methods: methodsOf(who.settings.methods, wishes.methods), conditions: conditionsOf(state) as Condition[],
    tasks: [...own, ...more.filter((t) => !own.some((o) => o.slot === t.slot && !standing.done.includes(t.slot)))],
    standing, hourlyRateMinor: who.settings.hourlyRateMinor, stations: who.settings.stations, force: wishes.force ?? {},
  };
}
/** What is chosen for one job on the Route screen. */
export interface RouteWishes { methods?: Partial<Methods>; force?: Record<string, string> }
export async function storeRoute(em: EntityManager, route: Route): Promise<void> {
  await em.execute(`insert into route (shop_id, hash, route) values (shop_now(), ?, ?::jsonb) on conflict do nothing`, [route.hash, JSON.stringify(route)]);
}

export type Adopted = { ok: true; outcome: Outcome } | { ok: false; code: 'no such job' } | { ok: false; code: 'infeasible'; because: string[] };

/** Plans a job at the head of its log and adopts what comes out; the same command id gives the same outcome. */
export async function adoptRoute(who: Who, jobId: string, commandId: string, more: Task[] = []): Promise<Adopted> {
  return inShop(who.shopId, async (em): Promise<Adopted> => {
    const job = await lockJob(em, jobId);
    if (!job) return { ok: false, code: 'no such job' };
    const [known] = await em.execute<{ outcome: Outcome }[]>(`select outcome from job_command where command_id = ?`, [commandId]);
    if (known) return { ok: true, outcome: known.outcome };
    const state = await loadState(em, jobId);
    const index = await indexOf(em, flag(state, 'modelHash')!, flag(state, 'variant')!);
    const route = planFor(who, index, state, more);
    if ('infeasible' in route) return { ok: false, code: 'infeasible', because: route.because.flatMap((b) => b.ids).map((i) => index.slots.get(i.split('@')[0]!)?.name ?? i) };
    await storeRoute(em, route);
    const command: Command = { id: commandId, job: jobId, at: Math.max(Date.now(), state.lastAt), clockKnown: true, body: { type: 'routeAdopted', routeHash: route.hash, modelHash: route.modelHash, variant: route.variant } };
    return { ok: true, outcome: (await appendCommand(em, who, command, jobId, { state, ...job })).outcome };
  });
}
