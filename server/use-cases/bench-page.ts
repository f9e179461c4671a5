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
interface Row {
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

const columns = `j.id, j.number, j.tag, j.stage, j.seq, j.summary, extract(epoch from j.promised_at) * 1000 as promised, j.ending,
  extract(epoch from j.opened_at) * 1000 as opened, extract(epoch from j.updated_at) * 1000 as updated,
  (select value from job_private p where p.shop_id = j.shop_id and p.job_id = j.id and p.kind = 'owner') as owner,
  (select name from person w where w.shop_id = j.shop_id and w.id::text = j.summary->'worker'->>'by') as worker`;
const line = (r: Row): JobLine => ({
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

/** Jobs by number, tag, model or owner's name, newest first; 50 a page. */
export async function jobsPage(
  who: Who,
  search: string,
  page: number,
): Promise<{ jobs: JobLine[]; total: number }> {
  return inShop(who.shopId, async (em) => {
    const like = `%${search.replaceAll(/[\\%_]/g, (c) => `\\${c}`)}%`;
    const where = `? = '%%' or j.number::text = trim(both '%' from ?) or j.tag ilike ? or j.summary->>'model' ilike ? or exists (select 1 from job_private p where p.shop_id = j.shop_id and p.job_id = j.id and p.kind = 'owner' and p.value ilike ?)`;
    const args = [like, like, like, like, like];
    const rows = await em.execute<Row[]>(
      `select ${columns} from job j where ${where} order by j.number desc limit 50 offset ?`,
      [...args, page * 50],
    );
    const [count] = await em.execute<{ n: string }[]>(`select count(*) as n from job j where ${where}`, args);
    return { jobs: rows.map(line), total: Number(count?.n ?? 0) };
  });
}
