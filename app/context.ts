import { createContext, type RouterContextProvider, redirect } from 'react-router';
import type { Who } from '../server/types';

export type Asked =
  | { state: 'known'; who: Who }
  | { state: 'nobody' }
  | { state: 'no database'; why: string };
/** Who asks, resolved once for each request before any loader or action runs. */
export const whoContext = createContext<Asked>();

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
  throw redirect(`/sign-in?to=${encodeURIComponent(url.pathname + url.search)}`);
}
/** The same for an endpoint that answers in data: nobody gets 401. */
export function requirePersonForData(context: Context): Who {
  const asked = context.get(whoContext);
  if (asked.state === 'known') return asked.who;
  throw Response.json(
    { error: asked.state === 'nobody' ? 'sign in first' : 'the database cannot be reached' },
    { status: asked.state === 'nobody' ? 401 : 503 },
  );
}
/** A form or a command from another site is not taken. */
export function requireSameOrigin(request: Request): void {
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  if (
    (origin && origin !== 'null' && new URL(origin).host !== new URL(request.url).host) ||
    (site && site !== 'same-origin' && site !== 'none')
  )
    throw Response.json({ error: 'from another site' }, { status: 403 });
}
/** Reads a JSON body; malformed JSON is said as such. */
export async function jsonBody(request: Request): Promise<unknown> {
  const text = await request.text();
  try {
    return JSON.parse(text);
  } catch (e) {
    throw Response.json({ error: 'malformed JSON', detail: (e as Error).message }, { status: 400 });
  }
}
