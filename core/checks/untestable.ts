import type { FunctionId } from '../vocabulary/trade';

/**
 * What cannot be tested on arrival when another function fails: a phone that does not start shows nothing, a dark or
 * deaf screen answers nothing that has to be seen or tapped. Common practice.
 */
const blockedBy: Readonly<Partial<Record<FunctionId, readonly FunctionId[] | 'all'>>> = {
  power: 'all',
  picture: [
    'touch',
    'pressure',
    'ambient',
    'proximity',
    'face',
    'finger',
    'cameras',
    'front-camera',
    'motion',
    'notice',
    'battery',
  ],
  touch: ['pressure', 'face', 'finger', 'cameras', 'front-camera', 'microphones', 'motion', 'notice'],
};

/** The function whose failing keeps this one from being tested, if any. */
export function whyUntestable(fn: FunctionId, failing: readonly FunctionId[]): FunctionId | undefined {
  return failing.find((f) => f !== fn && (blockedBy[f] === 'all' || blockedBy[f]?.includes(fn)));
}
