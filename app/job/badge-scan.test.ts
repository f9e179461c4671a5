import { expect, test } from 'vitest';
import { BadgeScan } from './badge-scan';

const code = 'SB2345679ABCDEFGHJKLMN';
/** Types a text and Enter with so many ms between the keys. @returns what the last key came to */
function typed(scan: BadgeScan, text: string, gap: number, from = 0): string | undefined {
  let at = from;
  for (const key of text) {
    expect(scan.feed(key, at)).toEqual({});
    at += gap;
  }
  return scan.feed('Enter', at).badge;
}

test('what a scanner types is a badge: all at once, with Enter behind it, in either case', () => {
  expect(typed(new BadgeScan(), code, 5)).toBe(code);
  expect(typed(new BadgeScan(), code.toLowerCase(), 20)).toBe(code);
});
test('what a person types is none, and what was typed before at their pace is no part of it', () => {
  expect(typed(new BadgeScan(), code, 120)).toBeUndefined();
  const scan = new BadgeScan();
  for (const [k, key] of [...'left of the lens'].entries()) scan.feed(key, k * 150);
  expect(typed(scan, code, 5, 5000)).toBe(code);
});
test('a measurement, another code, a badge that is cut short or broken by another key are none', () => {
  expect(typed(new BadgeScan(), '1.62', 5)).toBeUndefined();
  expect(typed(new BadgeScan(), 'PART-0000123456789ABCDEF', 5)).toBeUndefined();
  expect(typed(new BadgeScan(), code.slice(0, -1), 5)).toBeUndefined();
  const scan = new BadgeScan();
  for (const [k, key] of [...code.slice(0, 10), 'Tab', ...code.slice(10)].entries()) scan.feed(key, k * 5);
  expect(scan.feed('Enter', 120).badge).toBeUndefined();
});
test('a scanner that holds Shift for capital letters is read as well', () => {
  const scan = new BadgeScan();
  let at = 0;
  for (const key of code) {
    scan.feed('Shift', at);
    scan.feed(key, at + 3);
    at += 8;
  }
  expect(scan.feed('Enter', at).badge).toBe(code);
});
