import { appUrl } from '../db/app-role';
import { getBus } from '../db/bus';
import { databaseUrl } from '../db/orm';
import { sessionKey, whoAsks } from '../auth/session';
import { holdStream } from '../auth/streams';
import { stopping } from '../shutdown';
import type { Who } from '../../core/wire/who';

/** Tells what changes in the asker's own workshop: `{job, seq}`, nothing else; `resync` when something may have been missed. */
export function watchShop(who: Who, tell: (m: { job: string; seq: number } | 'resync') => void): () => void {
  return getBus(appUrl(databaseUrl())).subscribe((m) => {
    if (m === 'resync') tell(m);
    else if (m.shop === who.shopId) tell({ job: m.job, seq: m.seq });
  });
}
/** Aborted when the process is asked to end: streams close first. */
export const ending = stopping.signal;
/** Counts a stream for the session that asks for it. @returns to be called when it has ended */
export const holdStreamOf = (request: Request, end: () => void): (() => void) =>
  holdStream(sessionKey(request) ?? '', end);
/** Whether the session of a request still stands. */
export const isSignedIn = async (request: Request): Promise<boolean> =>
  (await whoAsks(request.headers.get('cookie'))) !== undefined;
