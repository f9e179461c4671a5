import * as common from '../../words/answers/common';
import type { Changed } from '../../core/wire/changed';
import { createHash } from 'node:crypto';
import type { Who } from '../../core/wire/who';
import { RateLimiterRes } from 'rate-limiter-flexible';
import type { Role } from '../../core/vocabulary/roles';
import { attempts } from '../auth/attempts';
import { passwordMatches } from '../auth/password';
import { closeSession, openSession } from '../auth/session';
import { inShop } from '../db/orm';
import { roleOf } from '../db/people';
import { type DemoPerson, demoStaff, type Login, personOfLogin } from '../db/sessions';

export type SignedIn =
  | { ok: true; cookie: string }
  | { ok: false; code: 'wrong' }
  | { ok: false; code: 'too many'; seconds: number };

/**
 * Checks a password, and is the only place where one is checked: at sign-in, and where a second person confirms.
 * @param from where the try comes from: an address, or the session that asks for a second person
 * @throws RateLimiterRes when too many were wrong
 */
export async function checkPassword(
  login: string,
  password: string,
  from: string,
): Promise<Login | undefined> {
  const record = await attempts();
  const name = login.trim().toLowerCase();
  const pair = createHash('sha256').update(`${name}\n${from}`).digest('hex');
  const stranger = (await record.known.get(pair)) === null;
  await record.address.consume(from);
  await record.pair.consume(pair);
  if (stranger) await record.strangers.consume(name);
  const found = await personOfLogin(name);
  if (!(await passwordMatches(found?.passwordHash, password))) return undefined;
  await Promise.all([record.pair.delete(pair), record.address.reward(from), record.known.consume(pair)]);
  if (stranger) await record.strangers.reward(name);
  return found;
}

/** Why what a person wants changed of their own sign-in is not: the password of today is not theirs, or was tried too often. */
export async function refusedAsOneself(
  login: string,
  password: string,
  address: string,
): Promise<Extract<Changed, { ok: false }> | undefined> {
  try {
    if (await checkPassword(login, password, address)) return undefined;
    return { ok: false, status: 403, errors: { now: common.notPasswordOfToday } };
  } catch (e) {
    if (!(e instanceof RateLimiterRes)) throw e;
    const minutes = Math.ceil(e.msBeforeNext / 60_000);
    return { ok: false, status: 429, errors: { now: common.tooManyAttempts(minutes) } };
  }
}

/** Signs in with a login and a password; the session that the browser had before ends. */
export async function signIn(
  login: string,
  password: string,
  address: string,
  request: Request,
): Promise<SignedIn> {
  try {
    const found = await checkPassword(login, password, address);
    if (!found) return { ok: false, code: 'wrong' };
    return { ok: true, cookie: await openSession(found.shopId, found.personId, request) };
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
/** Who can be signed in by one click: nobody where it is not allowed. */
export const demoPeople = async (request: Request): Promise<DemoPerson[]> =>
  demoAllowed(request) ? demoStaff() : [];
/** Signs a demo person in by one click. */
export async function demoSignIn(login: string, request: Request): Promise<SignedIn> {
  if (!(await demoPeople(request)).some((p) => p.login === login)) return { ok: false, code: 'wrong' };
  const found = await personOfLogin(login);
  return found
    ? { ok: true, cookie: await openSession(found.shopId, found.personId, request) }
    : { ok: false, code: 'wrong' };
}
/** The second person of the same workshop who confirms an override with a password of their own; limited like sign-in. */
export async function confirmingPerson(
  who: Who,
  login: string,
  password: string,
): Promise<{ personId: string; role: Role } | undefined> {
  let found: Login | undefined;
  try {
    found = await checkPassword(login, password, `person ${who.personId}`);
  } catch (e) {
    if (e instanceof RateLimiterRes) return undefined;
    throw e;
  }
  if (!found || found.shopId !== who.shopId) return undefined;
  const { personId } = found;
  const role = await inShop(who.shopId, (em) => roleOf(em, personId));
  return role && { personId, role };
}
