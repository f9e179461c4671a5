import { momentOf } from '../../core/day/hours';
import { promisesKept, stepTimes, timesByKind } from '../../core/day/true-times';
import type { LookingBack } from '../../core/wire/looking-back';
import type { Who } from '../../core/wire/who';
import { endedJobs } from '../db/day';
import { inShop } from '../db/orm';

/** More jobs than these are not looked at: the newest are. */
const most = 150;
const dayMs = 86_400_000;

/** The first moment of a month, by the clock of the workshop. */
function monthOf(now: number, timeZone: string | undefined): number {
  const parts = new Intl.DateTimeFormat('en-CA', {
    ...{ year: 'numeric', month: '2-digit' },
    ...(timeZone ? { timeZone } : {}),
  }).format(now);
  return momentOf(`${parts}-01`, '00:00', timeZone);
}
/** What this month shows, or one that is so many before it. */
export async function lookingBack(who: Who, now: number, monthsBefore: number): Promise<LookingBack> {
  const { timeZone } = who.settings;
  let from = monthOf(now, timeZone);
  let to = now;
  for (let k = 0; k < monthsBefore; k++) {
    to = from;
    from = monthOf(from - dayMs, timeZone);
  }
  const all = await inShop(who.shopId, (em) => endedJobs(em, from, most));
  const jobs = all.filter((j) => j.doneAt >= from && j.doneAt <= to);
  const times = jobs.flatMap(({ route, log }) => (route ? stepTimes(route, log) : []));
  return {
    ...{ from, jobs: jobs.length },
    withRoute: jobs.filter((j) => j.route).length,
    kinds: timesByKind(times),
    promises: promisesKept(jobs),
  };
}
