import { createHash } from 'node:crypto';
import type { Who } from '../types';
import { RateLimiterMemory, RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import type { Role } from '../../core/job/interlocks';
import { passwordMatches } from '../auth/password';
import { closeSession, openSession } from '../auth/session';
import { getOrm, inShop } from '../db/orm';

export type SignedIn =
  | { ok: true; cookie: string }
  | { ok: false; code: 'wrong' }
  | { ok: false; code: 'too many'; seconds: number };

/**
 * Wrong passwords are counted in the database, so that every app process sees them, and before they are checked, so that
 * tries at the same time do not slip through: for a login from one address, for an address, and for a login from all
 * addresses that it has never been signed in from. Tries from strange addresses thus never lock its owner out.
 */
const limits = {
  pair: { points: 8, duration: 900 },
  address: { points: 60, duration: 900 },
  strangers: { points: 40, duration: 900 },
  /** A login was signed in from an address: remembered for so many seconds. */
  known: { points: 1_000_000, duration: 90 * 86_400 },
};
type Kind = keyof typeof limits;
let limiters: Promise<Record<Kind, RateLimiterPostgres>> | undefined;
async function limiter() {
  limiters ??= (async () => {
    const storeClient = (await getOrm()).em.getConnection().getKnex();
    const make = (kind: Kind) =>
      new RateLimiterPostgres({
        storeClient,
        storeType: 'knex',
        tableName: 'sign_in_attempt',
        tableCreated: true,
        keyPrefix: kind,
        ...limits[kind],
        insuranceLimiter: new RateLimiterMemory(limits[kind]),
      });
    return {
      pair: make('pair'),
      address: make('address'),
      strangers: make('strangers'),
      known: make('known'),
    };
  })();
  return limiters;
}
interface Login {
  shop_id: string;
  person_id: string;
  password_hash: string;
}

/**
 * Checks a password, and is the only place where one is checked: at sign-in, and where a second person confirms.
 * @param from where the try comes from: an address, or the session that asks for a second person
 * @throws RateLimiterRes when too many were wrong
 */
async function checkPassword(login: string, password: string, from: string): Promise<Login | undefined> {
  const l = await limiter();
  const name = login.trim().toLowerCase();
  const pair = createHash('sha256').update(`${name}\n${from}`).digest('hex');
  const stranger = (await l.known.get(pair)) === null;
  await l.address.consume(from);
  await l.pair.consume(pair);
  if (stranger) await l.strangers.consume(name);
  const [row] = await (await getOrm()).em
    .getConnection()
    .execute<Login[]>(`select * from resolve_login(?)`, [name]);
  if (!(await passwordMatches(row?.password_hash, password))) return undefined;
  await Promise.all([l.pair.delete(pair), l.address.reward(from), l.known.consume(pair)]);
  if (stranger) await l.strangers.reward(name);
  return row;
}

/** Signs in with a login and a password; the session that the browser had before ends. */
export async function signIn(
  login: string,
  password: string,
  address: string,
  request: Request,
): Promise<SignedIn> {
  try {
    const row = await checkPassword(login, password, address);
    if (!row) return { ok: false, code: 'wrong' };
    return { ok: true, cookie: await openSession(row.shop_id, row.person_id, request) };
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
/** The second person of the same workshop who confirms an override with a password of their own; limited like sign-in. */
export async function confirmingPerson(
  who: Who,
  login: string,
  password: string,
): Promise<{ personId: string; role: Role } | undefined> {
  let row: Login | undefined;
  try {
    row = await checkPassword(login, password, `person ${who.personId}`);
  } catch (e) {
    if (e instanceof RateLimiterRes) return undefined;
    throw e;
  }
  if (!row || row.shop_id !== who.shopId) return undefined;
  const [p] = await inShop(who.shopId, (e) =>
    e.execute<{ role: Role }[]>(`select role from person where id = ?`, [row.person_id]),
  );
  return p && { personId: row.person_id, role: p.role };
}
