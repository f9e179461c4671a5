import { expect, test } from 'vitest';
import { functionIds } from '../vocabulary/trade';
import { whyUntestable } from './untestable';

test('a phone that does not start keeps everything from being tested but itself', () => {
  for (const f of functionIds) expect(whyUntestable(f, ['power'])).toBe(f === 'power' ? undefined : 'power');
});
test('a dark screen keeps what has to be seen or tapped, and nothing that is heard or felt', () => {
  expect(whyUntestable('touch', ['picture'])).toBe('picture');
  for (const f of ['loudspeaker', 'vibration', 'keys', 'charging', 'radios'] as const)
    expect(whyUntestable(f, ['picture'])).toBeUndefined();
  expect(whyUntestable('cameras', ['loudspeaker'])).toBeUndefined();
});
