import { isStandIn } from '../instruments/instrument-at';
import type { JobPage } from '../../core/wire/job-page';
import type { JobEvent } from '../../core/log/events';
import { indexOfJob } from '../../core/record/model-of-job';
import { flag } from '../../core/log/state';
import type { Route } from '../../core/steps/route';
import { eventsAfter, holdJob, loadState } from '../db/job-log';
import { namedOf, privateOf } from '../db/job-private';
import { findJob, isJob } from '../db/jobs';
import { indexOf } from '../db/models';
import { modelNotesOf } from '../db/notes';
import { inShop } from '../db/orm';
import { namesOf } from '../db/people';
import { routeOf } from '../db/routes';
import { sparesOf } from '../db/spares';
import type { Who } from '../../core/wire/who';
import { matOf } from '../../core/screws/mat-of';
import type { Signature } from './signatures';
export async function jobPage(who: Who, jobId: string): Promise<JobPage | undefined> {
  const page = await inShop(who.shopId, async (em): Promise<JobPage | undefined> => {
    const job = await findJob(em, jobId);
    if (!job) return undefined;
    const kept = await namedOf(em, jobId);
    const state = await loadState(em, jobId);
    const modelHash = flag(state, 'modelHash') ?? job.modelHash;
    const variant = flag(state, 'variant') ?? job.variant;
    const index = await indexOf(em, modelHash, variant);
    return {
      id: jobId,
      number: job.number,
      modelHash,
      variant,
      model: index.model,
      state,
      route: (await routeOf(em, flag(state, 'routeHash'))) ?? null,
      owner: kept.owner,
      people: Object.fromEntries(await namesOf(em)),
      signers: Object.fromEntries(
        [...kept.signatures].map(([id, text]) => [id, (JSON.parse(text) as Signature).name]),
      ),
      mat: matOf(indexOfJob(index, state)),
      modelNotes: await modelNotesOf(em, job.modelHash, job.variant, jobId),
      spares: await sparesOf(em),
      simulated: isStandIn(who, 'programmer'),
      testerSimulated: isStandIn(who, 'leak-tester'),
      gaugeSimulated: isStandIn(who, 'force-gauge'),
      openedAt: job.openedAt.getTime(),
      now: Date.now(),
    };
  });
  if (page) holdJob(who.shopId, jobId, page);
  return page;
}

/** The events after a number in the log, with the route when it has changed since: what another bench has done. */
export async function jobEvents(
  who: Who,
  jobId: string,
  after: number,
): Promise<{ events: JobEvent[]; route?: Route } | undefined> {
  return inShop(who.shopId, async (em) => {
    if (!(await isJob(em, jobId))) return undefined;
    const events = await eventsAfter(em, jobId, after);
    const adopted = events.findLast((e) => e.body.type === 'routeAdopted')?.body;
    const route = adopted?.type === 'routeAdopted' ? await routeOf(em, adopted.routeHash) : undefined;
    return { events, ...(route ? { route } : {}) };
  });
}
export const passcodeOf = (who: Who, jobId: string): Promise<string | null> =>
  inShop(who.shopId, (em) => privateOf(em, jobId, 'passcode'));
