import { type DayJob, blocksOf } from '../../core/day/blocks';
import type { DayAsked, DayPlan } from '../../core/day/day-plan';
import { flag } from '../../core/log/state';
import type { Who } from '../../core/wire/who';
import { loadState } from '../db/job-log';
import { openJobs } from '../db/jobs';
import { inShop } from '../db/orm';
import { benchCount } from '../db/people';
import { routeOf } from '../db/routes';
import { dayInThread } from '../planner';

/** Somebody is at a device whose last event is no older than this, ms. */
const atItMs = 10 * 60_000;
/** More open devices than this are not planned together: those that are promised soonest are. */
const most = 30;

/** What the day of a workshop is planned from: every open device with what is left of it. */
async function asked(who: Who, now: number): Promise<DayAsked> {
  return inShop(who.shopId, async (em) => {
    const lines = (await openJobs(em)).slice(0, most);
    const found: DayJob[] = [];
    for (const { id, promisedAt } of lines) {
      const state = await loadState(em, id);
      const route = await routeOf(em, flag(state, 'routeHash'));
      found.push({ id, state, route, promisedAt, inHand: false });
    }
    const inHand = new Set(inHandOf(found, now));
    return {
      now,
      people: Math.max(1, await benchCount(em)),
      jobs: found.map((job) => ({
        id: job.id,
        promisedAt: job.promisedAt,
        blocks: blocksOf({ ...job, inHand: inHand.has(job.id) }, now),
      })),
    };
  });
}
/** Of the devices that somebody has taken over, each person is at the one that moved last. */
function inHandOf(jobs: readonly DayJob[], now: number): string[] {
  const last = new Map<string, DayJob>();
  for (const job of jobs) {
    const worker = flag(job.state, 'worker')?.by;
    if (worker === undefined || now - job.state.lastAt >= atItMs) continue;
    if ((last.get(worker)?.state.lastAt ?? 0) < job.state.lastAt) last.set(worker, job);
  }
  return [...last.values()].map((job) => job.id);
}
/** The plan that was made last for each workshop, and what it was made from; the same question is not computed twice. */
const last = new Map<string, { key: string; plan: Promise<DayPlan> }>();
/** Plans are made for whole steps of so long: within one nothing but news changes them, ms. */
const stepMs = 30_000;

/** The plan of the day that all benches of a workshop share. */
export async function dayOfShop(who: Who, now: number): Promise<DayPlan> {
  const at = Math.floor(now / stepMs) * stepMs;
  const question = await asked(who, at);
  const key = JSON.stringify(question);
  const known = last.get(who.shopId);
  if (known?.key === key) return known.plan;
  const plan = dayInThread(question);
  last.set(who.shopId, { key, plan });
  plan.catch(() => last.delete(who.shopId));
  return plan;
}
