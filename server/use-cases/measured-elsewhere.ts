import { type LastTime, lastTimeOf, type Usual, usualOf } from '../../core/checks/elsewhere';
import type { Who } from '../../core/wire/who';
import { findJob } from '../db/jobs';
import { measuredLogs } from '../db/measures';
import { inShop } from '../db/orm';

/** What other devices of this one's model measured, and what it measured itself when it was here last. */
export const measuredElsewhere = (
  who: Who,
  jobId: string,
): Promise<{ usual: Usual[]; last: LastTime | undefined }> =>
  inShop(who.shopId, async (em) => {
    const job = await findJob(em, jobId);
    if (!job) return { usual: [], last: undefined };
    const { others, own } = await measuredLogs(em, job);
    return { usual: usualOf(others), last: lastTimeOf(own) };
  });
