import type { Experience } from '../../core/diagnose/fault';
import { flag } from '../../core/job/state';
import { inShop } from '../db/orm';
import type { Who } from '../types';
import { type EarlierJob, earlierJobs } from './device-history';
import { experienceOf } from './experience';
import { type JobPage, jobPage } from './job-page';

/** What finding a fault starts from: the job, what finished jobs have shown, and the device's own past. */
export interface FaultPage {
  page: JobPage;
  experience: Experience;
  earlier: EarlierJob[];
}
export async function faultPage(who: Who, jobId: string): Promise<FaultPage | undefined> {
  const page = await jobPage(who, jobId);
  if (!page) return undefined;
  return inShop(who.shopId, async (em) => ({
    page,
    experience: await experienceOf(em),
    earlier: await earlierJobs(em, flag(page.state, 'tag') ?? '', jobId),
  }));
}
