import { type DayAsked, type DayPlan, dayPlan } from '../../core/day/day-plan';

/** Plans a day in a thread of its own; after `seconds` it answers with the best that it has. */
export default function plan({ asked, seconds }: { asked: DayAsked; seconds: number }): DayPlan {
  const end = performance.now() + seconds * 1000;
  return dayPlan(asked, () => performance.now() >= end);
}
