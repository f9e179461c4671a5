import type { Waiting } from '../../core/quote/promise';
import { inShop } from '../db/orm';
import type { Who } from '../types';
import type { JobPage } from './job-page';
import { openJobs } from './bench-page';
import { partsFor, type StockPart } from './stock';

/** What an offer is made from beside the job: the parts that fit, and what stands on the bench already. */
export interface OfferPage {
  parts: StockPart[];
  waiting: Waiting[];
  benches: number;
}
export async function offerPage(who: Who, page: JobPage): Promise<OfferPage> {
  const { jobs, ...around } = await inShop(who.shopId, async (em) => {
    const [benches] = await em.execute<{ n: string }[]>(
      `select count(distinct bench) as n from person where role in ('technician', 'lead') and bench <> ''`,
    );
    return {
      jobs: await openJobs(em),
      parts: await partsFor(em, page.model.id, page.id),
      benches: Math.max(1, Number(benches!.n)),
    };
  });
  const waiting = jobs
    .filter((j) => j.id !== page.id)
    .map((j) => ({ handsS: j.summary.handsLeftS ?? 0, promisedAt: j.promisedAt }));
  return { waiting, ...around };
}
