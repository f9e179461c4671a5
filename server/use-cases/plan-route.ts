import type { EntityManager } from '@mikro-orm/postgresql';
import type { Command } from '../../core/rules/decide';
import { flag, type JobState } from '../../core/log/state';
import type { IndexedModel } from '../../core/model/index-model';
import { jobRouteInput, type RouteWishes } from '../../core/progress/route-input-of-job';
import type { Route, RouteResult } from '../../core/steps/route';
import { appendCommand, lockedJob } from '../append-command';
import { loadState, outcomeOf } from '../db/job-log';
import { findJob } from '../db/jobs';
import { indexOf, keepVersion } from '../db/models';
import { contentHash } from '../../core/model/canonical-json';
import type { DeviceModel } from '../../core/model/schema';
import { draftOf, hasMet, indexOfJob } from '../../core/record/model-of-job';
import { inShop } from '../db/orm';
import { routeOf, storeRoute } from '../db/routes';
import { planInThread } from '../planner';
import type { Outcome } from '../../core/wire/outcome';
import type { Who } from '../../core/wire/who';
import { confirmed } from './send-commands';
import type { SentOverride } from '../../core/wire/commands';

/** The route for a job from where its device stands now, with what the job's adopted route was wished with. */
export function planFor(
  who: Who,
  index: IndexedModel,
  state: JobState,
  adopted: Route | null,
  wishes: RouteWishes = {},
): Promise<RouteResult> {
  const { model, hash } = plannedOn(index, state);
  return planInThread(
    model,
    hash,
    jobRouteInput(who.settings, index, state, {
      methods: adopted?.input.methods,
      force: adopted?.input.force,
      ...wishes,
    }),
  );
}
/** What a job is planned on: its model; where something was met at it, all that is known of it as a model of its own. */
function plannedOn(index: IndexedModel, state: JobState): { model: DeviceModel; hash: string } {
  if (!hasMet(state)) return { model: index.model, hash: flag(state, 'modelHash')! };
  const model = draftOf(index, flag(state, 'variant')!);
  return { model, hash: contentHash(model) };
}
export type Adopted =
  | { ok: true; outcome: Outcome }
  | { ok: false; code: 'no such job' }
  | { ok: false; code: 'infeasible'; because: string[] };
/** A bench that goes on working while its route is planned is planned for again, so many times. */
const tries = 3;

/**
 * Plans a job at the head of its log and adopts what comes out; the same command id gives the same outcome.
 * The planning holds no lock: when something has happened meanwhile, it is done again from there.
 */
export async function adoptRoute(
  who: Who,
  jobId: string,
  commandId: string,
  wishes: RouteWishes = {},
  sent?: SentOverride,
): Promise<Adopted> {
  const read = (em: EntityManager) => readJob(em, jobId);
  const override = await confirmed(who, sent);
  for (let k = 1; ; k++) {
    const job = await inShop(who.shopId, read);
    if (!job) return { ok: false, code: 'no such job' };
    const route = await planFor(who, job.index, job.state, job.adopted, wishes);
    const done = await inShop(who.shopId, async (em): Promise<Adopted | 'again'> => {
      const locked = await lockedJob(em, jobId);
      if (!locked) return { ok: false, code: 'no such job' };
      const known = await outcomeOf(em, jobId, commandId);
      if (known) return { ok: true, outcome: known };
      const { state } = locked;
      if (state.seq !== job.state.seq && k < tries) return 'again';
      if ('infeasible' in route)
        return {
          ok: false,
          code: 'infeasible',
          because: route.because
            .flatMap((b) => b.ids)
            .map((i) => job.index.slots.get(i.split('@')[0]!)?.name ?? i),
        };
      if (hasMet(state))
        await keepVersion(em, route.modelHash, plannedOn(job.index, state).model, {
          madeBy: who.personId,
        });
      await storeRoute(em, route);
      const command: Command = {
        id: commandId,
        job: jobId,
        override,
        at: Math.max(Date.now(), state.lastAt),
        clockKnown: true,
        body: {
          type: 'routeAdopted',
          routeHash: route.hash,
          modelHash: route.modelHash,
          variant: route.variant,
        },
      };
      return {
        ok: true,
        outcome: (await appendCommand(em, who, command, locked)).outcome,
      };
    });
    if (done !== 'again') return done;
  }
}
async function readJob(
  em: EntityManager,
  jobId: string,
): Promise<{ state: JobState; index: IndexedModel; adopted: Route | null } | undefined> {
  const job = await findJob(em, jobId);
  if (!job) return undefined;
  const state = await loadState(em, jobId);
  return {
    state,
    index: indexOfJob(
      await indexOf(em, flag(state, 'modelHash') ?? job.modelHash, flag(state, 'variant') ?? job.variant),
      state,
    ),
    adopted: (await routeOf(em, flag(state, 'routeHash'))) ?? null,
  };
}
