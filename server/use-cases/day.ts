import { blocksOf, type DayJob, offeredBlocks } from '../../core/day/blocks';
import type { Away, DayAsked, DayPlan } from '../../core/day/day-plan';
import { awayLines, closedTimes } from '../../core/day/hours';
import { flag } from '../../core/log/state';
import { conditionsOf } from '../../core/log/view';
import { badCell } from '../../core/vocabulary/conditions';
import type { PromiseAsked, PromiseSaid } from '../../core/wire/promise-asked';
import type { ShopSettings, Who } from '../../core/wire/who';
import { shortModel } from '../../words/bench';
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
async function asked(who: Who, now: number, whatIf?: WhatIf): Promise<DayAsked> {
  return inShop(who.shopId, async (em) => {
    const lines = (await openJobs(em)).slice(0, most);
    const found: DayJob[] = [];
    for (const { id, promisedAt } of lines) {
      const state = await loadState(em, id);
      const route = await routeOf(em, flag(state, 'routeHash'));
      found.push({ id, state, route, promisedAt, inHand: false });
    }
    const inHand = new Set(inHandOf(found, now));
    const people = whatIf?.people ?? Math.max(1, await benchCount(em));
    return {
      now,
      people,
      ...awayOf(who.settings, people, now, whatIf),
      ...(who.settings.holds ? { holds: who.settings.holds } : {}),
      jobs: found.map((job) => ({
        id: job.id,
        promisedAt: job.promisedAt,
        urgent: badCell(conditionsOf(job.state)),
        blocks: blocksOf({ ...job, inHand: inHand.has(job.id) }, now),
      })),
    };
  });
}
/** What is imagined: so many people, or hands or a station away from then to then. */
export interface WhatIf {
  people?: number;
  away?: { what: string; from: number; to: number };
}
/** Days that are looked ahead for when nobody is there. */
const ahead = 3;
/** Who and what is away: everybody while it is closed or in the pause, whoever is said to be, and what is imagined. */
function awayOf(
  { hours, absences = [], timeZone }: ShopSettings,
  people: number,
  now: number,
  whatIf: WhatIf | undefined,
): Pick<DayAsked, 'away'> {
  const seconds = (ms: number) => Math.max(0, Math.round((ms - now) / 1000));
  const until = now + ahead * 86_400_000;
  const soon = ({ from, to }: { from: number; to: number }) => to > now && from < until;
  const imagined = whatIf?.away && soon(whatIf.away) ? [whatIf.away] : [];
  const absent = [...absences.filter(soon), ...imagined.filter(({ what }) => what === 'hands')];
  const lines = awayLines(
    people,
    closedTimes(hours, timeZone, now, ahead),
    absent.map(({ from, to }) => ({ fromMs: Math.max(now, from), toMs: Math.min(until, to) })),
  );
  const away: Away[] = [
    ...lines.map(({ fromMs, toMs }) => ({ what: 'hands', fromS: seconds(fromMs), toS: seconds(toMs) })),
    ...imagined
      .filter(({ what }) => what !== 'hands')
      .map(({ what, from, to }) => ({ what, fromS: seconds(from), toS: seconds(to) })),
  ];
  return away.length ? { away } : {};
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

/**
 * The plan of the day that all benches of a workshop share.
 * @param whatIf what it would be otherwise
 */
export async function dayOfShop(who: Who, now: number, whatIf?: WhatIf): Promise<DayPlan> {
  const at = Math.floor(now / stepMs) * stepMs;
  // asked what it would be otherwise: an answer of its own, which nobody else sees
  if (whatIf) return dayInThread(await asked(who, at, whatIf));
  const question = await asked(who, at);
  const key = JSON.stringify(question);
  const known = last.get(who.shopId);
  if (known?.key === key) return known.plan;
  const plan = dayInThread(question);
  last.set(who.shopId, { key, plan });
  plan.catch(() => last.delete(who.shopId));
  return plan;
}

/**
 * What the plan says of a device that is offered: with it and without it, so that whom it makes late is known.
 * @returns undefined where this workshop has no such open job
 */
export async function promiseOf(who: Who, ask: PromiseAsked, now: number): Promise<PromiseSaid | undefined> {
  const question = await asked(who, now);
  if (!question.jobs.some((j) => j.id === ask.job)) return undefined;
  const others = question.jobs.filter((j) => j.id !== ask.job);
  const blocks = offeredBlocks(ask.job, ask, ask.wait);
  const [without, withIt] = await Promise.all([
    dayInThread({ ...question, jobs: others }),
    dayInThread({ ...question, jobs: [...others, { id: ask.job, promisedAt: ask.by ?? null, blocks }] }),
  ]);
  const own = withIt.jobs.find((j) => j.id === ask.job)!;
  const names = new Map((await inShop(who.shopId, openJobs)).map((j) => [j.id, shortModel(j)]));
  const lateBefore = new Map(without.jobs.map((j) => [j.id, j.lateS]));
  return {
    readyAt: now + own.endS * 1000,
    ...(own.chance === undefined ? {} : { chance: own.chance }),
    pushed: withIt.jobs.flatMap(({ id, lateS }) => {
      const byS = Math.round(lateS - (lateBefore.get(id) ?? lateS));
      return id !== ask.job && byS >= 60 ? [{ name: names.get(id) ?? '', byS }] : [];
    }),
  };
}
