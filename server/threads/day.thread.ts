import type { AskedJob, DayAsked } from '../../core/day/asked';
import { type DayPlan, dayPlan } from '../../core/day/day-plan';
import { type FreeSlot, freeSlots } from '../../core/day/slots';

/** What a thread is asked: the plan of a day, or what is free in one. */
export type DayWork =
  | { asked: DayAsked; seconds: number }
  | { asked: DayAsked; plan: DayPlan; job: Pick<AskedJob, 'id' | 'blocks'>; seconds: number };

/** Plans a day in a thread of its own; after `seconds` it answers with the best that it has. */
export default function plan(work: DayWork): DayPlan | FreeSlot[] {
  const end = performance.now() + work.seconds * 1000;
  const stop = () => performance.now() >= end;
  return 'plan' in work ? freeSlots(work.asked, work.plan, work.job, stop) : dayPlan(work.asked, stop);
}
