import { upcast } from './upcast';
import { claimOf, putTruth } from './claims';
import { type Body, type BodyType, final, holds, type JobEvent } from './events';
import { transferPlace } from './transfers';
import { bare, flag, type JobState, type TableName, tableNames, type Tables, type Undo } from './state';
import { holderOf, originalPiece } from '../vocabulary/pieces';

/** Where an event writes: copies a table before its first change, or writes in place when folding a whole log. */
class Writer {
  readonly undo: Undo[] = [];
  #copied: Set<TableName> | undefined;
  constructor(
    readonly state: JobState,
    copy: boolean,
  ) {
    this.#copied = copy ? new Set() : undefined;
  }
  set<T extends TableName>(table: T, key: string, value: Tables[T][string] | undefined): void {
    const before = this.state[table][key];
    if (before === value) return;
    this.undo.push(before === undefined ? [table, key] : [table, key, before as object]);
    this.write(table, key, value);
  }
  write(table: TableName, key: string, value: unknown): void {
    if (this.#copied && !this.#copied.has(table)) {
      (this.state as unknown as Record<string, unknown>)[table] = bare(this.state[table] as object);
      this.#copied.add(table);
    }
    const t = this.state[table] as Record<string, unknown>;
    if (value === undefined) delete t[key];
    else t[key] = value;
  }
}

type Apply = { [T in BodyType]: (w: Writer, body: Extract<Body, { type: T }>, event: JobEvent) => void };
const none = () => {};
const flags = (w: Writer, values: Record<string, unknown>) => {
  for (const k in values) w.set('flag', k, values[k]);
};

/** What each event changes. One line an event; nothing else writes to a job. */
const apply: Apply = {
  opened: (w, { type: _, tasks, ...rest }) => {
    flags(w, rest);
    for (const t of tasks) w.set('task', t.slot, t.action);
  },
  marked: (w, b) => {
    const { id, ...mark } = b.mark;
    w.set('mark', id, mark);
  },
  unmarked: (w, b) => w.set('mark', b.mark, null),
  conditionSet: (w, b, e) => w.set('condition', b.condition, { because: b.because, event: e.id }),
  conditionCleared: (w, b) => w.set('condition', b.condition, null),
  checked: (w, b, e) =>
    w.set('check', `${b.round} ${b.function}`, {
      result: b.result,
      ...(b.note ? { note: b.note } : {}),
      seq: e.seq,
      by: e.by,
    }),
  systemSet: (w, { type: _, ...system }) => flags(w, { system }),
  phoneAsked: (w, { type: _, ...phone }) => flags(w, { phone }),
  received: (w) => flags(w, { received: true }),
  routeAdopted: (w, b, e) => {
    for (const key in w.state.progress) w.set('progress', key, undefined);
    flags(w, { routeHash: b.routeHash, modelHash: b.modelHash, variant: b.variant, adoptedAt: e.seq });
  },
  consentGiven: (w, b) => {
    w.set('consent', b.effect, b.by);
    if (b.answer !== undefined) w.set('answer', b.effect, b.answer);
    w.set('signature', b.effect, b.signature);
  },
  symptomSet: (w, b) => w.set('symptom', b.symptom, b.on ? 1 : undefined),
  testBegun: (w, b, e) => w.set('test', b.test, { seq: e.seq, by: e.by }),
  tested: (w, b, e) =>
    w.set('test', b.test, { outcome: b.outcome, ...(b.note ? { note: b.note } : {}), seq: e.seq, by: e.by }),
  testDeclined: (w, b, e) => w.set('test', b.test, { declined: b.reason, seq: e.seq, by: e.by }),
  causeStated: (w, b) => flags(w, { cause: b.cause === 'none' ? null : { id: b.cause, because: b.because } }),
  photographed: (w, b) => w.set('photo', b.photo, b.mark ?? (b.thing ? `@${b.thing}` : '')),
  remedySet: (w, b) => w.set('remedy', b.slot, b.remedy),
  partChosen: (w, { type: _, slot, ...part }) => w.set('part', slot, part),
  partDropped: (w, b) => w.set('part', b.slot, undefined),
  // another price is another agreement
  quoted: (w, { type: _, ...quote }, e) => {
    flags(w, { quote: { ...quote, seq: e.seq } });
    w.set('consent', 'price', undefined);
  },
  promised: (w, b) => flags(w, { promisedAt: b.at, promisedAs: b.as }),
  screwOut: (w, b) => {
    w.set('place', b.piece, `mat/${b.fastener}`);
  },
  screwIn: (w, b) => w.set('place', b.piece, `hole/${b.fastener}`),
  screwMeasured: (w, { type: _, piece, ...spec }) =>
    w.set('spec', piece, { ...w.state.spec[piece], ...spec }),
  spilled: (w, b) => {
    for (const piece of b.pieces) w.set('place', piece, 'mixed');
  },
  sorted: (w, b) => {
    for (const { piece, ...spec } of b.screws) {
      w.set('place', piece, `mat/${holderOf(piece)}`);
      w.set('spec', piece, { ...w.state.spec[piece], ...spec });
    }
  },
  substituted: (w, { type: _, fastener, piece, spare: _s, ...spec }) => {
    w.set('place', piece, `mat/${fastener}`);
    w.set('spec', piece, spec);
  },
  connectorOff: (w, b, e) => {
    const trial = flag(w.state, 'trial');
    const left = trial?.connectors.filter((c) => c !== b.connector) ?? [];
    if (trial && left.length !== trial.connectors.length)
      flags(w, { trial: left.length ? { ...trial, connectors: left } : null });
    w.set('connector', b.connector, 'off');
    w.set('touched', b.connector, e.seq);
  },
  connectorOn: (w, b, e) => {
    w.set('connector', b.connector, 'on');
    const trial = flag(w.state, 'trial');
    if (b.trial !== undefined)
      flags(w, { trial: { slot: b.trial, connectors: [...(trial?.connectors ?? []), b.connector] } });
    w.set('touched', b.connector, e.seq);
  },
  reseated: (w, b, e) => {
    w.set('touched', b.connector, e.seq);
    w.set('acted', `reseat ${b.connector}`, e.seq);
  },
  bondReleased: (w, b, e) => {
    // a seal that was laid and is opened again will not do a second time, whoever laid it
    if (w.state.bond[b.bond] === 'renewed') w.set('acted', `spent ${b.bond}`, e.seq);
    w.set('bond', b.bond, b.torn ? 'torn' : 'released');
    flags(w, { rimClean: false, seal: 'none' });
  },
  bondRenewed: (w, b) => w.set('bond', b.bond, 'renewed'),
  catchFreed: (w, b) => w.set('catch', b.catch, 'free'),
  catchHooked: (w, b) => w.set('catch', b.catch, 'hooked'),
  pieceMoved: (w, b, e) => {
    w.set('touched', b.slot, e.seq);
    if (b.pose !== 'out') {
      w.set('pose', b.slot, b.pose);
      return;
    }
    w.set('pose', b.slot, undefined);
    for (const piece of piecesIn(w.state, b.slot)) w.set('place', piece, 'tray');
  },
  pieceFitted: (w, b, e) => {
    w.set('touched', b.slot, e.seq);
    w.set('place', b.piece, `slot/${b.slot}`);
    w.set('pose', b.slot, b.pose === 'in' ? undefined : b.pose);
    for (const piece of b.with ?? []) w.set('place', piece.replace(screwSign, ''), ownPlace(piece));
  },
  pieceSetAside: (w, b) => {
    w.set('place', b.piece, `aside/${b.to}`);
    for (const sign of b.with ?? []) {
      const piece = sign.replace(screwSign, '');
      w.set(
        'place',
        piece,
        `aside/${transferPlace[w.state.transfer[`${holderOf(b.piece)}/${holderOf(piece)}`] ?? ''] ?? b.to}`,
      );
    }
  },
  screwsBagged: (w, b) => {
    for (const piece of b.pieces) w.set('place', piece, 'aside/owner');
  },
  filmOff: (w, b) => w.set('film', b.film, 'off'),
  maskOn: (w, b) => w.set('mask', b.mask, 'on'),
  maskOff: (w, b) => w.set('mask', b.mask, 'off'),
  heatStarted: (w, b, e) =>
    flags(w, {
      heat: { station: b.station, since: e.at, until: e.at + b.forS * 1000, clockKnown: e.clockKnown },
    }),
  heatEnded: (w, _b, e) => {
    const heat = flag(w.state, 'heat');
    const s = (ms: number) => Math.round(ms / 1000);
    flags(w, {
      heat: null,
      heatEndedAt: {
        at: e.at,
        clockKnown: e.clockKnown && (heat?.clockKnown ?? true),
        seq: e.seq,
        station: heat?.station ?? '',
        gaveS: heat ? Math.max(0, s(e.at - heat.since)) : 0,
        ofS: heat ? s(heat.until - heat.since) : 0,
      },
    });
  },
  solventApplied: (w, b, e) => {
    w.set('acted', `solvent ${b.bond}`, e.seq);
    flags(w, { solventAt: { at: e.at, until: e.at + b.dwellS * 1000, clockKnown: e.clockKnown } });
  },
  rimCleaned: (w, b, e) =>
    b.bond === undefined ? flags(w, { rimClean: true }) : w.set('acted', `rim ${b.bond}`, e.seq),
  sealApplied: (w, b) => {
    w.set('bond', b.bond, 'renewed');
    flags(w, { seal: 'applied', liner: 'on', unsealed: null });
  },
  linerOff: (w) => flags(w, { liner: 'off' }),
  leftUnsealed: (w, b) => flags(w, { unsealed: b.reason }),
  deviceClosed: (w, _b, e) => {
    for (const slot in w.state.pose) w.set('pose', slot, undefined);
    for (const c in w.state.catch) w.set('catch', c, 'hooked');
    flags(w, { closedAt: e.seq });
  },
  lost: (w, b) => w.set('place', b.piece, 'adrift'),
  found: (w, b) => w.set('place', b.piece, b.tray ? 'tray' : `mat/${holderOf(b.piece)}`),
  strayFound: (w, b) => w.set('stray', b.stray, 'inside'),
  strayRemoved: (w, b) => w.set('stray', b.stray, 'removed'),
  noted: (w, b, e) => {
    if (b.thing !== undefined)
      w.set('note', e.id, {
        text: b.text,
        thing: b.thing,
        ...(b.finding ? { finding: true as const } : {}),
        by: e.by,
        at: e.at,
      });
  },
  troubled: (w, b, e) =>
    w.set('trouble', `${b.kind} ${b.thing}`, { ...(b.note ? { note: b.note } : {}), by: e.by, seq: e.seq }),
  troubleEnded: (w, b) => w.set('trouble', `${b.kind} ${b.thing}`, null),
  transferSet: (w, b) => w.set('transfer', `${b.slot}/${b.part}`, b.outcome),
  takenOver: (w, b, e) => flags(w, { worker: { by: e.by, bench: b.bench, at: e.at } }),
  truthNamed: (w, b) => {
    putTruth((table, key, value) => w.set(table, key, value as never), b.about, b.value);
    w.set('question', b.question, null);
  },
  enrolled: (w, b) => w.set('enrolment', b.what, 'made'),
  unenrolled: (w, b) => w.set('enrolment', b.what, 'removed'),
  acted: (w, b, e) => {
    w.set('acted', `${b.act} ${b.target}`, e.seq);
    if (b.act === 'cure' && b.target.endsWith(':start'))
      w.set('curing', b.target.split(':')[0]!, {
        until: e.at + (b.forS ?? 0) * 1000,
        clockKnown: e.clockKnown,
      });
    if (holds.has(b.act))
      flags(w, {
        hold: b.target.endsWith(':start')
          ? {
              what: b.act,
              target: b.target.split(':')[0]!,
              since: e.at,
              until: e.at + (b.forS ?? 0) * 1000,
              clockKnown: e.clockKnown,
            }
          : null,
      });
  },
  leakTested: (w, { type: _, ...leak }, e) => flags(w, { hold: null, leak: { ...leak, seq: e.seq } }),
  taskSet: (w, b) => {
    w.set('task', b.slot, b.action === 'none' ? undefined : b.action);
    w.set('consent', 'price', undefined);
  },
  dataRead: (w, b) => w.set('data', b.slot, 'read'),
  dataWritten: (w, b) => w.set('data', b.slot, b.verified ? 'written' : 'unverified'),
  dataDeclined: (w, b) => w.set('data', b.slot, 'declined'),
  stepPassed: none,
  answered: (w, b) => w.set('question', b.question, null),
  retracted: none,
  corrected: none,
  overridden: none,
  jobClosed: (w, b) => flags(w, { ending: b.ending }),
};

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
    const w = new Writer(state, copy);
    for (let i = entry.undo.length - 1; i >= 0; i--) {
      const [t, k, v] = entry.undo[i]!;
      w.write(t, k, v);
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
  (apply[event.body.type] as (w: Writer, b: Body, e: JobEvent) => void)(w, event.body, event);
  if (event.step !== undefined) w.set('progress', `${event.step} ${event.target ?? ''}`, 1);
  for (const b of event.breach ?? [])
    w.set('question', `${event.id}/${b.rule}`, {
      rule: b.rule,
      ids: b.ids,
      event: event.id,
      ...(b.claims ? { claims: b.claims } : {}),
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
