import * as wording from '../../words/answers/erase-old';
import dayjs from 'dayjs';
import { plural } from '../../words/things';
import { closedBefore } from '../db/job-private';
import { inShop } from '../db/orm';
import { type Running, tellProgress } from '../db/tasks';
import { workshopOf } from '../db/workshop';
import { eraseKnown } from '../use-cases/owner-data';
import { type Done, Stopped } from './done';
import { whoAsked } from './who-asked';

/** Erases what is known of the owners of jobs that were closed longer ago than the workshop keeps it. */
export async function eraseOld(running: Running): Promise<Done> {
  const found = await inShop(running.shop, async (em) => {
    const { erasing } = (await workshopOf(em)).settings;
    if (!erasing) return undefined;
    const before = dayjs().subtract(erasing.afterMonths, 'month').toDate();
    return { erasing, jobs: await closedBefore(em, before) };
  });
  if (!found) return { said: wording.nothingToErase };
  const { erasing, jobs } = found;
  // in the name of who set the rule
  const who = await whoAsked({ shop: running.shop, personId: erasing.by });
  let erased = 0;
  for (const [k, job] of jobs.entries()) {
    if (!(await tellProgress(running, k / jobs.length, 'erasing'))) throw new Stopped();
    const done = await eraseKnown(
      who,
      job,
      Date.now(),
      `by the rule of ${plural(erasing.afterMonths, 'month')}`,
    );
    if (done && done !== 'open' && done.any) erased++;
  }
  return { said: wording.ownersErased(plural(erased, 'job')) };
}
