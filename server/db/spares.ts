import type { SpareRow } from '../../core/wire/stock';
import { LockMode, raw } from '@mikro-orm/core';
import type { EntityManager } from '@mikro-orm/postgresql';
import { randomUUID } from 'node:crypto';
import { SpareScrewRow } from './entities-of-stock';
import { shopOf } from './orm';
/** All of the box: a few hundred kinds at most. */
export async function sparesOf(em: EntityManager): Promise<SpareRow[]> {
  const rows = await em.find(
    SpareScrewRow,
    {},
    { orderBy: { thread: 'asc', drive: 'asc', lengthMm: 'asc', headMm: 'asc' }, limit: 2000 },
  );
  return rows.map(({ id, drive, thread, lengthMm, headMm, count, note }) => ({
    id,
    drive,
    thread,
    lengthMm,
    headMm,
    count,
    note,
  }));
}
/** A kind of which there is one at least, locked until it is taken. */
export const spareToTake = (em: EntityManager, id: string) =>
  em.findOne(
    SpareScrewRow,
    { id, count: { $gt: 0 } },
    { lockMode: LockMode.PESSIMISTIC_WRITE, refresh: true },
  );

/** So many more or fewer of a kind, never fewer than none. @returns whether it is in the box */
export async function countSpares(em: EntityManager, id: string, by: number): Promise<boolean> {
  const kind = await em.findOne(
    SpareScrewRow,
    { id },
    { lockMode: LockMode.PESSIMISTIC_WRITE, refresh: true },
  );
  if (!kind) return false;
  kind.count = Math.max(0, kind.count + by);
  return true;
}
/** Takes a kind out of the box. @returns whether it was in it */
export const removeSpare = async (em: EntityManager, id: string): Promise<boolean> =>
  (await em.nativeDelete(SpareScrewRow, { id })) > 0;

/** Adds to a kind that is there already; a new kind gets its own compartment. */
export async function putSpares(em: EntityManager, screws: readonly Omit<SpareRow, 'id'>[]): Promise<void> {
  const kinds = new Map<string, Omit<SpareRow, 'id'>>();
  for (const omit of screws) {
    const key = [omit.drive, omit.thread, omit.lengthMm, omit.headMm].join(' ');
    const before = kinds.get(key);
    kinds.set(key, {
      ...omit,
      count: (before?.count ?? 0) + omit.count,
      note: omit.note || before?.note || '',
    });
  }
  // two people who fill the same compartment at once both add to it: counted by the database
  await em
    .createQueryBuilder(SpareScrewRow)
    .insert([...kinds.values()].map((k) => ({ shopId: shopOf(em), id: randomUUID(), ...k })))
    .onConflict(['shop_id', 'drive', 'thread', 'length_mm', 'head_mm'])
    .merge({
      count: raw('spare_screw.count + excluded.count'),
      note: raw(`coalesce(nullif(excluded.note, ''), spare_screw.note)`),
    })
    .execute();
}
