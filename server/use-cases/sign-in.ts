import { RateLimiterMemory, RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import type { Role } from '../../core/job/interlocks';
import { passwordMatches } from '../auth/password';
import { closeSession, openSession } from '../auth/session';
import { getOrm, inShop } from '../db/orm';

export type SignedIn =
  | { ok: true; cookie: string }
  | { ok: false; code: 'wrong' }
  | { ok: false; code: 'too many'; seconds: number };

// wrong passwords, for a login and for an address; counted in the database, so that every app process sees them
const limits = { login: { points: 8, duration: 900 }, address: { points: 60, duration: 900 } };
let limiters: Promise<{ login: RateLimiterPostgres; address: RateLimiterPostgres }> | undefined;
async function limiter() {
  limiters ??= (async () => {
    const storeClient = (await getOrm()).em.getConnection().getKnex();
    const make = (kind: 'login' | 'address') =>
      new RateLimiterPostgres({
        storeClient,
        storeType: 'knex',
        tableName: 'sign_in_attempt',
        tableCreated: true,
        keyPrefix: kind,
        ...limits[kind],
        insuranceLimiter: new RateLimiterMemory(limits[kind]),
      });
    return { login: make('login'), address: make('address') };
  })();
  return limiters;
}

/** Checks a login and a password; wrong ones are limited for the login and for the address. */
export async function signIn(
  login: string,
  password: string,
  address: string,
  request: Request,
): Promise<SignedIn> {
  const l = await limiter();
  const name = login.trim().toLowerCase();
  try {
    for (const [kind, key] of [
      ['login', name],
      ['address', address],
    ] as const) {
      const now = await l[kind].get(key);
      if (now && now.remainingPoints <= 0) throw now;
    }
    const [row] = await (await getOrm()).em
      .getConnection()
      .execute<{ shop_id: string; person_id: string; password_hash: string }[]>(
        `select * from resolve_login(?)`,
        [name],
      );
    if (!(await passwordMatches(row?.password_hash, password))) {
      await Promise.all([l.login.consume(name), l.address.consume(address)]);
      return { ok: false, code: 'wrong' };
    }
    await l.login.delete(name);
    return { ok: true, cookie: await openSession(row!.shop_id, row!.person_id, request) };
  } catch (e) {
    if (e instanceof RateLimiterRes)
      return { ok: false, code: 'too many', seconds: Math.ceil(e.msBeforeNext / 1000) };
    throw e;
  }
}

/** Ends the session of this request. @returns the cookie that says so */
export const signOut = closeSession;

/** Demo sign-in needs all of: a loopback bind, a demo database, no forwarding headers. */
export function demoAllowed(request: Request): boolean {
  const host = process.env.HOST ?? '127.0.0.1';
  const loopback = host === '127.0.0.1' || host === 'localhost' || host === '::1';
  return (
    loopback &&
    !['forwarded', 'x-forwarded-for', 'x-forwarded-host', 'x-real-ip'].some((h) => request.headers.has(h))
  );
}
export interface DemoPerson {
  login: string;
  name: string;
  role: Role;
  bench: string;
}
export async function demoPeople(request: Request): Promise<DemoPerson[]> {
  if (!demoAllowed(request)) return [];
  return (await getOrm()).em.getConnection().execute<DemoPerson[]>(`select * from demo_people()`);
}
/** Signs a demo person in by one click. */
export async function demoSignIn(login: string, request: Request): Promise<SignedIn> {
  if (!(await demoPeople(request)).some((p) => p.login === login)) return { ok: false, code: 'wrong' };
  const [row] = await (await getOrm()).em
    .getConnection()
    .execute<{ shop_id: string; person_id: string }[]>(`select * from resolve_login(?)`, [login]);
  return row
    ? { ok: true, cookie: await openSession(row.shop_id, row.person_id, request) }
    : { ok: false, code: 'wrong' };
}
/** Whether a second person of the same workshop confirms an override with a password of their own. */
export async function confirmingPerson(
  shopId: string,
  login: string,
  password: string,
): Promise<{ personId: string; role: Role } | undefined> {
  const em = (await getOrm()).em;
  const [row] = await em
    .getConnection()
    .execute<{ shop_id: string; person_id: string; password_hash: string }[]>(
      `select * from resolve_login(?)`,
      [login.trim().toLowerCase()],
    );
  if (!(await passwordMatches(row?.password_hash, password)) || row!.shop_id !== shopId) return undefined;
  const [p] = await inShop(shopId, (e) =>
    e.execute<{ role: Role }[]>(`select role from person where id = ?`, [row!.person_id]),
  );
  return p && { personId: row!.person_id, role: p.role };
}
