import type { EntityManager } from '@mikro-orm/postgresql';

/** What was noted about a thing of this model on another job: shown again when that thing is in hand. */
export interface Lore {
  job: string;
  number: number;
  event: string;
  thing: string;
  text: string;
  finding: boolean /** A photograph in place of words. */;
  photo: string | null;
  by: string;
  at: number;
}

/**
 * Notes about things and photographs of them from earlier jobs with the same model and variant, newest first; at most 100.
 * What was taken back is left out. Few events are such notes: their own index is read first, and only then, one by one,
 * the jobs that they belong to.
 */
export async function loreOf(
  em: EntityManager,
  modelHash: string,
  variant: string,
  jobId: string,
): Promise<Lore[]> {
  return em.execute<Lore[]>(
    `with noted as materialized (select job_id, seq, event from job_event where shop_id = shop_now() and event->'body'->>'type' in ('noted', 'photographed') and event->'body'->>'thing' is not null)
     select e.job_id as job, j.number, e.event->>'id' as event, e.event->'body'->>'thing' as thing, coalesce(e.event->'body'->>'text', '') as text, e.event->'body'->>'photo' as photo, coalesce((e.event->'body'->>'finding')::boolean, false) as finding, e.event->>'by' as by, (e.event->>'at')::float8 as at
     from noted e cross join lateral (select number from job where shop_id = shop_now() and id = e.job_id and model_hash = ? and variant = ? and id <> ? limit 1) j
     where (select 1 from job_event r where r.shop_id = shop_now() and r.job_id = e.job_id and r.seq > e.seq and r.event->'body'->>'type' = 'retracted' and r.event->'body'->>'event' = e.event->>'id' limit 1) is null
     order by (e.event->>'at')::float8 desc limit 100`,
    [modelHash, variant, jobId],
  );
}
