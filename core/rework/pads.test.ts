import { expect, test } from 'vitest';
import { judgePads, padName, padsOf } from './pads';

const chip = { pattern: ['111', '101', '111'], unconnected: ['A2', 'C3'] };
test('pads are called by row and column from the corner mark; letters that are taken for digits are left out (JEDEC JEP95)', () => {
  expect(padsOf(chip.pattern)).toEqual(['A1', 'A2', 'A3', 'B1', 'B3', 'C1', 'C2', 'C3']);
  expect([8, 9, 13, 14, 19, 20, 40].map((row) => padName(row, 0))).toEqual([
    'J1',
    'K1',
    'P1',
    'R1',
    'Y1',
    'AA1',
    'BA1',
  ]);
});
test('lifted, and nothing runs over it: go on; one that carries something: stop', () => {
  expect(judgePads(chip, { A2: 'lifted', C3: 'lifted' })).toMatchObject({
    lifted: ['A2', 'C3'],
    carrying: [],
    verdict: 'go on',
    unseen: 6,
  });
  expect(judgePads(chip, { A2: 'lifted', B3: 'lifted' })).toMatchObject({
    carrying: ['B3'],
    verdict: 'stop',
  });
});
test('oxidised: tin and wick first; a pad of no such chip is no pad', () => {
  expect(judgePads(chip, { B1: 'oxidised', B2: 'lifted' })).toMatchObject({
    oxidised: ['B1'],
    lifted: [],
    verdict: 'wick',
  });
  expect(judgePads(chip, { B1: 'oxidised', B3: 'lifted' }).verdict).toBe('stop');
});
