import { describe, expect, test } from 'vitest';
import { differenceOf, enlargementOf, type Picture, pictureFigures, spotsOf } from './picture';
import { atRest, facesOf, headingSwept, shakeOf, standardGravity } from './shake';
import { type StrokePoint, touchMap } from './touch';

/** Strokes to and fro, 5 mm apart, at so many mm a second; what `dead` covers does not answer. */
function wiped(
  widthMm: number,
  heightMm: number,
  dead?: { x: number; y: number; w: number; h: number },
): StrokePoint[][] {
  const out: StrokePoint[][] = [];
  let t = 0;
  for (let y = 2; y <= heightMm; y += 5) {
    let stroke: StrokePoint[] = [];
    for (let x = 1; x < widthMm; x += 1) {
      t += 3;
      const none = dead && x >= dead.x && x <= dead.x + dead.w && y >= dead.y && y <= dead.y + dead.h;
      if (!none) stroke.push({ x, y, t });
      else if (stroke.length) {
        out.push(stroke);
        stroke = [];
      }
    }
    if (stroke.length) out.push(stroke);
    t += 500;
  }
  return out;
}
describe('a screen wiped all over', () => {
  test('answers everywhere', () => {
    const map = touchMap(wiped(65, 140), 65, 140);
    expect(map.share).toBeGreaterThan(0.99);
    expect(map).toMatchObject({ dead: [], breaks: 0, jumps: 0 });
  });
  test('with a dead stripe: where it is, how large, and that strokes broke off at it', () => {
    const map = touchMap(wiped(65, 140, { x: 36, y: 40, w: 14, h: 52 }), 65, 140);
    expect(map.dead).toHaveLength(1);
    const [stripe] = map.dead;
    expect(Math.abs(stripe!.x - 36)).toBeLessThanOrEqual(2);
    expect(Math.abs(stripe!.x + stripe!.w - 50)).toBeLessThanOrEqual(2);
    expect(stripe!.h).toBeGreaterThan(44);
    expect(stripe!.h).toBeLessThan(60);
    expect(stripe!.crossed).toBeGreaterThanOrEqual(9);
    expect(map.share).toBeLessThan(0.97);
  });
  test('a stripe that is narrower than a fingertip is found by what broke off at it', () => {
    const map = touchMap(wiped(65, 140, { x: 41, y: 40, w: 6, h: 52 }), 65, 140);
    expect(map.dead).toHaveLength(1);
    expect(map.dead[0]!.w).toBeGreaterThanOrEqual(5);
    expect(map.dead[0]!.w).toBeLessThanOrEqual(9);
  });
  test('a finger that was lifted once and went on has found nothing', () => {
    const once = wiped(65, 140).flatMap((stroke, k) =>
      k === 9 ? [stroke.slice(0, 30), stroke.slice(40)] : [stroke],
    );
    expect(touchMap(once, 65, 140)).toMatchObject({ dead: [], breaks: 1 });
  });
  test('what was not wiped is as dead to it, but no stroke broke off there', () => {
    const map = touchMap(
      wiped(65, 140).filter((stroke) => stroke[0]!.y < 100),
      65,
      140,
    );
    expect(map.dead).toMatchObject([{ crossed: 0 }]);
    expect(map.dead[0]!.h).toBeGreaterThan(30);
  });
  test('a point that is too far for its time is a jump, and what lies between has not answered', () => {
    const far = [
      { x: 5, y: 5, t: 0 },
      { x: 60, y: 130, t: 5 },
    ]; // prettier-ignore
    expect(touchMap([far], 65, 140)).toMatchObject({ jumps: 1 });
    expect(touchMap([far], 65, 140).share).toBeLessThan(0.03);
    // at two metres a second a finger wipes
    expect(touchMap([[far[0]!, { ...far[1]!, t: 70 }]], 65, 140).jumps).toBe(0);
  });
  test('of no stroke nothing answers', () => {
    expect(touchMap([], 65, 140).share).toBe(0);
  });
});

const drawn = (width: number, height: number, grey: (x: number, y: number) => number): Picture => {
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const at = (y * width + x) * 4;
      data.fill(Math.round(255 * grey(x, y)), at, at + 3);
      data[at + 3] = 255;
    }
  return { width, height, data };
};
/** An edge that a Gaussian of this width has blurred: the error function, by its logistic approximation. */
const edge = (sigma: number) =>
  drawn(120, 80, (x) => 0.2 + 0.6 / (1 + Math.exp((-1.702 * (x - 60)) / Math.max(0.01, sigma))));

describe('a picture', () => {
  test('is the less sharp the more it is blurred', () => {
    const sharp = [0.3, 1, 2, 4, 8].map((sigma) => pictureFigures(edge(sigma)).sharpness);
    expect(sharp).toEqual([...sharp].sort((a, b) => b - a));
    // the squared gradient of a blurred edge falls as 1/sigma, so its root as 1/sqrt(sigma)
    expect(sharp[2]! / sharp[4]!).toBeCloseTo(2, 0);
  });
  test('of a ramp has the gradient of the ramp: Sobel is eight times it', () => {
    const ramp = drawn(200, 50, (x) => 0.25 + x / 400);
    const { sharpness, brightness } = pictureFigures(ramp);
    expect(brightness).toBeCloseTo(0.499, 2);
    // steps of 1/255 round it
    expect(sharpness * brightness).toBeCloseTo(8 / 400, 2);
  });
  test('has its brightness and its cast', () => {
    const grey = drawn(10, 10, () => 0.5);
    expect(pictureFigures(grey)).toMatchObject({ sharpness: 0, cast: 1, clipped: 0 });
    const warm = { ...grey, data: Array.from(grey.data, (v, k) => (k % 4 === 0 ? v * 1.2 : v)) };
    expect(pictureFigures(warm).cast).toBeCloseTo(1.2, 1);
    expect(pictureFigures(drawn(10, 10, () => 1)).clipped).toBe(1);
  });
});
describe('two pictures', () => {
  const scene = (times: number) =>
    drawn(160, 120, (x, y) => {
      const [u, v] = [(x / 160 - 0.5) / times, (y / 120 - 0.5) / times];
      return 0.5 + 0.2 * Math.sin(23 * u + 5 * v) + 0.2 * Math.cos(17 * v - 9 * u * u);
    });
  test.each([1, 1.5, 2, 3, 5])('of which one is enlarged %s times', (times) => {
    expect(Math.abs(enlargementOf(scene(1), scene(times)) - times)).toBeLessThanOrEqual(0.25);
  });
  test('of nothing are not enlarged, and do not differ; one that is brighter differs by that', () => {
    const [dark, light] = [drawn(40, 30, () => 0.2), drawn(40, 30, () => 0.6)];
    expect(enlargementOf(dark, dark)).toBe(1);
    expect(differenceOf(dark, dark)).toBe(0);
    expect(differenceOf(dark, light)).toBeCloseTo(0.4, 2);
  });
});
describe('a plain sheet', () => {
  // a lens lets less through towards its corners: cosine to the fourth
  const falls = (x: number, y: number) => 0.85 * Math.cos(Math.hypot((x - 192) / 600, (y - 144) / 600)) ** 4;
  test('that falls off to its corners has no spot', () => {
    expect(spotsOf(drawn(384, 288, falls))).toEqual([]);
  });
  test('with dust has a spot where it lies, as large and as dark', () => {
    const dusty = drawn(384, 288, (x, y) => falls(x, y) * (Math.hypot(x - 100, y - 200) < 10 ? 0.7 : 1));
    const spots = spotsOf(dusty);
    expect(spots).toHaveLength(1);
    expect(spots[0]!.x).toBeCloseTo(100 / 384, 1);
    expect(spots[0]!.y).toBeCloseTo(200 / 384, 1);
    expect(spots[0]!.size).toBeCloseTo(20 / 384, 1);
    expect(spots[0]!.depth).toBeCloseTo(0.3, 1);
  });
});

describe('what an accelerometer feels', () => {
  const shaken = (rate: number, hz: number, amplitude: number) =>
    Array.from({ length: rate * 2 }, (_, k) => ({
      t: (1000 * k) / rate,
      x: amplitude * Math.sin((2 * Math.PI * hz * k) / rate),
      y: 0,
      z: standardGravity,
    }));
  test('is gravity at rest', () => {
    const { g, noise } = atRest(shaken(60, 10, 0));
    expect(g).toBeCloseTo(9.80665, 5);
    expect(noise).toBeCloseTo(0, 9);
  });
  test('tells on how many faces it was laid, and by how much its zero is off', () => {
    const g = standardGravity;
    const laid = (dx: number) =>
      [
        [g, 0, 0],
        [-g, 0, 0],
        [0, g, 0],
        [0, -g, 0],
        [0, 0, g],
        [0, 0, -g],
        // on its way from one to the next
        [g / 2, g / 2, g / 2],
      ].map(([x, y, z], t) => ({ t, x: x! + dx, y: y!, z: z! }));
    expect(facesOf(laid(0))).toEqual({ faces: 6, offset: 0 });
    expect(facesOf(laid(0.4)).offset).toBeCloseTo(0.4, 9);
    expect(facesOf(laid(0).slice(4, 5))).toEqual({ faces: 1, offset: undefined });
    expect(facesOf([])).toEqual({ faces: 0, offset: undefined });
  });
  test('a heading goes round over north and on', () => {
    expect(headingSwept([350, 10, 40])).toBe(50);
    expect(headingSwept([10, 350, 300])).toBe(70);
    expect(headingSwept(Array.from({ length: 37 }, (_, k) => (180 + 10 * k) % 360))).toBe(360);
    expect(headingSwept([90, 91, 89, 90])).toBe(2);
    expect(headingSwept([])).toBe(0);
  });
  test('is how strongly it shakes: a sine has the RMS of its amplitude over the root of two', () => {
    expect(shakeOf(shaken(60, 13, 2)).rms).toBeCloseTo(2 / Math.SQRT2, 2);
  });
  test('is a frequency only where it is sampled fast enough for one', () => {
    expect(shakeOf(shaken(60, 13, 2)).hz).toBeUndefined();
    expect(shakeOf(shaken(400, 160, 2)).hz).toBeCloseTo(160, 1);
    expect(shakeOf([])).toEqual({ rms: 0, hz: undefined });
  });
});
