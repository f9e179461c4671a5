import {
  faces,
  drives,
  slotKinds,
  bondKinds,
  catchKinds,
  directions,
  releaseMeans,
  conditions,
  functionIds,
} from '../vocabulary/trade';
import { z } from 'zod';
import { methodIds } from '../methods/methods';
import { materialIds } from '../thermal/materials';

/**
 * The open file format of a device model: `format: "snavek.model"`, `version: 1`.
 * Every length is in millimetres in the device's own frame: the origin is the top left corner of the
 * outline seen from the display side, x to the right, y down. Things on the back keep these
 * coordinates (they are seen through the device); the map mirrors them when the device is turned over.
 * Prices are integer minor units of the workshop's currency.
 */

const id = z
  .string()
  .regex(
    /^[A-Za-z][A-Za-z0-9-]{0,39}$/,
    'expected a letter, then letters, digits or hyphens, 40 characters at most',
  );
const mm = z.number().min(0).max(400);
const text = z.string().min(1).max(300);
const price = z.int().min(0).max(100_000_00);
const chance = z.number().min(0).max(1);

const minutes = z
  .strictObject({ low: z.number().min(0), likely: z.number().min(0), high: z.number().min(0) })
  .refine((m) => m.low <= m.likely && m.likely <= m.high, 'expected low <= likely <= high');
const risk = z.strictObject({ what: text, chance, cost: price });
const consumed = z.strictObject({ item: id, quantity: z.number().positive() });

const rect = z.strictObject({ x: mm, y: mm, w: mm.min(0.2), h: mm.min(0.2), r: mm.default(1) });
const point = z.strictObject({ x: mm, y: mm });

/** When a way or a release is out of the question: by condition, by house method, or for want of a station. */
const guard = z
  .strictObject({
    unless: z.array(z.enum(conditions)).default([]),
    methods: z.partialRecord(z.enum(methodIds), z.array(text).min(1)).default({}),
    station: id.optional(),
  })
  .prefault({});

/** What a way out needs before its gesture: poses of other slots and the things that hold this one. */
const way = z.strictObject({
  id,
  to: z.enum(['folded', 'shifted', 'out']),
  needs: z.array(z.strictObject({ slot: id, pose: z.enum(['folded', 'shifted', 'out']) })).default([]),
  fasteners: z.array(id).default([]),
  connectors: z.array(id).default([]),
  bonds: z.array(id).default([]),
  catches: z.array(id).default([]),
  gesture: z.enum(['lift', 'lift-lip', 'swing', 'slide', 'pull', 'peel', 'push-out', 'shift']),
  angleDeg: z.number().min(0).max(180).optional(),
  towards: z.enum(['left', 'right', 'top', 'bottom']).optional(),
  shiftMm: mm.optional(),
  note: text.optional(),
  minutes,
  risks: z.array(risk).default([]),
  consumables: z.array(consumed).default([]),
  tools: z.array(id).default([]),
  guard,
});

/** How a piece goes back: not only the reverse of the way out. */
const install = z.strictObject({
  after: z.array(id).default([]),
  under: z.array(id).default([]),
  note: text.optional(),
  lipFirst: z.enum(['left', 'right', 'top', 'bottom']).optional(),
  angleDeg: z.number().min(0).max(90).optional(),
  flexRuns: text.optional(),
  pressS: z.number().min(0).optional(),
  side: z.enum(['inside', 'outside']).default('inside'),
  minutes,
});

const slot = z.strictObject({
  id,
  name: text,
  kind: z.enum(slotKinds),
  label: z.string().max(24).optional(),
  carrier: id.optional(),
  face: z.enum(faces),
  layer: z.int().min(0).max(99),
  shape: rect,
  /** Stored: what it hides although geometry alone does not say so. */
  covers: z.array(id).default([]),
  /** Stored: what stays reachable although it lies inside the shape and deeper (an opening in the piece). */
  leavesFree: z.array(id).default([]),
  /** The least pose in which everything under it can be reached. */
  uncoversAt: z.enum(['folded', 'shifted', 'out']).default('out'),
  /** Slots whose pieces come fitted on a new one of this. */
  arrivesWith: z.array(id).default([]),
  /** The larger assembly that can be replaced in its stead (glass: the display; bonded back: the frame). */
  partOf: id.optional(),
  films: z.array(text).default([]),
  traits: z.array(z.enum(['magnetic', 'tacky', 'fragile', 'swells', 'heat-sensitive', 'laser'])).default([]),
  price: price.default(0),
  functions: z.array(z.enum(functionIds)).default([]),
  ways: z.array(way).max(12),
  install: install.optional(),
});

const fastener = z.strictObject({
  id,
  name: text,
  at: point,
  face: z.enum(faces),
  layer: z.int().min(0).max(99),
  kind: z.enum(['screw', 'standoff']).default('screw'),
  drive: z.enum(drives),
  lengthMm: z.number().positive().max(20),
  headMm: z.number().positive().max(10),
  thread: z.string().regex(/^M\d(\.\d)?(x0\.\d+)?$/, 'expected a metric thread such as M1.2'),
  threadLock: z.boolean().default(false),
  torqueNcM: z.number().positive().optional(),
  maxLengthMm: z.number().positive().optional(),
  holds: z.array(id).min(1),
  standsOn: id.optional(),
  clearanceMm: mm.optional(),
  /** What a table of screws had beside what a screw has here. */
  extra: z.record(z.string().min(1).max(40), z.string().max(200)).optional(),
});

const connector = z.strictObject({
  id,
  name: text,
  joins: z.tuple([id, id]),
  at: point,
  face: z.enum(faces),
  layer: z.int().min(0).max(99),
  widthMm: mm,
  carries: z.enum(['power', 'signal']),
  press: z.enum(['ends', 'middle', 'straight']).default('straight'),
  functions: z.array(z.enum(functionIds)).default([]),
});

const bond = z.strictObject({
  id,
  name: text,
  kind: z.enum(bondKinds),
  holds: z.array(id).min(1),
  face: z.enum(faces),
  layer: z.int().min(0).max(99),
  shape: rect,
  /** In order of preference; the planner takes the first that no interlock forbids. */
  release: z
    .array(
      z.strictObject({
        by: z.enum(releaseMeans),
        handsS: z.number().min(0),
        waitS: z.number().min(0).default(0),
        station: id.optional(),
        tools: z.array(id).default([]),
        maxDelayS: z.number().positive().optional(),
        angleMaxDeg: z.number().min(0).max(90).optional(),
        note: text.optional(),
        risks: z.array(risk).default([]),
        guard,
      }),
    )
    .min(1),
  tornThen: z.enum(['solvent', 'heat', 'cut']).default('solvent'),
  renewedBy: z.array(consumed).default([]),
  /** What is used instead where the house method is tape. */
  orTape: z.array(consumed).default([]),
  renewNote: text.optional(),
  renewS: z.number().min(0).default(60),
  cureS: z.number().min(0).default(0),
  /** It may be laid with a glue that sets under a UV lamp: light reaches all of it. */
  setsByLight: z.boolean().default(false),
});

const catcher = z.strictObject({
  id,
  name: text,
  kind: z.enum(catchKinds),
  holds: z.array(id).min(1),
  at: point,
  face: z.enum(faces),
  layer: z.int().min(0).max(99),
  direction: z.enum(directions),
  note: text.optional(),
});

const item = z.strictObject({
  id,
  name: text,
  unit: z.string().max(12).default('piece'),
  price: price.default(0),
});

const noGo = z.strictObject({
  edge: z.enum(['left', 'right', 'top', 'bottom']),
  fromMm: mm,
  toMm: mm,
  depthMm: mm,
  why: text,
});

const bootRule = z.strictObject({
  systemFrom: z.string().max(12).optional(),
  connectors: z.array(id).min(1),
  otherwise: text,
  /** What rides on an old assembly can be plugged in while that lies beside the device: a new one is tried out of its bag. */
  reachesFromOld: z.boolean().default(false),
});

/** What happens to a function when another piece sits in the slot, and what can be done about it. */
const pairing = z.strictObject({
  slot: id,
  function: z.enum(functionIds),
  effect: z.enum(['kept', 'copy', 'calibrate', 'notice', 'lost']),
  store: z.enum(['panel-flex', 'chip', 'board', 'none']).default('none'),
  systemFrom: z.string().max(12).optional(),
  owner: text,
  remedy: text.optional(),
});

/** Identity data of a slot's pieces that a bench programmer reads and writes; a slot without a row is not covered. */
const programming = z.strictObject({
  slot: id,
  /** What the part is plugged into; neighbouring generations may share one. */
  adapter: text,
  /** It has a mode for third-party parts. */
  thirdParty: z.boolean().default(false),
});

/** A layer through the device, from the face that is warmed inwards. */
const stackLayer = z.strictObject({
  name: z.string().min(1).max(24),
  material: z.enum(materialIds),
  thicknessMm: z.number().min(0.01).max(20),
});
/** What heat goes through: at the rim down to the frame behind the seal, and over the cell. */
const stack = z.strictObject({
  edge: z
    .array(stackLayer)
    .min(2)
    .max(10)
    .refine((layers) => layers.some((l) => l.material === 'adhesive'), 'expected a layer of adhesive'),
  cell: z
    .array(stackLayer)
    .min(2)
    .max(10)
    .refine((layers) => layers.some((l) => l.material === 'cell'), 'expected a layer that is the cell'),
});

/** A chip that can be moved: its ball field as one looks at the balls, what of it carries nothing, and what lies near. */
const chip = z.strictObject({
  id,
  name: text,
  /** The part that it sits on. */
  slot: id,
  widthMm: z.number().min(0.5).max(40),
  heightMm: z.number().min(0.5).max(40),
  thicknessMm: z.number().min(0.1).max(5),
  /** A row of `1` for a ball and `0` for none, each as long as the others; the corner mark is at the first of the first. */
  pattern: z
    .array(z.string().regex(/^[01]{1,60}$/, 'expected 0 and 1 only, 60 at most'))
    .min(1)
    .max(60),
  pitchMm: z.number().min(0.1).max(3),
  ballMm: z.number().min(0.05).max(2),
  /** Pads that carry nothing, by their names: A1 is at the corner mark. */
  unconnected: z.array(z.string().regex(/^[A-Y]{1,2}\d{1,2}$/, 'expected a pad such as A1')).default([]),
  underfill: z.boolean().default(false),
  /** What the flex under it and the panel behind bear, C. */
  flexC: z.number().min(60).max(400),
  panelC: z.number().min(40).max(200),
});

// no phone has more; a file that says so is damaged, and is not worked on for minutes
const parts = {
  slots: z.array(slot).max(300),
  fasteners: z.array(fastener).max(400),
  connectors: z.array(connector).max(150),
  bonds: z.array(bond).max(200),
  catches: z.array(catcher).max(200),
  noGo: z.array(noGo).max(100),
  pairing: z.array(pairing).max(300),
};

const variant = z.strictObject({
  id,
  name: text,
  remove: z.array(id).default([]),
  add: z
    .strictObject({
      slots: parts.slots.default([]),
      fasteners: parts.fasteners.default([]),
      connectors: parts.connectors.default([]),
      bonds: parts.bonds.default([]),
      catches: parts.catches.default([]),
    })
    .prefault({}),
  replace: z
    .strictObject({
      slots: parts.slots.default([]),
      fasteners: parts.fasteners.default([]),
      connectors: parts.connectors.default([]),
      bonds: parts.bonds.default([]),
      catches: parts.catches.default([]),
    })
    .prefault({}),
});

export const deviceModelSchema = z.strictObject({
  format: z.literal('snavek.model'),
  version: z.literal(1),
  id,
  maker: text,
  name: text,
  generation: z.int().min(1).max(99).default(1),
  outline: z.strictObject({
    widthMm: mm.min(30),
    heightMm: mm.min(60),
    thicknessMm: z.number().min(3).max(30),
    cornerMm: mm,
  }),
  hinge: z.enum(['left', 'right', 'top', 'bottom', 'none']),
  openMaxDeg: z.number().min(0).max(180).default(90),
  pickDepthMm: z.number().min(0).max(3).default(3),
  /** Left out, what is usual for a device of its thickness is taken. */
  stack: z.partialRecord(z.enum(faces), stack).optional(),
  ...parts,
  noGo: parts.noGo.default([]),
  pairing: parts.pairing.default([]),
  programming: z.array(programming).max(50).default([]),
  /** Needs of its ways that somebody has confirmed: part, way and thing. */
  said: z.array(z.string().max(130)).max(2000).optional(),
  /** Left out where no chip of it is moved. */
  chips: z.array(chip).max(40).optional(),
  catches: parts.catches.default([]),
  bootRules: z.array(bootRule).default([]),
  items: z.array(item),
  tools: z.array(item),
  stations: z.array(item),
  shortList: z.array(z.enum(functionIds)).min(1),
  variants: z.array(variant).min(1).max(12),
});

export type DeviceModel = z.output<typeof deviceModelSchema>;
export type Slot = DeviceModel['slots'][number];
export type Way = Slot['ways'][number];
export type Fastener = DeviceModel['fasteners'][number];
export type Connector = DeviceModel['connectors'][number];
export type Bond = DeviceModel['bonds'][number];
export type Catch = DeviceModel['catches'][number];
export type Variant = DeviceModel['variants'][number];
export type Chip = NonNullable<DeviceModel['chips']>[number];
export type Pairing = DeviceModel['pairing'][number];
export type Minutes = z.output<typeof minutes>;

/** What each list of a model holds, for whoever reads one thing of it. */
export const thingSchemas = {
  slots: slot,
  fasteners: fastener,
  connectors: connector,
  bonds: bond,
  catches: catcher,
} as const;
