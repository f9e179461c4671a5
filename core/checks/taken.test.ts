import { expect, test } from 'vitest';
import { takenSchema } from './taken';

const point = { x: 1, y: 1, t: 0 };
const band = { centreHz: 100, levelDbfs: -20 };
const camera = { label: 'a', sharpness: 1, brightness: 1, cast: 1, spots: 0, framesS: 30 };
const kinds: Record<string, object> = {
  touch: { widthMm: 65, heightMm: 140, strokes: [], ghosts: 0, fingers: 1 },
  picture: { marks: [] },
  sound: { floorDbfs: -70, levelDbfs: -20, thdPercent: 2, floor: [], bands: [] },
  microphones: { inputs: [] },
  cameras: { each: [] },
  vibration: { rms: 1, restRms: 0 },
  motion: { g: 9.8, noise: 0, turned: 1 },
  radios: { online: true },
  battery: { percent: 50 },
};
const taken = (kind: string, more: object) =>
  takenSchema.safeParse({ kind, ...kinds[kind], ...more }).success;
const input = (more: object) => ({ inputs: [{ label: 'a', levelDbfs: -20, floorDbfs: -60, ...more }] });
const lens = (more: object) => ({ each: [{ ...camera, ...more }] });
const many = (n: number, one: unknown) => Array(n).fill(one);

// Whoever has the link can send anything: each figure within its bounds is taken, and none beyond them.
test.each<[string, string, (x: number) => object, number, number]>([
  ['touch', 'width', (widthMm) => ({ widthMm }), 10, 500],
  ['touch', 'height', (heightMm) => ({ heightMm }), 10, 500],
  ['touch', 'touches of nobody', (ghosts) => ({ ghosts }), 0, 1000],
  ['touch', 'fingers', (fingers) => ({ fingers }), 0, 20],
  ['touch', 'across', (x) => ({ strokes: [[{ ...point, x }]] }), -1e6, 1e6],
  ['touch', 'down', (y) => ({ strokes: [[{ ...point, y }]] }), -1e6, 1e6],
  ['touch', 'when', (t) => ({ strokes: [[{ ...point, t }]] }), 0, 1e6],
  ['sound', 'hall', (floorDbfs) => ({ floorDbfs }), -1e6, 1e6],
  ['sound', 'level', (levelDbfs) => ({ levelDbfs }), -1e6, 1e6],
  ['sound', 'harmonics', (thdPercent) => ({ thdPercent }), 0, 1e6],
  ['sound', 'band', (centreHz) => ({ bands: [{ ...band, centreHz }] }), 0, 1e6],
  ['sound', 'band of the hall', (levelDbfs) => ({ floor: [{ ...band, levelDbfs }] }), -1e6, 1e6],
  ['sound', 'left', (left) => ({ sides: { left, right: 0 } }), -1e6, 1e6],
  ['sound', 'right', (right) => ({ sides: { left: 0, right } }), -1e6, 1e6],
  ['microphones', 'level', (levelDbfs) => input({ levelDbfs }), -1e6, 1e6],
  ['microphones', 'hall', (floorDbfs) => input({ floorDbfs }), -1e6, 1e6],
  ['microphones', 'together', (together) => ({ together }), 0, 2],
  ['cameras', 'sharpness', (sharpness) => lens({ sharpness }), 0, 1e6],
  ['cameras', 'brightness', (brightness) => lens({ brightness }), 0, 1e6],
  ['cameras', 'cast', (cast) => lens({ cast }), 0, 1e6],
  ['cameras', 'spots', (spots) => lens({ spots }), 0, 1000],
  ['cameras', 'frames', (framesS) => lens({ framesS }), 0, 1e6],
  ['cameras', 'far', (far) => lens({ far }), 0, 1e6],
  ['cameras', 'focus', (travel) => lens({ travel }), 0, 1e6],
  ['cameras', 'light', (light) => lens({ light }), 0, 1e6],
  ['cameras', 'zoom', (zoom) => lens({ zoom }), 0, 1e6],
  ['cameras', 'trembling', (shaken) => lens({ shaken }), 0, 1e6],
  ['vibration', 'shaking', (rms) => ({ rms }), 0, 1e6],
  ['vibration', 'rest', (restRms) => ({ restRms }), 0, 1e6],
  ['vibration', 'frequency', (hz) => ({ hz }), 0, 1e6],
  ['motion', 'gravity', (g) => ({ g }), 0, 1e6],
  ['motion', 'noise', (noise) => ({ noise }), 0, 1e6],
  ['motion', 'turned', (turned) => ({ turned }), 0, 1e6],
  ['motion', 'faces', (faces) => ({ faces }), 0, 6],
  ['motion', 'zero', (offset) => ({ offset }), 0, 1e6],
  ['motion', 'compass', (heading) => ({ heading }), 0, 3600],
  ['radios', 'place', (positionM) => ({ positionM }), 0, 1e6],
  ['battery', 'charge', (percent) => ({ percent }), 0, 100],
])('%s: %s', (kind, _what, as, low, high) => {
  expect([low, high].map((x) => taken(kind, as(x)))).toEqual([true, true]);
  expect([low - 1, high + 1, Number.NaN].map((x) => taken(kind, as(x)))).toEqual([false, false, false]);
});

test.each<[string, string, (n: number) => object, number]>([
  ['touch', 'strokes', (n) => ({ strokes: many(n, [point]) }), 600],
  ['touch', 'points of a stroke', (n) => ({ strokes: [many(n, point)] }), 4000],
  ['picture', 'marks', (n) => ({ marks: many(n, { x: 1, y: 1, what: 'spot', on: 'red' }) }), 50],
  ['picture', 'letters', (n) => ({ marks: [{ x: 1, y: 1, what: 'tint', on: 'r'.repeat(n) }] }), 120],
  ['sound', 'bands', (n) => ({ bands: many(n, band) }), 40],
  ['sound', 'bands of the hall', (n) => ({ floor: many(n, band) }), 40],
  ['microphones', 'inputs', (n) => ({ inputs: many(n, input({}).inputs[0]) }), 10],
  ['microphones', 'letters', (n) => input({ label: 'm'.repeat(n) }), 120],
  ['cameras', 'lenses', (n) => ({ each: many(n, camera) }), 8],
  ['radios', 'letters', (n) => ({ by: 'w'.repeat(n) }), 120],
])('%s: so many %s, and not one more', (kind, _what, as, most) => {
  expect([most, most + 1].map((n) => taken(kind, as(n)))).toEqual([true, false]);
});

test('a fraction is no count', () => {
  for (const [kind, more] of [
    ['touch', { ghosts: 0.5 }],
    ['touch', { fingers: 1.5 }],
    ['cameras', lens({ spots: 0.5 })],
    ['microphones', { together: 0.5 }],
    ['motion', { faces: 2.5 }],
  ] as const)
    expect(taken(kind, more)).toBe(false);
});
