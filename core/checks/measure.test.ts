import { describe, expect, test } from 'vitest';
import type { Figures } from '../log/measured';
import { functionIds } from '../vocabulary/trade';
import { changesOf, cheapestFirst, measuredBy, verdictOf } from './measure';
import { type Taken, takenSchema } from './taken';

const sound = (levelDbfs: number, more: object = {}): Taken => ({
  kind: 'sound',
  levelDbfs,
  floorDbfs: -70,
  thdPercent: 2,
  floor: [],
  bands: [
    { centreHz: 200, levelDbfs: levelDbfs - 12 },
    { centreHz: 1000, levelDbfs: levelDbfs - 3 },
    { centreHz: 5000, levelDbfs: levelDbfs - 6 },
  ],
  ...more,
});
const camera = { label: 'a', sharpness: 0.8, brightness: 0.5, cast: 1.1, spots: 0, framesS: 30 };
const cameras = (more: object, n = 1): Taken => ({
  kind: 'cameras',
  each: Array.from({ length: n }, () => ({ ...camera, ...more })),
});

describe('what a measurement comes to', () => {
  test.each<[string, Taken, Figures | undefined, string, string | undefined]>([
    ['a phone that opened its page has started', { kind: 'started' }, undefined, 'works', undefined],
    ['an even picture', { kind: 'picture', marks: [] }, undefined, 'works', undefined],
    [
      'a line',
      { kind: 'picture', marks: [{ x: 1, y: 1, what: 'line', on: 'red' }] },
      undefined,
      'fails',
      'marks',
    ],
    ['a tone well over the hall', sound(-20), undefined, 'works', undefined],
    ['a tone that the hall drowns', sound(-20, { floorDbfs: -25 }), undefined, 'unclear', 'loud hall'],
    ['nothing in a quiet hall', sound(-68), undefined, 'fails', 'silent'],
    ['a third of harmonics', sound(-20, { thdPercent: 31 }), undefined, 'fails', 'rattle'],
    ['ten decibels less than before', sound(-30), { level: -20 }, 'fails', 'quieter'],
    ['nine less', sound(-29), { level: -20 }, 'works', undefined],
    ['no microphone listed', { kind: 'microphones', inputs: [] }, undefined, 'unclear', 'none listed'],
    [
      'one of two that hears nothing',
      {
        kind: 'microphones',
        inputs: [
          { label: 'a', levelDbfs: -20, floorDbfs: -60 },
          { label: 'b', levelDbfs: -90, floorDbfs: -110 },
        ],
      },
      undefined,
      'fails',
      'silent',
    ],
    ['a camera that nothing compares with', cameras({}), undefined, 'unclear', 'by eye'],
    ['as sharp as before', cameras({}), { sharpness: 0.8, cameras: 1, spots: 0 }, 'works', undefined],
    ['half as sharp', cameras({ sharpness: 0.4 }), { sharpness: 0.8, cameras: 1 }, 'fails', 'blurred'],
    ['dust that was not there', cameras({ spots: 2 }), { sharpness: 0.8, spots: 1 }, 'fails', 'spots'],
    ['dust that was', cameras({ spots: 1 }), { sharpness: 0.8, spots: 1, cameras: 1 }, 'works', undefined],
    ['black', cameras({ brightness: 0.01 }), undefined, 'fails', 'dark'],
    ['one camera fewer', cameras({}, 2), { sharpness: 0.8, cameras: 3 }, 'fails', 'one less'],
    ['no shaking', { kind: 'vibration', rms: 0.1, restRms: 0.02 }, undefined, 'fails', 'still'],
    ['shaking', { kind: 'vibration', rms: 2, restRms: 0.02 }, undefined, 'works', undefined],
    ['half of it', { kind: 'vibration', rms: 0.9, restRms: 0.02 }, { shake: 2 }, 'fails', 'weak'],
    ['gravity', { kind: 'motion', g: 9.7, noise: 0.02, turned: 19 }, undefined, 'works', undefined],
    ['half of gravity', { kind: 'motion', g: 4.9, noise: 0, turned: 9 }, undefined, 'fails', 'gravity'],
    [
      'gravity, and never turned',
      { kind: 'motion', g: 9.8, noise: 0, turned: 0 },
      undefined,
      'unclear',
      'not turned',
    ],
    [
      'one side silent, the other as it was',
      sound(-20, { sides: { left: -20, right: -60 } }),
      { level: -20, left: -20, right: -21 },
      'fails',
      'one side',
    ],
    [
      'both sides as they were',
      sound(-20, { sides: { left: -22, right: -25 } }),
      { level: -20, left: -20, right: -21 },
      'works',
      undefined,
    ],
    [
      'blurred far away alone',
      cameras({ far: 0.3 }),
      { sharpness: 0.8, far: 0.8, cameras: 1 },
      'fails',
      'blurred',
    ],
    [
      'a focus that does not move',
      cameras({ travel: 1.02 }),
      { sharpness: 0.8, cameras: 1 },
      'unclear',
      'no focus',
    ],
    [
      'a light that does not shine',
      cameras({ travel: 3, light: 1 }),
      { sharpness: 0.8, cameras: 1 },
      'unclear',
      'no light',
    ],
    [
      'a zoom that shows no more',
      cameras({ light: 1.4, zoom: 1 }),
      { sharpness: 0.8, cameras: 1 },
      'unclear',
      'no zoom',
    ],
    [
      'all of them',
      cameras({ far: 0.8, travel: 3, light: 1.4, zoom: 4, shaken: 0.02 }),
      { sharpness: 0.8, far: 0.8, cameras: 1 },
      'works',
      undefined,
    ],
    [
      'a zero that is off',
      { kind: 'motion', g: 9.8, noise: 0, turned: 19, faces: 6, offset: 0.8 },
      undefined,
      'fails',
      'offset',
    ],
    [
      'a compass that stays',
      { kind: 'motion', g: 9.8, noise: 0, turned: 19, heading: 8 },
      undefined,
      'unclear',
      'no compass',
    ],
    [
      'all six faces and once round',
      { kind: 'motion', g: 9.8, noise: 0, turned: 19, faces: 6, offset: 0.1, heading: 350 },
      undefined,
      'works',
      undefined,
    ],
    [
      'a network and a place: the rest is said by hand',
      { kind: 'radios', online: true, by: 'wifi', positionM: 12 },
      undefined,
      'unclear',
      'rest by hand',
    ],
    ['no current', { kind: 'charging', charging: false }, undefined, 'unclear', 'no current'],
  ])('%s', (_what, taken, before, verdict, because) => {
    const said = verdictOf(taken, before);
    expect([said.verdict, said.because]).toEqual([verdict, because]);
  });
  test('of several cameras the worst is told, whichever of them has the figure', () => {
    const each = [
      { ...camera, far: 0.7, zoom: 5 },
      { ...camera, sharpness: 0.5, far: 0.9 },
    ];
    expect(verdictOf({ kind: 'cameras', each }).figures).toMatchObject({
      ...{ cameras: 2, sharpness: 0.5, far: 0.7, zoom: 5 },
    });
    expect(verdictOf({ kind: 'cameras', each }).figures.travel).toBeUndefined();
  });
  test('of touch: dead only where strokes broke off, and with where it is', () => {
    const line = (y: number, from: number, to: number, t0: number) =>
      Array.from({ length: to - from }, (_, k) => ({ x: from + k, y, t: t0 + 3 * k }));
    const rows = Array.from({ length: 28 }, (_, k) => 2 + 5 * k);
    const taken = (gap: boolean, ghosts = 0): Taken => ({
      kind: 'touch',
      widthMm: 65,
      heightMm: 140,
      ghosts,
      fingers: 2,
      strokes: rows.flatMap((y, k) =>
        gap && y > 40 && y < 90
          ? [line(y, 1, 30, 1000 * k), line(y, 42, 64, 1000 * k + 130)]
          : [line(y, 1, 64, 1000 * k)],
      ),
    });
    expect(verdictOf(taken(false))).toMatchObject({ verdict: 'works', figures: { dead: 0 } });
    const dead = verdictOf(taken(true));
    expect(dead).toMatchObject({ verdict: 'fails', because: 'dead' });
    expect(Math.abs(dead.figures.deadX! - 30)).toBeLessThanOrEqual(3);
    expect(verdictOf(taken(false, 3))).toMatchObject({ verdict: 'fails', because: 'ghosts' });
    const half = { ...taken(false), strokes: [line(2, 1, 64, 0)] } as Taken;
    expect(verdictOf(half)).toMatchObject({ verdict: 'unclear', because: 'not wiped' });
  });
});

describe('what changed since it came', () => {
  test('is said from a few decibels on, and where in the sound', () => {
    const before = verdictOf(sound(-15)).figures;
    expect(changesOf(before, before)).toEqual([]);
    const dull = {
      ...sound(-15),
      bands: [
        { centreHz: 200, levelDbfs: -27 },
        { centreHz: 1000, levelDbfs: -18 },
        { centreHz: 5000, levelDbfs: -30 },
      ],
    } as Taken;
    expect(changesOf(before, verdictOf(dull).figures)).toEqual([{ what: 'high', from: -21, to: -30 }]);
    // all of it quieter is one thing
    expect(changesOf(before, verdictOf(sound(-22)).figures)).toEqual([{ what: 'level', from: -15, to: -22 }]);
  });
  test('is said of a side that is quieter; of both it is the whole', () => {
    const at = (left: number, right: number) => ({ left, right });
    expect(changesOf(at(-20, -20), at(-20, -29))).toEqual([{ what: 'right', from: -20, to: -29 }]);
    expect(changesOf(at(-20, -20), at(-29, -29))).toEqual([]);
  });
  test('of figures that one of them lacks nothing is said', () => {
    expect(changesOf({}, { percent: 90 })).toEqual([]);
    expect(changesOf({ percent: 99, dead: 0 }, { percent: 95, dead: 1 })).toHaveLength(2);
    expect(changesOf({ sharpness: 0.8 }, { sharpness: 0.65 })).toEqual([]);
    expect(changesOf({ sharpness: 0.8 }, { sharpness: 0.5 })).toHaveLength(1);
  });
});

test('every function has its turn, once; what is measured is a kind that is known', () => {
  expect([...cheapestFirst].sort()).toEqual([...functionIds].sort());
  const kinds = new Set(takenSchema.options.map((o) => o.shape.kind.value));
  for (const kind of Object.values(measuredBy)) expect(kinds).toContain(kind);
});
test.each([
  ['a figure that is none', { kind: 'battery', percent: Number.NaN }],
  ['one beyond all measure', { kind: 'vibration', rms: 1e9, restRms: 0 }],
  ['a field too many', { kind: 'started', at: 0 }],
  [
    'strokes without end',
    { kind: 'touch', widthMm: 65, heightMm: 140, ghosts: 0, fingers: 1, strokes: Array(601).fill([]) },
  ],
])('%s is not taken', (_what, taken) => {
  expect(takenSchema.safeParse(taken).success).toBe(false);
});
