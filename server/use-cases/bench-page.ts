import type { FirstSteps } from '../../core/wire/first-steps';
import { anyJob } from '../db/jobs';
import { currentModels } from '../db/models';
import { peopleOf } from '../db/people';
import { anyPart } from '../db/stock';
import { draftsOf } from '../db/drafts';
import type { DraftLine } from '../../core/wire/job-line';
import { openJobs } from '../db/jobs';
import type { JobLine } from '../../core/wire/job-line';
import { inShop } from '../db/orm';
import type { Who } from '../../core/wire/who';

/** The open devices, on every screen. */
export const openJobsFor = (who: Who): Promise<JobLine[]> => inShop(who.shopId, openJobs);
/** What a new workshop has done of its first steps; undefined once a device has been received. */
export const firstSteps = (who: Who): Promise<FirstSteps | undefined> =>
  inShop(who.shopId, async (em) => {
    if (who.role !== 'owner' || (await anyJob(em))) return undefined;
    return {
      people: (await peopleOf(em)).length > 1,
      stock: await anyPart(em),
      models: (await currentModels(em)).length > 0,
    };
  });
/** Devices that somebody has begun to receive and not finished, the latest first. */
export const draftsFor = (who: Who): Promise<DraftLine[]> =>
  inShop(who.shopId, (em) => draftsOf(em, who.personId));
