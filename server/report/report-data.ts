import type { JobState } from '../../core/log/state';
import type { IndexedModel } from '../../core/model/index-model';
import type { JobPage } from '../../core/wire/job-page';
import type { ReportData } from '../../core/wire/report';
import { agreedBy } from '../../core/consents/consents';
import { checksDue } from '../../core/checks/due';
import { type SealClaim, sealClaim } from '../../core/rules/seal-claim';
import { leakNow, waterOf } from '../../core/rules/water';
import { balance } from '../../core/rules/balance';
import { type BodyOf, type JobEvent, rounds } from '../../core/log/events';
import { replacedSlots } from '../../core/log/view';
import { flag } from '../../core/log/state';
import { indexModel } from '../../core/model/index-model';
import { indexOfJob } from '../../core/record/model-of-job';
import { effectsOf, type Remedies } from '../../core/pairing/effects';
import { eventsAfter } from '../db/job-log';
import { inShop } from '../db/orm';
import { photoIdsOf } from '../db/photos';
import type { Who } from '../../core/wire/who';
import { jobPage } from '../use-cases/job-page';

/** All that the report says, from the log alone: what came in, what was done, what was found, what was passed and why. */
export async function reportData(who: Who, jobId: string): Promise<ReportData | undefined> {
  const page = await jobPage(who, jobId);
  if (!page) return undefined;
  const { events, pictures } = await inShop(who.shopId, async (em) => ({
    events: await eventsAfter(em, jobId, 0),
    pictures: await photoIdsOf(em, jobId),
  }));
  const index = indexOfJob(indexModel(page.model), page.state);
  const { state } = page;
  const name = (id: string) => page.people[id] ?? 'somebody';
  const effective = events.filter((e) => !state.retracted[e.id]);
  const of = <T extends JobEvent['body']['type']>(type: T) =>
    effective.filter((e) => e.body.type === type) as (JobEvent & { body: BodyOf<T> })[];
  const closing = of('jobClosed').at(-1);
  const found = flag(state, 'cause');
  const quote = flag(state, 'quote');
  // at the bench: what moved or was done to the device, not what was written at the counter
  const hands = effective.filter((e) => e.step !== undefined || e.body.type === 'checked');
  return {
    shop: who.shopName,
    page,
    index,
    events,
    tag: flag(state, 'tag') ?? '',
    complaint: flag(state, 'complaint') ?? '',
    ending: flag(state, 'ending'),
    openedAt: events[0]?.at ?? page.openedAt,
    closedAt: closing?.at,
    closingNote: closing?.body.note ?? '',
    marks: Object.values(state.mark).filter((m) => m !== null),
    conditions: effective.filter((e) => e.body.type === 'conditionSet' || e.body.type === 'conditionCleared'),
    done: partsReplaced(state),
    fault: found ? { cause: found.id, because: found.because } : undefined,
    tests: Object.entries(state.test)
      .flatMap(([test, t]) => (t.outcome === undefined ? [] : [{ test, outcome: t.outcome, seq: t.seq }]))
      .sort((a, b) => a.seq - b.seq),
    // some may have been erased
    photos: Object.keys(state.photo).filter((id) => pictures.has(id)),
    renewed: Object.keys(state.bond).filter((b) => state.bond[b] === 'renewed'),
    checks: checksOf(state, index),
    effects: effectsSaid(page, index),
    overrides: of('overridden').map((e) => ({
      rule: e.body.rule,
      reason: e.body.reason,
      by: name(e.by),
      confirmedBy: e.body.confirmedBy && name(e.body.confirmedBy),
      at: e.at,
    })),
    notes: [
      ...of('noted').map((e) => ({ text: e.body.text, by: name(e.by), at: e.at })),
      ...of('answered').map((e) => ({
        text: `Asked what happened: ${e.body.answer}`,
        by: name(e.by),
        at: e.at,
      })),
    ],
    water: waterOf(index, state),
    presses: effective.flatMap(({ body }) => (body.type === 'pressRead' ? [body] : [])),
    seal: claimByName(sealClaim(index, state, effective), name),
    leak: leakNow(state),
    technicians: [...new Set(hands.map((e) => name(e.by)))],
    worked: hands[0] && { from: hands[0].at, to: hands.at(-1)!.at },
    places: who.settings,
    price: quote && {
      low: quote.p10Minor,
      high: quote.p90Minor,
      ...(quote.taxPercent ? { tax: { percent: quote.taxPercent, name: quote.taxName ?? '' } } : {}),
      agreed: agreedBy(state, page.signers, 'price'),
    },
    data: dataSaid(state, effective),
    signed: [...new Set(Object.values(page.signers))],
    warrantyMonths: who.settings.warrantyMonths,
    adrift: balance(state, index).adrift,
    // each counted once, however often it was out
    figures: {
      screws: new Set(of('screwOut').map((e) => e.body.piece)).size,
      connectors: new Set(of('connectorOff').map((e) => e.body.connector)).size,
    },
  };
}

/** What became of identity data, and whether a stand-in made it up. */
const dataSaid = (state: JobState, events: readonly JobEvent[]): ReportData['data'] =>
  Object.entries(state.data).map(([slot, what]) => ({
    slot,
    what,
    simulated: events.some(
      ({ body }) =>
        (body.type === 'dataRead' || body.type === 'dataWritten') &&
        body.slot === slot &&
        body.simulated === true,
    ),
  }));
/** A claim with the names of those whose work it rests on. */
const claimByName = (claim: SealClaim | undefined, name: (id: string) => string): SealClaim | undefined =>
  claim && {
    ...claim,
    laid: claim.laid.map(({ bond, by }) => ({ bond, by: name(by) })),
    tested: claim.tested && { ...claim.tested, by: name(claim.tested.by) },
  };
/** Each function with what it did before, while open and after. */
function checksOf(state: JobState, index: IndexedModel): ReportData['checks'] {
  const mid = new Map(checksDue(state, index, 'mid').map((c) => [c.function, c.result]));
  return checksDue(state, index, 'after').map((dueCheck) => {
    const note = state.check[`before ${dueCheck.function}`]?.note;
    const open = mid.get(dueCheck.function);
    return {
      function: dueCheck.function,
      measured: Object.fromEntries(
        rounds.flatMap((round) => {
          const found = state.measured[`${round} ${dueCheck.function}`];
          return found ? [[round, found]] : [];
        }),
      ),
      ...(note ? { note } : {}),
      ...(dueCheck.before ? { before: dueCheck.before } : {}),
      ...(open ? { mid: open } : {}),
      ...(dueCheck.result ? { after: dueCheck.result } : {}),
      changed:
        dueCheck.result !== undefined &&
        dueCheck.before !== undefined &&
        dueCheck.result !== dueCheck.before &&
        dueCheck.result !== 'same',
    };
  });
}
/** What the owner was told to expect, and how it was agreed. */
function effectsSaid(page: JobPage, index: IndexedModel): ReportData['effects'] {
  const { state } = page;
  return effectsOf(
    index,
    replacedSlots(state),
    page.route?.input.methods,
    state.remedy as Remedies,
    flag(state, 'system')?.version,
  ).map((e) => ({ ...e, agreed: agreedBy(state, page.signers, e.id) }));
}

/** What was replaced, with the old piece's place and the part that was chosen. */
const partsReplaced = (state: JobState): ReportData['done'] =>
  replacedSlots(state).map((slot) => ({
    slot,
    old: state.place[`${slot}#1`],
    ...(state.part[slot] ? { part: state.part[slot] } : {}),
  }));
