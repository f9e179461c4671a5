import fc from 'fast-check';
import { expect, test } from 'vitest';
import { amountText, readAmount } from './amount';

test.each([
  ['12', 1200],
  ['12.5', 1250],
  ['12.50', 1250],
  ['12,50', 1250],
  [' 12,5 ', 1250],
  ['1 250,00', 125_000],
  ['1250', 125_000],
  ['1,250.00', 125_000],
  ['1.250,00', 125_000],
  ['0', 0],
  ['100000', 10_000_000],
])('%s is %i', (text, minor) => {
  expect(readAmount(text)).toEqual({ ok: true, minor });
});
test.each([
  ['', 'empty'],
  ['  ', 'empty'],
  ['dear', 'not an amount'],
  ['12.5.0', 'not an amount'],
  ['1e5', 'not an amount'],
  ['12.345,6', 'not an amount'],
  ['1,250', 'two readings'],
  ['1.250', 'two readings'],
  ['-3', 'negative'],
  ['−3', 'negative'],
  ['100000.01', 'too much'],
])('%s is refused: %s', (text, why) => {
  expect(readAmount(text)).toEqual({ ok: false, why });
});
test('what is written is read back the same', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 10_000_000 }), (minor) => {
      expect(readAmount(amountText(minor))).toEqual({ ok: true, minor });
    }),
  );
});
