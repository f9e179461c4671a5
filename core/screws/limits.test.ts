import { describe, expect, test } from 'vitest';
import type { JobState } from '../log/state';
import { indexed, mica9, shippedModels } from '../testing/demo-models';
import { holesOf } from '../testing/screws-generator';
import { Bench } from '../testing/bench';
import { layOutMat, type MatCell } from './mat-layout';
import { matOf } from './mat-of';
import { nextMeasures } from './next-measure';
import { isTooLong, safeLengthMm } from './safe-length';
import { searchPlaces } from './search-places';
import type { Hole, LooseScrew, Sorted } from './sort-screws';
import { sortScrews } from './sort-screws';
import { type SpareScrew, substitutesFor } from './substitutes';

// Each limit from both sides: what lies on it, and what lies just beyond.
const spare = (more: Partial<SpareScrew>): SpareScrew => ({
  ...{ id: 's', drive: 'PH000', thread: 'M1.2', lengthMm: 1.5, headMm: 1.8, count: 1 },
  ...more,
});
const hole = { drive: 'PH000' as const, thread: 'M1.2', lengthMm: 1.5, headMm: 1.8, maxLengthMm: 1.7 };

describe('a screw in place of another', () => {
  test.each<[Partial<SpareScrew>, string]>([
    [{}, 'same in everything'],
    [{ lengthMm: 1.7 }, 'longer, still safe'],
    [{ lengthMm: 1.71 }, 'too long'],
    // two turns of 0.25 mm
    [{ lengthMm: 1 }, 'shorter'],
    [{ lengthMm: 0.99 }, 'too short'],
    [{ headMm: 1.85 }, 'same in everything'],
    [{ headMm: 1.86 }, 'head too wide'],
    [{ headMm: 1.75 }, 'same in everything'],
    [{ headMm: 1.74 }, 'smaller head'],
    [{ drive: 'P2', lengthMm: 1.4, headMm: 1.5 }, 'shorter, smaller head, other drive'],
    [{ count: 0 }, 'none left'],
    [{ thread: 'M1.2x0.2' }, 'other thread'],
  ])('%j: %s', (more, said) => {
    const { fit, not } = substitutesFor(hole, [spare(more)]);
    expect(fit.length + not.length).toBe(1);
    expect(fit[0]?.why.join(', ') ?? not[0]!.why.code).toBe(said);
  });
  test('a thread that no table has bears no shorter screw', () => {
    const odd = { ...hole, thread: 'own' };
    const judged = (lengthMm: number) => substitutesFor(odd, [spare({ thread: 'own', lengthMm })]).fit.length;
    expect([judged(1.5), judged(1.49)]).toEqual([1, 0]);
  });
  test('how much it is off is told in hundredths; nearest in all comes first, else in the order of the box', () => {
    const { fit } = substitutesFor(hole, [
      spare({ id: 'narrow', headMm: 1.5 }),
      spare({ id: 'a' }),
      spare({ id: 'b' }),
      spare({ id: 'near', headMm: 1.7 }),
      spare({ id: 'short', lengthMm: 1.204 }),
    ]);
    expect(fit.map((f) => [f.spare.id, f.offMm])).toEqual([
      ['a', 0],
      ['b', 0],
      ['near', 0],
      ['narrow', 0],
      ['short', -0.3],
    ]);
  });
});

test('too long is what a calliper tells from the hole’s length, or from the greatest that the model gives', () => {
  const own = { lengthMm: 1.5, maxLengthMm: undefined };
  expect([1.55, 1.56].map((mm) => isTooLong(mm, own))).toEqual([false, true]);
  expect([1.75, 1.76].map((mm) => isTooLong(mm, hole))).toEqual([false, true]);
  expect([safeLengthMm(own), safeLengthMm(hole)]).toEqual([1.5, 1.7]);
});

describe('what to measure next', () => {
  const holes: Hole[] = [
    { id: 'A', drive: 'P2', lengthMm: 1.5, headMm: 1.8 },
    { id: 'B', drive: 'P2', lengthMm: 1.56, headMm: 1.8 },
    { id: 'C', drive: 'P2', lengthMm: 1.55, headMm: 1.8 },
    { id: 'D', drive: 'P2', lengthMm: 1.5, headMm: 1.86 },
    { id: 'E', drive: 'Y000', lengthMm: 1.5, headMm: 1.8 },
  ];
  const screw = (id: string, more: Partial<LooseScrew> = {}): LooseScrew => ({
    ...{ id, drive: 'P2', lengthMm: 1.5, headMm: 1.8 },
    ...more,
  });
  const between = (instead: string | undefined, screws: LooseScrew[]) =>
    nextMeasures(
      {
        assignments: screws.map((s, k) => ({ screw: s.id, hole: k === 0 ? 'A' : instead! })),
        doubtful: [
          { hole: 'A', screws: screws.map((s) => s.id), margin: 0.1, ...(instead ? { instead } : {}) },
        ],
      } as unknown as Sorted,
      holes,
      screws,
    )[0]!.what;
  test.each<[string, string | undefined, LooseScrew[], string]>([
    ['lengths that a calliper tells apart', 'B', [screw('a'), screw('b')], 'length again'],
    ['lengths that it does not', 'C', [screw('a'), screw('b')], 'nothing tells them apart'],
    ['a head that was not measured', 'D', [screw('a', { headMm: undefined }), screw('b')], 'head'],
    ['a head that was', 'D', [screw('a'), screw('b')], 'nothing tells them apart'],
    ['the other’s head', 'D', [screw('a'), screw('b', { headMm: undefined })], 'head'],
    ['a drive that was not said', 'E', [screw('a', { drive: undefined })], 'drive'],
    ['one that was', 'E', [screw('a')], 'nothing tells them apart'],
    ['a stray that may be none', undefined, [screw('a')], 'length again'],
  ])('%s', (_what, instead, screws, what) => {
    expect(between(instead, screws)).toBe(what);
  });
  test('one doubt about the same screws is looked at once', () => {
    const screws = [screw('a'), screw('b')];
    const doubts = [
      { hole: 'A', screws: ['a', 'b'], margin: 0, instead: 'B' },
      { hole: 'B', screws: ['b', 'a'], margin: 0, instead: 'A' },
    ];
    const assignments = [
      { screw: 'a', hole: 'A' },
      { screw: 'b', hole: 'B' },
    ];
    const sorted = { assignments, doubtful: doubts } as unknown as Sorted;
    expect(nextMeasures(sorted, holes, screws)).toHaveLength(1);
  });
});

test('why no answer is possible: by drive, and by number', () => {
  const why = (holes: number, screws: number, strayCost: number | null, missingCost: number | null) => {
    const said = sortScrews({
      ...{ sdLengthMm: 0.05, sdHeadMm: 0.1, strayCost, missingCost },
      holes: Array.from({ length: holes }, (_, k) => ({ id: `H${k}`, lengthMm: 1.5, headMm: 1.8 })),
      screws: Array.from({ length: screws }, (_, k) => ({ id: `S${k}`, lengthMm: 1.5, headMm: 1.8 })),
    });
    return 'infeasible' in said ? said.because : [];
  };
  expect(why(1, 2, null, null)).toEqual(['more screws than holes that take them']);
  expect(why(2, 1, null, null)).toEqual(['more holes than screws that fit them']);
  expect(why(1, 2, null, 8)).toEqual(['more screws than holes that take them']);
  expect(why(2, 1, 8, null)).toEqual(['more holes than screws that fit them']);
  expect(why(2, 1, null, 8)).toEqual([]);
  expect(why(1, 2, 8, null)).toEqual([]);
  expect(why(0, 1, null, 8)).toEqual(['no hole takes S0']);
  expect(why(1, 0, 8, null)).toEqual(['no screw fits H0']);
});

test('where to look for a screw: its hole, the bit, under what it holds, then magnets and what is sticky, by distance', () => {
  const index = indexed(mica9);
  const { state } = new Bench(index, undefined).open();
  const seal = index.model.bonds.find((b) => b.kind === 'perimeter-seal')!.id;
  const seen: JobState = {
    ...state,
    place: { 'C3#1': 'adrift' },
    pose: { 'camera-bracket': 'folded' },
    bond: { [seal]: 'torn', 'strip-tl': 'released', 'strip-tr': 'renewed' },
  };
  const list = searchPlaces(index, seen, 'C3', 99).map(
    (p) => `${p.where}: ${p.thing}${'awayMm' in p ? ` ${p.awayMm}` : ''}`,
  );
  expect(list).toMatchInlineSnapshot(`
    [
      "in its hole still: C3",
      "on the bit: Y000",
      "under the piece: camera-bracket",
      "on a magnet: ear-speaker 18",
      "on tacky edge: seal 25",
      "on a magnet: coil 27",
      "on tacky edge: strip-tl 28",
      "on a magnet: loudspeaker 93",
      "on a magnet: vibration 93",
    ]
  `);
  expect(searchPlaces(index, seen, 'C3')).toHaveLength(8);
  expect(searchPlaces(index, { ...seen, place: {}, pose: {} }, 'C3', 3).map((p) => p.where)).not.toContain(
    'in its hole still',
  );
});

test('mats as a person has seen them: each screw’s page and the middle of its cell, mm', async () => {
  const lines = (cells: readonly MatCell[]) =>
    cells.map((c) => `${c.id} ${c.page} ${c.x.toFixed(1)} ${c.y.toFixed(1)}`);
  const many = holesOf(90, 90);
  const out = [
    ...shippedModels.flatMap((m) => [`== ${m.name}`, ...lines(matOf(indexed(m, m.variants[0]!.id)))]),
    '== ninety in clusters, in two goes',
    ...lines(layOutMat([many.slice(0, 50), many.slice(50)], { widthMm: 72, heightMm: 148 })),
  ];
  await expect(`${out.join('\n')}\n`).toMatchFileSnapshot('approved/mats.txt');
});
