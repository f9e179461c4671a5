import type { EntityManager } from '@mikro-orm/postgresql';
import { consentsFor, openConsents } from '../../core/consents/consents';
import { couldHavePassed, decide, type Command, type Context } from '../../core/job/decide';
import { type JobEvent, needsServer } from '../../core/job/events';
import { evolve, foldInto } from '../../core/job/evolve';
import { instruct } from '../../core/job/instruct';
import { handsLeft, progressOf, stageOf } from '../../core/job/stage';
import { empty, flag, type JobState } from '../../core/job/state';
import { conditionsOf } from '../../core/job/view';
import type { IndexedModel } from '../../core/model/index-model';
import type { Finding } from '../../core/job/interlocks';
import { methodsOf } from '../../core/route/methods';
import type { Route } from '../../core/route/types';
import type { JobSummary, Outcome, Who } from '../types';
import { JobCommand, JobEventRow, JobSnapshot } from './entities';
import { privateOf } from './job-private';
import { lockJob } from './jobs';
import { keepNewest } from './keep-newest';
import { indexOf } from './models';
import { routeOf } from './routes';
import { settleStock, takeFromStock } from './stock';

/** A snapshot stamped with another version of the core is not used. Raise it when a fold gives something else. */
export const coreVersion = '6';
const snapshotEvery = 50;

/**
 * States that this process has seen committed. A log is only ever written on, so a state of a seq stays true for that seq:
 * from a held one only what came after it is read. Held after the commit, never before: what is rolled back was not there.
 */
const held = new Map<string, JobState>();
export function holdState(shopId: string, jobId: string, state: JobState): void {
  keepNewest(held, `${shopId} ${jobId}`, state);
}

export interface OpenedJob {
  modelHash: string;
  variant: string;
  state: JobState;
  known: Outcome | undefined;
  /** The command is known, of another job. */
  otherJob?: true;
}
/**
 * Enters the workshop, locks a job and reads what deciding a command takes, in one round trip.
 * @returns undefined when this workshop has no such job; `known` when the command has been decided before
 */
export async function openForCommand(
  em: EntityManager,
  shopId: string,
  jobId: string,
  commandId: string,
): Promise<OpenedJob | undefined> {
  const base = held.get(`${shopId} ${jobId}`);
  // the function that is called tells the database the same
  em.setFilterParams('shop', { shop: shopId });
  const [row] = await em.execute<
    {
      is_there: boolean;
      from_held: boolean;
      model_hash: string;
      variant: string;
      outcome: Outcome | null;
      other_job: boolean | null;
      state: JobState | null;
      events: JobEvent[] | null;
    }[]
  >(`select * from open_job(?, ?, ?, ?, ?, ?)`, [
    shopId,
    jobId,
    commandId,
    coreVersion,
    base?.seq ?? 0,
    base?.lastId ?? '',
  ]);
  if (!row?.is_there) return undefined;
  const { model_hash: modelHash, variant } = row;
  if (row.outcome)
    return {
      modelHash,
      variant,
      known: row.outcome,
      state: empty(),
      ...(row.other_job ? { otherJob: true as const } : {}),
    };
  const events = row.events ?? [];
  return {
    modelHash,
    variant,
    known: undefined,
    state: base && row.from_held ? events.reduce(evolve, base) : foldInto(row.state ?? empty(), events),
  };
}

/** A job's state as it was at a number in its log; at or beyond its head, the head. */
async function stateAt(em: EntityManager, jobId: string, head: JobState, seq: number): Promise<JobState> {
  if (seq >= head.seq) return head;
  const rows = await em.find(JobEventRow, { jobId, seq: { $lte: seq } }, inOrder);
  return foldInto(
    empty(),
    rows.map((row) => row.event),
  );
}
/** Rows that are read once and thrown away: nobody changes them, and the same one is not asked for twice. */
const inOrder = { orderBy: { seq: 'asc' as const }, disableIdentityMap: true };

/** A job's state at the head of its log: the last snapshot and what came after it. */
export async function loadState(em: EntityManager, jobId: string): Promise<JobState> {
  const snapshot = await em.findOne(
    JobSnapshot,
    { jobId, core: coreVersion },
    { orderBy: { seq: 'desc' }, disableIdentityMap: true },
  );
  return foldInto(snapshot?.state ?? empty(), await eventsAfter(em, jobId, snapshot?.seq ?? 0));
}
export async function eventsAfter(em: EntityManager, jobId: string, after: number): Promise<JobEvent[]> {
  const rows = await em.find(JobEventRow, { jobId, seq: { $gt: after } }, inOrder);
  return rows.map((row) => row.event);
}
/** The outcome that was stored for a command; undefined where it is not known. */
export async function outcomeOf(em: EntityManager, commandId: string): Promise<Outcome | undefined> {
  return (await em.findOne(JobCommand, { commandId }))?.outcome;
}

export function contextFor(who: Who, index: IndexedModel, route: Route | undefined): Context {
  return { index, route, waits: who.settings.waits, person: who.personId, role: who.role };
}

/** What the bench list says of a job. */
export function summarise(context: Context, state: JobState, at: number): JobSummary {
  const { index, route } = context;
  const now = instruct(context, state, { at, clockKnown: true });
  const heat = flag(state, 'heat');
  const solvent = flag(state, 'solventAt');
  const hold = flag(state, 'hold');
  // before there is a route: what is to be done, then the owner's yes
  const before = !Object.keys(state.task).length
    ? 'the fault'
    : openConsents(consentsFor(index, state, context.methods), state).length
      ? 'agreement'
      : 'a route';
  const waits = {
    'no route': before,
    ended: '',
    question: 'an answer',
    checks: 'checks',
    failed: 'a failed check',
    waiting: 'time',
    do: 'hands',
    'stop now': 'hands at once',
    'plan again': 'a new route',
    finished: 'hand-over',
  }[now.kind];
  return {
    model: `${index.model.maker} ${index.model.name}`,
    variant: index.model.variants.find((v) => v.id === flag(state, 'variant'))?.name ?? '',
    tasks: Object.keys(state.task).map((s) => index.slots.get(s)?.name ?? s),
    waits: flag(state, 'received') ? waits : 'receiving',
    running:
      now.kind === 'stop now'
        ? { what: 'take it off', until: at }
        : heat
          ? { what: 'heat', until: heat.until }
          : now.kind === 'do' && now.by
            ? { what: 'open by', until: now.by.until }
            : hold
              ? { what: hold.what as 'press', until: hold.until }
              : now.kind === 'waiting' && solvent
                ? { what: 'solvent', until: solvent.until }
                : null,
    ...progressOf(state, route),
    worker: flag(state, 'worker') ?? null,
    conditions: conditionsOf(state),
    promisedAs: flag(state, 'promisedAs') ?? '',
    handsLeftS: handsLeft(state, route),
    by: state.trail[state.trail.length - 1]?.by ?? '',
  };
}

/**
 * Decides one command at the head of a locked log and writes what follows from it, with the outcome for a repeat.
 * The caller holds the job's lock and knows that the command is new.
 */
export async function appendCommand(
  em: EntityManager,
  who: Who,
  command: Command,
  jobId: string,
  loaded?: { state: JobState; modelHash: string; variant: string },
): Promise<{ outcome: Outcome; state: JobState }> {
  const job = loaded ?? (await lockedJob(em, jobId));
  const { state } = job;
  // the planner may have adopted a route for another variant's model: what the log says wins over the row
  const index = await indexOf(
    em,
    flag(state, 'modelHash') ?? job.modelHash,
    flag(state, 'variant') ?? job.variant,
  );
  const adopted = command.body.type === 'routeAdopted' ? command.body.routeHash : undefined;
  const asked = adopted ? await routeOf(em, adopted) : undefined;
  const context = {
    ...contextFor(who, index, await routeOf(em, flag(state, 'routeHash'))),
    methods: asked?.input.methods ?? methodsOf(who.settings.methods),
  };
  if (!(await isSigned(em, jobId, command.body)))
    return refuse(em, who, jobId, command, state, { code: 'unknown thing', id: 'signature' });
  if (command.body.type === 'routeAdopted' && !asked)
    return refuse(em, who, jobId, command, state, { code: 'unknown thing', id: command.body.routeHash });
  const stock = await takeFromStock(em, jobId, command.body);
  if ('refused' in stock) return refuse(em, who, jobId, command, state, { code: stock.refused });
  command = { ...command, body: stock.body };
  const late =
    command.passedAt !== undefined &&
    (needsServer.has(command.body.type) ||
      !couldHavePassed(context, await stateAt(em, jobId, state, command.passedAt), command))
      ? { ...command, passedAt: undefined }
      : command;
  const decided = decide(context, state, late);
  if (decided.refused) return refuse(em, who, jobId, command, state, decided.refused, decided.findings);
  if (decided.already) {
    const outcome: Outcome = { status: 'already', seq: state.seq, events: [], findings: [] };
    await em.insert(JobCommand, { shopId: who.shopId, commandId: command.id, jobId, outcome });
    return { outcome, state };
  }
  const next = decided.events.reduce(evolve, state);
  const after = adopted ? contextFor(who, index, asked) : context;
  const outcome: Outcome = {
    status: 'recorded',
    seq: next.seq,
    events: decided.events,
    findings: decided.findings,
  };
  const stage = stageOf(next, after.index, after.route);
  await em.execute(`select append_events(?, ?, ?::jsonb, ?::jsonb, ?, ?, ?::jsonb, ?, ?)`, [
    jobId,
    command.id,
    JSON.stringify(decided.events),
    JSON.stringify(outcome),
    next.seq,
    stage,
    JSON.stringify(summarise(after, next, command.at)),
    flag(next, 'ending') ?? null,
    promised(next),
  ]);
  if (Math.floor(next.seq / snapshotEvery) > Math.floor(state.seq / snapshotEvery)) {
    await em.upsert(
      JobSnapshot,
      { shopId: who.shopId, jobId, seq: next.seq, core: coreVersion, state: next },
      { onConflictFields: ['shopId', 'jobId', 'seq'], onConflictAction: 'ignore', disableIdentityMap: true },
    );
    await em.nativeDelete(JobSnapshot, { jobId, seq: { $lt: next.seq - 2 * snapshotEvery } });
  }
  await settleStock(em, jobId, command.body, next);
  return { outcome, state: next };
}
/** A job that the rest of the transaction has to itself, with its state. */
async function lockedJob(em: EntityManager, jobId: string) {
  const job = await lockJob(em, jobId);
  if (!job) throw new RangeError(`no job ${jobId} in this workshop`);
  return { state: await loadState(em, jobId), modelHash: job.modelHash, variant: job.variant };
}
/** A consent names a signature only where one was taken for this job. */
async function isSigned(em: EntityManager, jobId: string, body: Command['body']): Promise<boolean> {
  if (body.type !== 'consentGiven' || body.signature === undefined) return true;
  return (await privateOf(em, jobId, `signature ${body.signature}`)) !== null;
}
const promised = (state: JobState) => {
  const at = flag(state, 'promisedAt');
  return at === undefined || at === null ? null : at / 1000;
};
async function refuse(
  em: EntityManager,
  who: Who,
  jobId: string,
  command: Command,
  state: JobState,
  refused: (Outcome & { status: 'refused' })['refused'],
  findings: Finding[] = [],
): Promise<{ outcome: Outcome; state: JobState }> {
  const outcome: Outcome = { status: 'refused', seq: state.seq, refused, findings };
  await em.insert(JobCommand, { shopId: who.shopId, commandId: command.id, jobId, outcome });
  return { outcome, state };
}
