import { isRouteErrorResponse } from 'react-router';
import { empty } from '../../core/job/state';
import type { JobPage } from '../../server/use-cases/job-page';
import type { Who } from '../../server/types';
import { ownerKey, rememberedPage } from './outbox';

let lastWho: Who | undefined;
/** Notes who is signed in in this tab: copies of pages are shown to nobody else. */
export function notePerson(who: Who): void {
  lastWho = who;
}

const isAnswer = (e: unknown) => (isRouteErrorResponse(e) || e instanceof Response) && e.status < 500;
/** A job's page from the server when it answers, and from this browser's copy when it does not. */
export async function fromServerOrCopy<T extends { who: Who; page: JobPage }>(
  job: string,
  server: () => Promise<T>,
  rest: Omit<T, 'who' | 'page'>,
): Promise<T> {
  try {
    return await server();
  } catch (e) {
    if (isAnswer(e)) throw e;
    const known = await rememberedPage<JobPage>(job);
    if (!known || !lastWho || known.owner !== ownerKey(lastWho.shopId, lastWho.personId)) throw e;
    return {
      ...rest,
      who: lastWho,
      page: { ...known.page, state: { ...empty(), ...known.page.state } },
    } as T;
  }
}
