import type { ModelNote } from '../../core/wire/job-page';
import type { EntityManager } from '@mikro-orm/postgresql';

/** So many jobs of a model are looked at, the newest first, and so many notes of each. */
const jobsLooked = 200;
const notesOfJob = 30;
/**
 * Notes about things and photographs of them from earlier jobs with the same model and variant, newest first; at most 100.
 * What was taken back is left out. In SQL of its own: what is read is bounded for each job, by an index of its own.
 */
export async function modelNotesOf(
  em: EntityManager,
  modelHash: string,
  variant: string,
  jobId: string,
): Promise<ModelNote[]> {
  return em.execute<ModelNote[]>(
    `with recent as (select id, number from job where shop_id = shop_now() and model_hash = ? and variant = ? and id <> ? order by opened_at desc limit ${jobsLooked}),
     noted as (select r.number, e.job_id, e.event from recent r cross join lateral (
       select job_id, event from job_event where shop_id = shop_now() and job_id = r.id and event->'body'->>'type' in ('noted', 'photographed') and event->'body'->>'thing' is not null order by seq desc limit ${notesOfJob}) e),
     newest as (select * from noted order by (event->>'at')::float8 desc limit 200)
     select e.job_id as job, e.number, e.event->>'id' as event, e.event->'body'->>'thing' as thing, coalesce(e.event->'body'->>'text', '') as text, e.event->'body'->>'photo' as photo, coalesce((e.event->'body'->>'finding')::boolean, false) as finding, e.event->>'by' as by, (e.event->>'at')::float8 as at
     from newest e
     where not exists (select 1 from job_event r where r.shop_id = shop_now() and r.job_id = e.job_id and r.event->'body'->>'type' = 'retracted' and r.event->'body'->>'event' = e.event->>'id')
     order by (e.event->>'at')::float8 desc limit 100`,
    [modelHash, variant, jobId],
  );
}
