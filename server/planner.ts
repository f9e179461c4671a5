import { availableParallelism } from 'node:os';
import { resolve } from 'node:path';
import { Piscina } from 'piscina';
import type { AskedJob, DayAsked } from '../core/day/asked';
import type { DayPlan } from '../core/day/day-plan';
import type { FreeSlot } from '../core/day/slots';
import type { ModelProblem } from '../core/model/check-model';
import type { DeviceModel } from '../core/model/schema';
import type { RouteInput, RouteResult } from '../core/steps/route';
import { log } from './log';
import { inThread } from './threads/in-thread';

/** So many questions wait for a thread; a full queue is said as such. */
const maxQueue = 32;
/** Longer than a full queue of those that obey their clock, ms. */
const mostMs = (seconds: number): number => Math.ceil(((maxQueue + 1) * seconds + 10) * 1000);
/** A route that takes longer is answered with its gap; the bench must not wait. */
const planSeconds = 3;
let pool: Piscina | undefined;

/** The planner's threads: a bounded queue, never the request loop. A full queue is said as such. */
export async function planInThread(
  model: DeviceModel,
  modelHash: string,
  input: RouteInput,
): Promise<RouteResult> {
  pool ??= watched(
    new Piscina({
      filename: resolve('build-tools/plan-thread.mjs'),
      minThreads: 0,
      maxThreads: Math.max(1, availableParallelism() - 1),
      maxQueue,
      idleTimeout: 60_000,
    }),
  );
  return inThread(pool, { model, modelHash, input, seconds: planSeconds }, mostMs(planSeconds));
}
let checkers: Piscina | undefined;
/** What is wrong with the routes of a model that somebody brings in; beside the planner's threads, which benches wait for. */
export async function checkInThread(model: DeviceModel): Promise<ModelProblem[]> {
  checkers ??= watched(
    new Piscina({
      filename: resolve('build-tools/check-thread.mjs'),
      minThreads: 0,
      maxThreads: Math.max(1, availableParallelism() - 1),
      maxQueue,
      idleTimeout: 10_000,
    }),
  );
  return checkers.run(model) as Promise<ModelProblem[]>;
}
let dayPlanners: Piscina | undefined;
/** A day takes no longer than this: a bench replans within a second. */
const daySeconds = 0.8;
const dayPool = (): Piscina =>
  (dayPlanners ??= watched(
    new Piscina({
      filename: resolve('build-tools/day-thread.mjs'),
      minThreads: 0,
      maxThreads: 1,
      maxQueue,
      idleTimeout: 60_000,
    }),
  ));
/** The plan of a day, in a thread of its own: a route that is being planned does not hold it up. */
export const dayInThread = (asked: DayAsked): Promise<DayPlan> =>
  inThread(dayPool(), { asked, seconds: daySeconds }, mostMs(daySeconds));
/** What is free in a day, in the same thread. */
export const slotsInThread = (asked: {
  asked: DayAsked;
  plan: DayPlan;
  job: Pick<AskedJob, 'id' | 'blocks'>;
}): Promise<FreeSlot[]> => inThread(dayPool(), { ...asked, seconds: daySeconds }, mostMs(daySeconds));
/** A thread that dies fails its own request; the server goes on. */
function watched(p: Piscina): Piscina {
  p.on('error', (e) => log.error({ err: e }, 'a planner thread died'));
  return p;
}
export async function endPlanner(): Promise<void> {
  await Promise.all([pool?.destroy(), checkers?.destroy(), dayPlanners?.destroy()]);
  pool = undefined;
  checkers = undefined;
  dayPlanners = undefined;
}
