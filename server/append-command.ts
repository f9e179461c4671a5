import type { EntityManager } from '@mikro-orm/postgresql';
import { type Command, couldHavePassed } from '../core/rules/decide';
import { type Body, needsServer } from '../core/log/events';
import { empty, flag, type JobState } from '../core/log/state';
import { afterOf, contextFor, judge, refusal } from './decide-command';
import {
  appendToLog,
  type HeldJob,
  loadState,
  outcomeOf,
  stateAt,
  type Writing,
  SignedOut,
} from './db/job-log';
import { privateOf } from './db/job-private';
import { lockJob } from './db/jobs';
import { indexOf } from './db/models';
import { shopOf } from './db/orm';
import { routeOf } from './db/routes';
import { settleStock, takeFromStock } from './db/stock';
import type { Outcome } from '../core/wire/outcome';
import type { Who } from '../core/wire/who';

export interface Written {
  outcome: Outcome;
  job: HeldJob;
}
/** A job that the rest of the transaction has to itself; undefined when this workshop has no such job. */
export async function lockedJob(em: EntityManager, jobId: string): Promise<HeldJob | undefined> {
  const row = await lockJob(em, jobId);
  return row
    ? { state: await loadState(em, jobId), modelHash: row.modelHash, variant: row.variant }
    : undefined;
}
/**
 * Decides and writes one command of which the stock, a signature or a route must know, too: all in the caller's transaction,
 * which has locked the job. A command that is known gets its stored outcome.
 * @param job the job at the head of its log
 * @param session what the command hangs on, beside who asks
 * @returns the outcome, and the job as it stands then: to be held once the transaction has been committed
 * @throws SignedOut where the session has ended: the transaction is undone
 */
export async function appendCommand(
  em: EntityManager,
  who: Who,
  command: Command,
  job: HeldJob,
  session?: string,
): Promise<Written> {
  const known = job.state.seq > 0 ? await outcomeOf(em, command.job, command.id) : undefined;
  if (known) return { outcome: known, job };
  const judged = await judgeWith(em, who, command, job);
  const { outcome, events, state } = judged.judged;
  const writing: Writing = {
    commands: [{ id: command.id, outcome }],
    events,
    ...(events.length ? { after: afterOf(judged.context, state, command.at) } : {}),
  };
  const at = { shopId: shopOf(em), jobId: command.job, session };
  const { answer } = await appendToLog(at, job, writing, em);
  if (answer === 'signed out') throw new SignedOut();
  if (answer !== 'written') throw new Error(`the log of ${command.job} was not locked: ${answer}`);
  if (events.length) await settleStock(em, command.job, judged.body, state);
  return { outcome, job: { ...job, state } };
}
/** A job that has no event yet. */
export const newJob = (modelHash: string, variant: string): HeldJob => ({
  state: empty(),
  modelHash,
  variant,
});

async function judgeWith(em: EntityManager, who: Who, command: Command, job: HeldJob) {
  const { state } = job;
  const index = await indexOf(
    em,
    flag(state, 'modelHash') ?? job.modelHash,
    flag(state, 'variant') ?? job.variant,
  );
  const wanted = command.body.type === 'routeAdopted' ? command.body.routeHash : undefined;
  const asked = await routeOf(em, wanted);
  const context = contextFor(who, { index, route: await routeOf(em, flag(state, 'routeHash')) }, asked);
  const refuse = (refused: Parameters<typeof refusal>[1]) => ({
    judged: { outcome: refusal(state, refused), events: [], state },
    context,
    body: command.body,
  });
  if (!(await isSigned(em, command.job, command.body)))
    return refuse({ code: 'unknown thing', id: 'signature' });
  if (wanted && !asked) return refuse({ code: 'unknown thing', id: wanted });
  const taken = await takeFromStock(em, command.job, command.body);
  if ('refused' in taken) return refuse({ code: taken.refused });
  const late = { ...command, body: taken.body };
  if (await isTooLate(em, context, state, late)) late.passedAt = undefined;
  return {
    judged: judge(context, state, late),
    context: asked ? contextFor(who, { index, route: asked }, asked) : context,
    body: late.body,
  };
}
/** A gate that is said to have been passed when the bench knew less could not have been passed even then. */
const isTooLate = async (
  em: EntityManager,
  context: ReturnType<typeof contextFor>,
  state: JobState,
  command: Command,
): Promise<boolean> =>
  command.passedAt !== undefined &&
  (needsServer.has(command.body.type) ||
    !couldHavePassed(context, await stateAt(em, command.job, state, command.passedAt), command));
/** A consent names a signature only where one was taken for this job. */
async function isSigned(em: EntityManager, jobId: string, body: Body): Promise<boolean> {
  if (body.type !== 'consentGiven' || body.signature === undefined) return true;
  return (await privateOf(em, jobId, `signature ${body.signature}`)) !== null;
}
