import { appUrl } from '../db/app-role';
import { getBus } from '../db/bus';
import { databaseUrl } from '../db/orm';
import { stopping } from '../shutdown';
import type { Who } from '../types';

/** Tells what changes in the asker's own workshop: `{job, seq}`, nothing else; `resync` when something may have been missed. */
export function watchShop(who: Who, tell: (m: { job: string; seq: number } | 'resync') => void): () => void {
  return getBus(appUrl(databaseUrl())).subscribe((m) => {
    if (m === 'resync') tell(m);
    else if (m.shop === who.shopId) tell({ job: m.job, seq: m.seq });
  });
}
/** Aborted when the process is asked to end: streams close first. */
export const ending = stopping.signal;
