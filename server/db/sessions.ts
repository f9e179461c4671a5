import type { EntityManager } from '@mikro-orm/postgresql';
import type { Role } from '../../core/vocabulary/roles';
import type { ShopSettings, Who } from '../../core/wire/who';
import { Session } from './entities-of-shop';
import { getOrm, shopOf } from './orm';

/** Adds a session for a person; what has run out goes. */
export async function addSession(
  em: EntityManager,
  tokenHash: string,
  personId: string,
  lifeS: number,
  browser: string,
): Promise<void> {
  const now = Date.now();
  await em.nativeDelete(Session, { expiresAt: { $lt: new Date(now) } });
  em.create(Session, {
    shopId: shopOf(em),
    tokenHash,
    personId,
    openedAt: new Date(now),
    expiresAt: new Date(now + lifeS * 1000),
    browser,
  });
}
export const removeSession = (em: EntityManager, tokenHash: string): Promise<number> =>
  em.nativeDelete(Session, { tokenHash });

/** The sessions that a person has, the latest first. */
export const sessionsOf = (em: EntityManager, personId: string) =>
  em.find(Session, { personId, expiresAt: { $gt: new Date() } }, { orderBy: { openedAt: 'desc' } });
/** Ends all sessions of a person, but for one where that is asked. @returns the digests of those that ended */
export async function endSessionsOf(em: EntityManager, personId: string, but = ''): Promise<string[]> {
  const ended = await em.find(Session, { personId, tokenHash: { $ne: but } });
  await em.nativeDelete(Session, { personId, tokenHash: { $ne: but } });
  return ended.map((session) => session.tokenHash);
}

/*
 * Before anybody is known no workshop has been entered, and row-level security shows no rows: these ask the functions of
 * the database that alone look across workshops, each for one thing.
 */
const ask = async <T>(sql: string, args: unknown[] = []): Promise<T[]> =>
  (await getOrm()).em.getConnection().execute<T[]>(sql, args);

/** A person with their workshop, as the functions that look across workshops give it. */
export interface WhoRow {
  shop_id: string;
  person_id: string;
  name: string;
  login: string;
  role: Role;
  bench: string;
  shop_name: string;
  settings: ShopSettings;
  demo: boolean;
  expires_at: Date | string;
}
export const whoOfRow = (row: WhoRow): Who => ({
  shopId: row.shop_id,
  personId: row.person_id,
  name: row.name,
  login: row.login,
  role: row.role,
  bench: row.bench,
  shopName: row.shop_name,
  settings: row.settings,
  demo: row.demo,
});
/** Who a session is of; undefined where there is none, or it has run out. `until`: when it runs out, ms. */
export async function personOfSession(
  tokenHash: string,
): Promise<{ who: Who; until: number; locked: boolean } | undefined> {
  const [row] = await ask<WhoRow & { locked: boolean }>(`select * from resolve_session(?)`, [tokenHash]);
  return (
    row && {
      who: whoOfRow(row),
      until: new Date(row.expires_at).getTime(),
      locked: row.locked,
    }
  );
}
export interface Login {
  shopId: string;
  personId: string;
  passwordHash: string;
}
/** Whose a login name is; undefined for nobody's. */
export async function personOfLogin(login: string): Promise<Login | undefined> {
  const [row] = await ask<{ shop_id: string; person_id: string; password_hash: string }>(
    `select * from resolve_login(?)`,
    [login],
  );
  return row && { shopId: row.shop_id, personId: row.person_id, passwordHash: row.password_hash };
}
export interface DemoPerson {
  login: string;
  name: string;
  role: Role;
  bench: string;
}
/** The people of the demo workshop, if there is one. */
export const demoStaff = (): Promise<DemoPerson[]> => ask<DemoPerson>(`select * from demo_people()`);
/** What the package that counts tries to sign in keeps its counts in. */
export const attemptStore = async () => (await getOrm()).em.getConnection().getKnex();

/** How many workshops the installation has: while there is none, one can be founded. */
export async function workshopCount(em?: EntityManager): Promise<number> {
  const sql = `select workshop_count() as n`;
  const rows = em ? await em.execute<{ n: string }[]>(sql) : await ask<{ n: string }>(sql);
  return Number(rows[0]!.n);
}
