import type { JobEvent } from '../../core/job/events';
import { flag, type JobState } from '../../core/job/state';
import type { DeviceModel } from '../../core/model/schema';
import type { Route } from '../../core/route/types';
import { eventsAfter, indexOf, loadState, routeOf } from '../db/job-log';
import { inShop } from '../db/orm';
import type { Who } from '../types';
import { matOf } from '../../core/screws/mat-of';
import type { MatCell } from '../../core/screws/mat-layout';
import { isSimulated } from '../instruments/programmer';
import { type Lore, loreOf } from './lore';
import { signatures } from './signatures';
import { type SpareRow, sparesOf } from './spares';

/** All that a screen of one job needs, to work on without the server afterwards. */
export interface JobPage {
  id: string;
  number: number;
  modelHash: string;
  variant: string;
  /** The model as this job's variant has it. */
  model: DeviceModel;
  state: JobState;
  route: Route | null;
  owner: string | null;
  people: Record<string, string>;
  /** Who gave a consent, by the id that the log names. */
  signers: Record<string, string>;
  /** Where each screw of the model lies on its mat. */
  mat: readonly MatCell[];
  /** What was noted about things of this model before. */
  lore: Lore[];
  spares: SpareRow[];
  /** The programmer is the stand-in that ships with the app. */
  simulated: boolean;
  openedAt: number;
  now: number;
}
export async function jobPage(who: Who, jobId: string): Promise<JobPage | undefined> {
  return inShop(who.shopId, async (em) => {
    const [job] = await em.execute<
      { number: number; model_hash: string; variant: string; opened: string; owner: string | null }[]
    >(
      `select number, model_hash, variant, extract(epoch from opened_at) * 1000 as opened, (select value from job_private p where p.job_id = job.id and p.kind = 'owner') as owner from job where id = ?`,
      [jobId],
    );
    if (!job) return undefined;
    const state = await loadState(em, jobId);
    const modelHash = flag(state, 'modelHash') ?? job.model_hash;
    const variant = flag(state, 'variant') ?? job.variant;
    const index = await indexOf(em, modelHash, variant);
    const people = await em.execute<{ id: string; name: string }[]>(`select id, name from person`);
    return {
      id: jobId,
      number: job.number,
      modelHash,
      variant,
      model: index.model,
      state,
      route: (await routeOf(em, who.shopId, flag(state, 'routeHash'))) ?? null,
      owner: job.owner,
      people: Object.fromEntries(people.map((p) => [p.id, p.name])),
      signers: Object.fromEntries(Object.entries(await signatures(em, jobId)).map(([k, s]) => [k, s.name])),
      mat: matOf(index),
      lore: await loreOf(em, job.model_hash, job.variant, jobId),
      spares: await sparesOf(em),
      simulated: isSimulated(),
      openedAt: Number(job.opened),
      now: Date.now(),
    };
  });
}

/** The events after a number in the log, with the route when it has changed since: what another bench has done. */
export async function jobEvents(
  who: Who,
  jobId: string,
  after: number,
): Promise<{ events: JobEvent[]; route?: Route } | undefined> {
  return inShop(who.shopId, async (em) => {
    const [job] = await em.execute(`select 1 from job where id = ?`, [jobId]);
    if (!job) return undefined;
    const events = await eventsAfter(em, jobId, after);
    const adopted = events.findLast((e) => e.body.type === 'routeAdopted')?.body;
    const route =
      adopted?.type === 'routeAdopted' ? await routeOf(em, who.shopId, adopted.routeHash) : undefined;
    return { events, ...(route ? { route } : {}) };
  });
}
export async function passcodeOf(who: Who, jobId: string): Promise<string | null> {
  return inShop(
    who.shopId,
    async (em) =>
      (
        await em.execute<{ value: string }[]>(
          `select value from job_private where job_id = ? and kind = 'passcode'`,
          [jobId],
        )
      )[0]?.value ?? null,
  );
}
