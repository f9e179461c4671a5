import type { EntityManager } from '@mikro-orm/postgresql';
import { JobPrivate } from './entities';
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
/** The signatures of a job, as they were kept, by the id that the log names. */
export async function signaturesKept(em: EntityManager, jobId: string): Promise<Map<string, string>> {
  const rows = await em.find(JobPrivate, { jobId, kind: { $like: `${signed}%` } });
  return new Map(rows.map((row) => [row.kind.slice(signed.length), row.value]));
}
