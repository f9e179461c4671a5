import { expect, test } from 'vitest';
import { travellers } from './screw-travel';

test('a screw that comes out goes from its own hole to its place, and back when it is undone', () => {
  expect(travellers({}, { 'A1#1': 'mat/A1' })).toEqual([{ from: 'hole/A1', to: 'mat/A1' }]);
  expect(travellers({ 'A1#1': 'mat/A1' }, {})).toEqual([{ from: 'mat/A1', to: 'hole/A1' }]);
});
test('into another hole it goes there; what is lost, scrapped or moved otherwise does not travel', () => {
  expect(travellers({ 'A1#1': 'mat/A1' }, { 'A1#1': 'hole/A2' })).toEqual([
    { from: 'mat/A1', to: 'hole/A2' },
  ]);
  expect(travellers({ 'A1#1': 'mat/A1' }, { 'A1#1': 'adrift' })).toEqual([]);
  expect(travellers({}, { 'cell#1': 'tray' })).toEqual([]);
});
test('a job that is caught up with does not send all its screws flying', () => {
  expect(
    travellers({}, Object.fromEntries(Array.from({ length: 9 }, (_, k) => [`A${k}#1`, `mat/A${k}`]))),
  ).toEqual([]);
});
