import { describe, expect, test } from 'vitest';
import type { Figures } from '../log/measured';
import { changesOf, verdictOf } from './measure';
import type { Taken } from './taken';

// Each limit from both sides: what lies on it, and what lies just beyond.
const sound = (more: object): Taken => ({
  ...{ kind: 'sound', levelDbfs: -20, floorDbfs: -70, thdPercent: 2, floor: [], bands: [] },
  ...more,
});
const hearing = (levelDbfs: number, floorDbfs: number): Taken => ({
  kind: 'microphones',
  inputs: [{ label: 'a', levelDbfs, floorDbfs }],
});
const camera = { label: 'a', sharpness: 0.8, brightness: 0.5, cast: 1.1, spots: 0, framesS: 30 };
const cameras = (more: object): Taken => ({ kind: 'cameras', each: [{ ...camera, ...more }] });
const asBefore = { sharpness: 0.8, cameras: 1 };
const vibration = (rms: number, restRms = 0): Taken => ({ kind: 'vibration', rms, restRms });
const motion = (more: object): Taken => ({ kind: 'motion', g: 9.80665, noise: 0, turned: 19, ...more });
/** A screen that is wiped in rows, with points that lie too far from the one before. */
const wiped = (jumps: number, rows = 28): Taken => ({
  ...{ kind: 'touch', widthMm: 65, heightMm: 140, ghosts: 0, fingers: 2 },
  strokes: [
    ...Array.from({ length: rows }, (_, k) =>
      Array.from({ length: 63 }, (_x, x) => ({ x: x + 1, y: 2 + 5 * k, t: 1000 * k + 3 * x })),
    ),
    ...Array.from({ length: jumps }, (_, k) => [
      { x: 1, y: 10, t: 90_000 + 1000 * k },
      { x: 61, y: 10, t: 90_001 + 1000 * k },
    ]),
  ],
});

test.each<[string, Taken, Figures | undefined, string]>([
  ['a tone ten over the hall', sound({ floorDbfs: -30 }), undefined, 'works'],
  ['a tone that lies less over it', sound({ floorDbfs: -30.1 }), undefined, 'works'],
  ['a hall that is just not loud', sound({ levelDbfs: -36, floorDbfs: -45 }), undefined, 'silent'],
  ['one that is', sound({ levelDbfs: -36, floorDbfs: -44.9 }), undefined, 'loud hall'],
  ['nine over the hall', sound({ levelDbfs: -50.1, floorDbfs: -60 }), undefined, 'silent'],
  ['harmonics at their limit', sound({ thdPercent: 30 }), undefined, 'works'],
  ['and over it', sound({ thdPercent: 30.1 }), undefined, 'rattle'],
  ['quieter by less than ten', sound({}), { level: -10.1 }, 'works'],
  ['quieter by ten', sound({}), { level: -10 }, 'quieter'],
  ['louder', sound({}), { level: -31 }, 'works'],
  ['one side quieter by ten', sound({ sides: { left: -30, right: -20 } }), { left: -20 }, 'one side'],
  ['by less', sound({ sides: { left: -29.9, right: -20 } }), { left: -20, right: -20 }, 'works'],
  ['a side that was not taken before', sound({ sides: { left: -60, right: -20 } }), { right: -20 }, 'works'],
  ['a microphone that hears ten over its floor', hearing(-60, -70), undefined, 'works'],
  ['nine', hearing(-60.1, -70), undefined, 'silent'],
  ['one at the least level', hearing(-75, -90), undefined, 'silent'],
  ['one just over it', hearing(-74.9, -90), undefined, 'works'],
  ['a picture just light enough', cameras({ brightness: 0.02 }), asBefore, 'works'],
  ['one that is not', cameras({ brightness: 0.019 }), asBefore, 'dark'],
  ['dust, and nothing before', cameras({ spots: 1 }), undefined, 'spots'],
  ['sharp at its limit', cameras({ sharpness: 0.6 }), { sharpness: 1, cameras: 1 }, 'works'],
  ['less sharp', cameras({ sharpness: 0.59 }), { sharpness: 1, cameras: 1 }, 'blurred'],
  ['not sharp, and nothing before', cameras({ sharpness: 0.1, far: 0.1 }), undefined, 'by eye'],
  ['far away at its limit', cameras({ far: 0.6 }), { ...asBefore, far: 1 }, 'works'],
  ['focus at its limit', cameras({ travel: 1.1 }), asBefore, 'works'],
  ['focus below it', cameras({ travel: 1.09 }), asBefore, 'no focus'],
  ['light at its limit', cameras({ light: 1.03 }), asBefore, 'works'],
  ['light below it', cameras({ light: 1.02 }), asBefore, 'no light'],
  ['zoom at its limit', cameras({ zoom: 1.2 }), asBefore, 'works'],
  ['zoom below it', cameras({ zoom: 1.19 }), asBefore, 'no zoom'],
  ['a weight that shakes just enough', vibration(0.3), undefined, 'works'],
  ['no more than at rest', vibration(0.5, 0.3), undefined, 'still'],
  ['half of what it was', vibration(1), { shake: 2 }, 'works'],
  ['less than half', vibration(0.99), { shake: 2 }, 'weak'],
  ['gravity as much off as it may', motion({ g: 9.31 }), undefined, 'works'],
  ['more', motion({ g: 9.3 }), undefined, 'gravity'],
  ['more, upwards', motion({ g: 10.31 }), undefined, 'gravity'],
  ['a zero as much off as it may', motion({ offset: 0.5 }), undefined, 'works'],
  ['a zero further off', motion({ offset: 0.51 }), undefined, 'offset'],
  ['turned just enough', motion({ turned: 0.5 }), undefined, 'works'],
  ['not turned', motion({ turned: 0.49 }), undefined, 'not turned'],
  ['a compass that turned a quarter', motion({ heading: 90 }), undefined, 'works'],
  ['one that turned less', motion({ heading: 89 }), undefined, 'no compass'],
  ['two jumps of a wet finger', wiped(2), undefined, 'works'],
  ['three', wiped(3), undefined, 'jumps'],
  ['a charger that charges', { kind: 'charging', charging: true }, undefined, 'works'],
  ['a charge that is told', { kind: 'battery', percent: 40 }, undefined, 'works'],
])('%s', (_what, taken, before, said) => {
  const { verdict, because } = verdictOf(taken, before);
  expect(because ?? verdict).toBe(said);
});

test.each<[string, Taken, Figures]>([
  ['marks', { kind: 'picture', marks: [{ x: 1, y: 1, what: 'spot', on: 'red' }] }, { marks: 1 }],
  [
    'of a sound, by bass, voice and treble; nothing where no band is',
    sound({
      ...{ levelDbfs: -20.04, floorDbfs: -70.06, thdPercent: 2.34, sides: { left: -21.04, right: -22.06 } },
      bands: [
        { centreHz: 299, levelDbfs: -30 },
        { centreHz: 300, levelDbfs: -40 },
        { centreHz: 1999, levelDbfs: -40 },
        { centreHz: 2000, levelDbfs: -50 },
        { centreHz: 20_000, levelDbfs: -50 },
      ],
    }),
    // two equal powers together are 3.01 dB more
    {
      ...{ level: -20, floor: -70.1, distortion: 2.3, low: -30, mid: -37, high: -47 },
      ...{ left: -21, right: -22.1 },
    },
  ],
  [
    'of a sound without bands',
    sound({}),
    { level: -20, floor: -70, distortion: 2, low: -200, mid: -200, high: -200 },
  ],
  [
    'the quietest of the microphones, and how many hear together',
    {
      kind: 'microphones',
      inputs: [
        { label: 'a', levelDbfs: -20.04, floorDbfs: -60 },
        { label: 'b', levelDbfs: -90, floorDbfs: -110 },
      ],
      together: 1,
    },
    { inputs: 2, heard: 1, level: -90, together: 1 },
  ],
  ['no microphone has no level', { kind: 'microphones', inputs: [] }, { inputs: 0, heard: 0 }],
  [
    'the worst of several cameras',
    {
      kind: 'cameras',
      each: [
        {
          ...camera,
          sharpness: 0.80049,
          cast: 1.104,
          spots: 1,
          framesS: 29.96,
          travel: 2.004,
          shaken: 0.0104,
        },
        { ...camera, cast: 1.2, spots: 2, framesS: 24, light: 1.404, shaken: 0.02 },
      ],
    },
    {
      ...{ cameras: 2, sharpness: 0.8, spots: 3, cast: 1.2, frames: 24 },
      ...{ travel: 2, light: 1.4, shaken: 0.02 },
    },
  ],
  ['no camera has no sharpness', { kind: 'cameras', each: [] }, { cameras: 0 }],
  ['shaking', { kind: 'vibration', rms: 2.004, restRms: 0, hz: 159.96 }, { shake: 2, hz: 160 }],
  ['shaking without a frequency', vibration(2.006), { shake: 2.01 }],
  [
    'motion',
    motion({ g: 9.804, turned: 19.006, faces: 6, heading: 350.4, offset: 0.104 }),
    { gravity: 9.8, turned: 19.01, faces: 6, heading: 350, offset: 0.1 },
  ],
  ['a charge', { kind: 'battery', percent: 40.04 }, { percent: 40 }],
  ['charging', { kind: 'charging', charging: true }, { charging: 1 }],
  ['not charging', { kind: 'charging', charging: false }, { charging: 0 }],
  ['a network', { kind: 'radios', online: true }, { online: 1 }],
  ['a place', { kind: 'radios', online: false, positionM: 12.4 }, { online: 0, position: 12 }],
])('figures are rounded to what was measured: %s', (_what, taken, figures) => {
  expect(verdictOf(taken).figures).toEqual(figures);
});

test('where a screen is dead is told of what strokes broke off at, before what was never wiped', () => {
  // the lower half was never wiped, and is larger; a stripe above it broke strokes off
  const strokes = Array.from({ length: 12 }, (_, k) => 2 + 5 * k).flatMap((y, k) => {
    const line = (from: number, to: number, t: number) =>
      Array.from({ length: to - from }, (_x, x) => ({ x: from + x, y, t: t + 3 * x }));
    return y > 20 && y < 45 ? [line(1, 30, 1000 * k), line(42, 64, 1000 * k + 130)] : [line(1, 64, 1000 * k)];
  });
  const taken: Taken = { kind: 'touch', widthMm: 65, heightMm: 140, ghosts: 0, fingers: 2, strokes };
  const { because, figures } = verdictOf(taken);
  expect(because).toBe('dead');
  expect(figures.dead).toBe(2);
  expect(figures.deadY).toBeLessThan(45);
  expect(figures.deadY).toBeGreaterThan(10);
  expect(figures.deadW).toBeLessThan(20);
  // without the stripe it is where the finger never was: the largest of those
  const half = verdictOf(wiped(0, 12));
  expect(half.because).toBe('not wiped');
  expect(half.figures).toMatchObject({ dead: 1, deadX: 0, deadW: 65 });
  expect(half.figures.deadY).toBeGreaterThan(57);
  expect(half.figures.percent).toBeGreaterThan(40);
  expect(half.figures.percent).toBeLessThan(50);
});

describe('a change', () => {
  test.each<[keyof Figures, number, number, number]>([
    ['level', -20, -23, -22.9],
    ['low', -20, -24, -23.9],
    ['mid', -20, -24, -23.9],
    ['high', -20, -16, -16.1],
    ['left', -20, -24, -23.9],
    ['right', -20, -24, -23.9],
    ['dead', 0, 1, 0.9],
    ['percent', 99, 97.5, 97.6],
    ['shake', 2, 1.4, 1.41],
    ['sharpness', 0.8, 0.6, 0.61],
    ['spots', 1, 2, 1],
    ['distortion', 2, 10, 9.9],
    ['far', 1, 1.25, 1.24],
    ['travel', 4, 3, 3.01],
    ['offset', 0, 0.3, 0.29],
    ['together', 2, 1, 2],
  ])('of %s is said from so much on, and not below', (what, from, said, unsaid) => {
    expect(changesOf({ [what]: from }, { [what]: said })).toEqual([{ what, from, to: said }]);
    expect(changesOf({ [what]: from }, { [what]: unsaid })).toEqual([]);
  });
});
