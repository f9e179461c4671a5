import type { EntityManager } from '@mikro-orm/postgresql';
import { inShop } from '../db/orm';
import type { JobSummary, Who } from '../types';

export interface JobLine {
  id: string;
  number: number;
  tag: string;
  stage: string;
  seq: number;
  summary: JobSummary;
  promisedAt: number | null;
  ending: string | null;
  openedAt: number;
  updatedAt: number;
  owner: string | null /** Who works on it, by name. */;
  worker?: string | null;
}
export interface Row {
  id: string;
  number: number;
  tag: string;
  stage: string;
  seq: number;
  summary: JobSummary;
  promised: string | null;
  ending: string | null;
  opened: string;
  updated: string;
  owner: string | null;
  worker: string | null;
}

/** What a job's line is made from: `j` is the job. */
export const columns = `j.id, j.number, j.tag, j.stage, j.seq, j.summary, extract(epoch from j.promised_at) * 1000 as promised, j.ending,
  extract(epoch from j.opened_at) * 1000 as opened, extract(epoch from j.updated_at) * 1000 as updated,
  (select value from job_private p where p.shop_id = j.shop_id and p.job_id = j.id and p.kind = 'owner') as owner,
  (select name from person w where w.shop_id = j.shop_id and w.id::text = j.summary->'worker'->>'by') as worker`;
export const line = (r: Row): JobLine => ({
  id: r.id,
  number: r.number,
  tag: r.tag,
  stage: r.stage,
  seq: r.seq,
  summary: r.summary,
  promisedAt: r.promised === null ? null : Number(r.promised),
  ending: r.ending,
  openedAt: Number(r.opened),
  updatedAt: Number(r.updated),
  owner: r.owner,
  worker: r.worker,
});

/** The open jobs of a workshop, the soonest promised first: the bench, and the strip on every screen. At most 200. */
export async function openJobs(em: EntityManager): Promise<JobLine[]> {
  return (
    await em.execute<Row[]>(
      `select ${columns} from job j where j.ending is null order by j.promised_at nulls last, j.number limit 200`,
    )
  ).map(line);
}
export const stripFor = (who: Who): Promise<JobLine[]> => inShop(who.shopId, openJobs);
/** Devices that somebody has begun to receive and not finished, the latest first. */
export async function draftsOf(who: Who): Promise<{ id: string; tag: string; updatedAt: number }[]> {
  return inShop(who.shopId, async (em) => {
    const drafts = await em.execute<{ id: string; tag: string | null; updated: string }[]>(
      `select id, body->>'tag' as tag, extract(epoch from updated_at) * 1000 as updated from draft where person_id = ? order by updated_at desc limit 20`,
      [who.personId],
    );
    return drafts.map((d) => ({ id: d.id, tag: d.tag ?? '', updatedAt: Number(d.updated) }));
  });
}
