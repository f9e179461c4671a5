import type { OfferPage } from '../../core/wire/offer-page';
import { openJobs } from '../db/jobs';
import { inShop } from '../db/orm';
import { benchCount } from '../db/people';
import { partsFor } from '../db/stock';
import type { Who } from '../../core/wire/who';
import type { JobPage } from '../../core/wire/job-page';
export async function offerPage(who: Who, page: JobPage): Promise<OfferPage> {
  const { jobs, ...around } = await inShop(who.shopId, async (em) => {
    return {
      jobs: await openJobs(em),
      parts: await partsFor(em, page.model.id, page.id),
      benches: Math.max(1, await benchCount(em)),
    };
  });
  const waiting = jobs
    .filter((j) => j.id !== page.id)
    .map((j) => ({ handsS: j.summary.handsLeftS ?? 0, promisedAt: j.promisedAt }));
  return { waiting, ...around };
}
