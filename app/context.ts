import { createContext, type RouterContextProvider, redirect } from 'react-router';
import { isPlainText, notPlainAt, plainTextAdvice } from '../core/log/plain-text';
import type { Who } from '../core/wire/who';

export type Asked =
  | { state: 'known'; who: Who }
  /** Signed in at a bench that is locked: nothing but what runs by itself is shown. */
  | { state: 'locked'; who: Who }
  | { state: 'nobody' }
  | { state: 'no database'; why: string };
/** Who asks, resolved once for each request before any loader or action runs. */
export const whoContext = createContext<Asked>();

/** The word of one answer by which its own scripts are known to the browser. */
export const nonceContext = createContext<string>('');

/** The address that the request's connection comes from; never what a header says. */
export const peerContext = createContext<string>('unknown');

type Context = Readonly<RouterContextProvider>;

/** The person who asks, for a page: nobody is sent to sign in, and comes back to where they wanted to go. */
export function requirePerson(context: Context, request: Request): Who {
  const asked = context.get(whoContext);
  if (asked.state === 'known') return asked.who;
  if (asked.state === 'no database')
    throw new Response('The database cannot be reached.', {
      status: 503,
      statusText: 'The database cannot be reached',
    });
  const url = new URL(request.url);
  throw redirect(
    `/${asked.state === 'locked' ? 'locked' : 'sign-in'}?to=${encodeURIComponent(url.pathname + url.search)}`,
  );
}
const dataRefusal = {
  nobody: 'sign in first',
  locked: 'the bench is locked',
  'no database': 'the database cannot be reached',
} as const;
/** Who is signed in, also at a bench that is locked: for what it shows meanwhile, and for unlocking it. */
export function requireBench(context: Context): { who: Who; locked: boolean } {
  const asked = context.get(whoContext);
  if (asked.state === 'locked') return { who: asked.who, locked: true };
  return { who: requirePersonForData(context), locked: false };
}
/** The same for an endpoint that answers in data: nobody gets 401. */
export function requirePersonForData(context: Context): Who {
  const asked = context.get(whoContext);
  if (asked.state === 'known') return asked.who;
  throw Response.json(
    { error: dataRefusal[asked.state] },
    { status: asked.state === 'no database' ? 503 : 401 },
  );
}
const badRequest = (error: string) => Response.json({ error }, { status: 400 });
/**
 * A form or a command from another site is not taken. What carries neither an origin nor the browser's word about its
 * site is taken only as JSON, or by a method that no form has: neither can be sent across sites unasked.
 */
export function requireSameOrigin(request: Request): void {
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  const refuse = () => Response.json({ error: 'from another site' }, { status: 403 });
  if (site && site !== 'same-origin' && site !== 'none') throw refuse();
  if (origin !== null) {
    if (origin === 'null' || !URL.canParse(origin)) {
      if (site === 'same-origin') return;
      throw origin === 'null' ? refuse() : badRequest('the origin is malformed');
    }
    if (new URL(origin).host !== new URL(request.url).host) throw refuse();
    return;
  }
  const plain =
    request.method === 'POST' && !/^application\/json\b/i.test(request.headers.get('content-type') ?? '');
  if (!site && plain) throw refuse();
}

/** Nobody types a megabyte into one form or one batch of commands. */
export const bodyLimitBytes = 1_000_000;
/**
 * Reads a body as it comes and stops at a limit, whatever its header said.
 * @param error what is said when it is larger
 * @throws 413
 */
export async function bodyWithin(
  request: Request,
  limitBytes: number,
  error = `too large: at most ${limitBytes / 1e6} MB`,
): Promise<Buffer> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    size += chunk.byteLength;
    if (size > limitBytes) throw Response.json({ error, limitBytes }, { status: 413 });
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}
/**
 * Reads a JSON body; malformed JSON, and text that is no text, is said as such.
 * @param each the batch is taken as it is, since each entry in it is judged by itself
 */
export async function jsonBody(request: Request, each = false): Promise<unknown> {
  const text = (await bodyWithin(request, bodyLimitBytes)).toString('utf8');
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (e) {
    throw Response.json({ error: 'malformed JSON', detail: (e as Error).message }, { status: 400 });
  }
  const path = each ? undefined : notPlainAt(value);
  if (path) throw badRequest(`${path.join('.') || 'the text'}: ${plainTextAdvice}`);
  return value;
}
/** Reads a form as a browser sends it, urlencoded. */
export async function formBody(request: Request): Promise<URLSearchParams> {
  if (!/^application\/x-www-form-urlencoded\b/i.test(request.headers.get('content-type') ?? ''))
    throw badRequest('a form is expected');
  const form = new URLSearchParams((await bodyWithin(request, 20_000)).toString('utf8'));
  for (const [name, value] of form)
    if (!isPlainText(name) || !isPlainText(value)) throw badRequest(`${name}: ${plainTextAdvice}`);
  return form;
}

/** A CSV file (RFC 4180) to be kept by whoever asked for it, and by nothing on the way. */
export const csvFile = (name: string, csv: string): Response =>
  new Response(csv, {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8; header=present',
      'Content-Disposition': `attachment; filename="${name}"`,
      'Cache-Control': 'private, no-store',
    },
  });

/** What never changes under its address, for the browser to keep; nothing on the way keeps it. */
export const fixedJson = (value: unknown): Response =>
  value === undefined
    ? Response.json({ error: 'there is no such thing in this workshop' }, { status: 404 })
    : Response.json(value, { headers: { 'Cache-Control': 'private, max-age=31536000, immutable' } });

/** Only a page of this app: nobody is led elsewhere after signing in. */
export function localPath(to: string | null): string {
  // biome-ignore lint/suspicious/noControlCharactersInRegex: a browser drops them, and reads the rest as another address
  if (!to || /[\u0000-\u0020\\]/.test(to) || !URL.canParse(to, 'http://here')) return '/';
  const url = new URL(to, 'http://here');
  const known = /^\/(?:$|(?:jobs|receive|stock|spares|models|workshop|account|photos)(?:$|[/?]))/;
  return url.origin === 'http://here' &&
    known.test(url.pathname) &&
    to.startsWith('/') &&
    !to.startsWith('//')
    ? url.pathname + url.search
    : '/';
}
