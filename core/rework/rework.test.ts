import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { describe, expect, test } from 'vitest';
import { ballOf } from './balls';
import { findStencils, type Stencil } from './stencil';

describe('the ball that an aperture leaves', () => {
  test('a round hole of 0.3 mm in 0.1 mm, half metal, by hand: 0.00353 mm3, a ball of 0.189 mm', () => {
    const { volumeMm3, ballMm } = ballOf({ shape: 'circle', sizeMm: 0.3 }, 0.1, 0.5);
    // pi/4 x 0.09 x 0.1 x 0.5; the cube root of 6 V / pi
    expect(volumeMm3).toBeCloseTo(0.003534, 6);
    expect(ballMm).toBeCloseTo(0.189, 3);
    expect((Math.PI * ballMm ** 3) / 6).toBeCloseTo(volumeMm3, 12);
  });
  test('a square one has 4 / pi times as much', () => {
    const [round, square] = (['circle', 'square'] as const).map(
      (shape) => ballOf({ shape, sizeMm: 0.3 }, 0.1, 1).volumeMm3,
    );
    expect(square! / round!).toBeCloseTo(4 / Math.PI, 12);
  });
});

const stencil = (id: string, pattern: string[], pitchMm = 0.4): Stencil => ({ id, pitchMm, pattern });
const chip = (pattern: string[], pitchMm = 0.4) => ({ pitchMm, pattern });

describe('the stencil for a chip', () => {
  test('the very same fits exactly; a larger one in part, where it lies; exact comes first, then the smaller turn', () => {
    const found = findStencils(chip(['11', '10']), [
      stencil('larger', ['0000', '0110', '0100']),
      stencil('turned', ['11', '01']),
      stencil('grid', ['111', '111']),
      stencil('same', ['11', '10']),
    ]);
    expect(found).toEqual({
      fits: [
        { id: 'larger', rotation: 0, offset: [1, 1], exact: true },
        { id: 'same', rotation: 0, offset: [0, 0], exact: true },
        { id: 'turned', rotation: 90, offset: [0, 0], exact: true },
        { id: 'grid', rotation: 0, offset: [0, 0], exact: false },
      ],
    });
  });
  test('a mirrored one does not fit; a pitch is one within 0.005 mm', () => {
    const z = ['110', '011'];
    expect(findStencils(chip(z), [stencil('mirror', ['011', '110'])]).fits).toEqual([]);
    expect(findStencils(chip(z, 0.4), [stencil('near', z, 0.405)]).fits).toHaveLength(1);
    expect(findStencils(chip(z, 0.4), [stencil('off', z, 0.406)]).fits).toEqual([]);
  });
  test('an empty rim of a pattern is no part of it', () => {
    expect(findStencils(chip(['00', '01']), [stencil('one', ['1'])]).fits).toEqual([
      { id: 'one', rotation: 0, offset: [-1, -1], exact: true },
    ]);
  });
  test('where none fits the nearest is named, with why', () => {
    const two = chip(['111']);
    expect(findStencils(two, [stencil('a', ['101']), stencil('b', ['100'])]).nearest).toEqual({
      id: 'a',
      why: '1 of 3 balls have no aperture',
    });
    expect(findStencils(two, [stencil('small', ['11'])]).nearest).toEqual({
      id: 'small',
      why: 'the chip is larger than the stencil',
    });
    expect(findStencils(two, [stencil('p', ['111'], 0.5), stencil('q', ['111'], 0.35)]).nearest).toEqual({
      id: 'q',
      why: 'pitch 0.35 mm, the chip has 0.4 mm',
    });
    expect(findStencils(two, [])).toEqual({ fits: [] });
  });
  test('finds what trying every turn and shift by hand finds, on 300 random fields', () => {
    const random = xoroshiro128plus(7);
    const field = (rows: number, columns: number, of: number) =>
      Array.from({ length: rows }, () =>
        Array.from({ length: columns }, () => (uniformInt(random, 1, 10) <= of ? '1' : '0')).join(''),
      );
    const turn = (p: readonly string[]) =>
      [...p[0]!].map((_, c) =>
        p
          .map((row) => row[c])
          .toReversed()
          .join(''),
      );
    const lies = (p: readonly string[], s: readonly string[]): boolean => {
      for (let r = -3; r <= 6; r++)
        for (let c = -3; c <= 6; c++)
          if (p.every((row, i) => [...row].every((x, j) => x === '0' || s[i + r]?.[j + c] === '1')))
            return true;
      return false;
    };
    let fitting = 0;
    for (let k = 0; k < 300; k++) {
      const p = field(2, 3, 6);
      const s = field(5, 5, 7);
      if (!p.join('').includes('1')) continue;
      const byHand = [p, turn(p), turn(turn(p)), turn(turn(turn(p)))].some((view) => lies(view, s));
      const { fits } = findStencils(chip(p), [stencil('s', s)]);
      expect(fits.length > 0).toBe(byHand);
      if (fits.length) fitting++;
    }
    expect(fitting).toBeGreaterThan(50);
  });
});
