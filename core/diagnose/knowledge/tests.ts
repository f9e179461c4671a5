import type { Condition, FunctionId } from '../../model/schema';
import type { SymptomId } from './symptoms';

/** The ladder, cheapest and most harmless first. */
export const rungs = ['look and try', 'charge', 'forced restart', 'system again, data kept', 'restore, data erased', 'open it'] as const;
export type Rung = (typeof rungs)[number];

/** A discriminating test. Chances are starting guesses (common practice, no published source); finished jobs move them. */
export interface KnownTest {
  id: string;
  name: string;
  how: string;
  rung: Rung;
  /** Minutes of hands; and of waiting, which costs a tenth. */
  hands: number;
  wait: number;
  /** Chance of breaking something of the price of the display. */
  risk: number;
  /** Nobody does this while one of these stands. */
  never?: readonly Condition[];
  erases?: true;
  /** It cannot be done where this did not work before: what has to be read needs a picture. */
  needs?: FunctionId;
  /** Where it is limited: the complaints for which it tells anything. */
  for?: readonly SymptomId[];
  /** A part that is known to be good must be at hand. */
  part?: true;
  outcomes: readonly { id: string; says: string }[];
  /** Chances of the outcomes, in order, where a cause has no row of its own. */
  usual: readonly number[];
  given: Readonly<Record<string, readonly number[]>>;
}

const opening = { rung: 'open it', hands: 18, wait: 6, risk: 0.012 } as const;

export const tests: readonly KnownTest[] = [
  {
    id: 'mute-switch', for: ['no-start', 'no-picture', 'vibration'], name: 'toggle the mute switch, feel for vibration', how: 'Where there is no switch, plug a charger and feel.', rung: 'look and try', hands: 0.5, wait: 0, risk: 0,
    outcomes: [{ id: 'felt', says: 'it is on, the screen is dark' }, { id: 'nothing', says: 'it is off, or the motor is dead' }], usual: [0.5, 0.5],
    given: { 'panel-bad': [0.9, 0.1], 'panel-broken': [0.9, 0.1], 'panel-contact': [0.9, 0.1], 'brightness-zero': [0.93, 0.07], 'sensor-off': [0.7, 0.3], 'flat-charge': [0.03, 0.97], 'cell-worn': [0.15, 0.85], 'cell-contact': [0.05, 0.95], board: [0.15, 0.85], liquid: [0.2, 0.8], software: [0.3, 0.7], 'software-deep': [0.3, 0.7], 'port-bad': [0.2, 0.8], 'motor-bad': [0.05, 0.95], 'mute-set': [0.6, 0.4] },
  },
  {
    id: 'dim-room', for: ['no-start', 'no-picture', 'brightness'], name: 'dim the room, look at the screen without glare', how: 'Tilt it under a dark cloth.', rung: 'look and try', hands: 1, wait: 0, risk: 0,
    outcomes: [{ id: 'faint image', says: 'there is an image, far too dark' }, { id: 'no image', says: 'no image at all' }], usual: [0.04, 0.96],
    given: { 'brightness-zero': [0.93, 0.07], 'sensor-off': [0.3, 0.7], 'panel-bad': [0.1, 0.9] },
  },
  {
    id: 'brightness-blind', for: ['no-start', 'no-picture', 'brightness'], name: 'raise the brightness blind', how: 'By voice, or where the slider is known to be.', rung: 'look and try', hands: 2, wait: 0, risk: 0,
    outcomes: [{ id: 'picture', says: 'it was the brightness' }, { id: 'still dark', says: 'not the brightness, or touch is dead too' }], usual: [0.02, 0.98],
    given: { 'brightness-zero': [0.88, 0.12], 'sensor-off': [0.25, 0.75] },
  },
  {
    id: 'other-charger', for: ['no-start', 'no-charge', 'no-wireless', 'ghost-touch', 'hot'], name: 'charge with our own cable and charger', how: 'A listed supply, with a meter in the line.', rung: 'look and try', hands: 1, wait: 3, risk: 0, never: ['swollen', 'pierced', 'bent', 'wet', 'hot'],
    outcomes: [{ id: 'charges', says: 'the owner’s cable or charger' }, { id: 'wobbles', says: 'current comes and goes: the port' }, { id: 'no current', says: 'not the charger' }], usual: [0.4, 0.1, 0.5],
    given: { 'charger-bad': [0.96, 0.02, 0.02], 'port-dirty': [0.1, 0.5, 0.4], 'port-bad': [0.06, 0.4, 0.54], 'cell-worn': [0.75, 0.05, 0.2], board: [0.3, 0.05, 0.65], liquid: [0.3, 0.2, 0.5], 'coil-bad': [0.95, 0.03, 0.02] },
  },
  {
    id: 'clean-port', for: ['no-start', 'no-charge'], name: 'clean the port, then try the cable', how: 'Device off; plastic pick, no metal; look with the light.', rung: 'look and try', hands: 4, wait: 1, risk: 0.001,
    outcomes: [{ id: 'clicks and charges', says: 'it was lint' }, { id: 'as before', says: 'not the dirt' }], usual: [0.03, 0.97], given: { 'port-dirty': [0.93, 0.07], 'port-bad': [0.08, 0.92] },
  },
  {
    id: 'battery-page', for: ['short-battery', 'shuts-off', 'hot', 'no-charge', 'loops', 'lifted'], name: 'read the battery page', how: 'Health, cycles, peak performance notice.', needs: 'picture', rung: 'look and try', hands: 1, wait: 0, risk: 0,
    outcomes: [{ id: 'worn', says: 'the cell is at its end' }, { id: 'good', says: 'look elsewhere first' }, { id: 'cannot be read', says: 'nothing known' }], usual: [0.12, 0.68, 0.2],
    given: { 'cell-worn': [0.8, 0.05, 0.15], 'cell-swollen': [0.55, 0.15, 0.3], software: [0.15, 0.75, 0.1], 'panel-bad': [0.05, 0.1, 0.85], 'flat-charge': [0.02, 0.03, 0.95] },
  },
  {
    id: 'consumers', for: ['short-battery', 'hot', 'shuts-off'], name: 'look what uses the charge', how: 'The list of the last day, and the temperature.', needs: 'picture', rung: 'look and try', hands: 2, wait: 0, risk: 0,
    outcomes: [{ id: 'one programme', says: 'a programme, not the cell' }, { id: 'nothing stands out', says: 'not a programme' }], usual: [0.1, 0.9], given: { software: [0.7, 0.3] },
  },
  {
    id: 'tap', name: 'tap or flick it while the function runs', how: 'With a knuckle, not on glass that is cracked.', rung: 'look and try', hands: 0.5, wait: 0, risk: 0,
    outcomes: [{ id: 'comes and goes', says: 'something is loose inside' }, { id: 'steady', says: 'a steady fault' }], usual: [0.04, 0.96],
    given: { 'panel-contact': [0.6, 0.4], 'cell-contact': [0.5, 0.5], 'camera-contact': [0.6, 0.4], 'lens-loose': [0.8, 0.2], 'sensor-off': [0.3, 0.7], 'antenna-contact': [0.35, 0.65], 'ear-bad': [0.1, 0.9], 'panel-bad': [0.08, 0.92] },
  },
  {
    id: 'cover-ear', for: ['loudspeaker', 'ear-speaker'], name: 'cover the ear speaker while sound plays', how: 'Loud, then cover one and the other.', rung: 'look and try', hands: 0.5, wait: 0, risk: 0,
    outcomes: [{ id: 'silent', says: 'the lower loudspeaker is dead' }, { id: 'still sounds', says: 'the lower one is alive' }], usual: [0.1, 0.9], given: { 'speaker-bad': [0.85, 0.15], 'speaker-dirty': [0.3, 0.7], software: [0.5, 0.5] },
  },
  {
    id: 'clean-mesh', for: ['loudspeaker', 'ear-speaker', 'microphone', 'keys', 'camera'], name: 'brush the grille or mesh', how: 'Soft brush, tacky putty; no liquid, no needle.', rung: 'look and try', hands: 3, wait: 0, risk: 0.001,
    outcomes: [{ id: 'clear', says: 'it was dirt' }, { id: 'as before', says: 'not the dirt' }], usual: [0.04, 0.96], given: { 'speaker-dirty': [0.88, 0.12], 'ear-blocked': [0.86, 0.14], 'mic-blocked': [0.8, 0.2], 'camera-glass': [0.5, 0.5], dirt: [0.7, 0.3] },
  },
  {
    id: 'other-programme', for: ['loudspeaker', 'ear-speaker', 'microphone', 'camera', 'front-camera', 'touch', 'vibration', 'keys'], name: 'try the function in another programme', how: 'Recorder for the microphone, another camera, a call by loudspeaker.', needs: 'picture', rung: 'look and try', hands: 1.5, wait: 0, risk: 0,
    outcomes: [{ id: 'works there', says: 'a setting or a programme' }, { id: 'fails everywhere', says: 'not the programme' }], usual: [0.05, 0.95], given: { software: [0.62, 0.38], 'mute-set': [0.7, 0.3], 'software-deep': [0.2, 0.8] },
  },
  {
    id: 'higher-lower', for: ['face'], name: 'enrol a face: what does it ask?', how: 'In a good light, no mask.', needs: 'picture', rung: 'look and try', hands: 1, wait: 0, risk: 0,
    outcomes: [{ id: 'higher or lower', says: 'a loose lens inside' }, { id: 'not available', says: 'module dead or missing' }, { id: 'enrols', says: 'the module is alive' }], usual: [0.1, 0.3, 0.6],
    given: { 'lens-loose': [0.85, 0.1, 0.05], 'face-bad': [0.05, 0.92, 0.03], 'sensor-off': [0.03, 0.95, 0.02], software: [0.1, 0.2, 0.7] },
  },
  {
    id: 'clean-lens', for: ['camera', 'front-camera', 'face'], name: 'clean the lens glass, look with a loupe', how: 'Cloth and a drop of alcohol, device cold.', rung: 'look and try', hands: 1.5, wait: 0, risk: 0,
    outcomes: [{ id: 'sharp', says: 'it was the glass' }, { id: 'as before', says: 'not the glass' }], usual: [0.03, 0.97], given: { 'camera-glass': [0.85, 0.15] },
  },
  {
    id: 'charge', for: ['no-start', 'no-picture', 'loops', 'shuts-off', 'no-charge'], name: 'charge it for twenty minutes', how: 'Our charger; conclude nothing before.', rung: 'charge', hands: 1, wait: 20, risk: 0, never: ['swollen', 'pierced', 'bent', 'wet', 'hot'],
    outcomes: [{ id: 'starts', says: 'it was flat' }, { id: 'takes current', says: 'it charges, but does not start' }, { id: 'takes none', says: 'nothing flows' }], usual: [0.05, 0.6, 0.35],
    given: { 'flat-charge': [0.95, 0.04, 0.01], 'cell-worn': [0.3, 0.4, 0.3], 'cell-contact': [0.03, 0.17, 0.8], 'port-bad': [0.04, 0.1, 0.86], 'port-dirty': [0.1, 0.2, 0.7], 'panel-bad': [0.02, 0.93, 0.05], 'panel-contact': [0.02, 0.93, 0.05], 'brightness-zero': [0.02, 0.93, 0.05], 'sensor-off': [0.04, 0.9, 0.06], board: [0.04, 0.4, 0.56], liquid: [0.06, 0.4, 0.54], software: [0.12, 0.83, 0.05] },
  },
  {
    id: 'forced-restart', name: 'forced restart', how: 'Hold the key some 20 s.', rung: 'forced restart', hands: 1, wait: 1, risk: 0,
    outcomes: [{ id: 'cured', says: 'the system had stuck' }, { id: 'as before', says: 'not that' }], usual: [0.03, 0.97], given: { software: [0.5, 0.5], 'flat-charge': [0.05, 0.95], 'software-deep': [0.08, 0.92], 'sensor-off': [0.03, 0.97] },
  },
  {
    id: 'reinstall', name: 'install the system again, keeping data', how: 'By cable; more than half charged.', rung: 'system again, data kept', hands: 5, wait: 25, risk: 0.002,
    outcomes: [{ id: 'cured', says: 'it was the system' }, { id: 'as before', says: 'not the system, or it is deep' }, { id: 'stops with an error', says: 'a part does not answer' }], usual: [0.02, 0.93, 0.05],
    given: { software: [0.9, 0.08, 0.02], 'software-deep': [0.1, 0.75, 0.15], board: [0.02, 0.5, 0.48], liquid: [0.02, 0.7, 0.28], 'sensor-off': [0.02, 0.75, 0.23] },
  },
  {
    id: 'restore', name: 'restore the system', how: 'Erases everything; only with the owner’s consent and a look at the backup.', rung: 'restore, data erased', hands: 6, wait: 30, risk: 0.002, erases: true,
    outcomes: [{ id: 'cured', says: 'it was the system' }, { id: 'as before', says: 'not the system' }, { id: 'stops with an error', says: 'a part does not answer' }], usual: [0.02, 0.92, 0.06],
    given: { software: [0.96, 0.03, 0.01], 'software-deep': [0.93, 0.05, 0.02], board: [0.01, 0.44, 0.55], liquid: [0.02, 0.63, 0.35] },
  },
  {
    ...opening, id: 'reseat', name: 'open, reseat the connector, test again', how: 'Cell off first; before any new part is fitted.', risk: 0.01,
    outcomes: [{ id: 'cured', says: 'a bad contact' }, { id: 'as before', says: 'part or board' }], usual: [0.03, 0.97],
    given: { 'panel-contact': [0.92, 0.08], 'cell-contact': [0.92, 0.08], 'camera-contact': [0.92, 0.08], 'antenna-contact': [0.75, 0.25], 'sensor-off': [0.4, 0.6], liquid: [0.15, 0.85] },
  },
  {
    ...opening, id: 'known-good', name: 'open, connect a known-good part outside the frame', how: 'With everything that the boot rule needs; the old one stays at hand.', hands: 24, part: true,
    outcomes: [{ id: 'works', says: 'the old part is bad' }, { id: 'as before', says: 'not the part: board or something missing' }], usual: [0.05, 0.95],
    given: { 'panel-bad': [0.96, 0.04], 'panel-broken': [0.96, 0.04], 'panel-contact': [0.85, 0.15], 'cell-worn': [0.94, 0.06], 'cell-contact': [0.85, 0.15], 'port-bad': [0.93, 0.07], 'speaker-bad': [0.95, 0.05], 'ear-bad': [0.95, 0.05], 'mic-bad': [0.92, 0.08], 'camera-bad': [0.95, 0.05], 'front-camera-bad': [0.95, 0.05], 'lens-loose': [0.93, 0.07], 'camera-contact': [0.85, 0.15], 'motor-bad': [0.95, 0.05], 'coil-bad': [0.93, 0.07], 'side-keys': [0.93, 0.07], 'sensor-off': [0.05, 0.95], board: [0.03, 0.97], liquid: [0.1, 0.9] },
  },
  {
    ...opening, id: 'known-good-sensor', for: ['no-start', 'no-picture', 'loops', 'brightness', 'lines', 'face'], name: 'open, same display with a known-good sensor flex', how: 'On many generations there is no picture without it.', hands: 20, part: true,
    outcomes: [{ id: 'picture', says: 'the sensor flex, not the display' }, { id: 'as before', says: 'the display or the board' }], usual: [0.03, 0.97], given: { 'sensor-off': [0.93, 0.07], 'panel-contact': [0.3, 0.7] },
  },
  {
    ...opening, id: 'original-back', name: 'open, refit the original part in the same condition', how: 'For a part that we fitted: does the old one show the same?', hands: 20,
    outcomes: [{ id: 'works again', says: 'the new part is defective' }, { id: 'as before', says: 'something else is missing' }], usual: [0.1, 0.9], given: { 'panel-bad': [0.15, 0.85], 'sensor-off': [0.04, 0.96], 'panel-contact': [0.5, 0.5] },
  },
  {
    ...opening, id: 'programmer', for: ['face', 'camera', 'front-camera', 'loops'], name: 'open, read the module with the bench programmer', how: 'Which sub-module answers, which does not.', hands: 22, wait: 0,
    outcomes: [{ id: 'all answer', says: 'the module is alive' }, { id: 'one is silent', says: 'the silent one is the fault' }], usual: [0.85, 0.15], given: { 'face-bad': [0.06, 0.94], 'lens-loose': [0.85, 0.15], 'camera-bad': [0.35, 0.65], 'sensor-off': [0.2, 0.8], 'panel-bad': [0.3, 0.7] },
  },
  {
    ...opening, id: 'look-inside', name: 'open, look for corrosion and burnt marks', how: 'Under the microscope, shields and connectors first.', hands: 20,
    outcomes: [{ id: 'corroded', says: 'liquid was in' }, { id: 'clean', says: 'no sign of liquid' }], usual: [0.04, 0.96], given: { liquid: [0.92, 0.08], board: [0.2, 0.8], 'port-bad': [0.15, 0.85] },
  },
];
