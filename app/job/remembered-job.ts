import type { JobEvent } from '../../core/log/events';
import { evolve } from '../../core/log/evolve';
import type { JobPage } from '../../core/wire/job-page';
import { rememberedState, rememberPage, rememberState } from './outbox';

/**
 * Brings this browser's copy of a job up to what the server has just confirmed, whatever screen is open: the job is then
 * at hand as it stands when the server goes away. A copy of another person, or one with a gap, is left as it is.
 */
export async function noteConfirmed(job: string, owner: string, events: readonly JobEvent[]): Promise<void> {
  const known = await rememberedState(job).catch(() => undefined);
  if (!known || known.owner !== owner) return;
  const news = events.filter((e) => e.seq > known.state.seq).sort((a, b) => a.seq - b.seq);
  if (!news.length || news[0]!.seq !== known.state.seq + 1) return;
  await rememberState(job, owner, news.reduce(evolve, known.state));
}

/** Remembers a page unless this browser knows the job better: a page that was kept without the server may be an old one. */
export async function rememberNewer(job: string, owner: string, page: JobPage): Promise<void> {
  const known = await rememberedState(job).catch(() => undefined);
  if (!known || known.owner !== owner || known.state.seq <= page.state.seq)
    await rememberPage(job, owner, page);
}
