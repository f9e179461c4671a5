import * as wording from '../../words/answers/people';
import type { EntityManager } from '@mikro-orm/postgresql';
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { RateLimiterRes } from 'rate-limiter-flexible';
import { z } from 'zod';
import { newPassword, ownPasswordFields, personFields } from '../../forms/people-fields';
import { type Role, roles } from '../../core/vocabulary/roles';
import type { Changed } from '../../core/wire/changed';
import type { Who } from '../../core/wire/who';
import { attempts } from '../auth/attempts';
import { tooCommon } from '../auth/common-passwords';
import { dropShop } from '../auth/held-sessions';
import { hashPassword } from '../auth/password';
import { openSession, sessionKey, sessionsEnded } from '../auth/session';
import { addInvite, dropInvites, type Invited, invitedBy, takeInvite } from '../db/invites';
import { dropBadge } from '../db/badges';
import { inShop } from '../db/orm';
import { addPerson, changeRole, markLeft, ownersBeside, personOf, setPassword } from '../db/people';
import { endSessionsOf, sessionsOf } from '../db/sessions';
import { makeBadge } from './hands';
import { refusedAsOneself } from './sign-in';

/** How long a link serves, hours. */
const inviteHours = 48;
const digest = (token: string) => createHash('sha256').update(token).digest('hex');

/** What an owner can ask for about people. */
export const peopleAsks = [
  z.strictObject({ do: z.literal('add person'), ...personFields.shape }),
  z.strictObject({ do: z.literal('role'), person: z.uuid(), role: z.enum(roles) }),
  z.strictObject({ do: z.literal('new link'), person: z.uuid() }),
  z.strictObject({ do: z.literal('leave'), person: z.uuid() }),
  z.strictObject({ do: z.literal('badge'), person: z.uuid() }),
] as const;
export type PeopleAsk = z.output<(typeof peopleAsks)[number]>;

const noSuch: Changed = {
  ok: false,
  status: 400,
  errors: { person: wording.nobodyMeant },
};
/** Changes who works here. That an owner asks has been checked. */
export async function changePeople(who: Who, ask: PeopleAsk): Promise<Changed> {
  if (ask.do === 'badge') {
    const badge = await makeBadge(who, ask.person);
    return badge ? { ok: true, said: wording.newBadge(badge.name), badge } : noSuch;
  }
  const token = randomBytes(24).toString('base64url');
  const expiresAt = new Date(Date.now() + inviteHours * 3_600_000);
  const ended: string[] = [];
  const changed = await inShop(who.shopId, async (em): Promise<Changed> => {
    switch (ask.do) {
      case 'add person': {
        const { login, name, role, bench } = ask;
        const id = randomUUID();
        if (!(await addPerson(em, { id, login, name, role, bench, passwordHash: '' })))
          return {
            ok: false,
            status: 409,
            errors: { login: wording.loginTaken },
          };
        await addInvite(em, digest(token), id, expiresAt);
        return { ok: true, said: wording.comesByLink(name), link: { path: `/invite/${token}`, name } };
      }
      case 'new link': {
        const person = await personOf(em, ask.person);
        if (!person) return noSuch;
        await addInvite(em, digest(token), person.id, expiresAt);
        return {
          ok: true,
          said: wording.setsPasswordByLink(person.name),
          link: { path: `/invite/${token}`, name: person.name },
        };
      }
      case 'role':
        return changeRoleOf(em, ask.person, ask.role);
      case 'leave': {
        if (ask.person === who.personId)
          return {
            ok: false,
            status: 409,
            errors: { person: wording.notOneself },
          };
        if ((await ownersBeside(em, ask.person)) === 0)
          return { ok: false, status: 409, errors: { person: 'A workshop keeps at least one owner.' } };
        const name = await markLeft(em, ask.person, new Date());
        if (name === undefined) return noSuch;
        ended.push(...(await endSessionsOf(em, ask.person)));
        await dropInvites(em, ask.person);
        await dropBadge(em, ask.person);
        return { ok: true, said: wording.hasLeft(name) };
      }
    }
  });
  sessionsEnded(ended);
  dropShop(who.shopId);
  return changed;
}
async function changeRoleOf(em: EntityManager, person: string, role: Role): Promise<Changed> {
  if (role !== 'owner' && (await ownersBeside(em, person)) === 0)
    return { ok: false, status: 409, errors: { role: 'A workshop keeps at least one owner.' } };
  const name = await changeRole(em, person, role);
  return name === undefined ? noSuch : { ok: true, said: wording.roleFromNextPage(name, role) };
}

export type Invitation = Pick<Invited, 'shopName' | 'name' | 'login' | 'again'>;
/** Whom a link is for, and where; undefined where it serves no more. Wrong ones are counted. */
export async function invitation(
  token: string,
  address: string,
): Promise<Invitation | 'too many' | undefined> {
  const found = await invitedBy(digest(token));
  if (found) {
    const { shopName, name, login, again } = found;
    return { shopName, name, login, again };
  }
  return (await isGuessing(address)) ? 'too many' : undefined;
}
async function isGuessing(address: string): Promise<boolean> {
  try {
    await (await attempts()).code.consume(address);
    return false;
  } catch (e) {
    if (e instanceof RateLimiterRes) return true;
    throw e;
  }
}
export type Accepted = { ok: true; cookie: string } | { ok: false; status: number; error: string };
/** Whoever has the link chooses a password of their own and is signed in; all sessions of before end. */
export async function acceptInvite(
  token: string,
  password: unknown,
  address: string,
  request: Request,
): Promise<Accepted> {
  const found = await invitedBy(digest(token));
  const gone: Accepted = {
    ok: false,
    status: 410,
    error: wording.linkServesNoMore,
  };
  if (!found) return (await isGuessing(address)) ? { ...gone, status: 429 } : gone;
  const read = newPassword.safeParse(password);
  const wrong = read.success ? await tooCommon(read.data, found.login) : read.error.issues[0]!.message;
  if (!read.success || wrong) return { ok: false, status: 400, error: wrong ?? '' };
  const passwordHash = await hashPassword(read.data);
  const ended = await inShop(found.shopId, async (em) => {
    if ((await takeInvite(em, digest(token))) !== found.personId) return undefined;
    if ((await setPassword(em, found.personId, passwordHash)) !== 1) return undefined;
    return endSessionsOf(em, found.personId);
  });
  if (!ended) return gone;
  sessionsEnded(ended);
  return { ok: true, cookie: await openSession(found.shopId, found.personId, request) };
}

export interface OwnSession {
  openedAt: number;
  browser: string;
  here: boolean;
}
/** The sessions of whoever asks. */
export const ownSessions = (who: Who, request: Request): Promise<OwnSession[]> =>
  inShop(who.shopId, async (em) =>
    (await sessionsOf(em, who.personId)).map((session) => ({
      openedAt: session.openedAt.getTime(),
      browser: session.browser,
      here: session.tokenHash === sessionKey(request),
    })),
  );
/** Ends all sessions of whoever asks but this one. */
export async function signOutElsewhere(who: Who, request: Request): Promise<Changed> {
  const ended = await inShop(who.shopId, (em) => endSessionsOf(em, who.personId, sessionKey(request)));
  sessionsEnded(ended);
  return { ok: true, said: ended.length ? wording.signedOutOf(ended.length) : wording.noOtherSession };
}
/** Another password of one's own, with the one of today; every other session ends. Limited like signing in. */
export async function changeOwnPassword(
  who: Who,
  json: unknown,
  address: string,
  request: Request,
): Promise<Changed> {
  const read = ownPasswordFields.safeParse(json);
  if (!read.success)
    return {
      ok: false,
      status: 400,
      errors: Object.fromEntries(read.error.issues.map((i) => [String(i.path[0] ?? 'form'), i.message])),
    };
  const refused = await refusedAsOneself(who.login, read.data.now, address);
  if (refused) return refused;
  const weak = await tooCommon(read.data.password, who.login);
  if (weak) return { ok: false, status: 400, errors: { password: weak } };
  const passwordHash = await hashPassword(read.data.password);
  await inShop(who.shopId, (em) => setPassword(em, who.personId, passwordHash));
  await signOutElsewhere(who, request);
  return { ok: true, said: wording.passwordKept };
}
