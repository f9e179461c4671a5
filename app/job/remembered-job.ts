import type { JobEvent } from '../../core/job/events';
import { fold } from '../../core/job/evolve';
import type { JobPage } from '../../server/use-cases/job-page';
import { rememberedPage, rememberPage } from './outbox';

/**
 * Brings this browser's copy of a job up to what the server has just confirmed, whatever screen is open: the job is then
 * at hand as it stands when the server goes away. A copy of another person, or one with a gap, is left as it is.
 */
export async function noteConfirmed(job: string, owner: string, events: readonly JobEvent[]): Promise<void> {
  const known = await rememberedPage<JobPage>(job).catch(() => undefined);
  if (!known || known.owner !== owner) return;
  const { page } = known;
  const news = events.filter((e) => e.seq > page.state.seq).sort((a, b) => a.seq - b.seq);
  if (!news.length || news[0]!.seq !== page.state.seq + 1) return;
  await rememberPage(job, owner, { ...page, state: fold(page.state, news) });
}
