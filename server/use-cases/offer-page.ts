import type { Waiting } from '../../core/quote/promise';
import { inShop } from '../db/orm';
import type { Who } from '../types';
import { type JobPage, jobPage } from './job-page';
import { openJobs } from './bench-page';
import { partsFor, type StockPart } from './stock';

/** What an offer is made from: the job, the parts that fit, and what stands on the bench already. */
export interface OfferPage {
  page: JobPage;
  parts: StockPart[];
  waiting: Waiting[];
  benches: number;
}
export async function offerPage(who: Who, jobId: string): Promise<OfferPage | undefined> {
  const page = await jobPage(who, jobId);
  if (!page) return undefined;
  const { jobs, ...around } = await inShop(who.shopId, async (em) => {
    const [benches] = await em.execute<{ n: string }[]>(
      `select count(distinct bench) as n from person where role in ('technician', 'lead') and bench <> ''`,
    );
    return {
      jobs: await openJobs(em),
      parts: await partsFor(em, page.model.id, jobId),
      benches: Math.max(1, Number(benches!.n)),
    };
  });
  const waiting = jobs
    .filter((j) => j.id !== jobId)
    .map((j) => ({ handsS: j.summary.handsLeftS ?? 0, promisedAt: j.promisedAt }));
  return { page, waiting, ...around };
}
