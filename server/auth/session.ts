import { createHash, randomBytes } from 'node:crypto';
import { parseCookie, stringifySetCookie } from 'cookie';
import { inShop } from '../db/orm';
import { addSession, personOfSession, removeSession } from '../db/sessions';
import { dropSession, dropsSoFar, type Held, heldWho, holdWho } from './held-sessions';
import { endStreamsOf } from './streams';
import type { Who } from '../../core/wire/who';

const cookieName = 'snavek_session';
const lifeS = 12 * 3600;
const digest = (token: string) => createHash('sha256').update(token).digest('hex');

const tokenIn = (cookies: string | null | undefined): string | undefined =>
  parseCookie(cookies ?? '')[cookieName] || undefined;
const tokenOf = (request: Request): string | undefined => tokenIn(request.headers.get('cookie'));
function cookie(value: string, maxAgeS: number, secure: boolean): string {
  return stringifySetCookie({
    name: cookieName,
    value,
    path: '/',
    httpOnly: true,
    sameSite: 'lax',
    maxAge: maxAgeS,
    secure,
  });
}
const behindTls = (request: Request) =>
  new URL(request.url).protocol === 'https:' || process.env.SNAVEK_TLS === '1';

/** Opens a session and gives the cookie for it. Only a digest of the token is stored. */
export async function openSession(shopId: string, personId: string, request: Request): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await endSession(request);
  const browser = (request.headers.get('user-agent') ?? '').slice(0, 300);
  await inShop(shopId, (em) => addSession(em, digest(token), personId, lifeS, browser));
  return cookie(token, lifeS, behindTls(request));
}
/** Ends the session that a request carries, in whichever workshop it is, and the streams that hang on it. */
async function endSession(request: Request): Promise<void> {
  const token = tokenOf(request);
  const who = token && (await whoAsks(request.headers.get('cookie')));
  if (!token || !who) return;
  await inShop(who.shopId, (em) => removeSession(em, digest(token)));
  sessionsEnded([digest(token)]);
}
/** What is done where sessions were ended in the database: what is held of them is dropped, their streams end. */
export function sessionsEnded(digests: readonly string[]): void {
  for (const ended of digests) {
    dropSession(ended);
    endStreamsOf(ended);
  }
}
/** Names the session of a request without telling its token; undefined where it has none. */
export function sessionKey(request: Request): string | undefined {
  const token = tokenOf(request);
  return token && digest(token);
}
export async function closeSession(request: Request): Promise<string> {
  await endSession(request);
  return cookie('', 0, behindTls(request));
}

/** Whose session a request carries, and whether its bench is locked; undefined for nobody's. */
export async function sessionAsks(cookies: string | null | undefined): Promise<Held | undefined> {
  const token = tokenIn(cookies);
  if (!token) return undefined;
  const tokenHash = digest(token);
  const known = heldWho(tokenHash, Date.now());
  if (known) return known;
  const since = dropsSoFar();
  const found = await personOfSession(tokenHash);
  if (found) holdWho(tokenHash, found, found.until, since);
  return found;
}
/** Who a request with these cookies comes from; undefined for nobody. */
export const whoAsks = async (cookies: string | null | undefined): Promise<Who | undefined> =>
  (await sessionAsks(cookies))?.who;
