import type { DeviceModel } from '../model/schema';
import type { FunctionId } from '../vocabulary/trade';

/** What may be wrong, what it comes to as a task, and about how long putting it right takes beside the part. */
export interface KnownCause {
  id: string;
  name: string;
  /** Kinds of slot that it sits in, best first; a model without any of them cannot have it. Empty: not in a part. */
  kinds: readonly DeviceModel['slots'][number]['kind'][];
  /** Only a slot that serves this function: a fault of face unlock is never looked for in a rear camera. */
  serves?: FunctionId;
  /** Only a part with a laser in it. */
  laser?: true;
  task: 'replace' | 'reach' | 'rework' | 'none';
  /** Minutes of hands beside the part's price; a starting guess. */
  minutes: number;
  /** What is done about it where no part is touched. */
  remedy?: string;
}

export const causes: readonly KnownCause[] = [
  {
    id: 'flat-charge',
    name: 'cell simply flat',
    kinds: [],
    task: 'none',
    minutes: 3,
    remedy: 'Charge it; conclude nothing before it has charged.',
  },
  {
    id: 'software',
    name: 'system fault, data can stay',
    kinds: [],
    task: 'none',
    minutes: 10,
    remedy: 'Install the system again, keeping data.',
  },
  {
    id: 'software-deep',
    name: 'system fault that needs a restore',
    kinds: [],
    task: 'none',
    minutes: 15,
    remedy: 'Restore the system: it erases everything and needs the owner’s consent.',
  },
  {
    id: 'brightness-zero',
    name: 'brightness settled at zero',
    kinds: [],
    task: 'none',
    minutes: 3,
    remedy: 'Raise it blind, set it by hand before handing over.',
  },
  {
    id: 'mute-set',
    name: 'a setting',
    kinds: [],
    task: 'none',
    minutes: 2,
    remedy: 'Set it and show the owner.',
  },
  {
    id: 'charger-bad',
    name: 'owner’s cable or charger',
    kinds: [],
    task: 'none',
    minutes: 2,
    remedy: 'The phone is sound; another cable or charger.',
  },
  { id: 'cell-worn', name: 'cell worn', kinds: ['cell'], task: 'replace', minutes: 35 },
  { id: 'cell-swollen', name: 'cell swollen', kinds: ['cell'], task: 'replace', minutes: 40 },
  { id: 'cell-contact', name: 'cell connector not home', kinds: ['cell'], task: 'reach', minutes: 20 },
  { id: 'seal-open', name: 'seal has let go', kinds: ['display', 'back'], task: 'reach', minutes: 25 },
  { id: 'panel-bad', name: 'panel defective', kinds: ['display', 'panel'], task: 'replace', minutes: 40 },
  {
    id: 'panel-broken',
    name: 'glass or panel broken',
    kinds: ['display', 'panel'],
    task: 'replace',
    minutes: 40,
  },
  {
    id: 'panel-contact',
    name: 'panel connector not home',
    kinds: ['display', 'panel'],
    task: 'reach',
    minutes: 20,
  },
  { id: 'back-broken', name: 'back glass broken', kinds: ['back'], task: 'replace', minutes: 60 },
  {
    id: 'sensor-off',
    name: 'front sensor flex missing, off or torn',
    kinds: ['front-sensors'],
    task: 'reach',
    minutes: 25,
  },
  {
    id: 'port-dirty',
    name: 'port full of lint',
    kinds: ['port'],
    task: 'none',
    minutes: 4,
    remedy: 'Clean it with a plastic pick, device off.',
  },
  { id: 'port-bad', name: 'port worn or broken', kinds: ['port'], task: 'replace', minutes: 60 },
  { id: 'coil-bad', name: 'charging coil or its flex', kinds: ['coil'], task: 'replace', minutes: 45 },
  {
    id: 'speaker-dirty',
    name: 'loudspeaker grille blocked',
    kinds: ['loudspeaker'],
    task: 'none',
    minutes: 5,
    remedy: 'Clean the grille, brush first.',
  },
  { id: 'speaker-bad', name: 'loudspeaker defective', kinds: ['loudspeaker'], task: 'replace', minutes: 40 },
  {
    id: 'ear-blocked',
    name: 'ear mesh blocked',
    kinds: ['ear-speaker', 'mesh'],
    task: 'none',
    minutes: 5,
    remedy: 'Clean the mesh, brush first.',
  },
  { id: 'ear-bad', name: 'ear speaker defective', kinds: ['ear-speaker'], task: 'replace', minutes: 40 },
  {
    id: 'mic-blocked',
    name: 'microphone hole blocked',
    kinds: ['port', 'front-sensors', 'flex'],
    serves: 'microphones',
    task: 'none',
    minutes: 5,
    remedy: 'Clean the hole; never with a needle.',
  },
  {
    id: 'mic-bad',
    name: 'microphone defective',
    kinds: ['port', 'front-sensors', 'flex'],
    serves: 'microphones',
    task: 'replace',
    minutes: 55,
  },
  {
    id: 'camera-bad',
    name: 'camera defective',
    kinds: ['camera'],
    serves: 'cameras',
    task: 'replace',
    minutes: 40,
  },
  {
    id: 'front-camera-bad',
    name: 'front camera defective',
    kinds: ['camera', 'front-sensors'],
    serves: 'front-camera',
    task: 'replace',
    minutes: 40,
  },
  {
    id: 'camera-contact',
    name: 'camera connector not home',
    kinds: ['camera'],
    serves: 'cameras',
    task: 'reach',
    minutes: 25,
  },
  {
    id: 'front-camera-contact',
    name: 'front camera connector not home',
    kinds: ['camera', 'front-sensors'],
    serves: 'front-camera',
    task: 'reach',
    minutes: 25,
  },
  {
    id: 'camera-glass',
    name: 'lens glass dirty or scratched',
    kinds: ['camera'],
    serves: 'cameras',
    task: 'none',
    minutes: 5,
    remedy: 'Clean the outside; look for dust inside.',
  },
  {
    id: 'lens-loose',
    name: 'loose lens inside',
    kinds: ['camera'],
    serves: 'cameras',
    task: 'replace',
    minutes: 40,
  },
  {
    id: 'projector-lens',
    name: 'loose lens inside the face-unlock projector',
    kinds: ['front-sensors', 'camera'],
    serves: 'face',
    laser: true,
    task: 'rework',
    minutes: 60,
  },
  {
    id: 'face-bad',
    name: 'face-unlock module dead or missing',
    kinds: ['front-sensors', 'camera'],
    serves: 'face',
    task: 'reach',
    minutes: 40,
  },
  {
    id: 'key-flex',
    name: 'home key or its flex',
    kinds: ['key'],
    serves: 'finger',
    task: 'reach',
    minutes: 35,
  },
  {
    id: 'side-keys',
    name: 'key flex worn',
    kinds: ['flex', 'key'],
    serves: 'keys',
    task: 'replace',
    minutes: 70,
  },
  {
    id: 'dirt',
    name: 'dirt under a key',
    kinds: [],
    task: 'none',
    minutes: 6,
    remedy: 'Alcohol on a brush, device off.',
  },
  { id: 'motor-bad', name: 'vibration motor', kinds: ['vibration'], task: 'replace', minutes: 40 },
  {
    id: 'antenna-contact',
    name: 'antenna contact or flex',
    kinds: ['antenna', 'flex', 'board'],
    task: 'reach',
    minutes: 40,
  },
  { id: 'liquid', name: 'corrosion from liquid', kinds: ['board'], task: 'reach', minutes: 90 },
  { id: 'board', name: 'board fault', kinds: ['board'], task: 'replace', minutes: 120 },
  { id: 'other', name: 'something else', kinds: [], task: 'none', minutes: 60, remedy: 'Look further.' },
];

/** The share of a complaint that none of the listed causes explains; a starting guess. */
export const otherWeight = 4;
/** What a repair that did not help costs beside itself: minutes of hands, opening and closing again. A starting guess. */
export const comebackMinutes = 60;

/**
 * What is known of the device's past multiplies the chance of a cause: marks on arrival, conditions, an earlier job here.
 * Starting guesses (common practice).
 */
export const past: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  'earlier repair': {
    'panel-contact': 3,
    'cell-contact': 3,
    'camera-contact': 3,
    'front-camera-contact': 3,
    'sensor-off': 3,
    'lens-loose': 2,
    'projector-lens': 2,
  },
  'missing magnet': { 'back-broken': 2, 'coil-bad': 3, 'cell-swollen': 2 },
  'liquid indicator changed': { liquid: 8, 'port-bad': 1.5 },
  'liquid mark': { liquid: 8, 'port-bad': 1.5 },
  wet: { liquid: 12 },
  crack: { 'panel-broken': 4, 'panel-bad': 2.5, 'lens-loose': 1.5, 'projector-lens': 1.5 },
  'shattered glass': { 'panel-broken': 8, 'panel-bad': 3 },
  'missing glass': { 'panel-broken': 4, liquid: 2 },
  'panel standing proud': { 'cell-swollen': 12, 'seal-open': 2 },
  swollen: { 'cell-swollen': 12 },
  'bent frame': { 'panel-bad': 2, board: 1.5, 'antenna-contact': 2, 'panel-contact': 1.5 },
  dent: { 'side-keys': 2, 'lens-loose': 1.5, 'projector-lens': 1.5 },
  'here before': {
    'panel-contact': 2,
    'cell-contact': 2,
    'sensor-off': 1.5,
    'camera-contact': 2,
    'front-camera-contact': 2,
  },
};
