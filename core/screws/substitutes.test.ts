import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { indexed, mica9 } from '../testing/demo-models';
import { searchPlaces } from './search-places';
import { type SpareScrew, substitutesFor } from './substitutes';
import { pitchMm } from './threads';

const spare = (id: string, more: Partial<SpareScrew> = {}): SpareScrew => ({
  id,
  drive: 'PH000',
  thread: 'M1.2',
  lengthMm: 1.5,
  headMm: 1.8,
  count: 5,
  ...more,
});
const hole = { drive: 'PH000' as const, thread: 'M1.2', lengthMm: 1.5, headMm: 1.8, maxLengthMm: 1.7 };

describe('a screw in place of another', () => {
  test('pitches are those of the ISO 261 coarse series', () => {
    expect(['M1', 'M1.2', 'M1.4', 'M1.6', 'M2'].map(pitchMm)).toEqual([0.25, 0.25, 0.3, 0.35, 0.4]);
    expect(pitchMm('M1.2x0.2')).toBe(0.2);
    expect(pitchMm('M9')).toBeUndefined();
  });
  test('is never longer than the hole bears, has the same thread and a head that sits', () => {
    const { fit, not } = substitutesFor(hole, [
      spare('long', { lengthMm: 1.8 }),
      spare('thread', { thread: 'M1.4' }),
      spare('head', { headMm: 2 }),
      spare('short', { lengthMm: 0.9 }),
      spare('gone', { count: 0 }),
    ]);
    expect(fit).toEqual([]);
    expect(not.map((n) => n.why)).toEqual([
      { code: 'too long', byMm: 0.1 },
      { code: 'other thread', has: 'M1.4', needs: 'M1.2' },
      { code: 'head too wide', byMm: 0.2 },
      { code: 'too short', byMm: 0.1 },
      { code: 'none left' },
    ]);
  });
  test('the nearest in length comes first, shorter before longer, the same drive before another', () => {
    const { fit } = substitutesFor(hole, [
      spare('longer', { lengthMm: 1.6 }),
      spare('y', { drive: 'Y000' }),
      spare('shorter', { lengthMm: 1.4 }),
      spare('same'),
      spare('far', { lengthMm: 1.2 }),
    ]);
    expect(fit.map((f) => f.spare.id)).toEqual(['same', 'y', 'shorter', 'longer', 'far']);
    expect(fit[0]!.why).toEqual(['same in everything']);
    expect(fit[1]!.why).toEqual(['other drive']);
  });
  test('where the model gives no safe length, the hole’s own length is the limit', () => {
    const { fit } = substitutesFor(
      { drive: 'PH000', thread: 'M1.2', lengthMm: 1.5, headMm: 1.8, maxLengthMm: undefined },
      [spare('a', { lengthMm: 1.5 }), spare('b', { lengthMm: 1.6 })],
    );
    expect(fit.map((f) => f.spare.id)).toEqual(['a']);
  });
});

describe('the search list of a screw adrift', () => {
  test('begins with what costs a look, then the magnets and sticky edges by distance', () => {
    const index = indexed(mica9);
    const bench = new Bench(index, undefined).open();
    bench.do({ type: 'screwOut', fastener: 'C3', piece: 'C3#1' });
    bench.do({
      type: 'bondReleased',
      bond: index.model.bonds.find((b) => b.kind === 'perimeter-seal')!.id,
      torn: false,
    });
    const list = searchPlaces(index, bench.state, 'C3', 20);
    expect(list.slice(0, 2).map((p) => p.where)).toEqual(['in its hole still', 'on the bit']);
    const near = list.filter((p) => 'awayMm' in p).map((p) => (p as { awayMm: number }).awayMm);
    expect(near.length).toBeGreaterThan(3);
    expect(near).toEqual([...near].sort((a, b) => a - b));
    const magnets = index.model.slots.filter((s) => s.traits.includes('magnetic')).map((s) => s.id);
    for (const m of magnets) expect(list.some((p) => p.where === 'on a magnet' && p.thing === m)).toBe(true);
    expect(searchPlaces(index, bench.state, 'nonsense')).toEqual([]);
  });
});
