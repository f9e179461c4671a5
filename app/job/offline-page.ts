import { isRouteErrorResponse } from 'react-router';
import { empty } from '../../core/log/state';
import type { JobPage } from '../../core/wire/job-page';
import type { Who } from '../../core/wire/who';
import { type LeanPage, lean } from './fixed';
import { isKept } from './install';
import { ownerKey, rememberedPage } from './outbox';

/** What is asked for needs the server, and the server is away. */
export class NoNetwork extends Error {}

let lastWho: Who | undefined;
/** Notes who is signed in in this tab: copies of pages are shown to nobody else. */
export function notePerson(who: Who): void {
  lastWho = who;
}

/** Whose this tab is; undefined before that is known. */
export const signedInOwner = (): string | undefined => lastWho && ownerKey(lastWho.shopId, lastWho.personId);

const isAnswer = (e: unknown) => (isRouteErrorResponse(e) || e instanceof Response) && e.status < 500;
/** What the server answers; without an answer, what `otherwise` has. An answer that says no is an answer. */
export async function fromServerOr<T>(server: () => Promise<T>, otherwise: () => Promise<T> | T): Promise<T> {
  try {
    return await server();
  } catch (e) {
    if (isAnswer(e)) throw e;
    return otherwise();
  }
}
/** A job from the server when it answers, and from this browser's copy when it does not. */
export const fromServerOrCopy = (
  job: string,
  server: () => Promise<{ page: LeanPage }>,
): Promise<{ page: LeanPage }> =>
  fromServerOr(server, async () => {
    const known = await rememberedPage<JobPage>(job).catch(() => undefined);
    if (!known || !lastWho || known.owner !== ownerKey(lastWho.shopId, lastWho.personId))
      throw new NoNetwork();
    return { page: lean({ ...known.page, state: { ...empty(), ...known.page.state } }) };
  });
/**
 * A screen's own data from the server; without it the screen is loaded whole, as it was kept when its job was opened here.
 * @throws NoNetwork where it was not kept
 */
export const fromServerOrKeptPage = <T>(request: Request, server: () => Promise<T>): Promise<T> =>
  fromServerOr(server, async () => {
    const { pathname, search } = new URL(request.url);
    if (!(await isKept(pathname))) throw new NoNetwork();
    window.location.assign(pathname + search);
    return new Promise<T>(() => {});
  });
