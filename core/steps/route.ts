import type { HeatOfStations, PlannedSoak } from '../heat/planned-soak';
import type { Glues } from '../seal/glue';
import type { LaidGlue } from '../log/events';
import type { Phase, StepAction, Caution } from '../vocabulary/steps';
import type { Round, Task } from '../log/events';
import type { Methods } from '../methods/methods';
import type { Minutes } from '../model/schema';
import type { Condition, Drive, Face } from '../vocabulary/trade';
import type { Effect } from '../pairing/effects';
import type { Remedy } from '../pairing/remedies';

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
  /** A plug that is moved only to try the new part of this slot. */
  trial?: string;
  /** Screws of a new set go in, not those that came out. */
  fresh?: true;
  /** What comes fitted on it; `screw:` stands before what sits in a hole. */
  brings?: string[];
  round?: Round;
  /** A check in short form: only what has moved since. */
  short?: true;
  station?: string;
  tools: string[];
  handsS: Minutes;
  waitS: number;
  /** Seconds that the device rests before it: cooling before solvent, flashing off before heat. */
  restS?: number;
  /** Of a soak: how warm the source is set, and from when to when the device may be taken off it, s. */
  soak?: Omit<PlannedSoak, 'waitS'>;
  maxDelayS?: number;
  /** Ids of what this makes possible, nearest first. */
  why: string[];
  cautions: Caution[];
  note?: string;
  /** Glue or seal that is laid, as the workshop's sheet has it in its room: how long it stays open, from when it has its whole strength, s. */
  glue?: LaidGlue;
  /** What this step uses up. */
  uses?: { item: string; quantity: number }[];
  /** Where it is known, of all its screws. */
  torqueNcM?: number;
  /** How a piece goes in: lip first, at an angle; which way its flex runs. */
  lipFirst?: 'left' | 'right' | 'top' | 'bottom';
  angleDeg?: number;
  flexRuns?: string;
  /** For a test: the connectors that must be on for a picture. */
  connectors?: string[];
}
export interface Kit {
  bits: Drive[];
  tools: string[];
  stations: string[];
  /** Slots that need another piece. */
  parts: string[];
  consumables: { item: string; quantity: number }[];
}
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
  /** Acts done to the device as it stands open now, as `act target`. */
  acted: string[];
  /** What has become of identity data, by slot. */
  data: Record<string, string>;
  rimClean: boolean;
  sealed: boolean;
  linerOff: boolean;
  midPassed: boolean;
  /** Films still on new pieces that are in already. */
  filmsOn: string[];
  /** Optics that are masked. */
  masksOn?: string[] | undefined;
  /** The cover that has moved last, of a device that has not been closed since. */
  openCover?: string | undefined;
  /** A new part is on its plugs to be tried, and what is plugged in for it. */
  trial?: { slot: string; connectors: string[] } | undefined;
}
export const asItCame: Standing = {
  fastenersOut: [],
  connectorsOff: [],
  bondsOpen: [],
  bondsRenewed: [],
  catchesFree: [],
  moved: [],
  done: [],
  aside: [],
  acted: [],
  data: {},
  rimClean: false,
  sealed: false,
  linerOff: false,
  midPassed: false,
  filmsOn: [],
};

export interface RouteInput {
  model: string;
  variant: string;
  methods: Methods;
  conditions: Condition[];
  tasks: Task[];
  standing: Standing;
  /** Minor units of money for an hour of hands. */
  hourlyRateMinor: number;
  /** Ids of the stations that the workshop owns. */
  stations: string[];
  /** How its heat sources are set, and what it has measured of them. */
  heat?: HeatOfStations;
  /** Ids of the models that its seal press has a plate for; left out, one that does for all. */
  pressPlates?: string[];
  /** The sheets of its glues, and how warm its room is. */
  glues?: Glues;
  /** Ways that the technician insists on: pose (`ear-speaker@out`) to the id of a way. */
  force: Record<string, string>;
  /** What was chosen about the identity of new parts, by slot. */
  remedies: Record<string, Remedy>;
  /** The device's system version; absent while it is not known. */
  system?: string;
  /** What new assemblies bring, by slot, where it is not what the model says. */
  arrives?: Record<string, string[]>;
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
  /** What may break on the chosen way, with its chance and price in minor units; `cost.risk` is their sum of chance times price. */
  risks: { what: string; chance: number; cost: number }[];
  changes: number;
  turnings: number;
  /** Brackets whose screws are taken in more than one go. */
  splits: number;
  /** The ways that were chosen, and what else there was. */
  choices: Choice[];
  /** What was minimised, minor units: ways, bit changes and turnings together. */
  searched: number;
  /** No way and no order can be cheaper than this; equal to `searched` when optimal. */
  lowerBound: number;
  /** No order of any way has fewer changes and turnings together than this. */
  leastMoves: number;
  optimal: boolean;
  effects: Effect[];
  /** Functions that will be due after closing. */
  checks: string[];
}
/** One piece that could come away in more than one way. */
export interface Choice {
  /** `ear-speaker@out`. */
  fact: string;
  slot: string;
  pose: 'folded' | 'shifted' | 'out';
  forced: boolean;
  options: {
    way: string;
    chosen: boolean;
    note?: string;
    /** What the whole choice of ways costs with this one, against the chosen: minutes of hands and minor units. Absent where there is no way. */
    against?: { minutes: number; risk: number; consumables: number; total: number };
  }[];
}
export type Infeasible = {
  infeasible: true;
  because: { code: 'no way' | 'unknown slot' | 'cycle'; ids: string[] }[];
};
export type RouteResult = Route | Infeasible;
