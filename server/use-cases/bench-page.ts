import { draftsOf } from '../db/drafts';
import type { DraftLine } from '../../core/wire/job-line';
import { openJobs } from '../db/jobs';
import type { JobLine } from '../../core/wire/job-line';
import { inShop } from '../db/orm';
import type { Who } from '../../core/wire/who';

/** The open devices, on every screen. */
export const openJobsFor = (who: Who): Promise<JobLine[]> => inShop(who.shopId, openJobs);
/** Devices that somebody has begun to receive and not finished, the latest first. */
export const draftsFor = (who: Who): Promise<DraftLine[]> =>
  inShop(who.shopId, (em) => draftsOf(em, who.personId));
