import type { Measured } from './measured';
import type { MetEntry } from './met-schema';
import type { PadState } from '../rework/pads';
import type { ReworkStepId } from '../rework/work-plan';
import type { RimPart } from '../vocabulary/steps';
import type { BodyOf, Claim, Ending, Known, LaidGlue } from './events';

/**
 * What is known of a job: flat tables of plain values by id, so that any change is a list of
 * (table, key, value before) and can be taken back exactly. It holds ids only, never the model or the route.
 * What is not in a table is as the device came: screws in their own holes, connectors on, bonds whole.
 */
export interface CheckEntry {
  result: 'works' | 'fails' | 'untested' | 'same';
  note?: string;
  seq: number;
  by: string;
}
/** A test of the fault: begun, with its outcome, or declined with the reason. */
export interface TestEntry {
  outcome?: string;
  declined?: string;
  note?: string;
  seq: number;
  by: string;
}
export type PartEntry = Omit<BodyOf<'partChosen'>, 'type' | 'slot'>;
export interface QuoteEntry extends Omit<BodyOf<'quoted'>, 'type'> {
  seq: number;
}
export interface QuestionEntry {
  rule: string;
  ids: string[];
  event: string;
  claims?: Claim[];
}
/** What a screw is by measurement, or by the spares box it came from. */
export interface ScrewSpec {
  lengthMm: number;
  headMm?: number;
  drive?: string;
  thread?: string;
}
export interface NoteEntry {
  text: string;
  thing: string;
  finding?: true;
  by: string;
  at: number;
}

/** Work under the microscope at one part. */
export type ReworkEntry = Omit<BodyOf<'reworkBegun'>, 'type' | 'slot'> & {
  /** Steps that are done or were left out, in their order. */
  done: readonly ReworkStepId[];
  /** Air, iron or lamp on it now, since when by the bench's clock, ms. */
  heat?: Omit<BodyOf<'reworkHeatStarted'>, 'type' | 'slot' | 'extraction'> & { since: number };
  /** What each trial came to, in their order. */
  tries?: readonly BodyOf<'reworkTried'>['outcome'][];
  /** What the programmer said of the module: which of its parts fail, the last time. */
  module?: Pick<BodyOf<'moduleTested'>, 'fails' | 'again'>;
  outcome?: BodyOf<'reworkEnded'>['outcome'];
  lost?: BodyOf<'reworkEnded'>['lost'];
};

export interface Tables {
  /** id -> a thing that was met at this device and that its model does not have. */
  met: Record<string, MetEntry>;
  /** piece id -> where it lies: `hole/C3`, `slot/cell`, `mat/C3`, `mixed` (on a knocked mat), `tray`, `adrift`, `aside/recycling`. */
  place: Record<string, string>;
  /** slot id -> folded or shifted, for a piece that is still attached. */
  pose: Record<string, 'folded' | 'shifted'>;
  connector: Record<string, 'off' | 'on'>;
  bond: Record<string, 'released' | 'torn' | 'renewed'>;
  catch: Record<string, 'free' | 'hooked'>;
  film: Record<string, 'off'>;
  mask: Record<string, 'on' | 'off'>;
  condition: Record<string, { because: string; event: string } | null>;
  check: Record<string, CheckEntry>;
  /** `round function` -> what the device measured of it, the last time. */
  measured: Record<string, Measured & { seq: number }>;
  /** connector or slot id -> number in the log of its last movement. */
  touched: Record<string, number>;
  /** `step target` -> done, for the adopted route. */
  progress: Record<string, 1>;
  question: Record<string, QuestionEntry | null>;
  mark: Record<
    string,
    { side: string; x: number; y: number; kind: string; severity?: number; note?: string } | null
  >;
  consent: Record<string, string>;
  /** What the owner answered where a consent asks for more than yes: `back`, a limit in minor units. */
  answer: Record<string, string>;
  /** consent -> id of the name or signature that it was given with. */
  signature: Record<string, string>;
  symptom: Record<string, 1>;
  test: Record<string, TestEntry>;
  /** photograph id -> the mark it shows, `@` and a thing of the device, or `` for the whole device. */
  photo: Record<string, string>;
  /** slot -> the part chosen for it, as it was then. */
  part: Record<string, PartEntry>;
  remedy: Record<string, string>;
  stray: Record<string, 'inside' | 'removed'>;
  /** piece id of a screw -> what it was measured to be. */
  spec: Record<string, ScrewSpec>;
  /** `kind thing` -> trouble that stands, null once it has ended. */
  trouble: Record<string, { note?: string; by: string; seq: number } | null>;
  /** event id -> a note about a thing. */
  note: Record<string, NoteEntry>;
  /** `assembly/part` -> what becomes of a piece on an assembly that is replaced. */
  transfer: Record<string, string>;
  /** What was last said of a thing (`piece C3#1`, `connector cell`), by whom and where in the log. */
  account: Record<string, { seq: number; by: string; value: string }>;
  enrolment: Record<string, 'made' | 'removed'>;
  /** What was enrolled -> how often it has unlocked since, and whether it did after a knock. */
  unlocked: Record<string, { plain: number; knocked: boolean }>;
  data: Record<string, 'read' | 'written' | 'declined' | 'unverified'>;
  /** slot -> work under the microscope at it. */
  rework: Record<string, ReworkEntry>;
  /** `slot side` -> what was seen of the chip's pads. */
  pads: Record<string, Readonly<Record<string, PadState>>>;
  /** `act target` -> number in the log: acts of the route that change no piece. */
  acted: Record<string, number>;
  task: Record<string, string>;
  /** bond -> when its glue has set, ms. */
  curing: Record<string, { until: number; clockKnown: boolean }>;
  /** `rim`, or the bond of another seal -> what is still to be seen to before one is laid. */
  rimDue: Record<string, readonly RimPart[]>;
  /** What was looked at before the device is given back -> by whom. */
  handed: Record<string, string>;
  /** bond -> the glue or seal that was laid there last, when, and its times in s; none where nobody has its sheet. */
  laid: Record<string, LaidGlue & { at: number; clockKnown: boolean }>;
  /** event id -> type of an entry that this version does not understand. */
  unread: Record<string, string>;
  /** Single values: see `Flags`. */
  flag: Record<string, unknown>;
}
export interface Flags {
  modelHash: string;
  variant: string;
  tag: string;
  complaint: string;
  promisedAt: number | null;
  promisedAs: string;
  received: true;
  routeHash: string;
  /** Number in the log of the route in force. */
  adoptedAt: number;
  /** Heat running: station and the bench time at which it is due to end, ms. */
  heat: {
    station: string;
    since: number;
    until: number;
    clockKnown: boolean;
    /** As computed when it began. */
    setC?: number;
    opensAt?: number;
    closesAt?: number;
    softForS?: number;
    /** By so many readings at the glass these have been moved since; then no opening means that no time is right. */
    readings?: number;
    /** The source has not been warm since then: no time counts. */
    coldSince?: number;
  } | null;
  /** The times on heat sources so far, and what was read at the glass, the last ones; from when to when, ms. */
  soaks: { station: string; setC?: number; from: number; to: number | null }[];
  glass: { at: number; celsius: number; again?: true }[];
  /** Something that runs by itself after an act: a press, a glue, a leak test. */
  hold: { what: string; target: string; since: number; until: number; clockKnown: boolean } | null;
  /** The last soak: when and where in the log it ended, how long it was given and how long it was meant to be, s. */
  heatEndedAt: {
    at: number;
    clockKnown: boolean;
    seq: number;
    station: string;
    gaveS: number;
    /** What it had to be on for at least, s. */
    ofS: number;
    softForS?: number;
  };
  solventAt: { at: number; until: number; clockKnown: boolean };
  /** A new part on its plugs to be tried, and what has been plugged in for it. */
  trial: { slot: string; connectors: string[] } | null;
  /** What was asked and seen at the counter about the phone itself. */
  /** The charge that was seen at the bench last, percent. */
  chargeSeen: number;
  phone: { charge?: number; backup: Known; locked: Known; displayOriginal: boolean };
  /** The device's system version, and whether it is a pre-release. */
  system: { version: string; preRelease: boolean };
  /** The last leak test: what it said and where in the log. */
  leak: Omit<BodyOf<'leakTested'>, 'type'> & { seq: number };
  rimClean: boolean;
  seal: 'applied' | 'none';
  liner: 'on' | 'off';
  unsealed: string | null;
  /** Number in the log of the last closing of the device. */
  closedAt: number;
  /** What the technician found to be the fault. */
  cause: { id: string; because: string } | null;
  quote: QuoteEntry;
  /** Who works on it, and at which bench. */
  worker: { by: string; bench: string; at: number };
  ending: Ending;
}
export type TableName = keyof Tables;
/** Without a third element the key was not there before: `undefined` would not survive JSON. */
export type Undo =
  | [table: TableName, key: string]
  | [table: TableName, key: string, before: string | number | boolean | object | null];

/** An event that still counts, with what it changed; the last one is the one that may be taken back. */
export interface TrailEntry {
  event: string;
  by: string;
  type: string;
  undo: Undo[];
}
export interface JobState extends Tables {
  /** Number of the last event folded in; 0 for an empty job. */
  seq: number;
  /** Id of the last event folded in; empty for an empty job. */
  lastId: string;
  /** Bench time of the last event, ms. */
  lastAt: number;
  trail: TrailEntry[];
  /** Kept when an event is taken back: who took what back. */
  retracted: Record<string, { by: string; seq: number }>;
}

export const tableNames = [
  'met',
  'place',
  'pose',
  'connector',
  'bond',
  'catch',
  'film',
  'mask',
  'condition',
  'check',
  'measured',
  'touched',
  'progress',
  'question',
  'mark',
  'consent',
  'answer',
  'signature',
  'symptom',
  'test',
  'photo',
  'part',
  'remedy',
  'stray',
  'spec',
  'trouble',
  'note',
  'transfer',
  'account',
  'enrolment',
  'unlocked',
  'data',
  'rework',
  'pads',
  'acted',
  'task',
  'curing',
  'laid',
  'handed',
  'rimDue',
  'unread',
  'flag',
] as const satisfies readonly TableName[];

/** A table without prototype: no id, not even `constructor`, is in it before it was put there. */
export const bare = <T extends object>(table: T): T => Object.assign(Object.create(null), table) as T;

/** A job of which nothing is known yet. */
export function empty(): JobState {
  const tables = Object.fromEntries(tableNames.map((t) => [t, bare({})])) as unknown as Tables;
  return { ...tables, seq: 0, lastId: '', lastAt: 0, trail: [], retracted: {} };
}

/** One single value of the job, undefined while nothing is known of it. */
export function flag<K extends keyof Flags>(state: JobState, key: K): Flags[K] | undefined {
  return state.flag[key] as Flags[K] | undefined;
}
