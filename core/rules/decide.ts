import type { IndexedModel } from '../model/index-model';
import type { Route } from '../steps/route';
import { indexOfJob, indexWith } from '../record/model-of-job';
import { isAlready } from './already';
import { metEntry } from '../log/met-entry';
import { claimOf } from '../log/claims';
import { conditionOf } from './condition-rules';
import {
  type Body,
  type BodyOf,
  type Breach,
  eventVersion,
  final,
  isGate,
  type JobEvent,
  needsServer,
  onlyDecided,
  type FinalBecause,
} from '../log/events';
import { type Finding, findings, type RuleName } from './interlocks';
import type { Waits } from './interlock';
import type { Role } from '../vocabulary/roles';
import { stepFor } from './step-of-event';
import { knownCause, knownTest } from '../diagnose/fault';
import type { Methods } from '../methods/methods';
import { flag, type JobState } from '../log/state';
import { holderOf } from '../vocabulary/pieces';

export interface Command {
  /** Made by the client, unguessable, once for each press. */
  id: string;
  job: string;
  body: Body;
  /** Bench clock corrected by the server's offset, ms since 1970 UTC. */
  at: number;
  clockKnown: boolean;
  override?: { rules: string[]; reason: string; confirmedBy?: string } | undefined;
  /** The number in the log that the bench had heard of when it was pressed. Without it the bench knew all. */
  seen?: number | undefined;
  /** Set when a bench passed this gate on its own copy: the number in the log it was decided at. */
  passedAt?: number | undefined;
}
/** What a decision is made with: all of it immutable, found by content hash or belonging to the workshop. */
export interface Context {
  index: IndexedModel;
  route: Route | undefined;
  waits: Waits;
  /** House methods that count where no route is in force yet. */
  methods?: Methods | undefined;
  person: string;
  role: Role;
}
export type Refusal =
  | { code: 'interlock'; findings: Finding[] }
  | { code: 'closed' }
  | { code: 'reason missing' }
  | { code: 'second person needed' }
  | { code: 'not the latest'; latest: string | undefined }
  | { code: 'somebody else’s'; by: string }
  | { code: 'cannot be taken back'; why: FinalBecause }
  | { code: 'needs the server' }
  | { code: 'unknown thing'; id: string }
  | { code: 'not opened' };

export interface Decision {
  events: JobEvent[];
  /** What the interlocks said, whether it stopped anything or not. */
  findings: Finding[];
  refused?: Refusal;
  /** The state already says so: nothing was added. */
  already?: true;
}

/**
 * Decides one command at the head of a log. Facts are always recorded (a broken rule goes with them as a breach);
 * gates are refused with their findings, or passed with a reason by a role that may.
 * Deterministic: event ids come from the command's id, time from the command.
 */
export function decide(given: Context, state: JobState, asked: Command): Decision {
  const command = { ...asked, body: freeOfOthers(given.index, state, asked.body) };
  const { body } = command;
  const context = { ...given, index: indexFor(given.index, state, body) };
  const none = (refused: Refusal, found: Finding[] = []): Decision => ({
    events: [],
    findings: found,
    refused,
  });
  if (onlyDecided.has(body.type)) return none({ code: 'unknown thing', id: body.type });
  if (state.seq === 0 && body.type !== 'opened') return none({ code: 'not opened' });
  const unknown = unknownThing(context.index, body) ?? unknownAccount(state, body) ?? notMet(state, body);
  if (unknown) return none({ code: 'unknown thing', id: unknown });
  if (isAlready(context.index, state, body)) return { events: [], findings: [], already: true };
  // a closed job is only written on: notes, corrections, and a note of oneself that is taken back
  const noteBack =
    body.type === 'retracted' &&
    (body.entries ?? 1) === 1 &&
    state.trail[state.trail.length - 1]?.type === 'noted';
  if (flag(state, 'ending') !== undefined && body.type !== 'noted' && body.type !== 'corrected' && !noteBack)
    return none({ code: 'closed' });

  const back = body.type === 'retracted' ? takenBack(context, state, body) : undefined;
  if (back && !Array.isArray(back)) return none(back);

  const found = findings(situationOf(context, state, command), body);
  const judged = judge(context, command, found);
  if ('code' in judged) return none(judged, found);
  return {
    events: eventsOf(context, state, command, {
      back: back ?? [],
      overrides: judged.overrides,
      breach: [...contradicted(state, context.person, command), ...judged.breach],
    }),
    findings: found,
  };
}
/** What the model of a job has once a body is in: with a thing that is only now being met. */
const indexFor = (base: IndexedModel, state: JobState, body: Body): IndexedModel =>
  body.type === 'met'
    ? indexWith(base, {
        ...state.met,
        [body.thing.id]: metEntry(state, body.thing, state.seq + 1),
      })
    : indexOfJob(base, state);
/** Two benches that meet something at once name it alike: the second one to arrive gets a name of its own. */
function freeOfOthers(base: IndexedModel, state: JobState, body: Body): Body {
  if (body.type !== 'met' || body.again) return body;
  const { model } = indexOfJob(base, state);
  const taken = new Set(
    [model.slots, model.fasteners, model.connectors, model.bonds, model.catches].flat().map((t) => t.id),
  );
  let { id } = body.thing;
  for (let n = 2; taken.has(id); n++) id = `${body.thing.id.slice(0, 35)}-${n}`;
  return id === body.thing.id ? body : { ...body, thing: { ...body.thing, id } };
}
const situationOf = (context: Context, state: JobState, command: Command) => ({
  index: context.index,
  state,
  waits: context.waits,
  role: context.role,
  methods: context.route?.input.methods ?? context.methods,
  now: { at: command.at, clockKnown: command.clockKnown && command.at >= state.lastAt },
});

interface Judged {
  /** Rules that were passed with a reason. */
  overrides: Body[];
  /** Rules that were broken all the same: a question to be answered. */
  breach: Breach[];
}
/** What the findings come to: a fact is recorded whatever they are; a gate is refused, or passed by a role that may. */
function judge(context: Context, command: Command, found: readonly Finding[]): Judged | Refusal {
  const serious = found.filter((f) => f.severity !== 'warn');
  const named = (f: Finding) => command.override?.rules.includes(f.rule) === true;
  const given = command.override?.reason.trim() ?? '';
  const overrides: Body[] = [];
  const breach: Breach[] = [];
  if (!isGate(command.body)) {
    // a fact: what a named reason covers is an override, the rest is a question to be answered
    for (const finding of found) {
      if (given && named(finding) && mayPass(finding, context, command))
        overrides.push(overrideOf(finding, command));
      else if (finding.severity !== 'warn') breach.push({ rule: finding.rule, ids: finding.ids });
    }
    return { overrides, breach };
  }
  if (command.passedAt !== undefined && !needsServer.has(command.body.type)) {
    for (const f of serious)
      if (f.severity === 'stop' && named(f) && mayPass(f, context, command))
        overrides.push(overrideOf(f, command));
      else breach.push({ rule: f.rule, ids: f.ids });
    return { overrides, breach };
  }
  for (const f of serious) {
    if (f.severity === 'forbid' || !named(f) || !f.passableBy.includes(context.role))
      return { code: 'interlock', findings: serious };
    if (!given) return { code: 'reason missing' };
    if (!mayPass(f, context, command)) return { code: 'second person needed' };
    overrides.push(overrideOf(f, command));
  }
  return { overrides, breach };
}

/**
 * The events of a command that is taken, in their order: overrides, what is taken back with it, the fact itself, and the
 * condition that it means.
 */
function eventsOf(
  context: Context,
  state: JobState,
  command: Command,
  { back, overrides, breach }: Judged & { back: readonly string[] },
): JobEvent[] {
  const { body } = command;
  let seq = state.seq;
  const make = (b: Body, i: number): JobEvent => ({
    id: i ? `${command.id}.${i}` : command.id,
    seq: ++seq,
    v: eventVersion,
    by: context.person,
    at: command.at,
    clockKnown: command.clockKnown,
    body: b,
  });
  // what is taken back with it comes first, the latest before what it stood on
  const before: Body[] = back
    .slice(1)
    .toReversed()
    .map((event) => ({ type: 'retracted', event }));
  const events = [...overrides, ...before].map((b, i) => make(b, i + 1));
  const main = make(body.type === 'retracted' ? { type: 'retracted', event: body.event } : body, 0);
  const did = context.route && stepFor(context.route, state, body);
  if (did) {
    main.step = did.step;
    main.target = did.target;
  }
  if (breach.length) main.breach = breach;
  if (isGate(body)) main.decidedAt = command.passedAt ?? state.seq;
  events.push(main);
  // a mark that means something sets its condition in the same breath
  const means = conditionOf(body);
  if (means && !state.condition[means.condition])
    events.push(make({ type: 'conditionSet', ...means }, events.length));
  return events;
}

/** The entries that go by taking back, the earliest first: all of them or none. */
function takenBack(
  context: Context,
  state: JobState,
  { event, entries = 1 }: BodyOf<'retracted'>,
): string[] | Refusal {
  const chain = state.trail.slice(-entries);
  if (chain.length !== entries || chain[0]?.event !== event)
    return { code: 'not the latest', latest: state.trail[state.trail.length - 1]?.event };
  for (const entry of chain.toReversed()) {
    if (entry.by !== context.person) return { code: 'somebody else’s', by: entry.by };
    const why = final.get(entry.type as Body['type']);
    if (why) return { code: 'cannot be taken back', why };
  }
  return chain.map((e) => e.event);
}

/**
 * Whether a bench can have passed a gate on its own copy: as the job stood then, nothing but a wait was against it, and
 * its clock may have thought that over. What was refused there cannot be passed by saying that it was passed.
 * @param then the job as it stood where the bench says that it decided
 */
export function couldHavePassed(context: Context, then: JobState, command: Command): boolean {
  if (!isGate(command.body)) return true;
  const named = command.override?.reason.trim() ? command.override.rules : [];
  return findings(
    {
      index: indexOfJob(context.index, then),
      state: then,
      waits: context.waits,
      role: context.role,
      methods: context.route?.input.methods ?? context.methods,
      now: { at: command.at, clockKnown: command.clockKnown },
    },
    command.body,
  ).every(
    (finding) =>
      finding.severity === 'warn' ||
      finding.seconds !== undefined ||
      (finding.severity === 'stop' && named.includes(finding.rule) && mayPass(finding, context, command)),
  );
}

/** Somebody else has said otherwise of the same thing, and this bench had not heard of it. */
function contradicted(state: JobState, person: string, { body, seen }: Command): Breach[] {
  const claim = seen === undefined ? undefined : claimOf(body);
  const told = claim && state.account[claim.about];
  if (!claim || !told || told.seq <= seen! || told.by === person || told.value === claim.value) return [];
  return [
    {
      rule: 'two accounts' satisfies RuleName,
      ids: [claim.about],
      claims: [
        { by: told.by, value: told.value },
        { by: person, value: claim.value },
      ],
    },
  ];
}

/** A trainee's override counts when another person has confirmed it. */
function mayPass(finding: Finding, { role, person }: Context, command: Command): boolean {
  const second = command.override?.confirmedBy;
  return (
    finding.passableBy.includes(role) && (role !== 'trainee' || (second !== undefined && second !== person))
  );
}
function overrideOf(finding: Finding, command: Command): Body {
  const o = command.override!;
  return {
    type: 'overridden',
    rule: finding.rule,
    reason: o.reason.trim(),
    ...(o.confirmedBy ? { confirmedBy: o.confirmedBy } : {}),
  };
}

/** The truth that is named of two accounts is one of them, of the thing that was asked about. */
function unknownAccount(state: JobState, body: Body): string | undefined {
  if (body.type !== 'truthNamed') return undefined;
  const question = state.question[body.question];
  if (!question?.claims) return question === undefined || question === null ? undefined : body.question;
  if (!question.ids.includes(body.about)) return body.about;
  // both may be wrong: a piece may also lie in its own place, or nobody knows where
  const [kind, thing] = [
    body.about.slice(0, body.about.indexOf(' ')),
    body.about.slice(body.about.indexOf(' ') + 1),
  ];
  const others =
    kind === 'piece'
      ? ['hole', 'slot', 'mat'].map((at) => `${at}/${holderOf(thing)}`).concat('adrift', 'tray')
      : [];
  return question.claims.some((c) => c.value === body.value) || others.includes(body.value)
    ? undefined
    : body.value;
}

/** More can be said only of what was met before. */
const notMet = (state: JobState, body: Body): string | undefined =>
  body.type === 'met' && body.again && !state.met[body.thing.id] ? body.thing.id : undefined;

/** The pieces that a body names, with whether each must be a screw. */
function piecesOf(body: Body): [piece: string, screw: boolean][] {
  const out: [string, boolean][] = [];
  const isScrew = body.type === 'screwMeasured' || 'fastener' in body;
  if ('piece' in body) out.push([body.piece, isScrew]);
  if ('pieces' in body) for (const p of body.pieces) out.push([p, true]);
  if (body.type === 'sorted') for (const s of body.screws) out.push([s.piece, true]);
  if ('with' in body)
    for (const p of body.with ?? []) out.push([p.replace(/^screw:/, ''), p.startsWith('screw:')]);
  if (body.type === 'met') return out;
  if ('film' in body) out.push([body.film.split('/')[0]!, false]);
  return out;
}
/** Whether a device of this model can have such a piece: `holder#n`, the n-th that its hole or slot has had. */
function isPieceOf(index: IndexedModel, piece: string, screw: boolean): boolean {
  const n = piece.slice(piece.lastIndexOf('#') + 1);
  if (!piece.includes('#') || !/^[1-9]\d{0,2}$/.test(n)) return false;
  return index.fasteners.has(holderOf(piece)) || (!screw && index.slots.has(holderOf(piece)));
}

/** An id that this model does not have; such a command is a mistake of the program that sent it, not a fact. */
function unknownThing(index: IndexedModel, body: Body): string | undefined {
  const stranger = piecesOf(body).find(([piece, screw]) => !isPieceOf(index, piece, screw));
  if (stranger) return stranger[0];
  const has = (map: ReadonlyMap<string, unknown>, id: string) => (map.has(id) ? undefined : id);
  if ('fastener' in body) return has(index.fasteners, body.fastener);
  if ('connector' in body) return has(index.connectors, body.connector);
  if ('bond' in body && body.bond !== undefined) return has(index.bonds, body.bond);
  if ('catch' in body) return has(index.catches, body.catch);
  if ('slot' in body)
    return (
      has(index.slots, body.slot) ??
      // a part is a piece, or a seal that the new one may have brought
      (body.type === 'transferSet' ? has(index.slots, body.part) && has(index.bonds, body.part) : undefined)
    );
  if (body.type === 'troubled' || body.type === 'troubleEnded')
    return [index.fasteners, index.slots, index.connectors, index.bonds, index.catches].some((m) =>
      m.has(body.thing),
    )
      ? undefined
      : body.thing;
  if ('test' in body)
    return knownTest(body.test) &&
      (body.type !== 'tested' || knownTest(body.test)!.outcomes.some((o) => o.id === body.outcome))
      ? undefined
      : body.test;
  if (body.type === 'causeStated')
    return body.cause === 'none' || knownCause(body.cause) ? undefined : body.cause;
  return undefined;
}
