import type { FunctionId } from '../vocabulary/trade';

/** What a plug can carry, as it is chosen from at the bench: the functions that are tested once it was off. */
export const plugKinds = {
  cell: { carries: 'power', functions: ['battery', 'power'] },
  display: { carries: 'signal', functions: ['picture'] },
  touch: { carries: 'signal', functions: ['touch'] },
  sensors: { carries: 'signal', functions: ['proximity', 'ambient'] },
  camera: { carries: 'signal', functions: ['cameras'] },
  'front-camera': { carries: 'signal', functions: ['front-camera', 'face'] },
  port: { carries: 'signal', functions: ['charging', 'microphones'] },
  speaker: { carries: 'signal', functions: ['loudspeaker'] },
  'ear-speaker': { carries: 'signal', functions: ['ear-speaker'] },
  vibration: { carries: 'signal', functions: ['vibration'] },
  keys: { carries: 'signal', functions: ['keys'] },
  coil: { carries: 'signal', functions: ['wireless'] },
  antenna: { carries: 'signal', functions: ['radios'] },
  finger: { carries: 'signal', functions: ['finger'] },
  lower: { carries: 'signal', functions: ['charging', 'loudspeaker', 'microphones'] },
} as const satisfies Record<string, { carries: 'power' | 'signal'; functions: readonly FunctionId[] }>;
export type PlugKind = keyof typeof plugKinds;
