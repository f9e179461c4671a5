import type { Role } from '../vocabulary/roles';
import { checksDue, openChecks } from '../checks/due';
import type { IndexedModel } from '../model/index-model';
import type { Condition } from '../vocabulary/trade';
import { bootConnectors } from '../model/system';
import { isSeal } from '../model/seals';
import { generalStations } from '../methods/catalogue';
import type { Methods } from '../methods/methods';
import { consentsFor, openConsents } from '../consents/consents';
import { openRungs } from '../diagnose/ladder';
import { knownTest } from '../diagnose/fault';
import { dataDue, effectsOf, type Remedies } from '../pairing/effects';
import { isTooLong, safeLengthMm } from '../screws/safe-length';
import { substitutesFor } from '../screws/substitutes';
import { balance, emptyInside, unaccounted } from './balance';
import { leakNow } from './water';
import { bondWorked, openBy, soakShortS } from './soak';
import { noHeat } from '../vocabulary/conditions';
import type { Body, BodyOf, BodyType } from '../log/events';
import { flag, type JobState } from '../log/state';
import { holderOf, originalPiece } from '../vocabulary/pieces';
import { forgotten } from './manifest';
import {
  hasCondition,
  isLive,
  isOn,
  outsideFasteners,
  pieceInSlot,
  piecesAt,
  placeOf,
  replacedSlots,
  screwSpec,
  shutState,
  stillHolding,
} from '../log/view';

/**
 * The interlocks: one table of named rules, each a small pure function. `core/rules` decides with it, the Work
 * screen speaks with it before a fact, and `core/route` takes the rules that have `needs` as precedences.
 * `forbid`: nobody passes. `stop`: passed with a typed reason by the roles named. `warn`: said, not stopped.
 */
export type Severity = 'forbid' | 'stop' | 'warn';
export interface Finding {
  rule: RuleName;
  severity: Severity;
  /** What it is about: ids of things, conditions or functions; and figures such as seconds left. */
  ids: string[];
  seconds?: number;
  /** Roles that may pass a stop. */
  passableBy: readonly Role[];
}
/** Something that must be so before; the planner puts what makes it so first. */
export type Need = { off: string } | { on: string } | { absent: Condition };

export interface Waits {
  /** Solvent must have flashed off this long before heat, s. At least 60 (from memory). */
  solventFlashS: number;
  /** A device must have cooled this long before solvent, s. At least 120 (from memory). */
  coolingS: number;
}
export const leastWaits: Waits = { solventFlashS: 60, coolingS: 120 };

export interface Moment {
  at: number;
  clockKnown: boolean;
}
export interface Situation {
  index: IndexedModel;
  state: JobState;
  waits: Waits;
  now: Moment;
  role: Role;
  /** The house methods of the adopted route; they decide what the owner will notice. */
  methods?: Methods | undefined;
}
interface Rule<T extends BodyType = BodyType> {
  severity: Severity;
  passableBy?: readonly Role[];
  on: readonly T[];
  needs?: (index: IndexedModel, body: BodyOf<T>) => Need[];
  check?: (s: Situation, body: BodyOf<T>) => string[] | { ids: string[]; seconds: number } | undefined;
}
const rule = <T extends BodyType>(r: Rule<T>) => r as unknown as Rule;
const skilled = ['owner', 'lead', 'technician', 'trainee'] as const;
const heads = ['owner', 'lead'] as const;
const list = (ids: string[]) => (ids.length ? ids : undefined);

/**
 * Seconds still to wait after a moment. A clock that is not known, or that ran backwards, ends no wait.
 */
export function secondsLeft(since: Moment | undefined, waitS: number, now: Moment): number {
  if (!since) return 0;
  if (!since.clockKnown || !now.clockKnown || now.at < since.at) return waitS;
  return Math.max(0, Math.ceil(waitS - (now.at - since.at) / 1000));
}

export const rules = {
  'cell first off': rule({
    severity: 'stop',
    passableBy: ['owner', 'lead', 'technician', 'trainee'],
    on: ['connectorOff', 'connectorOn', 'reseated'],
    needs: (index, b) =>
      index.cellConnector && b.connector !== index.cellConnector ? [{ off: index.cellConnector }] : [],
  }),
  'cell last on': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['connectorOn'],
    // a new part is tried with the device open: then the plugs that it needs are the trial's to name
    needs: (index, b) =>
      b.connector === index.cellConnector && b.trial === undefined
        ? index.model.connectors.filter((c) => c.id !== b.connector).map((c) => ({ on: c.id }))
        : [],
  }),
  'still held': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['pieceMoved'],
    check: ({ index, state }, b) => {
      const ways = (pose: string) => index.slots.get(b.slot)?.ways.filter((w) => w.to === pose) ?? [];
      const least = (pose: string) =>
        ways(pose)
          .map((w) => stillHolding(state, w))
          .sort((x, y) => x.length - y.length)[0] ?? [];
      // what has to be folded first is held by what holds it shut, not by itself
      const held = least(b.pose).flatMap((id) => (id === b.slot ? least('folded') : [id]));
      return list([...new Set(held)]);
    },
  }),
  'torn and still stuck': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['pieceMoved'],
    // what is left of a strip holds: pulling at it bends the cell
    check: ({ index, state }, b) =>
      list(
        [
          ...new Set(
            (index.slots.get(b.slot)?.ways ?? []).filter((w) => w.to === b.pose).flatMap((w) => w.bonds),
          ),
        ].filter(
          (id) =>
            state.bond[id] === 'torn' &&
            index.bonds.get(id)?.tornThen === 'solvent' &&
            index.bonds.get(id)?.kind !== 'perimeter-seal' &&
            state.acted[`solvent ${id}`] === undefined,
        ),
      ),
  }),
  'no heat on this cell': rule({
    severity: 'forbid',
    on: ['heatStarted'],
    needs: () => noHeat.map((absent) => ({ absent })),
  }),
  'no press on this cell': rule({
    severity: 'forbid',
    on: ['acted'],
    check: ({ state }, b) =>
      b.act === 'press' && b.target.endsWith(':start')
        ? list(noHeat.filter((c) => hasCondition(state, c)))
        : undefined,
  }),
  'soak cut short': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['acted', 'bondReleased'],
    // too cold, glass or panel splits from its frame
    check: ({ state, index }, b) => {
      const bond = bondWorked(b);
      const seconds = bond && soakShortS(state, index, bond);
      return seconds ? { ids: [bond], seconds } : undefined;
    },
  }),
  'cooled again': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['acted', 'bondReleased'],
    // opening has to start within minutes of the soak; a clock that is not known has passed every such limit
    check: ({ state, index, now }, b) => {
      const bond = bondWorked(b);
      const by = bond ? openBy(state, index, bond) : undefined;
      return by && !(by.clockKnown && now.clockKnown && now.at <= by.until) ? [bond!] : undefined;
    },
  }),
  'open on the heat': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['heatStarted'],
    // a plate warms the whole device: once it is open nothing but air is between it and the cell
    check: ({ state, index }, b) =>
      b.part === undefined &&
      warmsWhole.has(b.station) &&
      shutState(state, index) === 'open' &&
      index.cellSlot !== undefined &&
      pieceInSlot(state, index.cellSlot) !== undefined
        ? [index.cellSlot]
        : undefined,
  }),
  'glue not set': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['deviceClosed', 'jobClosed'],
    check: ({ state, now }, b) => {
      if (b.type === 'jobClosed' && b.ending !== 'handed over') return undefined;
      const wet = Object.keys(state.curing).filter((bond) => {
        const { until, clockKnown } = state.curing[bond]!;
        return !clockKnown || !now.clockKnown || now.at < until;
      });
      const last = Math.max(0, ...wet.map((bond) => state.curing[bond]!.until));
      return wet.length ? { ids: wet, seconds: Math.max(0, Math.ceil((last - now.at) / 1000)) } : undefined;
    },
  }),
  'leak not told': rule({
    severity: 'stop',
    passableBy: ['owner', 'lead', 'technician'],
    on: ['jobClosed'],
    check: ({ state }, b) => (b.ending === 'handed over' && leaks(state) ? ['leak test'] : undefined),
  }),
  'solvent still wet': rule({
    severity: 'forbid',
    on: ['heatStarted'],
    check: ({ state, waits, now }) => {
      const s = flag(state, 'solventAt');
      const seconds = secondsLeft(s, Math.max(waits.solventFlashS, leastWaits.solventFlashS), now);
      return seconds ? { ids: [], seconds } : undefined;
    },
  }),
  'still hot': rule({
    severity: 'forbid',
    on: ['solventApplied'],
    check: ({ state, waits, now }) => {
      const heat = flag(state, 'heat');
      if (heat) return { ids: [heat.station], seconds: 0 };
      const seconds = secondsLeft(
        flag(state, 'heatEndedAt'),
        Math.max(waits.coolingS, leastWaits.coolingS),
        now,
      );
      return seconds ? { ids: [], seconds } : undefined;
    },
  }),
  'rim not clean': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['sealApplied', 'bondRenewed'],
    check: ({ state, index }, b) => {
      if (b.type === 'sealApplied') return flag(state, 'rimClean') ? undefined : ['rim'];
      const bond = index.bonds.get(b.bond);
      return bond && isSeal(index, bond) && state.acted[`rim ${b.bond}`] === undefined ? [b.bond] : undefined;
    },
  }),
  'mid check open': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['sealApplied', 'deviceClosed'],
    // the seal goes on with the cell unplugged again: an answer that is stale since then is due before closing
    check: ({ state, index }, b) =>
      list(
        checksDue(state, index, 'mid')
          .filter((c) => (b.type === 'sealApplied' ? !c.good : !c.passed))
          .map((c) => c.function),
      ),
  }),
  'round open': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['stepPassed'],
    check: ({ state, index }, b) => list(openChecks(state, index, b.round).map((c) => c.function)),
  }),
  'seal missing': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['deviceClosed'],
    check: ({ state, index }) => {
      const seal = index.model.bonds.find((b) => b.kind === 'perimeter-seal');
      if (!seal || state.bond[seal.id] === undefined || flag(state, 'unsealed')) return undefined;
      return flag(state, 'seal') !== 'applied'
        ? [seal.id]
        : flag(state, 'liner') === 'off'
          ? undefined
          : ['liner'];
    },
  }),
  'not all inside': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['deviceClosed'],
    check: ({ state, index }) => list(emptyInside(state, index)),
  }),
  'piece adrift': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['deviceClosed'],
    check: ({ state, index }) => list(balance(state, index).adrift),
  }),
  'stray inside': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['deviceClosed'],
    check: ({ state, index }) => list(balance(state, index).strays),
  }),
  'film still on': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['deviceClosed'],
    check: ({ state, index }) => {
      const b = balance(state, index);
      return list([...b.filmsOn, ...b.masksOn]);
    },
  }),
  'connector open': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['deviceClosed'],
    check: ({ state, index }) => list(balance(state, index).connectorsOff),
  }),
  'screw of another hole': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['screwIn'],
    check: ({ index, state }, b) => {
      const hole = index.fasteners.get(b.fastener);
      const own = screwSpec(state, index, b.piece);
      if (!hole || !own || holderOf(b.piece) === hole.id) return undefined;
      return own.thread === hole.thread && own.lengthMm <= safeLengthMm(hole) && own.headMm <= hole.headMm
        ? undefined
        : [holderOf(b.piece), hole.id];
    },
  }),
  'screw too long': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['screwIn'],
    // also from its own hole: whoever repaired it before may have put another one in
    check: ({ index, state }, b) =>
      isScrewTooLong(index, state, b.fastener, b.piece) ? [b.piece, b.fastener] : undefined,
  }),
  'too long screw inside': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['deviceClosed'],
    check: ({ index, state }) =>
      list(
        [...index.fasteners.keys()].filter((hole) =>
          piecesAt(state, `hole/${hole}`).some((piece) => isScrewTooLong(index, state, hole, piece)),
        ),
      ),
  }),
  'substitute does not fit': rule({
    severity: 'forbid',
    on: ['substituted'],
    // too long for a hole, it goes through the board: no reason makes that right
    check: ({ index }, b) => {
      const hole = index.fasteners.get(b.fastener);
      return hole &&
        substitutesFor(hole, [
          { id: b.spare, drive: b.drive, thread: b.thread, lengthMm: b.lengthMm, headMm: b.headMm, count: 1 },
        ]).not.length
        ? [b.fastener]
        : undefined;
    },
  }),
  'forgotten on the old one': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['pieceSetAside'],
    check: ({ state, index }, b) => {
      const slot = holderOf(b.piece);
      return index.slots.has(slot) && b.piece === originalPiece(slot) && state.task[slot] === 'replace'
        ? list(forgotten(index, state, slot))
        : undefined;
    },
  }),
  'trouble open': rule({
    severity: 'stop',
    passableBy: ['owner', 'lead', 'technician'],
    on: ['deviceClosed'],
    check: ({ state }) =>
      list(
        Object.keys(state.trouble).filter((t) => state.trouble[t] && !t.startsWith('not as the model says')),
      ),
  }),
  // never found by looking at one job's state: decided where two benches' entries meet
  'two accounts': rule({ severity: 'stop', passableBy: [], on: [] }),
  'tested without the cell': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['checked', 'acted', 'tested'],
    check: ({ state, index }, b) => {
      if (isLive(state, index) || index.cellConnector === undefined) return undefined;
      if (b.type === 'checked') return b.round === 'before' ? undefined : [b.function];
      if (b.type === 'acted') return b.act === 'test part' ? [b.target] : undefined;
      // a module is read at the bench, without the device
      return knownTest(b.test)?.needs ? [b.test] : undefined;
    },
  }),
  'tested without its plugs': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['acted'],
    // a good display is called bad that way: without the sensors many a generation shows no picture
    check: ({ state, index }, b) =>
      b.act === 'test part'
        ? list(
            [
              ...new Set([
                ...bootConnectors(index, flag(state, 'system')?.version),
                ...index.model.connectors.filter((c) => c.joins.includes(b.target)).map((c) => c.id),
              ]),
            ].filter((c) => !isOn(state, c)),
          )
        : undefined,
  }),
  'place already taken': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['screwIn', 'pieceFitted'],
    check: ({ state }, b) => {
      const place = b.type === 'screwIn' ? `hole/${b.fastener}` : `slot/${b.slot}`;
      return list(piecesAt(state, place).filter((p) => p !== b.piece));
    },
  }),
  'piece is elsewhere': rule({
    severity: 'warn',
    on: ['screwOut', 'pieceSetAside'],
    check: ({ state, index }, b) => {
      const at = placeOf(state, b.piece, index);
      if (b.type === 'screwOut') return at === `hole/${b.fastener}` ? undefined : [b.piece];
      return at?.startsWith('slot/') || at?.startsWith('hole/') ? [b.piece] : undefined;
    },
  }),
  'device not closed': rule({
    severity: 'warn',
    on: ['screwIn'],
    check: ({ state, index }, b) =>
      outsideFasteners(index).includes(b.fastener) && shutState(state, index) === 'open'
        ? [b.fastener]
        : undefined,
  }),
  'question open': rule({
    severity: 'stop',
    passableBy: [],
    on: [
      'heatStarted',
      'solventApplied',
      'sealApplied',
      'deviceClosed',
      'dataWritten',
      'jobClosed',
      'stepPassed',
    ],
    check: ({ state }) => list(Object.keys(state.question).filter((q) => state.question[q])),
  }),
  'only a lead clears': rule({
    severity: 'forbid',
    on: ['conditionCleared'],
    check: ({ role }, b) => (heads.includes(role as 'owner') ? undefined : [b.condition]),
  }),
  'before check open': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['received', 'routeAdopted'],
    // once the tasks are chosen, what they will touch is asked, too: afterwards nobody can say what it was
    check: ({ state, index }, b) =>
      b.type === 'received'
        ? list(openBefore(state, index))
        : flag(state, 'routeHash') === undefined && shutState(state, index) === 'never opened'
          ? list(
              checksDue(state, index, 'before')
                .filter((c) => c.result === undefined)
                .map((c) => c.function),
            )
          : undefined,
  }),
  'device open': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['jobClosed'],
    check: ({ state, index }, b) =>
      b.ending !== 'abandoned' && shutState(state, index) === 'open'
        ? index.coverSlots.slice(0, 1)
        : undefined,
  }),
  'ledger does not balance': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['jobClosed'],
    check: ({ state, index }, b) => {
      const open = unaccounted(state, index);
      // an abandoned device goes back in pieces: each is in the bag, none is unknown
      if (b.ending === 'abandoned') return list(open.filter((p) => state.place[p] === 'adrift'));
      return list([...open, ...emptyHoles(state, index).filter((h) => !open.some((p) => holderOf(p) === h))]);
    },
  }),
  'after check open': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['jobClosed'],
    check: ({ state, index }, b) =>
      b.ending === 'handed over' ? list(openChecks(state, index, 'after').map((c) => c.function)) : undefined,
  }),
  'consent open': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['routeAdopted', 'jobClosed'],
    // past Receive once, and out of the house: a route that is planned again in between changes no agreement
    check: ({ state, index, methods }, b) =>
      (b.type === 'routeAdopted' ? flag(state, 'routeHash') === undefined : b.ending === 'handed over')
        ? list(openConsents(consentsFor(index, state, methods, replacedSlots(state)), state).map((c) => c.id))
        : undefined,
  }),
  'harmless first': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['routeAdopted', 'testBegun'],
    // before anything is opened: whatever costs nothing and could explain it is tried, or declined with a reason
    check: ({ state, index }, b) => {
      if (
        b.type === 'routeAdopted'
          ? flag(state, 'routeHash') !== undefined || !!flag(state, 'cause')
          : knownTest(b.test)?.rung !== 'open it'
      )
        return undefined;
      return list(openRungs(index, state));
    },
  }),
  'no charging this cell': rule({
    severity: 'forbid',
    on: ['testBegun'],
    check: ({ state }, b) => list((knownTest(b.test)?.never ?? []).filter((c) => hasCondition(state, c))),
  }),
  'data would be erased': rule({
    severity: 'stop',
    passableBy: [],
    on: ['testBegun', 'tested'],
    check: ({ state }, b) => (knownTest(b.test)?.erases && !state.consent.data ? ['data'] : undefined),
  }),
  'part locked': rule({
    severity: 'forbid',
    on: ['partChosen'],
    check: (_s, b) => (b.released === 'locked' ? [b.name] : undefined),
  }),
  'part of another slot': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['partChosen'],
    check: ({ state }, b) => (state.task[b.slot] === 'replace' ? undefined : [b.slot]),
  }),
  'identity data open': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['jobClosed'],
    check: ({ state, index, methods }, b) =>
      b.ending === 'handed over'
        ? list(
            dataDue(
              effectsOf(
                index,
                replacedSlots(state),
                methods,
                state.remedy as Remedies,
                flag(state, 'system')?.version,
              ),
            ).filter((s) => state.data[s] !== 'written' && state.data[s] !== 'declined'),
          )
        : undefined,
  }),
  'identity data unread': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['pieceSetAside'],
    check: ({ state, index }, b) => {
      const slot = holderOf(b.piece);
      return b.piece === originalPiece(slot) &&
        state.data[slot] === undefined &&
        dataDue(effectsOf(index, [slot], undefined, state.remedy as Remedies)).includes(slot)
        ? [slot]
        : undefined;
    },
  }),
  'enrolment left': rule({
    severity: 'stop',
    passableBy: [],
    on: ['jobClosed'],
    check: ({ state }) => list(Object.keys(state.enrolment).filter((e) => state.enrolment[e] === 'made')),
  }),
} satisfies Record<string, Rule>;
export type RuleName = keyof typeof rules;

/** Whether a screw is longer than a hole bears: by its measure, or where it was not measured by the hole that it is from. */
export function isScrewTooLong(index: IndexedModel, state: JobState, hole: string, piece: string): boolean {
  const bears = index.fasteners.get(hole);
  const screw = screwSpec(state, index, piece);
  return !!bears && !!screw && isTooLong(screw.lengthMm, bears);
}

/** Stations that warm the device as a whole and not one edge of it. */
const warmsWhole: ReadonlySet<string> = new Set(generalStations.filter((s) => s.whole).map((s) => s.id));

/** Whether the device as it is closed now has failed its leak test. */
export const leaks = (state: JobState): boolean => leakNow(state)?.holds === false;

/** Functions of the short list that have no answer from before the work. */
export function openBefore(state: JobState, index: IndexedModel): string[] {
  return index.model.shortList.filter((f) => !state.check[`before ${f}`]);
}
/** Holes and slots that are empty and have no way of being so in a device that leaves whole. */
function emptyHoles(state: JobState, index: IndexedModel): string[] {
  return [
    ...[...index.fasteners.keys()].filter((f) => !piecesAt(state, `hole/${f}`).length),
    ...[...index.slots.keys()].filter((s) => !piecesAt(state, `slot/${s}`).length),
  ];
}

const byType = new Map<BodyType, [RuleName, Rule][]>();
for (const [name, r] of Object.entries(rules) as [RuleName, Rule][])
  for (const t of r.on) byType.set(t, [...(byType.get(t) ?? []), [name, r]]);

/** The needs that the interlocks put before an act: what the planner turns into precedences. */
export function needsBefore(index: IndexedModel, body: Body): Need[] {
  return (byType.get(body.type) ?? []).flatMap(([, r]) => r.needs?.(index, body as never) ?? []);
}

const unmet = (state: JobState, need: Need): string | undefined => {
  if ('off' in need) return isOn(state, need.off) ? need.off : undefined;
  if ('on' in need) return isOn(state, need.on) ? undefined : need.on;
  return hasCondition(state, need.absent) ? need.absent : undefined;
};

/** Everything the interlocks have to say about one act in one situation, most severe first. */
export function findings(s: Situation, body: Body): Finding[] {
  const out: Finding[] = [];
  for (const [name, r] of byType.get(body.type) ?? []) {
    const said = r.check?.(s, body as never);
    const ids = [
      ...(r.needs?.(s.index, body as never) ?? [])
        .map((n) => unmet(s.state, n))
        .filter((x) => x !== undefined),
      ...(Array.isArray(said) ? said : (said?.ids ?? [])),
    ];
    if (ids.length || said)
      out.push({
        rule: name,
        severity: r.severity,
        ids,
        passableBy: r.passableBy ?? [],
        ...(said && !Array.isArray(said) ? { seconds: said.seconds } : {}),
      });
  }
  const weight = { forbid: 0, stop: 1, warn: 2 };
  return out.sort((a, b) => weight[a.severity] - weight[b.severity]);
}
