import { describe, expect, test } from 'vitest';
import type { Met } from '../log/met-schema';
import { Bench } from '../testing/bench';
import { indexed } from '../testing/demo-models';
import { blankModel } from './blank-model';
import {
  likelyFor,
  longerThanNeighbours,
  nextId,
  outlineBetween,
  proposedOutline,
  screwAt,
  unclaimed,
} from './proposals';

const model = blankModel({
  id: 'own-x',
  maker: 'Alder',
  name: 'X',
  widthMm: 70,
  heightMm: 140,
  thicknessMm: 8,
});
const screw = (id: string, x: number, y: number, lengthMm = 1.3): Met => ({
  kind: 'fastener',
  ...{ id, name: id, face: 'front', at: { x, y }, lengthMm, headMm: 2 },
  drive: 'Y000',
  thread: 'M1.2',
});
const part = (id: string, needed: string[]): Met => ({
  kind: 'part',
  ...{ id, name: id, face: 'front', shape: { x: 0, y: 0, w: 20, h: 20 }, needed },
  part: 'bracket',
  functions: [],
});
function benchWith(...things: Met[]) {
  const bench = new Bench(indexed(model), undefined).open({ tasks: [] });
  for (const thing of things) bench.do({ type: 'met', thing, off: true });
  return bench;
}

describe('what is proposed while one records', () => {
  test('what came off and was not said to belong to a part is open to be asked about, in its order', () => {
    const { state } = benchWith(
      screw('S1', 5, 5),
      screw('S2', 15, 5),
      part('P1', ['S1']),
      screw('S3', 40, 40),
    );
    expect(unclaimed(state).map((t) => t.id)).toEqual(['S2', 'S3']);
  });
  test('the outline goes round the screws that came out last on this side, and never over the edge', () => {
    const { state } = benchWith(screw('S1', 1, 5), screw('S2', 15, 25));
    expect(proposedOutline(unclaimed(state), 'front', model)).toEqual({ x: 0, y: 2.5, w: 17.5, h: 25 });
    expect(proposedOutline(unclaimed(state), 'back', model)).toBeUndefined();
    expect(proposedOutline(unclaimed(state).slice(0, 1), 'front', model)).toBeUndefined();
  });
  test('two corners make an outline, whichever way they were tapped', () => {
    expect(outlineBetween({ x: 20, y: 30 }, { x: 5.04, y: 10 })).toEqual({ x: 5, y: 10, w: 15, h: 20 });
    expect(outlineBetween({ x: 5, y: 5 }, { x: 5, y: 5 })).toEqual({ x: 5, y: 5, w: 0.5, h: 0.5 });
  });
  test('screws within the outline are likely to have held it, those beside it are not; a plug is', () => {
    const { state } = benchWith(screw('S1', 5, 5), screw('S2', 60, 100));
    const outline = { x: 0, y: 0, w: 20, h: 20 };
    expect(unclaimed(state).map((t) => likelyFor(t, outline))).toEqual([true, false]);
  });
  test('a screw that is longer than those beside it is said to be; three tenths count, two do not', () => {
    const { state } = benchWith(screw('S1', 5, 5, 1.3), screw('S2', 15, 5, 1.5), screw('S3', 15, 15, 2.4));
    expect(longerThanNeighbours(state, 'S3')).toBe(0.9);
    expect(longerThanNeighbours(state, 'S2')).toBeUndefined();
    expect(longerThanNeighbours(benchWith(screw('S1', 5, 5)).state, 'S1')).toBeUndefined();
    expect(longerThanNeighbours(benchWith(screw('S1', 5, 5, 1), screw('S2', 9, 5, 1.3)).state, 'S2')).toBe(
      0.3,
    );
  });
  test('ids count up; two screws have no room in one hole', () => {
    const { index } = benchWith(screw('S1', 5, 5), screw('S3', 15, 5));
    expect([nextId(index, 'fastener'), nextId(index, 'part')]).toEqual(['S2', 'P1']);
    expect(screwAt(index, { x: 5.3, y: 5.3 }, 'front')).toBe('S1');
    expect(screwAt(index, { x: 5.3, y: 5.6 }, 'front')).toBeUndefined();
    expect(screwAt(index, { x: 5, y: 5 }, 'back')).toBeUndefined();
  });
});
