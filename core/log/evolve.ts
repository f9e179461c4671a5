import { upcast } from './upcast';
import { claimOf, putTruth } from './claims';
import { type Body, type BodyOf, type BodyType, final, holds, type JobEvent } from './events';
import { metEntry } from './met-entry';
import { offBodies } from './off-bodies';
import { glassRead, soakBegun, soakEnded, soakFitted, sourceRead } from './soaks';
import { transferPlace } from './transfers';
import { reworkChanges } from './rework';
import { bare, flag, type JobState, tableNames } from './state';
import { Writer } from './writer';
import { holderOf, originalPiece } from '../vocabulary/pieces';

type Apply = { [T in BodyType]: (w: Writer, body: Extract<Body, { type: T }>, event: JobEvent) => void };
const none = () => {};
const flags = (writer: Writer, values: Record<string, unknown>) => {
  for (const k in values) writer.set('flag', k, values[k]);
};

/** What each event changes. One line an event; nothing else writes to a job. */
const apply: Apply = {
  opened: (writer, { type: _, tasks, ...rest }) => {
    flags(writer, rest);
    for (const task of tasks) writer.set('task', task.slot, task.action);
  },
  marked: (writer, body) => {
    const { id, ...mark } = body.mark;
    writer.set('mark', id, mark);
  },
  unmarked: (w, b) => w.set('mark', b.mark, null),
  conditionSet: (w, b, e) => w.set('condition', b.condition, { because: b.because, event: e.id }),
  conditionCleared: (w, b) => w.set('condition', b.condition, null),
  checked: (writer, body, event) =>
    writer.set('check', `${body.round} ${body.function}`, {
      result: body.result,
      ...(body.note ? { note: body.note } : {}),
      seq: event.seq,
      by: event.by,
    }),
  checkMeasured: (writer, { round, function: fn, measured }, event) =>
    writer.set('measured', `${round} ${fn}`, { ...measured, seq: event.seq }),
  systemSet: (w, { type: _, ...system }) => flags(w, { system }),
  chargeSeen: (w, { percent }) => flags(w, { chargeSeen: percent }),
  phoneAsked: (w, { type: _, ...phone }) => flags(w, { phone }),
  received: (w) => flags(w, { received: true }),
  routeAdopted: (writer, body, event) => {
    for (const key in writer.state.progress) writer.set('progress', key, undefined);
    flags(writer, {
      routeHash: body.routeHash,
      modelHash: body.modelHash,
      variant: body.variant,
      adoptedAt: event.seq,
    });
  },
  consentGiven: (writer, body) => {
    writer.set('consent', body.effect, body.by);
    if (body.answer !== undefined) writer.set('answer', body.effect, body.answer);
    writer.set('signature', body.effect, body.signature);
  },
  symptomSet: (w, b) => w.set('symptom', b.symptom, b.on ? 1 : undefined),
  testBegun: (w, b, e) => w.set('test', b.test, { seq: e.seq, by: e.by }),
  tested: (writer, body, event) =>
    writer.set('test', body.test, {
      outcome: body.outcome,
      ...(body.note ? { note: body.note } : {}),
      seq: event.seq,
      by: event.by,
    }),
  testDeclined: (w, b, e) => w.set('test', b.test, { declined: b.reason, seq: e.seq, by: e.by }),
  causeStated: (w, b) => flags(w, { cause: b.cause === 'none' ? null : { id: b.cause, because: b.because } }),
  photographed: (w, b) => w.set('photo', b.photo, b.mark ?? (b.thing ? `@${b.thing}` : '')),
  remedySet: (w, b) => w.set('remedy', b.slot, b.remedy),
  partChosen: (w, { type: _, slot, ...part }) => w.set('part', slot, part),
  partDropped: (w, b) => w.set('part', b.slot, undefined),
  // another price is another agreement
  quoted: (writer, { type: _, ...quote }, event) => {
    flags(writer, { quote: { ...quote, seq: event.seq } });
    writer.set('consent', 'price', undefined);
  },
  promised: (w, b) => flags(w, { promisedAt: b.at, promisedAs: b.as }),
  met: (writer, { thing, off }, event) => {
    writer.set('met', thing.id, metEntry(writer.state, thing, event.seq));
    if (off) for (const body of offBodies(thing)) applied(writer, body, event);
  },
  screwOut: (writer, body) => {
    writer.set('place', body.piece, `mat/${body.fastener}`);
  },
  screwIn: (w, b) => w.set('place', b.piece, `hole/${b.fastener}`),
  screwMeasured: (writer, { type: _, piece, ...spec }) =>
    writer.set('spec', piece, { ...writer.state.spec[piece], ...spec }),
  spilled: (writer, body) => {
    for (const piece of body.pieces) writer.set('place', piece, 'mixed');
  },
  sorted: (writer, body) => {
    for (const { piece, ...spec } of body.screws) {
      writer.set('place', piece, `mat/${holderOf(piece)}`);
      writer.set('spec', piece, { ...writer.state.spec[piece], ...spec });
    }
  },
  substituted: (writer, { type: _, fastener, piece, spare: _s, ...spec }) => {
    writer.set('place', piece, `mat/${fastener}`);
    writer.set('spec', piece, spec);
  },
  connectorOff: (writer, body, event) => {
    const trial = flag(writer.state, 'trial');
    const left = trial?.connectors.filter((c) => c !== body.connector) ?? [];
    if (trial && left.length !== trial.connectors.length)
      flags(writer, { trial: left.length ? { ...trial, connectors: left } : null });
    writer.set('connector', body.connector, 'off');
    writer.set('touched', body.connector, event.seq);
  },
  connectorOn: (writer, body, event) => {
    writer.set('connector', body.connector, 'on');
    const trial = flag(writer.state, 'trial');
    if (body.trial !== undefined)
      flags(writer, {
        trial: { slot: body.trial, connectors: [...(trial?.connectors ?? []), body.connector] },
      });
    writer.set('touched', body.connector, event.seq);
  },
  reseated: (writer, body, event) => {
    writer.set('touched', body.connector, event.seq);
    writer.set('acted', `reseat ${body.connector}`, event.seq);
  },
  bondReleased: (writer, body, event) => {
    // a seal that was laid and is opened again will not do a second time, whoever laid it
    if (writer.state.bond[body.bond] === 'renewed') writer.set('acted', `spent ${body.bond}`, event.seq);
    writer.set('bond', body.bond, body.torn ? 'torn' : 'released');
    flags(writer, { rimClean: false, seal: 'none' });
  },
  bondRenewed: (writer, body, event) => {
    writer.set('bond', body.bond, 'renewed');
    laid(writer, body, event);
  },
  catchFreed: (w, b) => w.set('catch', b.catch, 'free'),
  catchHooked: (w, b) => w.set('catch', b.catch, 'hooked'),
  pieceMoved: (writer, body, event) => {
    writer.set('touched', body.slot, event.seq);
    if (body.pose !== 'out') {
      writer.set('pose', body.slot, body.pose);
      return;
    }
    writer.set('pose', body.slot, undefined);
    for (const piece of piecesIn(writer.state, body.slot)) writer.set('place', piece, 'tray');
  },
  pieceFitted: (writer, body, event) => {
    writer.set('touched', body.slot, event.seq);
    writer.set('place', body.piece, `slot/${body.slot}`);
    writer.set('pose', body.slot, body.pose === 'in' ? undefined : body.pose);
    for (const piece of body.with ?? []) writer.set('place', piece.replace(screwSign, ''), ownPlace(piece));
  },
  pieceSetAside: (writer, body) => {
    writer.set('place', body.piece, `aside/${body.to}`);
    for (const sign of body.with ?? []) {
      const piece = sign.replace(screwSign, '');
      writer.set(
        'place',
        piece,
        `aside/${transferPlace[writer.state.transfer[`${holderOf(body.piece)}/${holderOf(piece)}`] ?? ''] ?? body.to}`,
      );
    }
  },
  screwsBagged: (writer, body) => {
    for (const piece of body.pieces) writer.set('place', piece, 'aside/owner');
  },
  filmOff: (w, b) => w.set('film', b.film, 'off'),
  maskOn: (w, b) => w.set('mask', b.mask, 'on'),
  maskOff: (w, b) => w.set('mask', b.mask, 'off'),
  heatStarted: (writer, body, event) =>
    flags(writer, { ...soakBegun(body, event, flag(writer.state, 'soaks')) }),
  heatEnded: (writer, _b, event) =>
    flags(writer, { ...soakEnded(flag(writer.state, 'heat'), event, flag(writer.state, 'soaks')) }),
  glassRead: (writer, body, event) =>
    flags(writer, { glass: glassRead(body, event.at, flag(writer.state, 'glass')) }),
  sourceRead: (writer, { celsius }, event) =>
    flags(writer, { ...sourceRead(celsius, event, flag(writer.state, 'heat'), flag(writer.state, 'soaks')) }),
  heatWindowFitted: (writer, body) => flags(writer, { ...soakFitted(body, flag(writer.state, 'heat')) }),
  solventApplied: (writer, body, event) => {
    writer.set('acted', `solvent ${body.bond}`, event.seq);
    flags(writer, {
      solventAt: { at: event.at, until: event.at + body.dwellS * 1000, clockKnown: event.clockKnown },
    });
  },
  rimCleaned: (writer, { bond, due, what }, event) => {
    const key = bond ?? 'rim';
    if (what) {
      writer.set(
        'rimDue',
        key,
        (writer.state.rimDue[key] ?? []).filter((part) => part !== what),
      );
      return;
    }
    writer.set('rimDue', key, due ?? []);
    // alcohol or acetone: what it wets burns like any other solvent
    flags(writer, { solventAt: { at: event.at, until: event.at, clockKnown: event.clockKnown } });
    if (bond === undefined) flags(writer, { rimClean: true });
    else writer.set('acted', `rim ${bond}`, event.seq);
  },
  sealApplied: (writer, body, event) => {
    writer.set('bond', body.bond, 'renewed');
    laid(writer, body, event);
    flags(writer, { seal: 'applied', liner: 'on', unsealed: null });
  },
  linerOff: (w) => flags(w, { liner: 'off' }),
  leftUnsealed: (w, b) => flags(w, { unsealed: b.reason }),
  deviceClosed: (writer, _b, event) => {
    for (const slot in writer.state.pose) writer.set('pose', slot, undefined);
    for (const c in writer.state.catch) writer.set('catch', c, 'hooked');
    flags(writer, { closedAt: event.seq });
  },
  lost: (w, b) => w.set('place', b.piece, 'adrift'),
  found: (w, b) => w.set('place', b.piece, b.tray ? 'tray' : `mat/${holderOf(b.piece)}`),
  strayFound: (w, b) => w.set('stray', b.stray, 'inside'),
  strayRemoved: (w, b) => w.set('stray', b.stray, 'removed'),
  noted: (writer, body, event) => {
    if (body.thing !== undefined)
      writer.set('note', event.id, {
        text: body.text,
        thing: body.thing,
        ...(body.finding ? { finding: true as const } : {}),
        by: event.by,
        at: event.at,
      });
  },
  troubled: (writer, body, event) =>
    writer.set('trouble', `${body.kind} ${body.thing}`, {
      ...(body.note ? { note: body.note } : {}),
      by: event.by,
      seq: event.seq,
    }),
  troubleEnded: (w, b) => w.set('trouble', `${b.kind} ${b.thing}`, null),
  transferSet: (w, b) => w.set('transfer', `${b.slot}/${b.part}`, b.outcome),
  takenOver: (w, b, e) => flags(w, { worker: { by: e.by, bench: b.bench, at: e.at } }),
  truthNamed: (writer, body) => {
    putTruth((table, key, value) => writer.set(table, key, value as never), body.about, body.value);
    writer.set('question', body.question, null);
  },
  enrolled: (writer, { what }) => {
    writer.set('enrolment', what, 'made');
    writer.set('unlocked', what, { plain: 0, knocked: false });
  },
  unlocked: (writer, { what, knocked }) => {
    const { plain, knocked: before } = writer.state.unlocked[what] ?? { plain: 0, knocked: false };
    writer.set('unlocked', what, { plain: plain + Number(!knocked), knocked: before || knocked });
  },
  unenrolled: (w, b) => w.set('enrolment', b.what, 'removed'),
  acted: (writer, body, event) => {
    writer.set('acted', `${body.act} ${body.target}`, event.seq);
    if (body.act === 'cure' && body.target.endsWith(':start'))
      writer.set('curing', body.target.split(':')[0]!, {
        until: event.at + (body.forS ?? 0) * 1000,
        clockKnown: event.clockKnown,
      });
    if (holds.has(body.act))
      flags(writer, {
        hold: body.target.endsWith(':start')
          ? {
              what: body.act,
              target: body.target.split(':')[0]!,
              since: event.at,
              until: event.at + (body.forS ?? 0) * 1000,
              clockKnown: event.clockKnown,
            }
          : null,
      });
  },
  leakTested: (w, { type: _, ...leak }, e) => flags(w, { hold: null, leak: { ...leak, seq: e.seq } }),
  handOverSeen: (w, b, e) => w.set('handed', b.item, b.seen ? e.by : undefined),
  // its curve stands beside the log; what the report says of it is read from the entry
  pressRead: none,
  taskSet: (writer, body) => {
    writer.set('task', body.slot, body.action === 'none' ? undefined : body.action);
    writer.set('consent', 'price', undefined);
  },
  dataRead: (w, b) => w.set('data', b.slot, 'read'),
  dataWritten: (w, b) => w.set('data', b.slot, b.verified ? 'written' : 'unverified'),
  dataDeclined: (w, b) => w.set('data', b.slot, 'declined'),
  ...reworkChanges,
  stepPassed: none,
  answered: (w, b) => w.set('question', b.question, null),
  retracted: none,
  corrected: none,
  overridden: none,
  jobClosed: (w, b) => flags(w, { ending: b.ending }),
};

/** When a glue or seal was laid, and its times; of one whose sheet nobody has, none are known. */
function laid(
  writer: Writer,
  { bond, glue }: BodyOf<'bondRenewed' | 'sealApplied'>,
  { at, clockKnown }: JobEvent,
): void {
  writer.set('laid', bond, glue ? { ...glue, at, clockKnown } : undefined);
}
/** What a body changes, whatever its type. */
const applied = (writer: Writer, body: Body, event: JobEvent): void =>
  (apply[body.type] as (w: Writer, b: Body, e: JobEvent) => void)(writer, body, event);

/** In a list of what comes along, `screw:` stands before the pieces that sit in holes. */
const screwSign = /^screw:/;
function ownPlace(piece: string): string {
  const holder = holderOf(piece.replace(screwSign, ''));
  return screwSign.test(piece) ? `hole/${holder}` : `slot/${holder}`;
}

function piecesIn(state: JobState, slot: string): string[] {
  const first = originalPiece(slot);
  const here = `slot/${slot}`;
  const out = state.place[first] === undefined ? [first] : [];
  for (const piece in state.place) if (state.place[piece] === here) out.push(piece);
  return out;
}

function applyTo(state: JobState, given: JobEvent, copy: boolean): void {
  const event = upcast(given);
  state.seq = event.seq;
  state.lastId = event.id;
  state.lastAt = event.at;
  if (event.body.type === 'retracted') {
    const entry = state.trail[state.trail.length - 1];
    if (entry?.event !== event.body.event)
      throw new RangeError(
        `log is damaged at ${event.seq}: ${event.body.event} is not the latest effective event`,
      );
    const writer = new Writer(state, copy);
    for (let i = entry.undo.length - 1; i >= 0; i--) {
      const [t, k, v] = entry.undo[i]!;
      writer.write(t, k, v);
    }
    if (copy) {
      state.trail = state.trail.slice(0, -1);
      state.retracted = { ...state.retracted };
    } else state.trail.pop();
    state.retracted[event.body.event] = { by: event.by, seq: event.seq };
    return;
  }
  const w = new Writer(state, copy);
  // a type that this version does not have: seen as such, and the job goes on
  if (!Object.hasOwn(apply, event.body.type)) {
    w.set('unread', event.id, String(event.body.type));
    return;
  }
  applied(w, event.body, event);
  if (event.step !== undefined) w.set('progress', `${event.step} ${event.target ?? ''}`, 1);
  for (const breach of event.breach ?? [])
    w.set('question', `${event.id}/${breach.rule}`, {
      rule: breach.rule,
      ids: breach.ids,
      event: event.id,
      ...(breach.claims ? { claims: breach.claims } : {}),
    });
  const claim = claimOf(event.body);
  if (claim) w.set('account', claim.about, { seq: event.seq, by: event.by, value: claim.value });
  if (final.get(event.body.type) === 'audit') return;
  const entry = { event: event.id, by: event.by, type: event.body.type, undo: w.undo };
  if (copy) state.trail = [...state.trail, entry];
  else state.trail.push(entry);
}

/**
 * The state after one more event. Untouched tables are shared with the state before.
 * An event that is already in (its number is not new) gives back the same object.
 */
export function evolve(state: JobState, event: JobEvent): JobState {
  if (event.seq <= state.seq) return state;
  const next = { ...state };
  applyTo(next, event, true);
  return next;
}

/** The state after many events: the same as one `evolve` after another, without the copies in between. */
export function fold(state: JobState, events: Iterable<JobEvent>): JobState {
  return foldInto(withBareTables(structuredClone(state)), events);
}
/** As `fold`, but writes into the state it is given: for one that nobody else holds, as one just read from a snapshot. */
export function foldInto(state: JobState, events: Iterable<JobEvent>): JobState {
  withBareTables(state);
  for (const event of events) if (event.seq > state.seq) applyTo(state, event, false);
  return state;
}

/** What comes back from a snapshot or a clone has plain objects as tables; made bare in place. */
function withBareTables(state: JobState): JobState {
  for (const name of tableNames) (state as unknown as Record<string, object>)[name] = bare(state[name] ?? {});
  return state;
}
