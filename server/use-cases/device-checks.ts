import { createHash, randomInt, randomUUID } from 'node:crypto';
import { RateLimiterRes } from 'rate-limiter-flexible';
import { checksDue, toTell } from '../../core/checks/due';
import { cheapestFirst, measuredBy, type Verdict, verdictOf } from '../../core/checks/measure';
import type { Taken } from '../../core/checks/taken';
import type { Body, Round } from '../../core/log/events';
import { flag, type JobState } from '../../core/log/state';
import type { IndexedModel } from '../../core/model/index-model';
import { roundNow } from '../../core/progress/round';
import { indexOfJob } from '../../core/record/model-of-job';
import type { FunctionId } from '../../core/vocabulary/trade';
import {
  type DeviceAnswer,
  type DeviceLink,
  type DevicePageData,
  type DeviceResult,
  deviceResultSchema,
} from '../../core/wire/device-page';
import type { Who } from '../../core/wire/who';
import { appendCommand, lockedJob } from '../append-command';
import { attempts } from '../auth/attempts';
import {
  addDevicePage,
  devicePageBy,
  devicePageOf,
  dropDevicePages,
  holdsDevicePage,
} from '../db/device-pages';
import { type HeldJob, loadState } from '../db/job-log';
import { findJob } from '../db/jobs';
import { findMeasurement, keepMeasurement, measurementsOf } from '../db/measurements';
import { indexOf } from '../db/models';
import { inShop } from '../db/orm';
import { addPhoto, photoCount, photoIdsOf } from '../db/photos';
import { mostPerJob, reencode } from './photos';
import { routeOf } from '../db/routes';
import type { EntityManager } from '@mikro-orm/postgresql';

const digest = (token: string) => createHash('sha256').update(token).digest('hex');
/** Letters and digits that nobody takes for one another; twelve of them are 57 bits, and wrong ones are counted. */
const letters = '234567' + '9ABCDEFGHJKLMNPQRSTUVX';
const codeLength = 12;
const lifeMs = 2 * 3_600_000;
/** A screen is a little smaller than its device on each side, mm (usual of today's phones, from memory). */
const bezelMm = 3;

interface Grounds {
  state: JobState;
  index: IndexedModel;
  round: Round;
}
async function groundsOf(em: EntityManager, job: HeldJob): Promise<Grounds | undefined> {
  const { state } = job;
  if (flag(state, 'ending')) return undefined;
  const base = await indexOf(
    em,
    flag(state, 'modelHash') ?? job.modelHash,
    flag(state, 'variant') ?? job.variant,
  );
  const index = indexOfJob(base, state);
  const route = await routeOf(em, flag(state, 'routeHash'));
  return { state, index, round: roundNow(state, index, route).round };
}
async function heldJob(em: EntityManager, jobId: string): Promise<HeldJob | undefined> {
  const row = await findJob(em, jobId);
  return row
    ? { state: await loadState(em, jobId), modelHash: row.modelHash, variant: row.variant }
    : undefined;
}

/** A new link for the device of a job, for the round that is asked now. @returns undefined where there is no such job, or it has ended */
export async function openDevicePage(who: Who, jobId: string): Promise<DeviceLink | undefined> {
  const code = Array.from({ length: codeLength }, () => letters[randomInt(letters.length)]).join('');
  const until = Date.now() + lifeMs;
  return inShop(who.shopId, async (em) => {
    const job = await heldJob(em, jobId);
    const grounds = job && (await groundsOf(em, job));
    if (!grounds) return undefined;
    const { round } = grounds;
    await addDevicePage(em, {
      tokenHash: digest(code),
      jobId,
      personId: who.personId,
      round,
      expiresAt: new Date(until),
    });
    return { code, round, until, held: false };
  });
}
/** The link of a job serves no more. */
export const closeDevicePage = (who: Who, jobId: string): Promise<unknown> =>
  inShop(who.shopId, (em) => dropDevicePages(em, jobId));

export interface CheckMeasurement {
  id: string;
  round: Round;
  function: FunctionId;
  taken: Taken;
  /** Photographs of the job that show what was found. */
  pictures?: string[];
}
/** What the bench shows beside the checks: the link that is out, and all that the device has measured so far. */
export const deviceChecksOf = (
  who: Who,
  jobId: string,
): Promise<{ link: DeviceLink | null; measured: CheckMeasurement[] }> =>
  inShop(who.shopId, async (em) => {
    const page = await devicePageOf(em, jobId);
    const rows = (await measurementsOf(em, jobId)).filter((row) => row.kind === 'check');
    // with the owner's data the photographs may have been erased
    const there = await photoIdsOf(em, jobId);
    return {
      link: page && { round: page.round, until: page.expiresAt.getTime(), held: page.holder !== '' },
      measured: rows.map((row) => {
        const { pictures = [], ...of } = row.settings as Pick<
          CheckMeasurement,
          'round' | 'function' | 'pictures'
        >;
        const left = pictures.filter((photo) => there.has(photo));
        return {
          ...{ id: row.id, ...of, taken: row.samples[0] as Taken },
          ...(left.length ? { pictures: left } : {}),
        };
      }),
    };
  });

type Linked = NonNullable<Awaited<ReturnType<typeof devicePageBy>>> & { tokenHash: string };
/** Whose link it is. Wrong ones are counted against the address that they come from. */
async function linkedBy(token: string, address: string): Promise<Linked | 'gone' | 'too many'> {
  const { link } = await attempts();
  try {
    await link.consume(address);
    const tokenHash = digest(token.toUpperCase().replace(/[^A-Z0-9]/g, ''));
    const found = await devicePageBy(tokenHash);
    if (!found) return 'gone';
    await link.reward(address);
    return { ...found, tokenHash };
  } catch (e) {
    if (e instanceof RateLimiterRes) return 'too many';
    throw e;
  }
}
/** The page on the phone; a round that is over has none. */
export async function devicePage(
  token: string,
  address: string,
): Promise<DevicePageData | 'gone' | 'too many'> {
  const linked = await linkedBy(token, address);
  if (typeof linked === 'string') return linked;
  return inShop(linked.who.shopId, async (em) => {
    const job = await heldJob(em, linked.jobId);
    const grounds = job && (await groundsOf(em, job));
    if (!grounds || grounds.round !== linked.round) return 'gone';
    const { index, state, round } = grounds;
    const { outline, maker, name } = index.model;
    const due = toTell(checksDue(state, index, round), round);
    const order = (f: FunctionId) => cheapestFirst.indexOf(f);
    return {
      model: `${maker} ${name}`,
      round,
      widthMm: outline.widthMm - 2 * bezelMm,
      heightMm: outline.heightMm - 2 * bezelMm,
      checks: due
        .sort((a, b) => order(a.function) - order(b.function))
        .map((c) => ({
          function: c.function,
          ...(measuredBy[c.function] ? { kind: measuredBy[c.function]! } : {}),
          done:
            !c.stale.length &&
            (round === 'before' || c.result !== 'fails') &&
            (measuredBy[c.function] ? state.measured[`${round} ${c.function}`] : c.result) !== undefined,
          untestable: round === 'before' || c.untestable,
        })),
    };
  });
}

/**
 * Takes one result of a phone: kept with the job whatever it says, in the log, and as the answer of its check where nothing
 * that a person said stands against it. It is written in the name of whoever gave out the link.
 */
export async function takeDeviceResult(token: string, json: unknown, address: string): Promise<DeviceAnswer> {
  const linked = await linkedBy(token, address);
  if (typeof linked === 'string') return { ok: false, why: linked };
  try {
    await (await attempts()).page.consume(linked.tokenHash);
  } catch (e) {
    if (e instanceof RateLimiterRes) return { ok: false, why: 'too many' };
    throw e;
  }
  const read = deviceResultSchema.safeParse(json);
  if (!read.success)
    return { ok: false, why: 'not understood', at: read.error.issues[0]?.path.join('.') ?? '' };
  const pictures = await Promise.all(
    (read.data.pictures ?? []).map((text) => reencode(Buffer.from(text, 'base64'))),
  );
  if (pictures.some((p) => !p.ok)) return { ok: false, why: 'not understood', at: 'pictures' };
  const jpegs = pictures.flatMap((p) => (p.ok ? [p] : []));
  return inShop(linked.who.shopId, (em) => taken(em, linked, read.data, jpegs));
}
/** The pictures of a measurement become photographs of its job, as many as there is room for. @returns their ids */
async function keepPictures(
  em: EntityManager,
  { who, jobId }: Linked,
  pictures: readonly { jpeg: Buffer; width: number; height: number }[],
): Promise<string[]> {
  if (!pictures.length) return [];
  const room = Math.max(0, mostPerJob - (await photoCount(em, jobId)));
  return pictures.slice(0, room).map((picture) => {
    const id = randomUUID();
    addPhoto(em, { id, jobId, personId: who.personId, ...picture });
    return id;
  });
}
async function taken(
  em: EntityManager,
  linked: Linked,
  result: DeviceResult,
  jpegs: readonly { jpeg: Buffer; width: number; height: number }[],
): Promise<DeviceAnswer> {
  const { who, jobId, tokenHash } = linked;
  if (!(await holdsDevicePage(em, tokenHash, result.holder))) return { ok: false, why: 'another phone' };
  const job = await lockedJob(em, jobId);
  const grounds = job && (await groundsOf(em, job));
  if (!job || !grounds || grounds.round !== linked.round) return { ok: false, why: 'gone' };
  const { state, index, round } = grounds;
  const fn = result.function;
  const due = checksDue(state, index, round).find((c) => c.function === fn);
  const said = result.taken.kind === 'said' ? result.taken : undefined;
  const fits = said
    ? said.result !== 'untested' || round === 'before' || due?.untestable
    : measuredBy[fn] === result.taken.kind;
  if (!due || !fits) return { ok: false, why: 'not due' };
  const append = async (id: string, body: Body, at: HeldJob) =>
    (await appendCommand(em, who, { id, job: jobId, body, at: Date.now(), clockKnown: true }, at)).job;
  const answer = (id: string, is: 'works' | 'fails' | 'untested', at: HeldJob) =>
    append(id, { type: 'checked', round, function: fn, result: is }, at);
  if (result.taken.kind === 'said') {
    await answer(result.id, result.taken.result, job);
    return { ok: true, counts: true };
  }
  // as it came there is nothing to compare with, not even its own first try
  const before = round === 'before' ? undefined : state.measured[`before ${fn}`]?.figures;
  const verdict = verdictOf(result.taken, before);
  // sent once more it is the same
  const known = await findMeasurement(em, jobId, result.id);
  const pictures = known ? [] : await keepPictures(em, linked, jpegs);
  await keepMeasurement(em, {
    ...{ id: result.id, jobId, kind: 'check', unit: '', instrument: 'device', personId: who.personId },
    settings: { round, function: fn, ...(pictures.length ? { pictures } : {}) },
    samples: [result.taken],
    result: { ...verdict },
  });
  const measured = { id: result.id, kind: result.taken.kind, ...verdict };
  const after = await append(result.id, { type: 'checkMeasured', round, function: fn, measured }, job);
  const counts = verdict.verdict !== 'unclear' && !isAgainst(state, round, fn, verdict, due.stale.length > 0);
  if (counts) await answer(`${result.id} answer`, verdict.verdict as 'works' | 'fails', after);
  return { ok: true, verdict, counts };
}
/** Whether a person has said something else of it since its plugs last moved: then both stand, and a person says which counts. */
function isAgainst(
  state: JobState,
  round: Round,
  fn: FunctionId,
  { verdict }: Verdict,
  stale: boolean,
): boolean {
  const said = state.check[`${round} ${fn}`];
  if (!said || stale) return false;
  const before = state.measured[`${round} ${fn}`];
  const byDevice = before && said.seq === before.seq + 1 && said.result === before.verdict;
  const agrees = said.result === verdict || (said.result === 'same' && verdict === 'fails');
  return !byDevice && !agrees;
}
