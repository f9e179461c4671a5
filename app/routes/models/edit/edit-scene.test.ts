import { describe, expect, test } from 'vitest';
import { dune2, dune3, indexed, mica9 } from '../../../../core/testing/demo-models';
import {
  around,
  boxesOf,
  insideLayer,
  layersOf,
  noGoBox,
  noGoId,
  noGoNumber,
  thingsShown,
} from './edit-scene';

const index = indexed(mica9);
describe('what the editor draws', () => {
  test('is all that lies no higher than the layer that is looked from, the lowest first', () => {
    const layers = layersOf(index, 'front');
    expect(layers).toEqual([...new Set(layers)].sort((a, b) => a - b));
    const inside = thingsShown(index, 'front', insideLayer(index, 'front'));
    const ids = inside.map((l) => l.thing.id);
    expect(ids).toContain('cell');
    expect(ids).not.toContain('display');
    expect(ids).not.toContain('A1');
    expect(ids.indexOf('board')).toBeLessThan(ids.indexOf('cell-bracket'));
    // a screw lies on what it holds
    expect(ids.indexOf('cell-bracket')).toBeLessThan(ids.indexOf('B1'));
    expect(thingsShown(index, 'front', 99).map((l) => l.thing.id)).toContain('display');
    expect(thingsShown(index, 'front', -1)).toEqual([]);
  });
  test('a back has its own cover, and what lies on the other side is not seen', () => {
    const back = indexed(dune2);
    const ids = thingsShown(back, 'back', 99).map((l) => l.thing.id);
    expect(ids).toContain('back-glass');
    expect(ids).not.toContain('cell');
    expect(insideLayer(indexed(dune3), 'back')).toBeLessThan(60);
    // with nothing under its cover a side is seen whole
    expect(insideLayer(back, 'back')).toBe(99);
  });
  test('a stretch of the rim lies along its edge, deep enough to be taken hold of', () => {
    const outline = { widthMm: 70, heightMm: 140, thicknessMm: 8, cornerMm: 8 };
    const stretch = { fromMm: 10, toMm: 30, depthMm: 1, why: 'flex' };
    expect(noGoBox({ ...stretch, edge: 'left' }, outline)).toEqual({ x: 0, y: 10, w: 3, h: 20 });
    expect(noGoBox({ ...stretch, edge: 'right', depthMm: 5 }, outline)).toEqual({
      x: 65,
      y: 10,
      w: 5,
      h: 20,
    });
    expect(noGoBox({ ...stretch, edge: 'top' }, outline)).toEqual({ x: 10, y: 0, w: 20, h: 3 });
    expect(noGoBox({ ...stretch, edge: 'bottom' }, outline)).toEqual({ x: 10, y: 137, w: 20, h: 3 });
    expect(noGoNumber(noGoId(4))).toBe(4);
    expect(noGoNumber('cell')).toBeUndefined();
  });
  test('round several things lies one box, round nothing none', () => {
    const boxes = boxesOf(index, ['cell', 'vibration', 'no such']);
    expect(boxes).toHaveLength(2);
    expect(around(boxes)).toEqual({ x: 6, y: 34, w: 54, h: 100 });
    expect(around([])).toBeUndefined();
  });
});
