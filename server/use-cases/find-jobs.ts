import type { EntityManager } from '@mikro-orm/postgresql';
import { type JobOrder, type JobsQuery, jobsPerPage } from '../../core/forms/jobs-query';
import { inShop } from '../db/orm';
import type { Who } from '../types';
import { columns as lineColumns, type JobLine, line, type Row } from './bench-page';
import { writeCsv } from './csv';

/** What each order is in the database. */
const orders: Record<JobOrder, string> = {
  number: 'j.number',
  model: `j.summary->>'model'`,
  received: 'j.opened_at',
  promised: 'j.promised_at',
  stage: 'coalesce(j.ending, j.stage)',
};

interface Condition {
  sql: string;
  args: unknown[];
}
const likeOf = (words: string) => `%${words.replaceAll(/[\\%_]/g, (c) => `\\${c}`)}%`;
/** By number, tag, model, owner's name, words of the complaint, serial, lot or supplier of a part that it has or had. */
function byWords(words: string): Condition {
  const like = likeOf(words);
  return {
    sql: `(j.number::text = ? or j.tag ilike ? or j.summary->>'model' ilike ?
      or exists (select 1 from job_private p where p.shop_id = j.shop_id and p.job_id = j.id and p.kind = 'owner' and p.value ilike ?)
      or exists (select 1 from part p where p.shop_id = j.shop_id and p.job_id = j.id and concat_ws(' ', p.serial, p.lot, p.supplier) ilike ?)
      or exists (select 1 from job_event e where e.shop_id = j.shop_id and e.job_id = j.id and e.seq = 1 and e.event->'body'->>'complaint' ilike ?))`,
    args: [words, like, like, like, like, like],
  };
}
function conditionsOf(query: JobsQuery): Condition[] {
  const { q, at, model, person, from, to } = query;
  return [
    ...(q ? [byWords(q)] : []),
    ...(at === 'open' ? [{ sql: 'j.ending is null', args: [] }] : []),
    ...(at && at !== 'open' ? [{ sql: 'coalesce(j.ending, j.stage) = ?', args: [at] }] : []),
    ...(model ? [{ sql: `j.summary->>'model' = ?`, args: [model] }] : []),
    ...(person ? [{ sql: `j.summary->'worker'->>'by' = ?`, args: [person] }] : []),
    ...(from ? [{ sql: 'j.opened_at >= ?::date', args: [from] }] : []),
    ...(to ? [{ sql: `j.opened_at < ?::date + interval '1 day'`, args: [to] }] : []),
  ];
}

async function find(em: EntityManager, query: JobsQuery, limit: number, offset: number): Promise<JobLine[]> {
  const found = conditionsOf(query);
  const where = found.map((c) => c.sql).join(' and ') || 'true';
  const rows = await em.execute<Row[]>(
    `select ${lineColumns} from job j where ${where} order by ${orders[query.sort]} ${query.dir === 'up' ? 'asc' : 'desc'} nulls last, j.number desc limit ? offset ?`,
    [...found.flatMap((c) => c.args), limit, offset],
  );
  return rows.map(line);
}

export interface JobsPage {
  jobs: JobLine[];
  /** How many there are in all. */
  total: number;
  /** What can be chosen from: models that jobs have been of, and people who have worked on one. */
  models: string[];
  people: { id: string; name: string }[];
}
/** The jobs that a question asks for, 50 a page. */
export async function jobsPage(who: Who, query: JobsQuery): Promise<JobsPage> {
  return inShop(who.shopId, async (em) => {
    const found = conditionsOf(query);
    const where = found.map((c) => c.sql).join(' and ') || 'true';
    const [count] = await em.execute<{ n: string }[]>(
      `select count(*) as n from job j where ${where}`,
      found.flatMap((c) => c.args),
    );
    const models = await em.execute<{ model: string }[]>(
      `select distinct summary->>'model' as model from job order by 1`,
    );
    return {
      jobs: await find(em, query, jobsPerPage, query.page * jobsPerPage),
      total: Number(count?.n ?? 0),
      models: models.map((m) => m.model),
      people: await em.execute<{ id: string; name: string }[]>(
        `select id, name from person p where exists (select 1 from job j where j.shop_id = p.shop_id and j.summary->'worker'->>'by' = p.id::text) order by name`,
      ),
    };
  });
}

/** A file is not longer than this: what asks for more is narrowed first. */
const csvRows = 20_000;
const iso = (ms: number | null) => (ms === null ? '' : new Date(ms).toISOString());
/** The same jobs as CSV, all pages of them: times in UTC. */
export async function jobsCsv(who: Who, query: JobsQuery): Promise<string> {
  const jobs = await inShop(who.shopId, (em) => find(em, query, csvRows, 0));
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
