import type { EntityManager } from '@mikro-orm/postgresql';
import { IdentityData } from './entities';
import { shopOf } from './orm';

/** The data that were last saved of what was in a place; undefined where none were. */
export async function savedIdentity(
  em: EntityManager,
  jobId: string,
  slot: string,
): Promise<{ digest: string; hex: string } | undefined> {
  const row = await em.findOne(IdentityData, { jobId, slot }, { orderBy: { readAt: 'desc' } });
  return row ? { digest: row.digest, hex: row.hex } : undefined;
}
/** Saves data under their digest; the same data are saved once. */
export async function saveIdentity(
  em: EntityManager,
  data: {
    jobId: string;
    digest: string;
    slot: string;
    partModel: string;
    serial: string;
    hex: string;
    personId: string;
  },
): Promise<void> {
  await em.upsert(
    IdentityData,
    { shopId: shopOf(em), ...data },
    { onConflictFields: ['shopId', 'jobId', 'digest'], onConflictAction: 'ignore' },
  );
}
