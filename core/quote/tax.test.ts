import { expect, test } from 'vitest';
import { payFactor, roundTo, taxWithin } from './tax';

test('a tax that is not in the prices is added, one that is in them is not', () => {
  expect(payFactor(undefined)).toBe(1);
  expect(payFactor({ name: 'VAT', percent: 20, included: true })).toBe(1);
  expect(payFactor({ name: 'VAT', percent: 20, included: false })).toBeCloseTo(1.2, 12);
});
test('the tax within 120.00 at 20 % is 20.00, and within 107.70 at 7.7 % it is 7.70', () => {
  expect([taxWithin(12_000, 20), taxWithin(10_770, 7.7), taxWithin(12_000, 0)]).toEqual([2000, 770, 0]);
});
test('amounts are rounded to the smallest coin, half up', () => {
  expect([roundTo(1237.4, 5), roundTo(1237.5, 5), roundTo(1250, 100), roundTo(1237.5)]).toEqual([
    1235, 1240, 1300, 1238,
  ]);
});
