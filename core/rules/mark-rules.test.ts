import { expect, test } from 'vitest';
import { noGoOfMarks } from './mark-rules';

const outline = { widthMm: 72, heightMm: 147 };
const missing = (x: number, y: number, side: 'front' | 'back' = 'front') => ({
  side,
  x,
  y,
  kind: 'missing glass',
});

test('glass that is missing near an edge leaves a stretch of it out of bounds, cut off at the corners', () => {
  expect(noGoOfMarks([missing(3, 60)], outline)).toEqual([
    { edge: 'left', fromMm: 50, toMm: 70, depthMm: 0, why: 'glass is missing here' },
  ]);
  expect(noGoOfMarks([missing(70, 145)], outline)[0]).toMatchObject({
    edge: 'right',
    fromMm: 135,
    toMm: 147,
  });
  // along the side the device is as long as it is high, along the top as wide
  expect(noGoOfMarks([missing(3, 100)], outline)[0]).toMatchObject({ edge: 'left', fromMm: 90, toMm: 110 });
  expect(noGoOfMarks([missing(66, 2)], outline)[0]).toMatchObject({ edge: 'top', fromMm: 56, toMm: 72 });
  expect(noGoOfMarks([missing(66, 146)], outline)[0]).toMatchObject({ edge: 'bottom', toMm: 72 });
  expect(noGoOfMarks([missing(40, 4)], outline)[0]).toMatchObject({ edge: 'top', fromMm: 30, toMm: 50 });
});
test('in the middle, on the back, removed, or of another kind it does not', () => {
  expect(
    noGoOfMarks(
      [missing(36, 70), missing(3, 60, 'back'), null, { ...missing(3, 60), kind: 'crack' }],
      outline,
    ),
  ).toEqual([]);
});
