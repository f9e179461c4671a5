import type { SymptomId } from '../core/knowledge/symptoms';
import type { Mark, Provenance, Released, Task } from '../core/log/events';
import type { Role } from '../core/vocabulary/roles';

/** Slipway Phone Works, an invented repair counter in the ferry terminal of the invented harbour town Port Sellen. */
export const shop = {
  name: 'Slipway Phone Works',
  settings: {
    practiceModels: true,
    warrantyMonths: 6,
    hourlyRateMinor: 6000,
    currency: 'EUR',
    waits: { solventFlashS: 60, coolingS: 120 },
    methods: {},
    // invented: what a tester is set to is its maker's to say
    leakTester: { setPa: 20_000, holdS: 20, limitPaS: 2, referencePaS: 2 },
    glues: {
      roomC: 22,
      sheets: { 'perimeter-seal': { name: 'pre-cut seal', atC: 23, handlingS: 0, fullS: 86_400 } },
    },
    stations: [
      'hot-plate',
      'heat-mat',
      'dryer',
      'seal-press',
      'leak-tester',
      'microscope',
      'hot-air',
      'programmer',
      'glass-laser',
      'uv-lamp',
    ],
  },
};
export const people: { login: string; name: string; role: Role; bench: string }[] = [
  { login: 'ines', name: 'Ines', role: 'owner', bench: 'Counter' },
  { login: 'marek', name: 'Marek', role: 'lead', bench: 'Quay bench' },
  { login: 'tova', name: 'Tova', role: 'technician', bench: 'Ferry bench' },
  { login: 'bo', name: 'Bo', role: 'trainee', bench: 'Quay bench' },
];
export const sailings = ['10:20', '13:15', '17:00', '17:40', '21:05'];

export interface DemoJob {
  model: 'mica-4' | 'mica-9' | 'mica-9-wide' | 'dune-2' | 'dune-3' | 'sprig' | 'atlas';
  /** What is to be done; a cell where nothing is said. */
  tasks?: Task[];
  tag: string;
  owner: string;
  complaint: string;
  marks?: Omit<Mark, 'id'>[];
  /** Minutes before the demo starts at which it was received. */
  minutesAgo: number;
  /** How many presses it is into its route; `all` = handed over; `none` = received, no route yet. */
  presses: number | 'all' | 'none';
  ending?: 'handed over' | 'declined' | 'abandoned';
  /** Index of the sailing it is promised for. */
  sailing: number;
  /** Functions that did not work on arrival. */
  fails?: string[];
  untested?: string[];
  symptoms?: SymptomId[];
  /** Tests of the fault with what came out. */
  tests?: [test: string, outcome: string][];
  cause?: [cause: string, because: string];
  closing?: string;
  /** Notes about things of the device, kept for the next time: thing, words, and whether it is not as the model says. */
  notes?: [thing: string, text: string, finding?: true][];
}
export const openJobs: DemoJob[] = [
  {
    model: 'mica-9',
    tag: 'MC9-4417',
    owner: 'Runa',
    complaint: 'Flat by noon, gets warm in the pocket.',
    minutesAgo: 52,
    presses: 22,
    sailing: 0,
    marks: [{ side: 'front', x: 61, y: 12, kind: 'crack', note: 'hairline at the corner' }],
  },
  {
    model: 'mica-9',
    tag: 'MC9-2086',
    owner: 'Tilo',
    complaint: 'Switches off at 30 percent in the cold.',
    minutesAgo: 14,
    presses: 4,
    sailing: 1,
  },
  {
    model: 'sprig',
    tag: 'SPR-0931',
    owner: 'Edda',
    complaint: 'Battery lasts two hours.',
    minutesAgo: 47,
    presses: 24,
    sailing: 2,
    untested: ['radios'],
  },
  {
    model: 'mica-9',
    tag: 'MC9-7702',
    owner: 'Jost',
    complaint: 'Screen lifts on one side since last week.',
    minutesAgo: 20,
    presses: 3,
    sailing: 3,
    marks: [{ side: 'front', x: 66, y: 70, kind: 'panel standing proud', note: 'about 1 mm, right edge' }],
    fails: ['charging'],
  },
  {
    model: 'mica-9-wide',
    tag: 'M9W-1140',
    owner: 'Maike',
    complaint: 'Nobody can be heard in a call; all else works.',
    minutesAgo: 6,
    presses: 'none',
    sailing: 4,
    tasks: [{ slot: 'ear-speaker', action: 'replace' }],
    untested: ['radios'],
    symptoms: ['ear-speaker'],
    tests: [
      ['clean-mesh', 'as before'],
      ['other-programme', 'fails everywhere'],
    ],
    cause: ['ear-bad', 'silent in every programme, mesh is clean'],
  },
  {
    model: 'mica-9',
    tag: 'MC9-8260',
    owner: 'Levke',
    complaint: 'Black screen since yesterday; it buzzes when the switch is moved.',
    minutesAgo: 4,
    presses: 'none',
    sailing: 4,
    tasks: [],
    fails: ['picture'],
    untested: ['touch', 'face', 'cameras', 'battery'],
    symptoms: ['no-picture'],
    tests: [['mute-switch', 'felt']],
    marks: [{ side: 'frame', x: 71.5, y: 30, kind: 'dent', severity: 2, note: 'upper right corner' }],
  },
];
const closed = (
  model: DemoJob['model'],
  tag: string,
  owner: string,
  complaint: string,
  daysAgo: number,
  more: Partial<DemoJob> = {},
): DemoJob => ({
  model,
  tag,
  owner,
  complaint,
  minutesAgo: daysAgo * 1440 + 137,
  presses: 'all',
  ending: 'handed over',
  sailing: daysAgo % 5,
  ...more,
});
export const closedJobs: DemoJob[] = [
  closed('dune-2', 'DU2-0418', 'Bente', 'Back glass broken on the quay.', 6, {
    symptoms: ['broken-glass'],
    cause: ['back-broken', 'seen'],
    tasks: [{ slot: 'back-glass', action: 'replace' }],
    marks: [{ side: 'back', x: 30, y: 100, kind: 'crack' }],
  }),
  closed('mica-9', 'MC9-1093', 'Arvid', 'Restarts when the camera is opened.', 6, {
    symptoms: ['loops'],
    tests: [
      ['forced-restart', 'as before'],
      ['reinstall', 'as before'],
    ],
    cause: ['cell-worn', 'sags under load, peak performance notice'],
  }),
  closed('mica-4', 'MC4-1177', 'Silke', 'Screen broken, home key must go on working.', 5, {
    symptoms: ['broken-glass'],
    cause: ['panel-broken', 'seen'],
    tasks: [{ slot: 'display', action: 'replace' }],
  }),
  closed('sprig', 'SPR-0533', 'Nuno', 'Charges only to 60 percent.', 5, {
    symptoms: ['no-charge'],
    tests: [
      ['clean-port', 'as before'],
      ['other-charger', 'charges'],
      ['battery-page', 'worn'],
    ],
    cause: ['cell-worn', 'page says worn, sound on our charger'],
    fails: ['charging'],
  }),
  closed('mica-9', 'MC9-1210', 'Petra', 'Panel lifted in the sun.', 4, {
    symptoms: ['lifted'],
    cause: ['cell-swollen', 'seen when opened, removed cold'],
    marks: [{ side: 'front', x: 6, y: 60, kind: 'panel standing proud' }],
  }),
  closed('atlas', 'ATL-0560', 'Ole', 'Frame bent in a door; wants to think about the price.', 4, {
    closing: 'A new housing comes to more than half of another phone.',
    tasks: [{ slot: 'frame', action: 'replace' }],
    presses: 'none',
    ending: 'declined',
  }),
  closed('mica-9', 'MC9-1302', 'Ylva', 'Warm while charging.', 3, {
    symptoms: ['hot', 'short-battery'],
    tests: [
      ['battery-page', 'worn'],
      ['consumers', 'nothing stands out'],
    ],
    cause: ['cell-worn', '71 percent health'],
    marks: [{ side: 'back', x: 30, y: 90, kind: 'crack' }],
  }),
  closed('dune-3', 'DU3-1333', 'Cato', 'Does not charge on any cable.', 2, {
    symptoms: ['no-charge'],
    tests: [
      ['other-charger', 'wobbles'],
      ['clean-port', 'as before'],
    ],
    cause: ['port-bad', 'pins bent, seen with the loupe'],
    tasks: [{ slot: 'port', action: 'replace' }],
  }),
  closed('sprig', 'SPR-0611', 'Wiebke', 'Too old to be worth it, takes it back as it is.', 2, {
    presses: 13,
    ending: 'abandoned',
  }),
  closed('mica-9', 'MC9-1350', 'Hauke', 'Loses ten percent a minute.', 1, {
    symptoms: ['short-battery'],
    tests: [['battery-page', 'worn']],
    cause: ['cell-worn', '64 percent health'],
    untested: ['face'],
    notes: [
      ['C3', 'head soft, fresh bit and weight'],
      ['strip-bl', 'goes brittle in the cold: warm it in the hand first'],
      ['loudspeaker', 'second earth spring under its left foot, falls out when lifted', true],
    ],
  }),
  closed('sprig', 'SPR-0702', 'Imke', 'Empty by noon since the winter.', 3, {
    symptoms: ['short-battery'],
    tests: [
      ['battery-page', 'worn'],
      ['consumers', 'nothing stands out'],
    ],
    cause: ['cell-worn', '58 percent health'],
  }),
  closed('sprig', 'SPR-0715', 'Pekka', 'No music, only the ear speaker.', 2, {
    tasks: [{ slot: 'loudspeaker', action: 'replace' }],
    fails: ['loudspeaker'],
    symptoms: ['loudspeaker'],
    tests: [
      ['clean-mesh', 'as before'],
      ['cover-ear', 'silent'],
    ],
    cause: ['speaker-bad', 'silent with the ear speaker covered'],
  }),
  closed('sprig', 'SPR-0720', 'Aud', 'Switches off at 20 percent.', 1, {
    symptoms: ['shuts-off'],
    tests: [['battery-page', 'worn']],
    cause: ['cell-worn', 'falls from 20 to 0 under load'],
  }),
  closed('mica-9', 'MC9-8260', 'Levke', 'Battery tired.', 20, {
    symptoms: ['short-battery'],
    tests: [['battery-page', 'worn']],
    cause: ['cell-worn', '69 percent health'],
  }),
];

/** What lies in the drawers. */
export interface DemoPart {
  model: DemoJob['model'];
  slot: string;
  provenance: Provenance;
  supplier: string;
  lot: string;
  serial: string;
  priceMinor: number;
  arrivesWith: string[];
  released: Released;
  proof: string;
}
const part = (
  model: DemoPart['model'],
  slot: string,
  provenance: Provenance,
  priceMinor: number,
  serial: string,
  more: Partial<DemoPart> = {},
): DemoPart => ({
  model,
  slot,
  provenance,
  supplier: 'Harbour Parts',
  lot: 'L2611',
  serial,
  priceMinor,
  arrivesWith: [],
  released: 'not needed',
  proof: '',
  ...more,
});
export const stock: DemoPart[] = [
  part('mica-9', 'display', 'new original', 15200, 'D9-50118'),
  part('mica-9', 'display', 'pulled', 9800, 'D9-22071', {
    supplier: 'own donor 118',
    lot: '',
    released: 'proof seen',
    proof: 'receipt of the former owner, account removed in front of us',
  }),
  part('mica-9', 'display', 'pulled', 9200, 'D9-22090', {
    supplier: 'Quay Recycling',
    lot: 'R7',
    released: 'locked',
  }),
  part('mica-9', 'display', 'third party A', 5400, 'TA-9031', { supplier: 'Lantern Panels', lot: 'P44' }),
  part('mica-9', 'cell', 'new original', 4300, 'C9-77120'),
  part('mica-9', 'cell', 'new original', 4300, 'C9-77121'),
  part('mica-9', 'cell', 'third party A', 2100, 'TC-1204', { supplier: 'Lantern Panels', lot: 'B12' }),
  part('mica-9', 'loudspeaker', 'reclaimed', 1100, 'S9-0417', { supplier: 'own donor 118', lot: '' }),
  part('mica-9-wide', 'ear-speaker', 'new original', 1250, 'E9W-301'),
  part('mica-9-wide', 'ear-speaker', 'reclaimed', 700, 'E9W-122', { supplier: 'own donor 102', lot: '' }),
  part('mica-9-wide', 'cell', 'new original', 4800, 'C9W-8801'),
  part('dune-2', 'back-glass', 'third party A', 1400, 'BG2-55', { lot: 'G9', arrivesWith: ['camera-ring'] }),
  part('dune-2', 'display', 'new original', 21900, 'D2-7718', { arrivesWith: ['glass'] }),
  part('dune-3', 'port', 'new original', 2700, 'P3-4410'),
  part('sprig', 'cell', 'new original', 2400, 'CS-6120'),
  part('sprig', 'display', 'third party B', 3900, 'TBS-77', { supplier: 'Lantern Panels', lot: 'P31' }),
  part('atlas', 'frame', 'reclaimed', 12900, 'FA-019', {
    supplier: 'own donor 97',
    lot: '',
    arrivesWith: ['mesh-l', 'mesh-r'],
  }),
  part('mica-4', 'display', 'third party A', 4100, 'TA4-118', { supplier: 'Lantern Panels', lot: 'P40' }),
];

/** The spares box. */
const spare = (
  drive: string,
  thread: string,
  lengthMm: number,
  headMm: number,
  count: number,
  note = '',
) => ({ drive, thread, lengthMm, headMm, count, note });
export const spareScrews = [
  spare('P2', 'M1.4', 6.7, 1.5, 8, 'outside screws, kit'),
  spare('P2', 'M1.4', 4.2, 1.5, 5),
  spare('P2', 'M1.4', 6.6, 1.5, 3, 'from donors'),
  spare('Y000', 'M1.2', 1.2, 1.8, 14),
  spare('Y000', 'M1.2', 1.3, 1.8, 9),
  spare('Y000', 'M1.2', 1.5, 1.8, 2),
  spare('Y000', 'M1.2', 1.9, 1.9, 0, 'on order'),
  spare('PH000', 'M1.2', 1.4, 1.8, 11),
  spare('PH000', 'M1.2', 1.6, 1.8, 7),
  spare('PH000', 'M1.2', 1.8, 1.8, 6),
  spare('PH000', 'M1.2', 2.4, 2, 4),
  spare('PH000', 'M1.2', 2.8, 2, 1),
  spare('PH000', 'M1', 1.4, 1.6, 5),
  spare('PH000', 'M1.4', 2.2, 2, 3),
  spare('standoff', 'M1.4', 2.6, 2.2, 2, 'own donors'),
];

/** The list of stencils. */
const stencil = (
  name: string,
  pitchMm: number,
  pattern: string,
  apertureMm: number,
  thicknessMm: number,
) => ({
  ...{ name, pitchMm, pattern: pattern.split('/'), shape: 'circle' as const, apertureMm, thicknessMm },
});
const full = (rows: number, columns: number) => Array(rows).fill('1'.repeat(columns)).join('/');
export const stencils = [
  stencil('display chips A', 0.4, '1111111/1111111/1100011/1100011/1111111/1111111', 0.34, 0.12),
  stencil('display chips D', 0.45, '11111/11111/11011/11111/11111', 0.36, 0.13),
  stencil('memory small', 0.4, full(3, 4), 0.22, 0.08),
  stencil('grid 0.35', 0.35, full(20, 20), 0.22, 0.08),
  stencil('grid 0.40', 0.4, full(24, 24), 0.25, 0.1),
  stencil('grid 0.50', 0.5, full(20, 20), 0.3, 0.12),
  stencil('power 5 by 9', 0.4, full(9, 5), 0.25, 0.1),
  stencil('ring of 24', 0.5, `1111111/${'1000001/'.repeat(5)}1111111`, 0.3, 0.12),
  stencil('charge 6 by 6', 0.4, '111111/111111/110011/110011/111111/111111', 0.25, 0.1),
];
