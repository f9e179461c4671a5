import type { EntityManager } from '@mikro-orm/postgresql';
import { Job, JobPrivate, Photo } from './entities';
import { shopOf } from './orm';

/** What can be erased of a job: whose it is, a passcode for the checks, signatures by the id that the log names. */
type Kind = 'owner' | 'passcode' | `signature ${string}`;

/** One private thing of a job; null where there is none. */
export const privateOf = async (em: EntityManager, jobId: string, kind: Kind): Promise<string | null> =>
  (await em.findOne(JobPrivate, { jobId, kind }))?.value ?? null;
/** Keeps one; what is there already stays. */
export async function keepPrivate(
  em: EntityManager,
  jobId: string,
  kind: Kind,
  value: string,
): Promise<void> {
  await em.upsert(
    JobPrivate,
    { shopId: shopOf(em), jobId, kind, value },
    { onConflictFields: ['shopId', 'jobId', 'kind'], onConflictAction: 'ignore' },
  );
}
export const dropPrivate = (em: EntityManager, jobId: string, kind: Kind): Promise<number> =>
  em.nativeDelete(JobPrivate, { jobId, kind });

/** Whose the devices of jobs are, by job. */
export async function ownersOf(em: EntityManager, jobIds: readonly string[]): Promise<Map<string, string>> {
  if (!jobIds.length) return new Map();
  const rows = await em.find(JobPrivate, { kind: 'owner', jobId: { $in: [...jobIds] } });
  return new Map(rows.map((row) => [row.jobId, row.value]));
}
const signed = 'signature ';
/** Who a job's papers name: its owner, and the signatures as they were kept, by the id that the log names. */
export async function namedOf(
  em: EntityManager,
  jobId: string,
): Promise<{ owner: string | null; signatures: Map<string, string> }> {
  const rows = await em.find(JobPrivate, { jobId, kind: { $ne: 'passcode' } });
  return {
    owner: rows.find((row) => row.kind === 'owner')?.value ?? null,
    signatures: new Map(
      rows
        .filter((row) => row.kind.startsWith(signed))
        .map((row) => [row.kind.slice(signed.length), row.value]),
    ),
  };
}
/** Erases all of it. @returns how much there was */
export const dropAllPrivate = (em: EntityManager, jobId: string): Promise<number> =>
  em.nativeDelete(JobPrivate, { jobId });
/** Jobs that were closed before a time and of whose owners something is still known. */
export async function closedBefore(em: EntityManager, before: Date): Promise<string[]> {
  const closed = await em.find(
    Job,
    { ending: { $ne: null }, updatedAt: { $lt: before } },
    { fields: ['id'], orderBy: { number: 'asc' } },
  );
  const ids = closed.map((job) => job.id);
  if (!ids.length) return [];
  const named = await em.find(JobPrivate, { jobId: { $in: ids } }, { fields: ['jobId'] });
  const pictured = await em.find(Photo, { jobId: { $in: ids } }, { fields: ['jobId'] });
  const known = new Set([...named, ...pictured].map((row) => row.jobId));
  return ids.filter((id) => known.has(id));
}
/** The jobs that carry an owner's name. */
export const jobsOfOwner = async (em: EntityManager, name: string): Promise<string[]> =>
  (await em.find(JobPrivate, { kind: 'owner', value: name })).map((row) => row.jobId);
