import type { Mark, Task } from '../core/job/events';
import type { Role } from '../core/job/interlocks';

/** Slipway Phone Works, an invented repair counter in the ferry terminal of the invented harbour town Port Sellen. */
export const shop = {
  name: 'Slipway Phone Works',
  settings: { hourlyRateMinor: 6000, currency: 'EUR', waits: { solventFlashS: 60, coolingS: 120 }, methods: {}, stations: ['hot-plate', 'heat-mat', 'dryer', 'seal-press', 'leak-tester', 'microscope', 'hot-air', 'programmer', 'glass-laser', 'uv-lamp'] },
};
export const people: { login: string; name: string; role: Role; bench: string }[] = [
  { login: 'ines', name: 'Ines', role: 'owner', bench: 'Counter' },
  { login: 'marek', name: 'Marek', role: 'lead', bench: 'Quay bench' },
  { login: 'tova', name: 'Tova', role: 'technician', bench: 'Ferry bench' },
  { login: 'bo', name: 'Bo', role: 'trainee', bench: 'Quay bench' },
];
/** The demo people's password, for the sign-in form; by one click on loopback only. */
export const demoPassword = 'port-sellen';
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
}
export const openJobs: DemoJob[] = [
  { model: 'mica-9', tag: 'MC9-4417', owner: 'Runa', complaint: 'Flat by noon, gets warm in the pocket.', minutesAgo: 52, presses: 22, sailing: 0, marks: [{ side: 'front', x: 61, y: 12, kind: 'crack', note: 'hairline at the corner' }] },
  { model: 'mica-9', tag: 'MC9-2086', owner: 'Tilo', complaint: 'Switches off at 30 percent in the cold.', minutesAgo: 14, presses: 4, sailing: 1 },
  { model: 'sprig', tag: 'SPR-0931', owner: 'Edda', complaint: 'Battery lasts two hours.', minutesAgo: 47, presses: 24, sailing: 2, untested: ['radios'] },
  { model: 'mica-9', tag: 'MC9-7702', owner: 'Jost', complaint: 'Screen lifts on one side since last week.', minutesAgo: 20, presses: 3, sailing: 3, marks: [{ side: 'front', x: 66, y: 70, kind: 'panel standing proud', note: 'about 1 mm, right edge' }], fails: ['charging'] },
  { model: 'mica-9-wide', tag: 'M9W-1140', owner: 'Maike', complaint: 'Nobody can be heard in a call; all else works.', minutesAgo: 6, presses: 'none', sailing: 4, tasks: [{ slot: 'ear-speaker', action: 'replace' }], untested: ['radios'] },
];
const closed = (model: DemoJob['model'], tag: string, owner: string, complaint: string, daysAgo: number, more: Partial<DemoJob> = {}): DemoJob => ({ model, tag, owner, complaint, minutesAgo: daysAgo * 1440 + 137, presses: 'all', ending: 'handed over', sailing: daysAgo % 5, ...more });
export const closedJobs: DemoJob[] = [
  closed('dune-2', 'DU2-0418', 'Bente', 'Back glass broken on the quay.', 6, { tasks: [{ slot: 'back-glass', action: 'replace' }], marks: [{ side: 'back', x: 30, y: 100, kind: 'crack' }] }),
  closed('mica-9', 'MC9-1093', 'Arvid', 'Restarts when the camera is opened.', 6),
  closed('mica-4', 'MC4-1177', 'Silke', 'Screen broken, home key must go on working.', 5, { tasks: [{ slot: 'display', action: 'replace' }] }),
  closed('sprig', 'SPR-0533', 'Nuno', 'Charges only to 60 percent.', 5, { fails: ['charging'] }),
  closed('mica-9', 'MC9-1210', 'Petra', 'Panel lifted in the sun.', 4, { marks: [{ side: 'front', x: 6, y: 60, kind: 'panel standing proud' }] }),
  closed('atlas', 'ATL-0560', 'Ole', 'Frame bent in a door; wants to think about the price.', 4, { tasks: [{ slot: 'frame', action: 'replace' }], presses: 'none', ending: 'declined' }),
  closed('mica-9', 'MC9-1302', 'Ylva', 'Warm while charging.', 3, { marks: [{ side: 'back', x: 30, y: 90, kind: 'crack' }] }),
  closed('dune-3', 'DU3-1333', 'Cato', 'Does not charge on any cable.', 2, { tasks: [{ slot: 'port', action: 'replace' }] }),
  closed('sprig', 'SPR-0611', 'Wiebke', 'Too old to be worth it, takes it back as it is.', 2, { presses: 13, ending: 'abandoned' }),
  closed('mica-9', 'MC9-1350', 'Hauke', 'Loses ten percent a minute.', 1, { untested: ['face'] }),
];
