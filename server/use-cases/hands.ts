import * as common from '../../words/answers/common';
import * as wording from '../../words/answers/hands';
import { createHash, randomInt } from 'node:crypto';
import { RateLimiterRes } from 'rate-limiter-flexible';
import { pinFields, takeOverFields } from '../../forms/hands-fields';
import type { Changed } from '../../core/wire/changed';
import type { TakenOver } from '../../core/wire/hands';
import type { Who } from '../../core/wire/who';
import { attempts } from '../auth/attempts';
import { dropSession } from '../auth/held-sessions';
import { hashPassword, passwordMatches } from '../auth/password';
import { openSession, sessionKey } from '../auth/session';
import { type Badged, badged, personOfBadge, setBadge, setLocked, setPin } from '../db/badges';
import { inShop } from '../db/orm';
import { checkPassword, refusedAsOneself } from './sign-in';

const digest = (token: string) => createHash('sha256').update(token).digest('hex');
/** Letters and digits that nobody takes for one another; twenty of them are 96 bits. */
const letters = '234567' + '9ABCDEFGHJKLMNPQRSTUVX';

/** A new badge for somebody who works here. @returns its code, which is not known again; undefined where nobody is meant */
export async function makeBadge(
  who: Who,
  personId: string,
): Promise<{ code: string; name: string } | undefined> {
  const code = `SB${Array.from({ length: 20 }, () => letters[randomInt(letters.length)]).join('')}`;
  return inShop(who.shopId, async (em) => {
    const person = await badged(em, personId);
    if (!person) return undefined;
    await setBadge(em, personId, digest(code));
    return { code, name: person.name };
  });
}
/** Locks the bench of a request. */
export async function lockBench(who: Who, request: Request): Promise<void> {
  const key = sessionKey(request);
  if (!key) return;
  await inShop(who.shopId, (em) => setLocked(em, key, true));
  dropSession(key);
}
/** The same with what the answer carries. */
type Handed =
  | (Extract<TakenOver, { ok: true }> & { cookie?: string })
  | (Extract<TakenOver, { ok: false }> & { status: 400 | 401 | 403 | 429 });
const tooMany = (e: RateLimiterRes): Handed => ({
  ok: false,
  status: 429,
  error: common.tooManyAttempts(Math.ceil(e.msBeforeNext / 60_000)),
});

/**
 * Changes hands at a bench that somebody is signed in at: whoever scans their badge, with their number after it where the
 * workshop asks for that, is who works there from then on. At a locked bench the same person comes back with the number or
 * the password alone. Every try is counted before it is looked at.
 * @param address where the request comes from
 */
export async function takeOver(
  { who, locked }: { who: Who; locked: boolean },
  json: unknown,
  address: string,
  request: Request,
): Promise<Handed> {
  const read = takeOverFields.safeParse(json);
  if (!read.success || (!read.data.badge && !read.data.secret))
    return { ok: false, status: 400, error: wording.noBadge };
  const { badge, secret } = read.data;
  if (!badge && !locked) return { ok: false, status: 400, error: wording.benchNotLocked };
  try {
    const person = await whose(who, badge, address);
    if (!person) return { ok: false, status: 403, error: wording.nobodysBadge };
    const needs = !badge || who.settings.hands?.pin === true;
    if (needs && !secret) return { ok: false, status: 401, asks: person.name };
    if (needs && !(await isTheirs(person, secret!, address)))
      return { ok: false, status: 403, asks: person.name, error: wording.notIt };
    return await handTo(who, person, locked, request);
  } catch (e) {
    if (e instanceof RateLimiterRes) return tooMany(e);
    throw e;
  }
}
async function whose(who: Who, badge: string | undefined, address: string): Promise<Badged | undefined> {
  if (!badge) return inShop(who.shopId, (em) => badged(em, who.personId));
  const { code } = await attempts();
  await code.consume(address);
  const person = await inShop(who.shopId, (em) => personOfBadge(em, digest(badge)));
  if (person) await code.reward(address);
  return person;
}
/** A number where it is one and the person has one; else a password. */
async function isTheirs(person: Badged, secret: string, address: string): Promise<boolean> {
  if (!/^\d{4,8}$/.test(secret) || person.pinHash === '')
    return (await checkPassword(person.login, secret, address)) !== undefined;
  const { pin } = await attempts();
  await pin.consume(person.personId);
  if (!(await passwordMatches(person.pinHash, secret))) return false;
  await pin.delete(person.personId);
  return true;
}
async function handTo(who: Who, person: Badged, locked: boolean, request: Request): Promise<Handed> {
  if (person.personId !== who.personId)
    return { ok: true, name: person.name, cookie: await openSession(who.shopId, person.personId, request) };
  const key = sessionKey(request);
  if (locked && key) {
    await inShop(who.shopId, (em) => setLocked(em, key, false));
    dropSession(key);
  }
  return { ok: true, name: person.name };
}

/** A number of one's own, chosen with the password of today. */
export async function choosePin(who: Who, json: unknown, address: string): Promise<Changed> {
  const read = pinFields.safeParse(json);
  if (!read.success)
    return {
      ok: false,
      status: 400,
      errors: Object.fromEntries(read.error.issues.map((i) => [String(i.path[0] ?? 'form'), i.message])),
    };
  const refused = await refusedAsOneself(who.login, read.data.now, address);
  if (refused) return refused;
  const pinHash = await hashPassword(read.data.pin);
  await inShop(who.shopId, (em) => setPin(em, who.personId, pinHash));
  return { ok: true, said: wording.numberKept };
}
