import type { Waiting } from '../../core/quote/promise';
import { openJobs } from '../db/jobs';
import { inShop } from '../db/orm';
import { benchCount } from '../db/people';
import { partsFor, type StockPart } from '../db/stock';
import type { Who } from '../types';
import type { JobPage } from './job-page';

/** What an offer is made from beside the job: the parts that fit, and what stands on the bench already. */
export interface OfferPage {
  parts: StockPart[];
  waiting: Waiting[];
  benches: number;
}
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
