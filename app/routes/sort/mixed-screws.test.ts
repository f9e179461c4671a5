import { describe, expect, test } from 'vitest';
import { Bench } from '../../../core/testing/bench';
import { indexed, mica9, route } from '../../../core/testing/demo-models';
import { holesOfMixed, isWhole, sortMixed } from './mixed-screws';

const index = indexed(mica9);
const bench = () => {
  const b = new Bench(index, route(mica9)).open();
  for (let k = 0; k < 16; k++) b.next();
  return b;
};

describe('the mixed of a knocked mat', () => {
  test('is made of the screws that were mixed up, each as its hole takes it', () => {
    const b = bench();
    expect(holesOfMixed(index, b.state)).toEqual([]);
    b.do({ type: 'spilled', pieces: ['A1#1', 'B1#1'] });
    expect(holesOfMixed(index, b.state).map((h) => [h.id, h.lengthMm, h.drive])).toEqual([
      ['A1', 6.7, 'P2'],
      ['B1', 1.2, 'Y000'],
    ]);
  });
  test('takes a screw that was measured before by its measure, not by the model', () => {
    const b = bench();
    b.do({ type: 'screwMeasured', piece: 'B1#1', lengthMm: 1.4 });
    b.do({ type: 'spilled', pieces: ['B1#1'] });
    expect(holesOfMixed(index, b.state)[0]).toMatchObject({ id: 'B1', lengthMm: 1.4 });
  });
  test('is sorted as far as it has been measured; holes of the same kind are told as interchangeable', () => {
    const b = bench();
    b.do({ type: 'spilled', pieces: ['A1#1', 'A2#1', 'B1#1'] });
    const mixed = sortMixed(holesOfMixed(index, b.state), [{ id: 's1', lengthMm: 6.72 }]);
    expect(mixed.alike).toEqual([['A1', 'A2']]);
    expect(['A1', 'A2']).toContain(mixed.sorted.assignments[0]!.hole);
    expect(mixed.sorted.missing).toHaveLength(2);
    expect(mixed.measure).toEqual([]);
  });
  test('a screw of no hole is a stray, and one that is too long for the hole it might be from is dangerous there', () => {
    const b = bench();
    b.do({ type: 'spilled', pieces: ['B1#1'] });
    expect(sortMixed(holesOfMixed(index, b.state), [{ id: 's1', lengthMm: 3.9 }]).sorted).toMatchObject({
      strays: ['s1'],
      missing: ['B1'],
    });
    expect(sortMixed(holesOfMixed(index, b.state), [{ id: 's1', lengthMm: 1.42 }]).sorted.dangerous).toEqual([
      { screw: 's1', hole: 'B1', why: '1.42 mm in a hole that bears 1.4 mm' },
    ]);
  });
  test('a 2.1 mm screw in a 1.7 mm hole is never all right, also where it came out of just that hole', () => {
    const b = bench();
    const hole = index.model.fasteners.find(
      (f) => f.maxLengthMm === undefined && b.state.place[`${f.id}#1`],
    )!;
    const long = hole.lengthMm + 0.4;
    b.do({ type: 'screwMeasured', piece: `${hole.id}#1`, lengthMm: long });
    b.do({ type: 'spilled', pieces: [`${hole.id}#1`] });
    const { sorted } = sortMixed(holesOfMixed(index, b.state), [{ id: 's1', lengthMm: long }]);
    expect(sorted.assignments).toEqual([{ screw: 's1', hole: hole.id }]);
    expect(sorted.dangerous).toMatchObject([{ screw: 's1', hole: hole.id }]);
    expect(isWhole(sorted, 1, 1)).toBe(false);
  });
});
