import { expect, test } from 'vitest';
import { isPlainText, notPlainAt } from './plain-text';

const nul = 'a\u0000b';
const half = 'a\ud83d';
test('a NUL and half of a character are no text; a whole one is', () => {
  expect(['', 'screw', 'ä \u{1f527}', nul, half].map(isPlainText)).toEqual([true, true, true, false, false]);
});
test.each<[string, unknown, (string | number)[] | undefined]>([
  ['text that is plain', 'a', undefined],
  ['text that is not', nul, []],
  ['what is no text', 7, undefined],
  ['nothing', null, undefined],
  ['in a field', { a: 'x', b: { c: half } }, ['b', 'c']],
  ['in a list', { a: ['x', 'y', nul] }, ['a', 2]],
  ['in a name', { a: { [nul]: 'x' } }, ['a', '(a name)']],
  ['the first of several', [half, nul], [0]],
  ['all well', { a: ['x', { b: 'y' }], c: null }, undefined],
])('where it is: %s', (_what, value, path) => {
  expect(notPlainAt(value)).toEqual(path);
});
test('so deep it is read, and no deeper', () => {
  const at = (depth: number) => Array.from({ length: depth }).reduce<unknown>((inner) => [inner], nul);
  expect(notPlainAt(at(12))).toHaveLength(12);
  expect(notPlainAt(at(13))).toBeUndefined();
});
