import type { FunctionId } from '../vocabulary/trade';
import { saysAnyOf } from './words-in';

/**
 * What owners complain of. `words` are words and phrases by which it is found in the owner's own, whole and by their
 * stems; `weights` say of about a hundred such complaints how many come from which cause. All weights are starting
 * guesses (common practice, no published source); finished jobs move them.
 */
export interface Symptom {
  id: string;
  name: string;
  words: readonly string[];
  weights: Readonly<Record<string, number>>;
}

export const symptoms = [
  {
    id: 'no-start',
    name: 'does not start',
    words: [
      'does not start',
      'will not start',
      'wont start',
      'won’t start',
      'not turn on',
      'dead',
      'does not switch on',
      'no sign of life',
    ],
    weights: {
      'flat-charge': 24,
      software: 10,
      'panel-bad': 12,
      'panel-contact': 6,
      'brightness-zero': 4,
      'cell-worn': 16,
      'cell-contact': 5,
      'port-bad': 6,
      'sensor-off': 4,
      liquid: 6,
      board: 7,
    },
  },
  {
    id: 'no-picture',
    name: 'no picture, but it seems on',
    words: [
      'no picture',
      'black screen',
      'screen is black',
      'dark screen',
      'screen dark',
      'screen is dark',
      'screen stays dark',
      'no display',
      'blank',
    ],
    weights: {
      'panel-bad': 42,
      'panel-contact': 14,
      'brightness-zero': 9,
      'sensor-off': 12,
      software: 8,
      liquid: 6,
      board: 9,
    },
  },
  {
    id: 'loops',
    name: 'restarts again and again',
    words: ['restart', 'loop', 'boots again', 'reboots'],
    weights: {
      software: 26,
      'software-deep': 18,
      'cell-worn': 14,
      'sensor-off': 14,
      'port-bad': 4,
      liquid: 8,
      board: 16,
    },
  },
  {
    id: 'lines',
    name: 'lines, spots or wrong colours',
    words: ['lines', 'stripe', 'spot', 'green', 'pink', 'colour', 'color', 'flicker'],
    weights: { 'panel-bad': 74, 'panel-contact': 14, 'sensor-off': 7, board: 5 },
  },
  {
    id: 'brightness',
    name: 'too dark or too bright',
    words: ['too dark', 'too bright', 'brightness', 'dims'],
    weights: { 'brightness-zero': 34, 'sensor-off': 34, 'panel-bad': 14, software: 14, board: 4 },
  },
  {
    id: 'broken-glass',
    name: 'glass broken',
    words: ['broken', 'crack', 'shatter', 'smash', 'dropped'],
    weights: { 'panel-broken': 78, 'back-broken': 22 },
  },
  {
    id: 'touch',
    name: 'touch does not answer',
    words: ['touch', 'touchscreen', 'does not react', 'not respond', 'unresponsive', 'swipe'],
    weights: { 'panel-bad': 54, 'panel-contact': 18, software: 14, 'cell-swollen': 5, board: 9 },
  },
  {
    id: 'ghost-touch',
    name: 'touches by itself',
    words: ['by itself', 'ghost', 'types alone', 'jumps'],
    weights: { 'panel-bad': 54, 'panel-contact': 12, 'cell-swollen': 14, 'charger-bad': 12, software: 8 },
  },
  {
    id: 'short-battery',
    name: 'empty too soon',
    words: [
      'flat by',
      'battery lasts',
      'empty',
      'drains',
      'battery life',
      'hours',
      'percent a minute',
      'loses',
    ],
    weights: { 'cell-worn': 68, software: 20, board: 5, 'charger-bad': 3, liquid: 4 },
  },
  {
    id: 'shuts-off',
    name: 'switches off with charge left',
    words: ['switches off', 'turns off', 'shuts', 'in the cold'],
    weights: { 'cell-worn': 70, 'cell-contact': 8, software: 10, board: 12 },
  },
  {
    id: 'lifted',
    name: 'panel lifted or back bulged',
    words: ['lift', 'bulge', 'swollen', 'swell', 'stands proud', 'gap'],
    weights: { 'cell-swollen': 86, 'seal-open': 14 },
  },
  {
    id: 'hot',
    name: 'gets hot',
    words: ['hot', 'warm'],
    weights: { 'cell-worn': 34, software: 34, board: 20, liquid: 12 },
  },
  {
    id: 'no-charge',
    name: 'does not charge',
    words: ['not charge', 'charges only', 'charging', 'cable', 'plug'],
    weights: { 'port-dirty': 36, 'charger-bad': 18, 'port-bad': 24, 'cell-worn': 10, liquid: 5, board: 7 },
  },
  {
    id: 'no-wireless',
    name: 'does not charge wirelessly',
    words: ['wireless', 'charging pad'],
    weights: { 'coil-bad': 66, 'charger-bad': 22, board: 12 },
  },
  {
    id: 'loudspeaker',
    name: 'loudspeaker silent or rattles',
    words: ['loudspeaker', 'ring', 'rattle', 'no sound', 'music'],
    weights: { 'speaker-dirty': 34, 'speaker-bad': 46, software: 10, liquid: 5, board: 5 },
  },
  {
    id: 'ear-speaker',
    name: 'calls cannot be heard',
    words: ['hear nothing', 'cannot hear', 'can be heard', 'ear speaker', 'earpiece', 'quiet in calls'],
    weights: { 'ear-blocked': 46, 'ear-bad': 34, 'sensor-off': 8, software: 8, board: 4 },
  },
  {
    id: 'microphone',
    name: 'not heard by others',
    words: ['microphone', 'others cannot hear', 'nobody hears me'],
    weights: { 'mic-blocked': 34, 'mic-bad': 42, software: 16, board: 8 },
  },
  {
    id: 'camera',
    name: 'camera dark, blurred or shakes',
    words: ['camera', 'photo', 'photograph', 'blur', 'blurry', 'focus', 'shakes'],
    weights: { 'camera-bad': 48, 'camera-glass': 20, 'camera-contact': 12, 'lens-loose': 12, software: 8 },
  },
  {
    id: 'front-camera',
    name: 'front camera does not work',
    words: ['front camera', 'selfie'],
    weights: { 'front-camera-bad': 58, 'front-camera-contact': 22, software: 20 },
  },
  {
    id: 'face',
    name: 'face unlock fails',
    words: ['face'],
    weights: { 'projector-lens': 24, 'face-bad': 40, 'sensor-off': 24, software: 12 },
  },
  {
    id: 'finger',
    name: 'finger unlock fails',
    words: ['finger', 'fingerprint', 'home key', 'home button'],
    weights: { 'key-flex': 66, software: 24, board: 10 },
  },
  {
    id: 'vibration',
    name: 'does not vibrate',
    words: ['not vibrate', 'no vibration', 'not buzz', 'vibration is'],
    weights: { 'motor-bad': 62, 'mute-set': 24, software: 14 },
  },
  {
    id: 'keys',
    name: 'a key or the switch does not work',
    words: ['button', 'volume', 'power key', 'mute'],
    weights: { 'side-keys': 72, dirt: 20, software: 8 },
  },
  {
    id: 'radio',
    name: 'no network or weak Wi-Fi',
    words: ['wi-fi', 'wifi', 'network', 'signal', 'no service', 'bluetooth'],
    weights: { software: 30, 'antenna-contact': 34, board: 26, liquid: 10 },
  },
  {
    id: 'wet',
    name: 'was in water',
    words: ['water', 'wet', 'sea', 'rain', 'drink'],
    weights: {
      liquid: 60,
      'panel-bad': 9,
      'port-bad': 8,
      'port-dirty': 4,
      'speaker-dirty': 5,
      'ear-blocked': 4,
      'mic-blocked': 4,
      'camera-glass': 3,
      'cell-worn': 3,
    },
  },
] as const satisfies readonly Symptom[];

export type SymptomId = (typeof symptoms)[number]['id'];
export const symptomIds = symptoms.map((s) => s.id) as [SymptomId, ...SymptomId[]];

/** A function that did not work before says the same as a complaint. */
export const symptomOfFunction: Partial<Record<FunctionId, SymptomId>> = {
  power: 'no-start',
  picture: 'no-picture',
  touch: 'touch',
  ambient: 'brightness',
  face: 'face',
  finger: 'finger',
  cameras: 'camera',
  'front-camera': 'front-camera',
  loudspeaker: 'loudspeaker',
  'ear-speaker': 'ear-speaker',
  microphones: 'microphone',
  vibration: 'vibration',
  keys: 'keys',
  charging: 'no-charge',
  wireless: 'no-wireless',
  radios: 'radio',
  battery: 'short-battery',
};

/** The symptoms that an owner's own words speak of, in the order of the list; at most four. */
export function symptomsIn(text: string): SymptomId[] {
  const says = saysAnyOf(text);
  return symptoms
    .filter((s) => says(s.words))
    .slice(0, 4)
    .map((s) => s.id);
}
