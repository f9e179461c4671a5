import type { Round, Task } from '../job/events';
import type { Condition, Drive, Face, Minutes } from '../model/schema';
import type { Effect } from '../pairing/effects';

export const phases = ['Open', 'Strip', 'Swap', 'Refit', 'Prove'] as const;
export type Phase = (typeof phases)[number];
export const stepActions = [
  'heat', 'solvent', 'release', 'unscrew', 'disconnect', 'unhook', 'move', 'set aside', 'film off', 'renew', 'fit',
  'connect', 'fasten', 'check', 'clean rim', 'apply seal', 'liner off', 'close',
] as const;
export type StepAction = (typeof stepActions)[number];

/** Cautions are codes; the interface words them. */
export type Caution =
  | 'heat-window' | 'heat-near-cell' | 'solvent-away-from-heat' | 'solvent-ventilate' | 'depth' | 'no-go-edges' | 'swollen-poke' | 'swollen-container'
  | 'cell-no-metal' | 'cell-no-bend' | 'strip-flat' | 'long-screw' | 'live-board' | 'press-ends' | 'fragile' | 'heat-sensitive' | 'laser' | 'glass' | 'static' | 'charge-low';

export interface Step {
  id: string;
  phase: Phase;
  action: StepAction;
  /** Fasteners, connectors, a slot, a bond, films; or `start` and `end` for heat. Never empty. */
  targets: string[];
  /** The piece that this is about, for the words: the bracket whose screws these are. */
  about?: string;
  bit?: Drive;
  face: Face;
  pose?: 'in' | 'folded' | 'shifted' | 'out';
  /** The piece that goes in, where another one than came out. */
  piece?: string;
  round?: Round;
  /** A check in short form: only what has moved since. */
  short?: true;
  station?: string;
  tools: string[];
  handsS: Minutes;
  waitS: number;
  maxDelayS?: number;
  /** Ids of what this makes possible, nearest first. */
  why: string[];
  cautions: Caution[];
  note?: string;
}
export interface Kit {
  bits: Drive[];
  tools: string[];
  stations: string[];
  /** Slots that need another piece. */
  parts: string[];
  consumables: { item: string; quantity: number }[];
}
export interface Methods {
  softening: 'heat' | 'solvent';
}
export const defaultMethods: Methods = { softening: 'heat' };

/** Where a device stands: what a job's state says, or nothing for a device as it came. */
export interface Standing {
  fastenersOut: string[];
  connectorsOff: string[];
  bondsOpen: string[];
  /** Bonds already renewed and not to be renewed again. */
  bondsRenewed: string[];
  catchesFree: string[];
  moved: { slot: string; pose: 'folded' | 'shifted' | 'out' }[];
  /** Slots whose task is done: the new piece has been in since. */
  done: string[];
  /** Slots whose old piece already lies aside. */
  aside: string[];
  rimClean: boolean;
  sealed: boolean;
  linerOff: boolean;
  midPassed: boolean;
}
export const asItCame: Standing = { fastenersOut: [], connectorsOff: [], bondsOpen: [], bondsRenewed: [], catchesFree: [], moved: [], done: [], aside: [], rimClean: false, sealed: false, linerOff: false, midPassed: false };

export interface RouteInput {
  model: string;
  variant: string;
  methods: Methods;
  conditions: Condition[];
  tasks: Task[];
  standing: Standing;
  /** Minor units of money for an hour of hands. */
  hourlyRateMinor: number;
}
export interface Route {
  hash: string;
  modelHash: string;
  variant: string;
  input: RouteInput;
  steps: Step[];
  kit: Kit;
  minutes: { hands: Minutes; wait: number };
  /** Minor units. */
  cost: { time: number; risk: number; consumables: number };
  changes: number;
  turnings: number;
  /** The least possible number of bit changes and turnings, in the money of the order; equal to what it costs when optimal. */
  lowerBound: number;
  optimal: boolean;
  effects: Effect[];
  /** Functions that will be due after closing. */
  checks: string[];
}
export type Infeasible = { infeasible: true; because: { code: 'no way' | 'unknown slot' | 'cycle'; ids: string[] }[] };
export type RouteResult = Route | Infeasible;
