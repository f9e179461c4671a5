import type { Bond, Minutes, Slot } from '../model/schema';
import type { FunctionId, ReleaseMeans } from '../vocabulary/trade';

/** What is put in for a thing that was recorded, until somebody says better: common practice, marked so in the model's notes. */
export const wayMinutes: Minutes = { low: 0.2, likely: 0.5, high: 1.5 };
export const installMinutes: Minutes = { low: 0.3, likely: 0.6, high: 1.5 };

const functionsOf: Partial<Record<Slot['kind'], FunctionId[]>> = {
  display: ['picture', 'touch'],
  panel: ['picture', 'touch'],
  cell: ['battery', 'power', 'charging'],
  board: ['power', 'radios', 'motion'],
  loudspeaker: ['loudspeaker'],
  'ear-speaker': ['ear-speaker'],
  camera: ['cameras'],
  'front-sensors': ['proximity', 'ambient'],
  vibration: ['vibration'],
  port: ['charging', 'microphones'],
  key: ['keys'],
  tray: ['radios'],
  coil: ['wireless'],
  antenna: ['radios'],
};
/** What is to be tested when a part of this kind was touched and nobody said; of a bracket, that the device still starts. */
export const functionsOfPart = (kind: Slot['kind']): FunctionId[] => functionsOf[kind] ?? ['power'];

export const traitsOf = (kind: Slot['kind']): Slot['traits'] =>
  kind === 'cell' ? ['swells', 'heat-sensitive'] : kind === 'display' ? ['fragile'] : [];

/** How a bond is loosed again: by what loosed it the first time, with hands and waits of common practice (from memory). */
export function releaseOf(by: ReleaseMeans): Bond['release'][number] {
  const common = { tools: [], risks: [], guard: { unless: [], methods: {} } };
  switch (by) {
    case 'heat':
      return { by, handsS: 60, waitS: 300, station: 'hot-plate', maxDelayS: 170, ...common };
    case 'solvent':
      return { by, handsS: 60, waitS: 60, ...common };
    case 'pull':
      return { by, handsS: 60, waitS: 0, angleMaxDeg: 30, ...common };
    default:
      return { by, handsS: 90, waitS: 0, ...common };
  }
}
