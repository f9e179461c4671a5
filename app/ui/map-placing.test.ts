import { describe, expect, test } from 'vitest';
import { indexed, mica9, shippedModels } from '../../core/testing/demo-models';
import type { DeviceModel } from '../../core/model/schema';
import type { Face } from '../../core/vocabulary/trade';
import { foldedPoint, foldedShape, frameOf, placing, wholeFrame } from './map-placing';

const hinged = (hinge: DeviceModel['hinge']) => indexed({ ...mica9, hinge });
const faces: readonly Face[] = ['front', 'back'];

describe('where the device and its open cover lie', () => {
  test('the drawing holds both, and they do not lie on each other, whatever the hinge', () => {
    for (const hinge of ['left', 'right', 'top', 'bottom'] as const)
      for (const face of faces) {
        const p = placing(hinged(hinge), face);
        const cover = { x: p.flapX, y: p.flapY, w: p.flap, h: p.flapH };
        for (const box of [{ x: 0, y: 0, w: p.W, h: p.H }, ...(p.flap ? [cover] : [])]) {
          expect(box.x, `${hinge} ${face}`).toBeGreaterThanOrEqual(p.whole.x);
          expect(box.y).toBeGreaterThanOrEqual(p.whole.y);
          expect(box.x + box.w).toBeLessThanOrEqual(p.whole.x + p.whole.w);
          expect(box.y + box.h).toBeLessThanOrEqual(p.whole.y + p.whole.h);
        }
        const beside = cover.x + cover.w <= 0 || cover.x >= p.W || cover.y + cover.h <= 0 || cover.y >= p.H;
        expect(beside, `${hinge} ${face}`).toBe(true);
      }
  });
  test('the cover is on the side of its hinge as one sees it: from the back left is right', () => {
    expect(placing(hinged('left'), 'front').flapX).toBeLessThan(0);
    expect(placing(hinged('right'), 'front').flapX).toBeGreaterThan(mica9.outline.widthMm);
    expect(placing(hinged('left'), 'back').flapX).toBeGreaterThan(mica9.outline.widthMm);
    expect(placing(hinged('top'), 'front').flapY).toBeLessThan(-mica9.outline.heightMm / 2);
    expect(placing(hinged('bottom'), 'front').flapY).toBeGreaterThan(mica9.outline.heightMm);
  });
  test('from the back everything is mirrored across, and nothing from the front', () => {
    const W = mica9.outline.widthMm;
    expect(placing(indexed(mica9), 'front').X(10, 4)).toBe(10);
    expect(placing(indexed(mica9), 'back').X(10, 4)).toBe(W - 14);
    expect(placing(indexed(mica9), 'back').X(0)).toBe(W);
  });
  test('on an open cover a thing is seen from inside: what was left of its middle is right of it, as far', () => {
    const p = placing(hinged('left'), 'front');
    const middle = p.flapX + p.flap / 2;
    expect(p.onFlap(p.W / 2) - middle).toBeCloseTo(0);
    expect(p.onFlap(p.W / 2 - 7) - middle).toBeCloseTo(7);
    // a box by its middle
    expect(p.onFlap(3, 4) + 2 - middle).toBeCloseTo(p.W / 2 - 5);
  });
  test('folded over its top or bottom up is down', () => {
    const p = placing(hinged('top'), 'front');
    const middle = p.flapY + p.flapH / 2;
    expect(p.onFlapY!(p.H / 2) - middle).toBeCloseTo(0);
    expect(p.onFlapY!(p.H / 2 - 7) - middle).toBeCloseTo(7);
    expect(placing(hinged('left'), 'front').onFlapY).toBeUndefined();
    const thing = { at: { x: 3, y: 10 }, shape: { x: 3, y: 10, w: 2, h: 4 } };
    expect(foldedPoint(thing, p.onFlapY).at).toEqual({ x: 3, y: p.onFlapY!(10) });
    expect(foldedShape(thing, p.onFlapY).shape).toEqual({ x: 3, y: p.onFlapY!(10, 4), w: 2, h: 4 });
    expect(foldedShape(thing, undefined)).toBe(thing);
    expect(foldedPoint(thing, undefined)).toBe(thing);
  });
  test('a side that does not open has no room for a cover', () => {
    const closed = { ...mica9, slots: mica9.slots.filter((s) => s.kind !== 'back') };
    const p = placing(indexed(closed as DeviceModel), 'back');
    expect([p.flap, p.whole.w]).toEqual([0, mica9.outline.widthMm + 2]);
  });
});

describe('the part of the drawing that some things lie in', () => {
  test('of none that is drawn there is none', () => {
    expect(frameOf(indexed(mica9), 'front', [])).toBeUndefined();
    expect(frameOf(indexed(mica9), 'front', ['nothing of that name'])).toBeUndefined();
  });
  test('has each of them in it, with air all round', () => {
    const index = indexed(mica9);
    const cell = index.slots.get('cell')!.shape!;
    expect(frameOf(index, 'front', ['cell'])).toEqual({
      ...{ x: cell.x - 8, y: cell.y - 8, w: cell.w + 16, h: cell.h + 16 },
    });
    const { at } = index.fasteners.get('A1')!;
    expect(frameOf(index, 'front', ['A1'])).toEqual({ x: at.x - 10, y: at.y - 10, w: 20, h: 20 });
  });
  test('lies within the whole drawing but for that air, for every thing of every model', () => {
    for (const model of shippedModels)
      for (const face of faces) {
        const index = indexed(model, model.variants[0]!.id);
        const whole = wholeFrame(index, face);
        for (const thing of [...index.model.slots, ...index.model.fasteners, ...index.model.connectors]) {
          if (thing.face !== face) continue;
          const f = frameOf(index, face, [thing.id]);
          if (!f) continue;
          expect(f.x + 10, thing.id).toBeGreaterThanOrEqual(whole.x - 2);
          expect(f.x + f.w - 10, thing.id).toBeLessThanOrEqual(whole.x + whole.w + 2);
        }
      }
  });
});
