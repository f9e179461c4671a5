import { describe, expect, test } from 'vitest';
import { leakOf } from './leak';
import { findsReference, trustOf } from './self-test';

const of = (rateSteadyPaS: number, rateErrorPaS = 0.02) => findsReference({ rateSteadyPaS, rateErrorPaS }, 2);

describe('a tester against its reference leak', () => {
  test('is within a tenth of it and two standard errors, or it is not', () => {
    expect([of(2), of(2.2), of(1.8), of(2.23), of(1.77)]).toEqual([true, true, true, true, true]);
    expect([of(2.25), of(1.75), of(0), of(5)]).toEqual([false, false, false, false]);
  });
  test('a curve too noisy to tell a tenth proves nothing', () => {
    expect(of(2, 0.21)).toBe(false);
    expect(of(2, 0.2)).toBe(true);
  });
  test('a curve of a known leak that settles is found, one of half as much again is not', () => {
    const curve = (paS: number) =>
      leakOf({
        ...{ volumeMl: 80, ambientPa: 101_325, holdS: 30 },
        samples: Array.from({ length: 600 }, (_, n) => {
          const tS = n / 20;
          return { tS, pPa: -20_000 + paS * tS + 60 * (1 - Math.exp(-tS / 4)) + Math.sin(n * 12.9898) };
        }),
      });
    expect(findsReference(curve(2), 2)).toBe(true);
    expect(findsReference(curve(3), 2)).toBe(false);
  });
  test('is worth something for a day; after one that failed nothing is', () => {
    const at = 1_700_000_000_000;
    const day = 86_400_000;
    const test_ = { at, by: 'p', ratePaS: 2, errorPaS: 0.01, referencePaS: 2, ok: true };
    expect(trustOf(undefined, at)).toBe('due');
    expect(trustOf(test_, at)).toBe('good');
    expect(trustOf(test_, at + day - 1)).toBe('good');
    expect(trustOf(test_, at + day)).toBe('due');
    // a clock that was set back proves nothing
    expect(trustOf(test_, at - 1)).toBe('due');
    expect(trustOf({ ...test_, ok: false }, at + 2 * day)).toBe('failed');
  });
});
