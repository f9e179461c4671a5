import { describe, expect, test } from 'vitest';
import { filmAt, lumped, type ProfileAsked, reworkProfile, usualFilm } from './profile';

describe('bodies that exchange heat', () => {
  test('one body in air follows T = Ta + (T0 - Ta) exp(-hA t / C) (Incropera and DeWitt, lumped capacitance)', () => {
    // 0.02 J/K, 4 mW/K: a time constant of 5 s
    const run = lumped([0.02], [[-0.004]], [0.004 * 300], [20], 30);
    for (const s of [1, 5, 10, 30]) {
      const exact = 300 + (20 - 300) * Math.exp(-s / 5);
      expect(Math.abs(run[s * 2]![0]! - exact)).toBeLessThan(0.3);
    }
  });
  test('two bodies alone come to the mean by their heats, and none of it is lost', () => {
    const run = lumped(
      [1, 3],
      [
        [-0.5, 0.5],
        [0.5, -0.5],
      ],
      [0, 0],
      [100, 20],
      60,
    );
    for (const [a, b] of run as [number, number][]) expect(1 * a + 3 * b).toBeCloseTo(160, 9);
    expect(run.at(-1)![0]).toBeCloseTo(40, 3);
  });
});

const chip = {
  ...{ widthMm: 3.1, heightMm: 2.7, thicknessMm: 0.5, balls: 38, ballMm: 0.25 },
  ...{ flexC: 330, panelC: 85 },
};
const strong = { setC: 280, airPercent: 60, distanceMm: 10, nozzleMm: 6, barriers: 2 };
const asked = (change: Partial<ProfileAsked> = {}): ProfileAsked => ({
  ...{ chip, nozzle: strong, liquidusC: 200, seconds: 180, draws: 200, seed: 1 },
  ...change,
});
const width = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0);

describe('a profile', () => {
  test('what one school does, 280 C, dial 60, 10 mm, 6 to 10 s: factory solder of a likely chip is liquid by then (common practice)', () => {
    const { liquidLikelyS } = reworkProfile(asked({ liquidusC: 220 }));
    expect(liquidLikelyS).toBeGreaterThan(3);
    expect(liquidLikelyS).toBeLessThan(10);
  });
  test('and the other, 300 C with the dial at a tenth: within minutes (common practice)', () => {
    const nozzle = { ...strong, setC: 300, airPercent: 10 };
    const { liquidLikelyS } = reworkProfile(asked({ nozzle, liquidusC: 220, seconds: 300 }));
    expect(liquidLikelyS).toBeGreaterThan(20);
    expect(liquidLikelyS).toBeLessThan(240);
  });
  test('little air takes longer, as the other school has it', () => {
    const slow = reworkProfile(asked({ nozzle: { ...strong, setC: 300, airPercent: 10 }, liquidusC: 160 }));
    const quick = reworkProfile(asked({ liquidusC: 160 }));
    expect(slow.liquidLikelyS!).toBeGreaterThan(quick.liquidLikelyS! * 1.5);
  });
  test('a plate below shortens the time under air', () => {
    const [cold, warm] = [
      reworkProfile(asked()),
      reworkProfile(asked({ nozzle: { ...strong, preheatC: 120 } })),
    ];
    expect(warm.liquidLikelyS!).toBeLessThan(cold.liquidLikelyS!);
  });
  test('a joint that melts lower is lifted earlier; nothing is hotter than the air', () => {
    const [low, high] = [reworkProfile(asked({ liquidusC: 150 })), reworkProfile(asked({ liquidusC: 200 }))];
    expect(low.lift!.fromS).toBeLessThan(high.lift!.fromS);
    expect(high.peakC).toBeLessThan(280);
    expect(high.panel.high.at(-1)!).toBeLessThan(high.flex.likely.at(-1)!);
  });
  test('too cold an air: no time is right', () => {
    const { lift, liquidLikelyS } = reworkProfile(asked({ nozzle: { ...strong, setC: 150 } }));
    expect(lift).toBeUndefined();
    expect(liquidLikelyS).toBeUndefined();
  });
  test('a panel that bears little ends the window, and a flex; else the longest time a joint may be liquid (J-STD-020)', () => {
    const weak = reworkProfile(asked({ nozzle: { ...strong, barriers: 0 }, chip: { ...chip, panelC: 38 } }));
    expect(weak.endedBy).toBe('panel');
    const flex = reworkProfile(asked({ chip: { ...chip, flexC: 215 }, liquidusC: 150 }));
    expect(flex.endedBy).toBe('flex');
    expect(reworkProfile(asked({ chip: { ...chip, panelC: 300 }, seconds: 300 })).endedBy).toBe('time above');
  });
  test('what a thermocouple reads narrows it, and says what the station’s air does', () => {
    const before = reworkProfile(asked());
    const k = before.times.indexOf(8);
    const read = { atS: 8, celsius: before.joint.likely[k]! + 12 };
    const after = reworkProfile(
      asked({ readings: [read, { atS: 16, celsius: before.joint.likely[16]! + 12 }] }),
    );
    const of = (p: typeof before) => width(p.joint.high) - width(p.joint.low);
    expect(of(after)).toBeLessThan(of(before) * 0.7);
    expect(after.fitted!.likely).toBeGreaterThan(usualFilm.likely);
    expect(before.fitted).toBeUndefined();
  });
  test('the same question has the same answer', () => {
    expect(reworkProfile(asked())).toEqual(reworkProfile(asked()));
  });
});
test('film grows with the air and falls with the distance; at the dial’s middle and 10 mm it is what was measured', () => {
  expect(filmAt(200, { ...strong, airPercent: 50 })).toBeCloseTo(200, 9);
  expect(filmAt(200, { ...strong, airPercent: 100 })).toBeGreaterThan(200);
  expect(filmAt(200, { ...strong, airPercent: 50, distanceMm: 20 })).toBeLessThan(200);
});
