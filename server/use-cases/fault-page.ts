import type { Experience } from '../../core/diagnose/fault';
import { flag } from '../../core/log/state';
import { inShop } from '../db/orm';
import type { Who } from '../types';
import { type EarlierJob, earlierJobs } from './device-history';
import { experienceOf } from '../db/experience';
import type { JobPage } from './job-page';

/** What finding a fault takes beside the job: what finished jobs have shown, and the device's own past. */
export interface FaultPage {
  experience: Experience;
  earlier: EarlierJob[];
}
export const faultPage = (who: Who, page: JobPage): Promise<FaultPage> =>
  inShop(who.shopId, async (em) => ({
    experience: await experienceOf(em),
    earlier: await earlierJobs(em, flag(page.state, 'tag') ?? '', page.id),
  }));
