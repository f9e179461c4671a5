import { describe, expect, test } from 'vitest';
import { run } from '../testing/run';

describe('heat and leak', () => {
  const glass = { name: 'glass', thicknessMm: 1, kWmK: 1, densityKgM3: 2500, cpJkgK: 800 };
  const soak = {
    layers: [glass, { ...glass, name: 'cell', thicknessMm: 4, contactBelowM2KW: 2e-3 }],
    bottom: { plateC: 80, contactM2KW: 1e-3 },
    top: { airC: 20, hWm2K: 10 },
    startC: 20,
    seconds: 95,
    probes: [
      { name: 'line', layer: 'glass', at: 1 },
      { name: 'cell', layer: 'cell', at: 0.5 },
    ],
    window: { bond: 'line', softC: 45, cell: 'cell', limitC: 45 },
  };
  test('say temperatures at every whole ten seconds and the end, and the window', () => {
    const said = JSON.parse(run(['heat'], JSON.stringify(soak)).out);
    expect(said.times).toEqual([0, 10, 20, 30, 40, 50, 60, 70, 80, 90, 95]);
    expect(Object.keys(said.probes)).toEqual(['line', 'cell']);
    expect(said.window.opensS).toBeGreaterThan(0);
    expect(said.window.closesS).toBeGreaterThan(said.window.opensS);
    const never = { ...soak, window: { ...soak.window, limitC: 20.01 } };
    expect(JSON.parse(run(['heat'], JSON.stringify(never)).out).window).toBeNull();
    // taken off the plate, it cools
    const off = { ...soak, seconds: 300, phases: [{ fromS: 60, bottom: soak.top, top: soak.top }] };
    const cooled = JSON.parse(run(['heat'], JSON.stringify(off)).out);
    expect(cooled.probes.line.at(-1)).toBeLessThan(cooled.probes.line[6]);
  });
  test('of a cross-section: regions side by side, faces for each, an insulated one; what is off is named', () => {
    const { layers: _, ...rest } = soak;
    const region = (name: string, widthMm: number) => ({ name, widthMm, layers: soak.layers });
    const section = {
      ...rest,
      regions: [region('rim', 2), region('middle', 20)],
      bottom: [soak.bottom, { airC: 20, hWm2K: 0 }],
      left: { airC: 20, hWm2K: 10 },
      probes: soak.probes.map((probe) => ({ ...probe, region: 'rim', across: 0.5 })),
    };
    const warmed = (more: object) => JSON.parse(run(['heat'], JSON.stringify({ ...section, ...more })).out);
    expect(warmed({}).probes.line.at(-1)).toBeGreaterThan(25);
    // heated under both it is warmer, and as warm as one column where nothing goes to the side
    expect(warmed({ bottom: soak.bottom }).probes.line.at(-1)).toBeGreaterThan(warmed({}).probes.line.at(-1));
    const column = JSON.parse(run(['heat'], JSON.stringify(soak)).out);
    const same = warmed({ bottom: soak.bottom, left: undefined }).probes.line.at(-1);
    expect(Math.abs(same - column.probes.line.at(-1))).toBeLessThan(0.2);
    const wrong = {
      ...section,
      bottom: [soak.bottom],
      regions: [section.regions[0], { ...region('middle', 20), layers: [glass] }],
      probes: [{ ...section.probes[0], region: 'lid' }],
      window: undefined,
    };
    expect(run(['heat'], JSON.stringify(wrong)).err.trim().split('\n')).toEqual([
      'regions[1].layers: expected 5 mm together, got 1',
      'probes[0].region: there is no region lid',
      'bottom: expected one for each of 2 regions',
    ]);
  });
  test('name each field that is no layer, no probe, no plate', () => {
    const wrong = {
      ...soak,
      layers: [{ ...glass, thicknessMm: 0 }],
      bottom: { plateC: 80, hWm2K: 1 },
      probes: [{ name: 'line', layer: 'glass', at: 2 }],
    };
    const { code, out, err } = run(['heat'], JSON.stringify(wrong));
    expect([code, out]).toEqual([2, '']);
    expect(err).toContain('layers[0].thicknessMm: expected a number > 0, got 0');
    expect(err).toContain('bottom.hWm2K: no such field is known here');
    expect(err).toContain('probes[0].at: expected a number <= 1, got 2');
    const dangling = { ...soak, probes: [{ name: 'line', layer: 'foil', at: 0 }] };
    expect(run(['heat'], JSON.stringify(dangling)).err.trim().split('\n')).toEqual([
      'probes[0].layer: there is no layer foil',
      'window.cell: there is no probe cell',
    ]);
  });
  test('say how fast it leaks, in the fixed shape; samples out of order are named', () => {
    const samples = Array.from({ length: 41 }, (_, k) => ({ tS: k, pPa: -20_000 + 10 * k }));
    const asked = { volumeMl: 10, samples, ambientPa: 101_325, holdS: 40, limitPaS: 5 };
    const said = JSON.parse(run(['leak'], JSON.stringify(asked)).out);
    expect(said).toMatchObject({ dropPa: 400, tauS: 0, tempCorrected: false, verdict: 'fail' });
    expect(said.rateSteadyPaS).toBeCloseTo(10, 6);
    expect(Object.keys(said).toSorted()).toEqual(
      [
        'because',
        'dropPa',
        'leakSccm',
        'rateSteadyPaS',
        'settling',
        'tauS',
        'tempCorrected',
        'verdict',
      ].toSorted(),
    );
    const mixed = { ...asked, samples: [samples[1], samples[0]], limitSccm: 1 };
    expect(run(['leak'], JSON.stringify(mixed)).err.trim().split('\n')).toEqual([
      'samples[1].tS: expected a number > 1, got 0',
      'limitSccm: expected one limit, got limitPaS and limitSccm',
    ]);
  });
});
