import { agreedBy } from '../../core/consents/consents';
import { checksDue } from '../../core/checks/due';
import { leakNow, type Water, waterOf } from '../../core/rules/water';
import { balance } from '../../core/rules/balance';
import type { BodyOf, Ending, JobEvent } from '../../core/log/events';
import { replacedSlots } from '../../core/log/view';
import { flag, type PartEntry } from '../../core/log/state';
import { type IndexedModel, indexModel } from '../../core/model/index-model';
import { effectsOf, type Effect, type Remedies } from '../../core/pairing/effects';
import { eventsAfter } from '../db/job-log';
import { inShop } from '../db/orm';
import type { Who } from '../types';
import { jobPage, type JobPage } from '../use-cases/job-page';

export interface ReportData {
  shop: string;
  page: JobPage;
  index: IndexedModel;
  events: JobEvent[];
  tag: string;
  complaint: string;
  ending: Ending | undefined;
  openedAt: number;
  closedAt: number | undefined;
  closingNote: string;
  marks: { kind: string; side: string; note?: string }[];
  conditions: JobEvent[];
  done: { old: string | undefined; slot: string; part?: PartEntry }[];
  /** What the fault was found to be, and the tests that led there. */
  fault: { cause: string; because: string } | undefined;
  tests: { test: string; outcome: string }[];
  photos: string[];
  renewed: string[];
  checks: {
    function: string;
    note?: string;
    before?: string;
    mid?: string;
    after?: string;
    changed: boolean;
  }[];
  effects: (Effect & { agreed: string | undefined })[];
  overrides: { rule: string; reason: string; by: string; confirmedBy: string | undefined; at: number }[];
  notes: { text: string; by: string; at: number }[];
  water: Water;
  /** What the leak tester read, where it was recorded for the device as it is closed now. */
  leak: { holds: boolean; lost?: { value: number; unit: string } } | undefined;
  /** Who worked on it, in the order in which they came to it. */
  technicians: string[];
  /** First and last entry at the bench, ms. */
  worked: { from: number; to: number } | undefined;
  /** What was agreed about the price: the range that was quoted, minor units, and who said yes. */
  price: { low: number; high: number; currency: string; agreed: string | undefined } | undefined;
  /** Identity data and what became of them, by slot. */
  data: { slot: string; what: string }[];
  /** Names of those who signed. */
  signed: string[];
  warrantyMonths: number | undefined;
  adrift: string[];
  figures: { screws: number; connectors: number };
}

/** All that the report says, from the log alone: what came in, what was done, what was found, what was passed and why. */
export async function reportData(who: Who, jobId: string): Promise<ReportData | undefined> {
  const page = await jobPage(who, jobId);
  if (!page) return undefined;
  const events = await inShop(who.shopId, (em) => eventsAfter(em, jobId, 0));
  const index = indexModel(page.model);
  const { state } = page;
  const name = (id: string) => page.people[id] ?? 'somebody';
  const effective = events.filter((e) => !state.retracted[e.id]);
  const of = <T extends JobEvent['body']['type']>(type: T) =>
    effective.filter((e) => e.body.type === type) as (JobEvent & { body: BodyOf<T> })[];
  const mid = checksDue(state, index, 'mid');
  const after = checksDue(state, index, 'after');
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
    done: replacedSlots(state).map((slot) => ({
      slot,
      old: state.place[`${slot}#1`],
      ...(state.part[slot] ? { part: state.part[slot] } : {}),
    })),
    fault: found ? { cause: found.id, because: found.because } : undefined,
    tests: Object.entries(state.test)
      .flatMap(([test, t]) => (t.outcome === undefined ? [] : [{ test, outcome: t.outcome, seq: t.seq }]))
      .sort((a, b) => a.seq - b.seq),
    photos: Object.keys(state.photo),
    renewed: Object.keys(state.bond).filter((b) => state.bond[b] === 'renewed'),
    checks: after.map((c) => ({
      function: c.function,
      ...(state.check[`before ${c.function}`]?.note
        ? { note: state.check[`before ${c.function}`]!.note! }
        : {}),
      ...(c.before ? { before: c.before } : {}),
      ...(mid.find((m) => m.function === c.function)?.result
        ? { mid: mid.find((m) => m.function === c.function)!.result! }
        : {}),
      ...(c.result ? { after: c.result } : {}),
      changed:
        c.result !== undefined && c.before !== undefined && c.result !== c.before && c.result !== 'same',
    })),
    effects: effectsOf(
      index,
      replacedSlots(state),
      page.route?.input.methods,
      state.remedy as Remedies,
      flag(state, 'system')?.version,
    ).map((e) => ({
      ...e,
      agreed: agreedBy(state, page.signers, e.id),
    })),
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
    leak: leakNow(state),
    technicians: [...new Set(hands.map((e) => name(e.by)))],
    worked: hands[0] && { from: hands[0].at, to: hands.at(-1)!.at },
    price: quote && {
      low: quote.p10Minor,
      high: quote.p90Minor,
      currency: who.settings.currency,
      agreed: agreedBy(state, page.signers, 'price'),
    },
    data: Object.entries(state.data).map(([slot, what]) => ({ slot, what })),
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
