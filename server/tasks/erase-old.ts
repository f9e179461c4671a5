import dayjs from 'dayjs';
import type { Who } from '../../core/wire/who';
import { plural } from '../../words/things';
import { closedBefore } from '../db/job-private';
import { inShop } from '../db/orm';
import { whoWas } from '../db/people';
import { type Running, tellProgress } from '../db/tasks';
import { workshopOf } from '../db/workshop';
import { eraseKnown } from '../use-cases/owner-data';
import { type Done, Stopped } from './done';

/** Erases what is known of the owners of jobs that were closed longer ago than the workshop keeps it. */
export async function eraseOld(running: Running): Promise<Done> {
  const found = await inShop(running.shop, async (em) => {
    const shop = await workshopOf(em);
    const { erasing } = shop.settings;
    const person = erasing && (await whoWas(em, erasing.by));
    if (!erasing || !person) return undefined;
    // in the name of who set the rule
    const who: Who = {
      shopId: running.shop,
      personId: person.id,
      ...{ name: person.name, login: person.login, role: person.role, bench: person.bench },
      ...{ shopName: shop.name, settings: shop.settings, demo: shop.demo },
    };
    const before = dayjs().subtract(erasing.afterMonths, 'month').toDate();
    return { who, months: erasing.afterMonths, jobs: await closedBefore(em, before) };
  });
  if (!found) return { said: 'Nothing is to be erased.' };
  const { who, months, jobs } = found;
  let erased = 0;
  for (const [k, job] of jobs.entries()) {
    if (!(await tellProgress(running, k / jobs.length, 'erasing'))) throw new Stopped();
    const done = await eraseKnown(who, job, Date.now(), `by the rule of ${plural(months, 'month')}`);
    if (done && done !== 'open' && done.any) erased++;
  }
  return { said: `What was known of the owners of ${plural(erased, 'job')} is erased.` };
}
