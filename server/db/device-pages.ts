import type { EntityManager } from '@mikro-orm/postgresql';
import type { Round } from '../../core/log/events';
import type { Who } from '../../core/wire/who';
import { DevicePage } from './entities';
import { getOrm, shopOf } from './orm';
import { whoOfRow, type WhoRow } from './sessions';

/** Gives a job a link for its device; the one before serves no more. */
export async function addDevicePage(
  em: EntityManager,
  page: { tokenHash: string; jobId: string; personId: string; round: Round; expiresAt: Date },
): Promise<void> {
  await dropDevicePages(em, page.jobId);
  em.create(DevicePage, { shopId: shopOf(em), ...page });
}
/** The links of a job serve no more; whatever has run out goes, too. */
export const dropDevicePages = (em: EntityManager, jobId: string): Promise<number> =>
  em.nativeDelete(DevicePage, { $or: [{ jobId }, { expiresAt: { $lt: new Date() } }] });
/** Whether a browser may write by a link: the first that does, and no other after it. */
export async function holdsDevicePage(
  em: EntityManager,
  tokenHash: string,
  holder: string,
): Promise<boolean> {
  if ((await em.nativeUpdate(DevicePage, { tokenHash, holder: '' }, { holder })) === 1) return true;
  return (await em.count(DevicePage, { tokenHash, holder })) === 1;
}
/** The link that a job has now, without its secret. */
export const devicePageOf = (em: EntityManager, jobId: string) =>
  em.findOne(DevicePage, { jobId, expiresAt: { $gt: new Date() } });

type PageRow = WhoRow & { job_id: string; round: Round };
/** What a link is for, and in whose name it writes. A function of the database looks across workshops for this one thing. */
export async function devicePageBy(
  tokenHash: string,
): Promise<{ who: Who; jobId: string; round: Round; until: number } | undefined> {
  const [row] = await (await getOrm()).em
    .getConnection()
    .execute<PageRow[]>(`select * from resolve_device_page(?)`, [tokenHash]);
  return (
    row && {
      who: whoOfRow(row),
      jobId: row.job_id,
      round: row.round,
      until: new Date(row.expires_at).getTime(),
    }
  );
}
