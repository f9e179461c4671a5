import { errorFunction } from 'simple-statistics';
import { describe, expect, test } from 'vitest';
import { coarse, fine, gridOf, type Layer, type Region } from './slab';
import { type SectionAsked, soak, soakSection } from './soak';

const block = (widthMm: number, thicknessMm: number): Region => ({
  name: 'block',
  widthMm,
  layers: [{ name: 'block', thicknessMm, kWmK: 1, densityKgM3: 2500, cpJkgK: 800 }],
});
/** The same cut in two, so that its columns are cut as finely as its rows. */
const halves = ({ widthMm, layers }: Region): Region[] =>
  ['outer', 'inner'].map((name) => ({ name, widthMm: widthMm / 2, layers }));
/** Fine cells on all sides, where an exact solution is compared. */
const finely = { firstCell: 0.2, growth: 1.2, least: 8, inwards: false };
const alpha = 1 / (2500 * 800);

describe('heat in a cross-section', () => {
  test('a semi-infinite corner of which both faces are put to a temperature is the product of two error functions (Carslaw and Jaeger, Conduction of Heat in Solids, ch. V)', () => {
    const places = [0.5, 2, 4];
    const { times, probes } = soakSection({
      regions: halves(block(40, 20)),
      phases: [{ fromS: 0, bottom: { plateC: 80 }, top: { fluxWm2: 0 }, left: { plateC: 80 } }],
      startC: 20,
      seconds: 60,
      cut: finely,
      probes: places.flatMap((x) =>
        places.map((z) => ({
          name: `${x} ${z}`,
          region: 'outer',
          layer: 'block',
          across: x / 20,
          at: z / 20,
        })),
      ),
    });
    const part = (mm: number, s: number) => errorFunction(mm / 1000 / (2 * Math.sqrt(alpha * s)));
    for (const x of places)
      for (const z of places)
        for (const [k, s] of times.entries())
          if (s) {
            const exact = 80 - 60 * part(x, s) * part(z, s);
            expect(Math.abs(probes[`${x} ${z}`]![k]! - exact), `${x} ${z} mm, ${s} s`).toBeLessThan(0.2);
          }
  });
  // roots and coefficients: Incropera and DeWitt, table 5.1 (from memory; they agree with zeta tan zeta = Bi)
  test('a long bar in air is the product of two plane walls (Carslaw and Jaeger; Incropera and DeWitt, sec. 5.8)', () => {
    const [zeta, c1] = [0.8603, 1.1191];
    const half = 0.005;
    const air = { airC: 100, hWm2K: 1 / half };
    const seconds = 20;
    const { probes } = soakSection({
      regions: halves(block(10, 10)),
      phases: [{ fromS: 0, bottom: air, top: air, left: air, right: air }],
      startC: 20,
      seconds,
      cut: finely,
      probes: [{ name: 'middle', region: 'inner', layer: 'block', across: 0, at: 0.5 }],
    });
    const theta = c1 * Math.exp(-(zeta ** 2) * ((alpha * seconds) / half ** 2));
    expect(Math.abs(probes.middle!.at(-1)! - (100 - 80 * theta ** 2))).toBeLessThan(0.3);
  });
  const layer = (name: string, thicknessMm: number, kWmK: number, more: Partial<Layer> = {}): Layer => ({
    ...{ name, thicknessMm, kWmK, densityKgM3: 2000, cpJkgK: 900 },
    ...more,
  });
  const device: Pick<SectionAsked, 'regions' | 'phases' | 'startC'> = {
    regions: [
      {
        name: 'rim',
        widthMm: 2,
        layers: [layer('glass', 1, 1), layer('glue', 0.3, 0.17), layer('frame', 4, 160)],
      },
      {
        name: 'cell',
        widthMm: 20,
        layers: [
          layer('glass', 1, 1),
          layer('gap', 0.5, 0.03, { densityKgM3: 1 }),
          layer('pack', 3.4, 0.9, { kAlongWmK: 20 }),
          layer('floor', 0.4, 15),
        ],
      },
    ],
    phases: [
      {
        fromS: 0,
        bottom: { plateC: 80, contactM2KW: 3e-3 },
        top: { airC: 22, hWm2K: 9 },
        left: { airC: 22, hWm2K: 9 },
      },
      {
        fromS: 120,
        bottom: [
          { airC: 22, hWm2K: 9 },
          { airC: 30, hWm2K: 5 },
        ],
        top: { airC: 22, hWm2K: 9 },
      },
    ],
    startC: 22,
  };
  const probes = [
    { name: 'glue', region: 'rim', layer: 'glue', across: 0.5, at: 0.5 },
    { name: 'cell', region: 'cell', layer: 'pack', across: 0, at: 0 },
    { name: 'glass', region: 'cell', layer: 'glass', across: 0.5, at: 0 },
  ];
  test.each([false, true])(
    'what is taken in through all faces is held, to 1e-6 and better; quick: %s',
    (quick) => {
      const { takenJm2, heldJm2 } = soakSection({ ...device, seconds: 200, probes, quick });
      expect(heldJm2).toBeGreaterThan(100);
      expect(Math.abs(takenJm2 / heldJm2 - 1)).toBeLessThan(1e-9);
    },
  );
  test('coarse cells and long steps are right to two thirds of a kelvin', () => {
    const [slow, quick] = [false, true].map((q) =>
      soakSection({ ...device, seconds: 200, probes, quick: q }),
    );
    for (const { name } of probes)
      for (const [k, s] of quick!.times.entries())
        if (s >= 30)
          expect(
            Math.abs(quick!.probes[name]![k]! - slow!.probes[name]![slow!.times.indexOf(s)]!),
            `${name} at ${s} s`,
          ).toBeLessThan(0.67);
  });
  test('an insulated cross-section of one column is that column', () => {
    const layers = device.regions[1]!.layers;
    const phases = [{ fromS: 0, bottom: { plateC: 80, contactM2KW: 3e-3 }, top: { airC: 22, hWm2K: 9 } }];
    const asked = { phases, startC: 22, seconds: 100 };
    const column = soakSection({
      ...asked,
      cut: { ...fine, firstCell: 0.16 },
      regions: [{ name: 'cell', widthMm: 1000, layers }],
      probes: [probes[1]!],
    });
    const section = soakSection({
      ...asked,
      cut: { ...fine, firstCell: 0.16 },
      regions: [
        { name: 'cell', widthMm: 7, layers },
        { name: 'on', widthMm: 9, layers },
      ],
      probes: [{ ...probes[1]! }],
    });
    for (const [k, c] of column.probes.cell!.entries()) expect(section.probes.cell![k]!).toBeCloseTo(c, 6);
    expect(section.takenJm2 / 0.016).toBeCloseTo(column.takenJm2, 3);
  });
  test('heat flows from the rim into what stands beside it: a frame that meets a floor stays cooler than one alone', () => {
    const alone = soakSection({
      ...device,
      regions: device.regions.slice(0, 1),
      phases: device.phases.slice(0, 1),
      seconds: 120,
      probes: probes.slice(0, 1),
    });
    const together = soakSection({
      ...device,
      phases: device.phases.slice(0, 1),
      seconds: 120,
      probes: probes.slice(0, 1),
    });
    expect(alone.probes.glue!.at(-1)! - together.probes.glue!.at(-1)!).toBeGreaterThan(5);
  });
  test('air that takes nothing is an insulated face', () => {
    const of = (top: { airC: number; hWm2K: number } | { fluxWm2: number }) =>
      soak({
        layers: device.regions[0]!.layers,
        phases: [{ fromS: 0, bottom: { plateC: 60 }, top }],
        startC: 20,
        seconds: 50,
        probes: [{ name: 'frame', layer: 'frame', at: 1 }],
      });
    expect(of({ airC: 0, hWm2K: 0 })).toEqual(of({ fluxWm2: 0 }));
  });
  test('regions that are not of one thickness, or are not there, are named', () => {
    const short = { name: 'short', widthMm: 3, layers: [layer('glass', 1, 1)] };
    expect(() => gridOf([...device.regions, short])).toThrow(/region short/);
    expect(() => soakSection({ ...device, seconds: 1, probes: [{ ...probes[0]!, region: 'lid' }] })).toThrow(
      /no region lid/,
    );
    expect(() => soakSection({ ...device, seconds: 1, probes: [{ ...probes[0]!, layer: 'foil' }] })).toThrow(
      /no layer foil/,
    );
  });
  test('the grid halved twice comes nearer by the square: second order (observed order by Richardson’s extrapolation; Roache, Verification and Validation in Computational Science)', () => {
    const air = { airC: 100, hWm2K: 200 };
    const at = (least: number) =>
      soakSection({
        regions: halves(block(10, 10)),
        phases: [{ fromS: 0, bottom: air, top: air, left: air, right: air }],
        startC: 20,
        seconds: 20,
        probes: [{ name: 'near', region: 'outer', layer: 'block', across: 0.5, at: 0.25 }],
        cut: { firstCell: 1e6, growth: 1, least, inwards: false },
      }).probes.near!.at(-1)!;
    const [a, b, c] = [at(8), at(16), at(32)];
    const order = Math.log2((a - b) / (b - c));
    expect(order).toBeGreaterThan(1.6);
    expect(order).toBeLessThan(2.4);
    expect(gridOf(device.regions, coarse).rows).toBeLessThan(gridOf(device.regions, fine).rows / 4);
  });
});
