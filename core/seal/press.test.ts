import { expect, test } from 'vitest';
import { forceN, pressureKPa, sealAreaMm2, usualPress } from './press';

test('75 kgf are 735.5 N: the kilogram-force is 9.80665 N by definition (NIST SP 811)', () => {
  expect(forceN(usualPress)).toBeCloseTo(735.49875, 9);
  expect(forceN({ force: 0.5, unit: 'kN' })).toBe(500);
});
test('a square seal of 100 mm without round corners, by hand: a frame 1.2 mm wide has 474.24 mm2', () => {
  const shape = { x: 0, y: 0, w: 100, h: 100, r: 0 };
  // 100^2 - 97.6^2
  expect(sealAreaMm2({ shape })).toBeCloseTo(474.24, 6);
  // 500 N over it: 1.0543 N/mm2
  expect(pressureKPa(500, sealAreaMm2({ shape }))).toBeCloseTo(1054.3, 1);
});
test('round corners make it shorter', () => {
  const of = (r: number) => sealAreaMm2({ shape: { x: 0, y: 0, w: 70, h: 140, r } });
  expect(of(10)).toBeLessThan(of(0));
  expect(of(10) / of(0)).toBeGreaterThan(0.9);
});
