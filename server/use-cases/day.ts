import { z } from 'zod';
import { handsAtBenches } from '../../core/day/at-benches';
import type { AskedJob, DayAsked } from '../../core/day/asked';
import { blocksOf, type DayJob, offeredBlocks } from '../../core/day/blocks';
import { type DayPlan, nearS, shownOf } from '../../core/day/day-plan';
import { paceOf, stepTimes } from '../../core/day/true-times';
import { type KeptPin, pinSchema } from '../../core/day/what-if';
import { flag, type JobState } from '../../core/log/state';
import { conditionsOf } from '../../core/log/view';
import type { Route } from '../../core/steps/route';
import { badCell } from '../../core/vocabulary/conditions';
import type { Changed } from '../../core/wire/changed';
import type { PromiseAsked, PromiseSaid } from '../../core/wire/promise-asked';
import type { ShopSettings, Who } from '../../core/wire/who';
import { shortModel } from '../../words/bench';
import * as wording from '../../words/answers/day';
import type { EntityManager } from '@mikro-orm/postgresql';
import { endedJobs, keepShown, shownBefore } from '../db/day';
import { eventsAfter, loadState } from '../db/job-log';
import { findJob, openJobs } from '../db/jobs';
import { inShop } from '../db/orm';
import { peopleOf } from '../db/people';
import { routeOf } from '../db/routes';
import { workshopOf, workshopToChange } from '../db/workshop';
import { dayInThread, slotsInThread } from '../planner';

/** Somebody is at a device whose last event is no older than this, ms. */
const atItMs = 10 * 60_000;
/** More open devices than this are not planned together: those that are promised soonest are. */
const most = 30;
/** Days that are looked ahead for when nobody is there. */
const ahead = 3;

/** How fast each job goes, by where its log stood then: it is read anew when that has moved. */
const paces = new Map<string, { seq: number; pace: number }>();
const mostPaces = 2000;
async function paceNow(em: EntityManager, id: string, state: JobState, route: Route): Promise<number> {
  const known = paces.get(id);
  if (known?.seq === state.seq) return known.pace;
  const log = (await eventsAfter(em, id, 0)).filter((e) => state.retracted[e.id] === undefined);
  const pace = paceOf(stepTimes(route, log));
  if (paces.size > mostPaces) paces.clear();
  paces.set(id, { seq: state.seq, pace });
  return pace;
}
/** What is usual for a model, from the latest jobs of it; asked again after a while, ms. */
const usuals = new Map<string, { at: number; usual: DayJob['usual'] }>();
const usualMs = 10 * 60_000;
const usualJobs = 5;
const yearMs = 365 * 86_400_000;
async function usualOf(em: EntityManager, who: Who, job: string, now: number): Promise<DayJob['usual']> {
  const { modelHash } = (await findJob(em, job))!;
  const key = `${who.shopId} ${modelHash}`;
  const known = usuals.get(key);
  if (known && now - known.at < usualMs) return known.usual;
  const jobs = await endedJobs(em, now - yearMs, usualJobs, modelHash);
  const totals = jobs.flatMap(({ route, log }) => {
    if (!route) return [];
    const pace = paceOf(stepTimes(route, log));
    const sum = (of: (s: Route['steps'][number]) => number) => route.steps.reduce((s, x) => s + of(x), 0);
    const hands = sum((s) => s.handsS.likely) * pace;
    return [
      {
        hands,
        low: sum((s) => s.handsS.low),
        high: sum((s) => s.handsS.high),
        wait: sum((s) => s.waitS + (s.restS ?? 0)),
      },
    ];
  });
  const mean = (of: (t: (typeof totals)[number]) => number) =>
    totals.reduce((s, t) => s + of(t), 0) / totals.length;
  const usual = totals.length
    ? {
        hands: {
          low: mean((t) => t.low),
          likely: mean((t) => t.hands),
          high: Math.max(
            mean((t) => t.high),
            mean((t) => t.hands),
          ),
        },
        waitS: Math.round(mean((t) => t.wait)),
      }
    : undefined;
  usuals.set(key, { at: now, usual });
  return usual;
}
/** Every open device with what is left of it. */
async function jobsOf(em: EntityManager, who: Who, now: number): Promise<DayJob[]> {
  const out: DayJob[] = [];
  for (const { id, promisedAt } of (await openJobs(em)).slice(0, most)) {
    const state = await loadState(em, id);
    const route = await routeOf(em, flag(state, 'routeHash'));
    const usual = route ? undefined : await usualOf(em, who, id, now);
    out.push({
      ...{ id, state, route, promisedAt, inHand: undefined },
      ...(route ? { pace: await paceNow(em, id, state, route) } : {}),
      ...(usual ? { usual } : {}),
    });
  }
  return out;
}
/** Of the devices that somebody has taken over, each person is at the one that moved last: who is at which. */
function inHandOf(jobs: readonly DayJob[], now: number): Map<string, string> {
  const last = new Map<string, DayJob>();
  for (const job of jobs) {
    const worker = flag(job.state, 'worker')?.by;
    if (worker === undefined || now - job.state.lastAt >= atItMs) continue;
    if ((last.get(worker)?.state.lastAt ?? 0) < job.state.lastAt) last.set(worker, job);
  }
  return new Map([...last].map(([worker, job]) => [job.id, worker]));
}
const minute = 60;
/** What the workshop has said of its stations. */
const stationsOf = ({ holds, warmMinutes = {} }: ShopSettings): Pick<DayAsked, 'holds' | 'warmS'> => ({
  ...(holds ? { holds } : {}),
  warmS: Object.fromEntries(Object.entries(warmMinutes).map(([id, m]) => [id, m * minute])),
});
/** What the day of a workshop is planned from. */
async function asked(who: Who, now: number): Promise<DayAsked> {
  return inShop(who.shopId, async (em) => {
    // as it stands: what this process holds of a session may be older than what was just kept
    const { settings } = await workshopOf(em);
    const found = await jobsOf(em, who, now);
    const inHand = inHandOf(found, now);
    const { people, away, benchOf } = handsAtBenches(await peopleOf(em), settings, now, ahead);
    const seconds = ({ job, step, at }: KeptPin) => ({ job, step, atS: Math.round((at - now) / 1000) });
    const shown = await shownBefore(em, now, nearS * 1000);
    return {
      ...{ now, people, away, ...stationsOf(settings) },
      pins: (settings.pins ?? []).filter((p) => p.at > now).map(seconds),
      shown: shown.map(seconds),
      jobs: found.map((job): AskedJob => {
        const worker = inHand.get(job.id);
        // an owner who lends a hand holds nobody else's
        const at = worker === undefined ? undefined : (benchOf.get(worker) ?? worker);
        return {
          ...{ id: job.id, promisedAt: job.promisedAt, urgent: badCell(conditionsOf(job.state)) },
          blocks: blocksOf({ ...job, inHand: at }, now),
        };
      }),
    };
  });
}
/** The plan that was made last for each workshop, and what it was made from; the same question is not computed twice. */
const last = new Map<string, { key: string; day: Promise<Day> }>();
/** Plans are made for whole steps of so long: within one nothing but news changes them, ms. */
const stepMs = 30_000;
/** A plan, and what it was made from: what if is answered from that, where one looks at it. */
export interface Day {
  plan: DayPlan;
  asked: DayAsked;
}

/** The plan of the day that all benches of a workshop share. */
export async function dayOfShop(who: Who, now: number): Promise<Day> {
  const at = Math.floor(now / stepMs) * stepMs;
  const question = await asked(who, at);
  // what was shown is what the plan itself has said: it is no news
  const { shown: _, ...news } = question;
  const key = JSON.stringify(news);
  const known = last.get(who.shopId);
  if (known?.key === key) return known.day;
  const day = (async (): Promise<Day> => {
    const plan = await dayInThread(question);
    await inShop(who.shopId, (em) => keepShown(em, shownOf(plan), at));
    return { plan, asked: question };
  })();
  last.set(who.shopId, { key, day });
  day.catch(() => last.delete(who.shopId));
  return day;
}

const pinAsked = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('pin'), pins: z.array(pinSchema).min(1).max(20) }),
  z.strictObject({ do: z.literal('let go'), job: z.uuid() }),
]);
/** More pins than this are no plan any more. */
const mostPins = 60;
/** Pins blocks of the day where somebody wants them, for all benches; or lets those of a device go. */
export async function pinDay(who: Who, json: unknown, now: number): Promise<Changed> {
  const read = pinAsked.safeParse(json);
  if (!read.success) return { ok: false, status: 400, errors: { form: wording.notUnderstood } };
  if (who.role === 'trainee') return { ok: false, status: 403, errors: { form: wording.notTrainee } };
  const ask = read.data;
  return inShop(who.shopId, async (em): Promise<Changed> => {
    const shop = await workshopToChange(em);
    const named = ask.do === 'pin' ? ask.pins.map((p) => p.job) : [ask.job];
    for (const job of named)
      if (!(await findJob(em, job))) return { ok: false, status: 409, errors: { form: wording.noSuchJob } };
    if (ask.do === 'pin' && ask.pins.some((p) => p.at <= now))
      return { ok: false, status: 400, errors: { form: wording.past } };
    const kept = (shop.settings.pins ?? []).filter((p) => p.at > now && !named.includes(p.job));
    const added = ask.do === 'pin' ? ask.pins.map((p) => ({ ...p, by: who.personId })) : [];
    shop.settings = { ...shop.settings, pins: [...kept, ...added].slice(-mostPins) };
    return { ok: true, said: ask.do === 'pin' ? wording.pinned : wording.letGo };
  });
}

/**
 * What the plan says of a device that is offered: with it and without it, so that whom it makes late is known; and when it
 * could be done with everybody else as they are.
 * @returns undefined where this workshop has no such open job
 */
export async function promiseOf(who: Who, ask: PromiseAsked, now: number): Promise<PromiseSaid | undefined> {
  const question = { ...(await asked(who, now)), shown: [] };
  if (ask.job !== undefined && !question.jobs.some((j) => j.id === ask.job)) return undefined;
  const id = ask.job ?? 'offered';
  const others = { ...question, jobs: question.jobs.filter((j) => j.id !== id) };
  const blocks = offeredBlocks(id, ask, ask.wait);
  const without = await dayInThread(others);
  const [withIt, slots] = await Promise.all([
    dayInThread({ ...others, jobs: [...others.jobs, { id, promisedAt: ask.by ?? null, blocks }] }),
    slotsInThread({ asked: others, plan: without, job: { id, blocks } }),
  ]);
  const own = withIt.jobs.find((j) => j.id === id)!;
  const names = new Map((await inShop(who.shopId, openJobs)).map((j) => [j.id, shortModel(j)]));
  const lateBefore = new Map(without.jobs.map((j) => [j.id, j.lateS]));
  return {
    readyAt: now + own.endS * 1000,
    ...(own.chance === undefined ? {} : { chance: own.chance }),
    pushed: withIt.jobs.flatMap(({ id: other, lateS }) => {
      const byS = Math.round(lateS - (lateBefore.get(other) ?? lateS));
      return other !== id && byS >= 60 ? [{ name: names.get(other) ?? '', byS }] : [];
    }),
    slots,
  };
}
