import type { DraftLine } from '../../core/wire/job-line';
import { raw } from '@mikro-orm/core';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { DraftBody } from '../../forms/receipt-fields';
import { Draft } from './entities';
import { namesOf } from './people';
import { shopOf } from './orm';

/** A draft as it was last kept; undefined where there is none. */
export const draftBody = async (em: EntityManager, id: string): Promise<DraftBody | undefined> =>
  (await em.findOne(Draft, { id }))?.body as DraftBody | undefined;
/** Keeps a draft; whoever kept it first is whose it is. */
export async function keepDraft(
  em: EntityManager,
  id: string,
  personId: string,
  body: DraftBody,
): Promise<void> {
  await em.upsert(
    Draft,
    { shopId: shopOf(em), id, personId, body: body as Record<string, unknown>, updatedAt: new Date() },
    { onConflictFields: ['shopId', 'id'], onConflictMergeFields: ['body', 'updatedAt'] },
  );
}
export const removeDraft = (em: EntityManager, id: string): Promise<number> => em.nativeDelete(Draft, { id });
/** What a person has begun to receive and not finished, the latest first; at most 20. */
export async function draftsOf(em: EntityManager, personId: string): Promise<DraftLine[]> {
  const rows = await em.find(Draft, { personId }, { orderBy: { updatedAt: 'desc' }, limit: 20 });
  return rows.map((draft) => ({
    id: draft.id,
    tag: String(draft.body.tag ?? ''),
    updatedAt: draft.updatedAt.getTime(),
  }));
}
/** Who else is receiving a device with this tag, the latest first; at most 3. */
export async function draftsWithTag(
  em: EntityManager,
  tag: string,
  notThis: string,
): Promise<{ name: string; at: number }[]> {
  const rows = await em.find(
    Draft,
    { [raw((alias) => `lower(${alias}.body->>'tag') = lower(?)`, [tag])]: [], id: { $ne: notThis } },
    { orderBy: { updatedAt: 'desc' }, limit: 3 },
  );
  const names = rows.length ? await namesOf(em) : new Map<string, string>();
  return rows.map((draft) => ({ name: names.get(draft.personId) ?? '', at: draft.updatedAt.getTime() }));
}
