import type { EntityManager } from '@mikro-orm/postgresql';
import type { JobEvent } from '../../core/log/events';
import { evolve, foldInto } from '../../core/log/evolve';
import { empty, type JobState } from '../../core/log/state';
import type { JobSummary } from '../../core/wire/job-line';
import type { Outcome } from '../../core/wire/outcome';
import { JobCommand, JobEventRow, JobSnapshot } from './entities';
import { keepNewest } from './keep-newest';
import { getOrm, shopOf } from './orm';

/** A snapshot stamped with another version of the core is not used. Raise it when a fold gives something else. */
const coreVersion = '14';
const snapshotEvery = 50;

/** A job at a known place of its log: the number and id of its last event stand in the state. */
export interface HeldJob {
  state: JobState;
  /** Of the job's row; what the log says wins over it. */
  modelHash: string;
  variant: string;
}
/**
 * Jobs that this process has seen committed. A log is only ever written on, so a state of a place in it stays true for that
 * place: from a held one only what came after it is read. Held after the commit, never before: what is rolled back was not
 * there.
 */
const held = new Map<string, HeldJob>();
export const heldJob = (shopId: string, jobId: string): HeldJob | undefined => held.get(`${shopId} ${jobId}`);
export function holdJob(shopId: string, jobId: string, { state, modelHash, variant }: HeldJob): void {
  keepNewest(held, `${shopId} ${jobId}`, { state, modelHash, variant });
}

/** Events of a log in their order, read as they are: a row of it is never changed. */
async function eventsOf(em: EntityManager, jobId: string, seq: object): Promise<JobEvent[]> {
  const rows = await em
    .createQueryBuilder(JobEventRow, 'e')
    .select('e.event')
    .where({ shopId: shopOf(em), jobId, seq })
    .orderBy({ seq: 'asc' })
    .execute<{ event: JobEvent }[]>('all');
  return rows.map((row) => row.event);
}
export const eventsAfter = (em: EntityManager, jobId: string, after: number): Promise<JobEvent[]> =>
  eventsOf(em, jobId, { $gt: after });
/** A job's state as it was at a number in its log; at or beyond its head, the head. */
export async function stateAt(
  em: EntityManager,
  jobId: string,
  head: JobState,
  seq: number,
): Promise<JobState> {
  return seq >= head.seq ? head : foldInto(empty(), await eventsOf(em, jobId, { $lte: seq }));
}
/** A job's state at the head of its log: what this process holds of it, or the last snapshot, and what came after. */
export async function loadState(em: EntityManager, jobId: string): Promise<JobState> {
  const base = heldJob(shopOf(em), jobId)?.state;
  if (base) {
    const [last, ...newer] = await eventsOf(em, jobId, { $gte: base.seq });
    // a database that was put back to an earlier day may have gone on from there
    if (last?.id === base.lastId) return newer.reduce(evolve, base);
  }
  const snapshot = await em.findOne(
    JobSnapshot,
    { jobId, core: coreVersion },
    { orderBy: { seq: 'desc' }, disableIdentityMap: true },
  );
  return foldInto(snapshot?.state ?? empty(), await eventsAfter(em, jobId, snapshot?.seq ?? 0));
}
/** The outcome that was stored for a command of this job; undefined where it is not known. */
export async function outcomeOf(
  em: EntityManager,
  jobId: string,
  commandId: string,
): Promise<Outcome | undefined> {
  const known = await em.findOne(JobCommand, { commandId });
  if (known && known.jobId !== jobId)
    return { status: 'refused', seq: 0, refused: { code: 'used before' }, findings: [] };
  return known?.outcome;
}

/** What is written on a log at once: commands with what became of them, and what follows from that. */
export interface Writing {
  commands: readonly { id: string; outcome: Outcome }[];
  events: readonly JobEvent[];
  /** The state after the events, with what the job's row says of it; left out where no event follows. */
  after?: {
    state: JobState;
    stage: string;
    summary: JobSummary;
    ending: string | null;
    promisedAt: number | null;
  };
}
/** The session that a command hangs on has ended: nothing of it was written. */
export class SignedOut extends Error {}

export type Appended =
  | { answer: 'written' }
  /** The log goes on from elsewhere: nothing was written. */
  | { answer: 'newer'; job: HeldJob }
  /** Some of the commands have been decided before, for the job that is named: nothing was written. */
  | { answer: 'known'; known: Record<string, { job: string; outcome: Outcome }> }
  | { answer: 'no such job' | 'signed out' };

type Row =
  | Exclude<Appended, { answer: 'newer' }>
  | {
      answer: 'newer';
      modelHash: string;
      variant: string;
      based: boolean;
      state: JobState | null;
      events: JobEvent[];
    };
/**
 * Writes on a log in one round trip, if it still ends where the caller's state does; else says what is newer. Without a
 * state nothing is written, and all of the log is newer.
 * @param at whose log, and on whose session it hangs: one that has ended writes nothing
 * @param em of a transaction that goes on; left out, the call is one of its own
 */
export async function appendToLog(
  at: { shopId: string; jobId: string; session?: string | undefined },
  base: HeldJob | undefined,
  writing: Writing,
  em?: EntityManager,
): Promise<Appended> {
  const { after } = writing;
  const before = base?.state.seq ?? 0;
  // the call is the point: it asks, compares and writes in one, where each by itself would be a round trip
  const [row] = await (em ?? (await getOrm()).em.fork()).execute<{ told: Row }[]>(
    'select append_log(?, ?, ?, ?, ?, ?, ?::jsonb) as told',
    [
      at.shopId,
      at.session ?? null,
      at.jobId,
      base ? before : -1,
      base?.state.lastId ?? '',
      coreVersion,
      JSON.stringify({
        commands: writing.commands,
        events: writing.events,
        job: after && {
          seq: after.state.seq,
          stage: after.stage,
          summary: after.summary,
          ending: after.ending,
          promisedAtS: after.promisedAt === null ? null : after.promisedAt / 1000,
        },
        snapshot:
          after && Math.floor(after.state.seq / snapshotEvery) > Math.floor(before / snapshotEvery)
            ? { seq: after.state.seq, keepFrom: after.state.seq - 2 * snapshotEvery, state: after.state }
            : undefined,
      }),
    ],
  );
  const told = row!.told;
  if (told.answer !== 'newer') return told;
  const { modelHash, variant, based, state, events } = told;
  return {
    answer: 'newer',
    job: {
      modelHash,
      variant,
      state: base && based ? events.reduce(evolve, base.state) : foldInto(state ?? empty(), events),
    },
  };
}
