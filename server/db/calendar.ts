import type { EntityManager } from '@mikro-orm/postgresql';
import { CalendarFeed } from './entities-of-shop';
import { getOrm, shopOf } from './orm';

/** Gives the workshop's calendar an address; the one before serves no more. */
export async function setCalendar(em: EntityManager, tokenHash: string): Promise<void> {
  await dropCalendar(em);
  em.create(CalendarFeed, { shopId: shopOf(em), tokenHash, madeAt: new Date() });
}
export const dropCalendar = (em: EntityManager): Promise<number> => em.nativeDelete(CalendarFeed, {});
/** Since when the calendar has its address; undefined where it has none. */
export const calendarSince = async (em: EntityManager): Promise<Date | undefined> =>
  (await em.findOne(CalendarFeed, {}))?.madeAt;
/** Whose calendar an address is. A function of the database looks across workshops for this one thing. */
export async function calendarOf(tokenHash: string): Promise<string | undefined> {
  const [row] = await (await getOrm()).em
    .getConnection()
    .execute<{ shop_id: string }[]>(`select * from resolve_calendar(?)`, [tokenHash]);
  return row?.shop_id;
}
