import { type DraftLine, draftsOf } from '../db/drafts';
import { type JobLine, openJobs } from '../db/jobs';
import { inShop } from '../db/orm';
import type { Who } from '../types';

export type { JobLine };
/** The open devices, on every screen. */
export const stripFor = (who: Who): Promise<JobLine[]> => inShop(who.shopId, openJobs);
/** Devices that somebody has begun to receive and not finished, the latest first. */
export const draftsFor = (who: Who): Promise<DraftLine[]> =>
  inShop(who.shopId, (em) => draftsOf(em, who.personId));
