import type { AlloyId } from './alloys';
import type { PadSide, PadState } from './pads';

export const reworkKinds = [
  'identity chip',
  'add-on flex',
  'conversion flex',
  'loose lens',
  'dead projector',
] as const;
export type ReworkKind = (typeof reworkKinds)[number];
/** Which of the two ways of the trade: little air for long, or more air for a short time. */
export const airSchools = ['300', '280'] as const;
export type AirSchool = (typeof airSchools)[number];

export const reworkStepIds = [
  'practise',
  'cell off',
  'save data',
  'insulate',
  'free flex',
  'clamp',
  'underfill',
  'lift',
  'tin',
  'wick',
  'wash',
  'wash again',
  'look at pads',
  'stencil',
  'loose balls',
  'settle balls',
  'flux',
  'place',
  'chip on flex',
  'wire flex',
  'liner',
  'cover',
  'seat flex',
  'try it',
  'close test',
  'mask lenses',
  'score window',
  'seat lens',
  'glue lens',
  'cure',
  'tap test',
  'close gap',
  'module test',
  'cut frame',
  'soften frame',
  'substitute',
  'module test again',
  'write data',
  'frame back',
  'solder frame',
  'enrol',
  'look at balls',
  'insulate new',
  'clamp new',
  'lift new',
  'tin new',
  'wick new',
  'wash new',
  'look at pads new',
  'plug in',
  'off again',
  'underfill back',
] as const;
export type ReworkStepId = (typeof reworkStepIds)[number];

/** What is on the part: hot air and iron warm it, a lamp sets glue. */
export const heatings = ['air', 'iron', 'lamp'] as const;

export interface ReworkStep {
  id: ReworkStepId;
  /** Hot air on it: as set, and how long by the trade's own telling, s; the profile says it for this chip. */
  air?: { setC: number; airPercent: number; distanceMm: number; leastS: number; mostS: number };
  /** An iron, C. */
  ironC?: number;
  /** Under a lamp, s. */
  lampS?: number;
  /** May be left out. */
  optional?: true;
  /** The joint melts here, and by what solder. */
  melts?: AlloyId;
  /** An opened projector: never looked into. */
  laser?: true;
  /** Which of two parts lies in the clamp, where a chip goes from one to the other. */
  at?: 'old part' | 'new part';
}

/** What the work is about. */
export interface ReworkSetting {
  kind: ReworkKind;
  school: AirSchool;
  /** The chip is set in underfill. */
  underfill: boolean;
  /** Of a stencil that fits; without one the balls are set one by one. */
  stencil: boolean;
  /** A part of the same kind is there that is thrown away. */
  practice: boolean;
  /** The chip goes to another part, which is worked at as well: its own chip comes off it. */
  newPart?: boolean;
}

/** Settings in use, retold from practitioners; a dial reading is one machine's, and is kept as such. */
const low = { setC: 300, airPercent: 10, distanceMm: 10 } as const;
const strong = { setC: 280, airPercent: 60, distanceMm: 10 } as const;
const lifting = (school: AirSchool): ReworkStep['air'] =>
  school === '280' ? { ...strong, leastS: 6, mostS: 10 } : { ...low, leastS: 60, mostS: 240 };
const ironC = 390;
const alone = (id: ReworkStepId): ReworkStep => ({ id });

function before({ kind, practice }: ReworkSetting): ReworkStep[] {
  return [
    ...(practice && kind !== 'loose lens' ? [{ id: 'practise', optional: true } as const] : []),
    alone('cell off'),
    ...(kind === 'loose lens' ? [] : [alone('save data')]),
  ];
}
function chipOff({ school, underfill }: ReworkSetting): ReworkStep[] {
  return [
    alone('insulate'),
    alone('free flex'),
    alone('clamp'),
    ...(underfill ? [{ id: 'underfill', air: { ...low, leastS: 60, mostS: 300 } } satisfies ReworkStep] : []),
    { id: 'lift', air: lifting(school)!, melts: 'lead-free' },
    { id: 'tin', ironC },
    { id: 'wick', ironC },
    alone('wash'),
    alone('look at pads'),
  ];
}
/** The chip of the new part makes room: less care for the chip, more for the flex. One with a free place or a carrier has none. */
const newPartOff = ({ school }: ReworkSetting): ReworkStep[] => [
  alone('insulate new'),
  alone('clamp new'),
  { id: 'lift new', air: lifting(school)!, melts: 'lead-free', optional: true },
  { id: 'tin new', ironC },
  { id: 'wick new', ironC },
  alone('wash new'),
  alone('look at pads new'),
];
/** Both parts are named at each step where there are two of them. */
const bothParts = (setting: ReworkSetting): ReworkStep[] =>
  setting.newPart
    ? [
        ...chipOff(setting).map((step) => ({ ...step, at: 'old part' as const })),
        ...newPartOff(setting).map((step) => ({ ...step, at: 'new part' as const })),
      ]
    : chipOff(setting);
const onNew = ({ newPart }: ReworkSetting): Pick<ReworkStep, 'at'> => (newPart ? { at: 'new part' } : {});
function balled({ stencil }: ReworkSetting): ReworkStep[] {
  const settle = { setC: 290, airPercent: 30, distanceMm: 15, leastS: 20, mostS: 60 };
  return [
    { id: stencil ? 'stencil' : 'loose balls', ...(stencil ? { air: settle, melts: 'low-melt' } : {}) },
    { id: 'settle balls', air: settle, melts: 'low-melt' },
    alone('look at balls'),
  ];
}
/** Tried with the device still open, and off again before anything else is done to it. */
const tried = (id: TrialStep): ReworkStep[] => [
  alone('plug in'),
  { id, ...(id === 'tap test' ? { laser: true } : {}) },
  alone('off again'),
];
const flexAir = { setC: 250, airPercent: 40, distanceMm: 10, leastS: 15, mostS: 90 } as const;
const plans: Record<ReworkKind, (setting: ReworkSetting) => ReworkStep[]> = {
  'identity chip': (setting) => [
    ...before(setting),
    ...bothParts(setting),
    ...balled(setting),
    { ...alone('flux'), ...onNew(setting) },
    {
      ...{ id: 'place', air: { ...lifting(setting.school)!, mostS: 120 }, melts: 'low-melt' },
      ...onNew(setting),
    },
    ...tried('try it'),
    // it holds the chip for good: only once it is known to work
    ...(setting.underfill ? [alone('underfill back')] : []),
    alone('close test'),
  ],
  'add-on flex': (setting) => [
    ...before(setting),
    ...bothParts(setting),
    ...balled(setting),
    { id: 'chip on flex', air: { ...strong, leastS: 6, mostS: 30 }, melts: 'low-melt' },
    // behind the pads before the iron comes near
    { ...alone('liner'), ...onNew(setting) },
    { id: 'wire flex', ironC, ...onNew(setting) },
    alone('wash again'),
    alone('cover'),
    ...tried('try it'),
    alone('close test'),
  ],
  'conversion flex': (setting) => [
    ...before(setting),
    alone('insulate'),
    { id: 'seat flex', air: flexAir, melts: 'low-melt' },
    { id: 'place', air: flexAir, melts: 'low-melt' },
    alone('wash'),
    ...tried('try it'),
    alone('close test'),
  ],
  'loose lens': (setting) => [
    ...before(setting),
    { id: 'mask lenses', laser: true },
    { id: 'score window', laser: true },
    { id: 'seat lens', laser: true },
    { id: 'glue lens', laser: true },
    { id: 'cure', lampS: 60, laser: true },
    ...tried('tap test'),
    alone('close gap'),
  ],
  'dead projector': (setting) => [
    ...before(setting).filter((step) => step.id === 'cell off'),
    alone('module test'),
    alone('save data'),
    { id: 'cut frame', laser: true },
    { id: 'soften frame', air: { ...flexAir, setC: 200, leastS: 8, mostS: 15 }, laser: true },
    { id: 'substitute', air: flexAir, melts: 'low-melt', laser: true },
    // its laser is safe behind its frame only: that is on before anything of it is powered
    { id: 'frame back', laser: true },
    { id: 'solder frame', ironC },
    alone('module test again'),
    alone('write data'),
    ...tried('enrol'),
  ],
};
/** The work as its steps, in order; each stands in it once. */
export const reworkPlan = (setting: ReworkSetting): ReworkStep[] => plans[setting.kind](setting);
/** The kinds of work that there are at a part. */
export function kindsFor(part: { kind: string; laser: boolean }): ReworkKind[] {
  if (part.kind === 'display' || part.kind === 'chip' || part.kind === 'panel')
    return ['identity chip', 'add-on flex', 'conversion flex'];
  return part.laser ? ['loose lens', 'dead projector'] : [];
}
/** What a piece of work is tried with, by its kind. */
export const trialOf = {
  'identity chip': 'try it',
  'add-on flex': 'try it',
  'conversion flex': 'try it',
  'loose lens': 'tap test',
  'dead projector': 'enrol',
} as const satisfies Record<ReworkKind, ReworkStepId>;
type TrialStep = (typeof trialOf)[ReworkKind];
/** What is done again when a trial failed: the joints are warmed once more, a lens is seated anew, and it is tried again. */
export const doneAgain: Record<ReworkKind, readonly ReworkStepId[]> = {
  'identity chip': ['flux', 'place', 'plug in', 'try it', 'off again'],
  'add-on flex': ['wire flex', 'wash again', 'cover', 'plug in', 'try it', 'off again'],
  'conversion flex': ['seat flex', 'place', 'wash', 'plug in', 'try it', 'off again'],
  'loose lens': ['seat lens', 'glue lens', 'cure', 'plug in', 'tap test', 'off again'],
  'dead projector': ['module test again', 'plug in', 'enrol', 'off again'],
};
/** A look at pads or balls, what it is about, and what is done again for those that will not do. */
export const looks: Partial<
  Record<ReworkStepId, { side: PadSide; again: readonly ReworkStepId[]; spoilt: readonly PadState[] }>
> = {
  'look at pads': { side: 'after', again: ['tin', 'wick', 'wash'], spoilt: ['oxidised'] },
  'look at pads new': { side: 'new', again: ['tin new', 'wick new', 'wash new'], spoilt: ['oxidised'] },
  'look at balls': { side: 'balls', again: ['settle balls'], spoilt: ['bridged', 'loose'] },
};
/** Steps after which a chip lies on its balls: none of them is bridged or loose before. */
export const needsBalls: ReadonlySet<ReworkStepId> = new Set(['flux', 'place', 'chip on flex']);
/** Steps that put pads right or look at them. */
export const mendsPads: ReadonlySet<ReworkStepId> = new Set([
  ...Object.entries(looks).flatMap(([look, { side, again }]) =>
    side === 'balls' ? [] : [look as ReworkStepId, ...again],
  ),
]);
/** Steps that power a part. */
export const powers: ReadonlySet<ReworkStepId> = new Set([
  'module test',
  'module test again',
  'save data',
  'write data',
  'plug in',
  'enrol',
  'try it',
]);
/** Steps after which a part's own data can no longer be read. */
export const breaksIn: ReadonlySet<ReworkStepId> = new Set(['cut frame', 'soften frame', 'substitute']);
/** Steps that leave alcohol on the part: it flashes off before heat. */
export const wetSteps: ReadonlySet<ReworkStepId> = new Set(['free flex', 'wash', 'wash again', 'wash new']);
/** Steps that warm the part: by air or by an iron. */
export const warms = (step: ReworkStep): boolean => step.air !== undefined || step.ironC !== undefined;
