import type { JobsQuery } from '../../forms/jobs-query';
import { type JobsPage, jobsFound, searchJobs } from '../db/job-search';
import { inShop } from '../db/orm';
import type { Who } from '../../core/wire/who';
import { writeCsv } from './csv';

/** Whose days are meant: the workshop's, or the server's where it has said none. */
const zoneOf = ({ settings }: Who): string =>
  settings.timeZone ?? Intl.DateTimeFormat().resolvedOptions().timeZone;

/** The jobs that a question asks for, 50 a page. */
export const jobsPage = (who: Who, query: JobsQuery): Promise<JobsPage> =>
  inShop(who.shopId, (em) => jobsFound(em, query, zoneOf(who)));

/** A file is not longer than this: what asks for more is narrowed first. */
const csvRows = 20_000;
const iso = (ms: number | null) => (ms === null ? '' : new Date(ms).toISOString());
/** The same jobs as CSV, all pages of them: times in UTC. */
export async function jobsCsv(who: Who, query: JobsQuery): Promise<string> {
  const jobs = await inShop(who.shopId, (em) => searchJobs(em, query, csvRows, 0, zoneOf(who)));
  return writeCsv(
    ['job', 'tag', 'model', 'owner', 'tasks', 'received', 'promised', 'stands_at', 'worked_on_by'],
    jobs.map((j) => [
      String(j.number),
      j.tag,
      j.summary.model,
      j.owner ?? '',
      (j.summary.tasks ?? []).join('; '),
      iso(j.openedAt),
      iso(j.promisedAt),
      j.ending ?? j.stage,
      j.worker ?? '',
    ]),
  );
}
