import type { JobLine } from '../../core/wire/job-line';
import { LockMode, raw } from '@mikro-orm/core';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { JobSummary } from '../../core/wire/job-line';
import { Job, type JobRow } from './entities';
import { ownersOf } from './job-private';
import { shopOf, alone } from './orm';
import { namesOf } from './people';
/** Lines of jobs, in the order given. */
export async function linesOf(em: EntityManager, jobs: readonly JobRow[]): Promise<JobLine[]> {
  const owners = await ownersOf(
    em,
    jobs.map((job) => job.id),
  );
  const names = jobs.some((job) => job.summary.worker) ? await namesOf(em) : undefined;
  return jobs.map((job) => ({
    id: job.id,
    number: job.number,
    tag: job.tag,
    stage: job.stage,
    seq: job.seq,
    summary: job.summary,
    promisedAt: job.promisedAt?.getTime() ?? null,
    ending: job.ending ?? null,
    openedAt: job.openedAt.getTime(),
    updatedAt: job.updatedAt.getTime(),
    owner: owners.get(job.id) ?? null,
    worker: names?.get(job.summary.worker?.by ?? '') ?? null,
  }));
}

/** The open jobs of a workshop, the soonest promised first: the bench, and the strip on every screen. At most 200. */
export async function openJobs(em: EntityManager): Promise<JobLine[]> {
  const jobs = await em.find(
    Job,
    { ending: null },
    { orderBy: { promisedAt: 'asc nulls last', number: 'asc' }, limit: 200 },
  );
  return linesOf(em, jobs);
}

export const findJob = (em: EntityManager, id: string): Promise<JobRow | null> => em.findOne(Job, { id });
/** A job, locked for the rest of the transaction. */
export const lockJob = (em: EntityManager, id: string): Promise<JobRow | null> =>
  em.findOne(Job, { id }, { lockMode: LockMode.PESSIMISTIC_WRITE, refresh: true });
export const isJob = async (em: EntityManager, id: string): Promise<boolean> =>
  (await em.count(Job, { id })) > 0;

/** The open job with this tag, whatever the case of its letters. */
export const openJobWithTag = async (em: EntityManager, tag: string): Promise<JobRow | undefined> =>
  (await jobsWithTag(em, tag)).find((job) => job.ending === null);
/** Jobs of devices with this tag, the newest first. */
export const jobsWithTag = (em: EntityManager, tag: string): Promise<JobRow[]> =>
  em.find(
    Job,
    { [raw((alias) => `lower(${alias}.tag) = lower(?)`, [tag])]: [] },
    { orderBy: { number: 'desc' } },
  );

/** Until the transaction ends nobody else opens a job here: numbers count up, and a device is received once. */
export async function lockNumbers(em: EntityManager): Promise<void> {
  // an advisory lock is the database's own: there is no row to lock before the first job
  await alone(em, `number ${shopOf(em)}`);
}
/** Adds a job with no event yet. Its number is the next one unless one is given; `lockNumbers` comes first. */
export async function addJob(
  em: EntityManager,
  given: {
    id: string;
    tag: string;
    modelHash: string;
    variant: string;
    promisedAt: number | null;
    number?: number;
    openedAt?: number;
  },
): Promise<void> {
  const { promisedAt, openedAt, number, ...rest } = given;
  const last = number === undefined ? await em.find(Job, {}, { orderBy: { number: 'desc' }, limit: 1 }) : [];
  await em.insert(Job, {
    shopId: shopOf(em),
    ...rest,
    number: number ?? (last[0]?.number ?? 0) + 1,
    seq: 0,
    stage: 'Receive',
    // the first event of its log says it all
    summary: {} as JobSummary,
    promisedAt: promisedAt === null ? null : new Date(promisedAt),
    ...(openedAt === undefined ? {} : { openedAt: new Date(openedAt) }),
  });
}
/** Whether any device was ever received here. */
export const anyJob = async (em: EntityManager): Promise<boolean> =>
  (await em.findOne(Job, {}, { fields: ['id'] })) !== null;
