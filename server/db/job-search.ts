import type { EntityManager } from '@mikro-orm/postgresql';
import { type JobOrder, type JobsQuery, jobsPerPage } from '../../forms/jobs-query';
import { Job, type JobRow } from './entities';
import { Person } from './entities-of-shop';
import { linesOf } from './jobs';
import type { JobLine } from '../../core/wire/job-line';

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
/** @param timeZone whose days are meant */
function conditionsOf(query: JobsQuery, timeZone: string): Condition[] {
  const { q, at, model, person, from, to } = query;
  return [
    ...(q ? [byWords(q)] : []),
    ...(at === 'open' ? [{ sql: 'j.ending is null', args: [] }] : []),
    ...(at && at !== 'open' ? [{ sql: 'coalesce(j.ending, j.stage) = ?', args: [at] }] : []),
    ...(model ? [{ sql: `j.summary->>'model' = ?`, args: [model] }] : []),
    ...(person ? [{ sql: `j.summary->'worker'->>'by' = ?`, args: [person] }] : []),
    ...(from ? [{ sql: 'j.opened_at >= ?::date::timestamp at time zone ?', args: [from, timeZone] }] : []),
    ...(to
      ? [{ sql: `j.opened_at < (?::date + interval '1 day') at time zone ?`, args: [to, timeZone] }]
      : []),
  ];
}

/**
 * The jobs that a question asks for. In SQL of its own: the words are looked for in five tables at once, and the order may
 * be by what stands in a document.
 */
export async function searchJobs(
  em: EntityManager,
  query: JobsQuery,
  limit: number,
  offset: number,
  timeZone: string,
): Promise<JobLine[]> {
  const found = conditionsOf(query, timeZone);
  const rows = await em.execute<object[]>(
    `select j.* from job j where ${whereOf(found)} order by ${orders[query.sort]} ${query.dir === 'up' ? 'asc' : 'desc'} nulls last, j.number desc limit ? offset ?`,
    [...found.flatMap((c) => c.args), limit, offset],
  );
  return linesOf(
    em,
    rows.map((row) => em.map(Job, row) as JobRow),
  );
}
const whereOf = (found: readonly Condition[]) => found.map((c) => c.sql).join(' and ') || 'true';

export interface JobsPage {
  jobs: JobLine[];
  /** How many there are in all. */
  total: number;
  /** What can be chosen from: models that jobs have been of, and people who have worked on one. */
  models: string[];
  people: { id: string; name: string }[];
}
/** One page of the jobs that a question asks for, how many there are, and what they can be narrowed by. */
export async function jobsFound(em: EntityManager, query: JobsQuery, timeZone: string): Promise<JobsPage> {
  const found = conditionsOf(query, timeZone);
  const [count] = await em.execute<{ n: string }[]>(
    `select count(*) as n from job j where ${whereOf(found)}`,
    found.flatMap((c) => c.args),
  );
  const seen = await em.execute<{ model: string; worker: string | null }[]>(
    `select distinct summary->>'model' as model, summary->'worker'->>'by' as worker from job`,
  );
  const workers = new Set(seen.map((s) => s.worker));
  const people = await em.find(Person, {}, { orderBy: { name: 'asc' } });
  return {
    jobs: await searchJobs(em, query, jobsPerPage, query.page * jobsPerPage, timeZone),
    total: Number(count?.n ?? 0),
    models: [...new Set(seen.map((s) => s.model))].sort((a, b) => (a < b ? -1 : 1)),
    people: people.filter((p) => workers.has(p.id)).map(({ id, name }) => ({ id, name })),
  };
}
