import fc from 'fast-check';
import { expect, test } from 'vitest';
import { amountProblem, amountText, minorTyped, readAmount } from './amount';

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
test.each([
  ['1250', 0, undefined, 1250],
  ['1.250', 3, '.', 1250],
  ['1,250', 3, ',', 1250],
  ['12.5', 3, undefined, 12_500],
  ['1 250', 0, undefined, 1250],
])('%s with %i digits behind the mark %s is %i', (text, digits, decimal, minor) => {
  expect(readAmount(text, { digits, ...(decimal ? { decimal } : {}) })).toEqual({ ok: true, minor });
});
test('a currency without hundredths takes none, and a mark that is not the country’s is not guessed', () => {
  expect(readAmount('12.5', { digits: 0 })).toEqual({ ok: false, why: 'not an amount' });
  expect(readAmount('1.250', { digits: 0 })).toEqual({ ok: false, why: 'two readings' });
  expect(readAmount('1,250', { digits: 3, decimal: '.' })).toEqual({ ok: false, why: 'two readings' });
  expect(amountProblem('too much', { digits: 0 })).toBe('At most 10 000 000.');
  expect(amountProblem('empty', { digits: 2, decimal: ',' })).toBe('Give an amount, such as 12,50.');
});
test('what is typed for a schema is no number where it is no amount', () => {
  expect(minorTyped('62,50', { digits: 2 })).toBe(6250);
  expect(minorTyped('dear', { digits: 2 })).toBeNaN();
});
