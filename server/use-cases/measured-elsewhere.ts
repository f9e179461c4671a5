import { type LastTime, lastTimeOf, type Usual, usualOf } from '../../core/checks/elsewhere';
import { allLessons, type Lessons, lessonsOf } from '../../core/suspects/lessons';
import type { Who } from '../../core/wire/who';
import { findJob } from '../db/jobs';
import { loadState } from '../db/job-log';
import { failedLogs, measuredLogs } from '../db/measures';
import { inShop } from '../db/orm';

/** What this workshop's jobs have shown about functions that failed after work; asked only where one does. */
export const lessonsFor = (who: Who, jobId: string): Promise<Lessons> =>
  inShop(who.shopId, async (em) => {
    const { check } = await loadState(em, jobId);
    const fails = Object.entries(check).some(
      ([key, { result }]) => !key.startsWith('before ') && result === 'fails',
    );
    return fails ? allLessons((await failedLogs(em)).map(lessonsOf)) : {};
  });
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
