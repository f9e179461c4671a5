import type { Act } from '../vocabulary/steps';
import type { z } from 'zod';
import type { bodySchema, laidGlue, markSchema, taskSchema } from './event-schema';

/**
 * What can happen to a job. A *fact* is something that has happened at the bench and is always recorded;
 * a *gate* is something that may be refused. `gates` below says which is which.
 * An event is one of these bodies with its envelope (who, when, which number in the log).
 */
export const markKinds = [
  'crack',
  'shattered glass',
  'missing glass',
  'dent',
  'bent frame',
  'panel standing proud',
  'liquid mark',
  'foreign screw',
  'stripped head',
  'earlier glue',
  'missing magnet',
  'earlier repair',
  'dust',
  'liquid indicator changed',
  'hairline',
] as const;
export const markSides = ['front', 'back', 'frame'] as const;
/** 1 = cosmetic, 2 = plain, 3 = it goes on breaking or it cuts. */
export const severities = [1, 2, 3] as const;
/** Where a part came from. */
export const provenances = ['new original', 'pulled', 'reclaimed', 'third party A', 'third party B'] as const;
/** Whether a donor part is free of a former owner's account. */
export const releases = ['not needed', 'proof seen', 'locked'] as const;
/** What is asked at the counter about the phone itself, where nobody may know. */
export const known = ['yes', 'no', 'unknown'] as const;
export type Known = (typeof known)[number];
/** Who says yes. */
export const consentBy = ['owner', 'for the owner'] as const;
export const advices = ['repair', 'repair partly', 'replace', 'decline'] as const;
/** What went wrong with one thing at the bench. */
export const troubleKinds = [
  'stripped head',
  'stuck',
  'bad thread',
  'broken',
  'wrong part',
  'not as the model says',
] as const;
export type TroubleKind = (typeof troubleKinds)[number];
/** What becomes of a piece that sits on an assembly which is replaced. */
export const transferOutcomes = ['move over', 'on the new one', 'keep', 'scrap', 'return'] as const;
export type TransferOutcome = (typeof transferOutcomes)[number];
/** What can be enrolled for a test, and is removed again. */
export const enrolments = ['face', 'finger'] as const;
export const rounds = ['before', 'mid', 'after'] as const;
export const checkResults = ['works', 'fails', 'untested', 'same'] as const;
/** How work at a chip or an optic ended. */
export const reworkOutcomes = ['works', 'part lost', 'given up', 'notice stays'] as const;
/** What a trial under the microscope comes to. */
export const trialOutcomes = ['works', 'notice stays', 'fails'] as const;
export const endings = ['handed over', 'declined', 'abandoned'] as const;
export const taskActions = ['replace', 'move', 'inspect', 'rework', 'reach', 'reseat'] as const;
export const holds: ReadonlySet<string> = new Set<Act>(['press', 'cure', 'leak test', 'laser']);
/** Units of a leak tester's reading. */
export const pressureUnits = ['Pa', 'hPa', 'kPa', 'mbar', 'bar'] as const;
export const asidePlaces = ['recycling', 'owner', 'supplier', 'stock', 'scrap'] as const;

export type Body = z.output<typeof bodySchema>;
export type BodyType = Body['type'];
export type BodyOf<T extends BodyType> = Extract<Body, { type: T }>;
export type LaidGlue = z.output<typeof laidGlue>;
export type Mark = z.output<typeof markSchema>;
export type Task = z.output<typeof taskSchema>;
export type Round = (typeof rounds)[number];
export type CheckResult = (typeof checkResults)[number];
export type Ending = (typeof endings)[number];
export type Provenance = (typeof provenances)[number];
export type Released = (typeof releases)[number];
export type Advice = (typeof advices)[number];

/** Types that can always be refused; see `isGate` for the rest. Everything else is a fact. */
export const gates: ReadonlySet<BodyType> = new Set<BodyType>([
  'conditionCleared',
  'received',
  'routeAdopted',
  'heatStarted',
  'solventApplied',
  'sealApplied',
  'deviceClosed',
  'dataWritten',
  'jobClosed',
  'retracted',
  'stepPassed',
  'testBegun',
  'partChosen',
  'substituted',
  'reworkBegun',
  'reworkHeatStarted',
]);
/** Whether a body asks to pass a gate. Putting a device under the press is one; the other acts have happened when they are reported. */
export const isGate = (body: Body): boolean =>
  gates.has(body.type) || (body.type === 'acted' && body.act === 'press' && body.target.endsWith(':start'));
/** What only a decision writes: nobody reports that a rule was overridden, it follows from a reason that was taken. */
export const onlyDecided: ReadonlySet<BodyType> = new Set<BodyType>(['overridden']);
/** Gates that a bench may not pass on its own copy: they wait for the server. */
export const needsServer: ReadonlySet<BodyType> = new Set<BodyType>([
  'conditionCleared',
  'dataWritten',
  'jobClosed',
  'received',
  'routeAdopted',
  'partChosen',
  'partDropped',
  'substituted',
]);

export type FinalBecause =
  | 'first'
  | 'heat given'
  | 'data written'
  | 'signed'
  | 'stock moved'
  | 'closed'
  | 'audit';
/** What cannot be taken back, with the reason as a code that the interface words. */
export const final: ReadonlyMap<BodyType, FinalBecause> = new Map([
  ['opened', 'first'],
  ['received', 'signed'],
  ['heatStarted', 'heat given'],
  ['heatEnded', 'heat given'],
  ['dataWritten', 'data written'],
  ['consentGiven', 'signed'],
  ['partChosen', 'stock moved'],
  ['partDropped', 'stock moved'],
  ['substituted', 'stock moved'],
  ['conditionCleared', 'signed'],
  ['jobClosed', 'closed'],
  ['retracted', 'audit'],
  ['reworkHeatStarted', 'heat given'],
  ['corrected', 'audit'],
  ['overridden', 'audit'],
  ['heatWindowFitted', 'audit'],
  ['sourceRead', 'audit'],
  ['answered', 'audit'],
  ['truthNamed', 'audit'],
]);

/** The version of these bodies; older ones are lifted by `upcast`. */
export const eventVersion = 3;

export interface Breach {
  rule: string;
  ids: string[];
  /** Two accounts of one thing that cannot both be true: who said what. */
  claims?: Claim[];
}
export interface Claim {
  by: string;
  value: string;
}
/** One line of a job's log. `at` is the bench's clock corrected by the server's offset, in ms since 1970 UTC. */
export interface JobEvent {
  id: string;
  seq: number;
  v: number;
  by: string;
  at: number;
  clockKnown: boolean;
  body: Body;
  /** The step of the adopted route that this did, and the target in it. */
  step?: string;
  target?: string;
  /** Rules that a fact broke; each becomes a question that must be answered. */
  breach?: Breach[];
  /** For a gate: the number in the log that it was decided at. */
  decidedAt?: number;
}
