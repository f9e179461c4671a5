import { expect, test } from 'vitest';
import type { JobEvent } from './events';
import { workedS } from './worked';

const minute = 60_000;
const entry = (at: number, clockKnown = true) => ({ at, clockKnown }) as JobEvent;

test('an entry took the time since the one before it, up to a quarter of an hour and no longer', () => {
  expect(workedS(entry(0), entry(90_000))).toBe(90);
  expect(workedS(entry(minute), entry(16 * minute))).toBe(900);
  expect(workedS(entry(minute), entry(16 * minute + 1))).toBeUndefined();
});
test('nothing is known of the first entry, of two at once, of one before the other, and by a clock that nobody knows', () => {
  expect(workedS(undefined, entry(minute))).toBeUndefined();
  expect(workedS(entry(minute), entry(minute))).toBeUndefined();
  expect(workedS(entry(2 * minute), entry(minute))).toBeUndefined();
  expect(workedS(entry(0, false), entry(minute))).toBeUndefined();
  expect(workedS(entry(0), entry(minute, false))).toBeUndefined();
});
