import { errorFunction } from 'simple-statistics';
import { describe, expect, test } from 'vitest';
import type { Boundary, Layer } from './slab';
import { soak, windowOf } from './soak';

const steel: Layer = { name: 'wall', thicknessMm: 20, kWmK: 15, densityKgM3: 7900, cpJkgK: 480 };
const shut: Boundary = { fluxWm2: 0 };
const one = (bottom: Boundary, top: Boundary) => [{ fromS: 0, bottom, top }];

describe('heat through layers', () => {
  test('a semi-infinite solid whose face is put to a temperature: T = Ts + (Ti - Ts) erf(x / 2 sqrt(alpha t)) (Carslaw and Jaeger, Conduction of Heat in Solids)', () => {
    const glass: Layer = { name: 'glass', thicknessMm: 100, kWmK: 1, densityKgM3: 2500, cpJkgK: 800 };
    const depths = [0.5, 1, 2, 5, 10];
    const { times, probes } = soak({
      layers: [glass],
      phases: one({ plateC: 80 }, shut),
      startC: 20,
      seconds: 120,
      probes: depths.map((mm) => ({ name: String(mm), layer: 'glass', at: mm / 100 })),
    });
    const alpha = 1 / (2500 * 800);
    for (const mm of depths)
      for (const [k, at] of times.entries()) {
        if (!at) continue;
        const exact = 80 - 60 * errorFunction(mm / 1000 / (2 * Math.sqrt(alpha * at)));
        // errorFunction itself is good to 1e-7; the aim is 0.05 K
        expect(Math.abs(probes[String(mm)]![k]! - exact)).toBeLessThan(0.05);
      }
  });
  // first root and coefficient: Incropera and DeWitt, Fundamentals of Heat and Mass Transfer, table 5.1 (from memory; they agree with zeta tan zeta = Bi)
  test.each([
    [0.1, 0.3111, 1.0161],
    [1, 0.8603, 1.1191],
    [10, 1.4289, 1.262],
  ])(
    'a plane wall with convection on both faces, Bi %s: one term of the series from Fourier 0.2 on',
    (bi, zeta, c1) => {
      const half = steel.thicknessMm / 2000;
      const air: Boundary = { airC: 100, hWm2K: (bi * steel.kWmK) / half };
      const seconds = 100;
      const { probes } = soak({
        layers: [steel],
        phases: one(air, air),
        startC: 20,
        seconds,
        probes: [
          { name: 'middle', layer: 'wall', at: 0.5 },
          { name: 'face', layer: 'wall', at: 1 },
        ],
      });
      const fourier = (steel.kWmK * seconds) / (steel.densityKgM3 * steel.cpJkgK * half ** 2);
      const theta = c1 * Math.exp(-(zeta ** 2) * fourier);
      expect(fourier).toBeGreaterThan(0.2);
      // the table has four digits
      expect(probes.middle!.at(-1)).toBeCloseTo(100 - 80 * theta, 0);
      expect(Math.abs(probes.middle!.at(-1)! - (100 - 80 * theta))).toBeLessThan(0.25);
      expect(Math.abs(probes.face!.at(-1)! - (100 - 80 * theta * Math.cos(zeta)))).toBeLessThan(0.25);
    },
  );
  test('layers with a contact between them come to rest on the straight lines of their resistances; the contact is a step', () => {
    const layers: Layer[] = [
      { name: 'a', thicknessMm: 1, kWmK: 1, densityKgM3: 2500, cpJkgK: 800 },
      { name: 'b', thicknessMm: 0.5, kWmK: 0.2, densityKgM3: 1200, cpJkgK: 1500, contactBelowM2KW: 1e-3 },
    ];
    const { probes } = soak({
      layers,
      phases: one({ plateC: 80, contactM2KW: 5e-4 }, { airC: 20, hWm2K: 100 }),
      startC: 20,
      seconds: 900,
      probes: [
        { name: 'a0', layer: 'a', at: 0 },
        { name: 'a1', layer: 'a', at: 1 },
        { name: 'b0', layer: 'b', at: 0 },
        { name: 'b1', layer: 'b', at: 1 },
      ],
    });
    const flow = 60 / (5e-4 + 1e-3 + 1e-3 + 2.5e-3 + 1 / 100);
    const steps = [5e-4, 1e-3, 1e-3, 2.5e-3];
    let c = 80;
    for (const [k, name] of ['a0', 'a1', 'b0', 'b1'].entries()) {
      c -= flow * steps[k]!;
      expect(probes[name]!.at(-1)).toBeCloseTo(c, 3);
    }
  });
  test('what is taken in is held, to rounding; a flow of heat warms by its sum', () => {
    const soaked = soak({
      layers: [steel],
      phases: [
        { fromS: 0, bottom: { plateC: 90, contactM2KW: 2e-4 }, top: { airC: 21, hWm2K: 10 } },
        { fromS: 90, bottom: { airC: 21, hWm2K: 10 }, top: { airC: 21, hWm2K: 10 } },
      ],
      startC: 21,
      seconds: 200,
      probes: [],
    });
    expect(soaked.heldJm2).toBeGreaterThan(1e5);
    expect(Math.abs(soaked.takenJm2 - soaked.heldJm2) / soaked.heldJm2).toBeLessThan(1e-9);
    const flow = soak({
      layers: [steel],
      phases: one({ fluxWm2: 1000 }, shut),
      startC: 20,
      seconds: 60,
      probes: [],
    });
    expect(flow.takenJm2).toBeCloseTo(60_000, 4);
  });
  test('times are every whole ten seconds and the end; before anything was warmed all is as it began', () => {
    const { times, probes } = soak({
      layers: [steel],
      phases: one({ plateC: 60 }, shut),
      startC: 22,
      seconds: 25,
      probes: [{ name: 'top', layer: 'wall', at: 1 }],
    });
    expect(times).toEqual([0, 10, 20, 25]);
    expect(probes.top![0]).toBe(22);
    expect(() => soak({ layers: [], phases: [], startC: 20, seconds: 1, probes: [] })).toThrow(RangeError);
  });
});

describe('the window', () => {
  const times = [0, 10, 20, 30, 40];
  test('opens where the bond is soft and closes where the cell is at its limit, between steps', () => {
    expect(windowOf(times, [20, 50, 70, 80, 90], 60, [20, 30, 40, 50, 60], 55)).toEqual({
      opensS: 15,
      closesS: 35,
    });
  });
  test('closes where the bond has cooled again, or where nothing more is known', () => {
    expect(windowOf(times, [20, 70, 80, 70, 50], 60, [20, 20, 20, 20, 20], 55)).toEqual({
      opensS: 8,
      closesS: 35,
    });
    expect(windowOf(times, [20, 70, 80, 80, 80], 60, [20, 20, 20, 20, 20], 55)).toEqual({
      opensS: 8,
      closesS: 40,
    });
  });
  test('is none where the cell is there first, or the bond never softens', () => {
    expect(windowOf(times, [20, 30, 40, 50, 60], 55, [20, 40, 50, 60, 70], 45)).toBeUndefined();
    expect(windowOf(times, [20, 30, 40, 50, 55], 60, [20, 20, 20, 20, 20], 45)).toBeUndefined();
  });
});
