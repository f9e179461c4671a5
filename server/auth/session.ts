import { createHash, randomBytes } from 'node:crypto';
import { parseCookie, stringifySetCookie } from 'cookie';
import { getOrm, inShop } from '../db/orm';
import { endStreamsOf } from './streams';
import type { ShopSettings, Who } from '../types';
import type { Role } from '../../core/job/interlocks';

const cookieName = 'snavek_session';
const lifeS = 12 * 3600;
const digest = (token: string) => createHash('sha256').update(token).digest('hex');

export function tokenOf(request: Request): string | undefined {
  return parseCookie(request.headers.get('cookie') ?? '')[cookieName] || undefined;
}
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
export const behindTls = (request: Request) =>
  new URL(request.url).protocol === 'https:' || process.env.SNAVEK_TLS === '1';

/** Opens a session and gives the cookie for it. Only a digest of the token is stored. */
export async function openSession(shopId: string, personId: string, request: Request): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await endSession(request);
  await inShop(shopId, async (em) => {
    await em.execute(`delete from session where expires_at < now()`);
    await em.execute(
      `insert into session (shop_id, token_hash, person_id, expires_at) values (?, ?, ?, now() + interval '${lifeS} seconds')`,
      [shopId, digest(token), personId],
    );
  });
  return cookie(token, lifeS, behindTls(request));
}
/** Ends the session that a request carries, in whichever workshop it is, and the streams that hang on it. */
async function endSession(request: Request): Promise<void> {
  const token = tokenOf(request);
  const who = token && (await whoAsks(request));
  if (!token || !who) return;
  await inShop(who.shopId, (em) => em.execute(`delete from session where token_hash = ?`, [digest(token)]));
  endStreamsOf(digest(token));
}
/** Names the session of a request without telling its token. */
export const sessionKey = (request: Request): string => digest(tokenOf(request) ?? '');
export async function closeSession(request: Request): Promise<string> {
  await endSession(request);
  return cookie('', 0, behindTls(request));
}

interface Row {
  shop_id: string;
  person_id: string;
  name: string;
  login: string;
  role: Role;
  bench: string;
  shop_name: string;
  settings: ShopSettings;
  demo: boolean;
}

/** Who a request comes from; undefined for nobody. */
export async function whoAsks(request: Request): Promise<Who | undefined> {
  const token = tokenOf(request);
  if (!token) return undefined;
  const [r] = await (await getOrm()).em
    .getConnection()
    .execute<Row[]>(`select * from resolve_session(?)`, [digest(token)]);
  return (
    r && {
      shopId: r.shop_id,
      personId: r.person_id,
      name: r.name,
      login: r.login,
      role: r.role,
      bench: r.bench,
      shopName: r.shop_name,
      settings: r.settings,
      demo: r.demo,
    }
  );
}
