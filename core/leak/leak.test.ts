import { randomNormal } from 'd3-random';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { describe, expect, test } from 'vitest';
import { atOneTemperature, fitLeak, type LeakSample } from './fit';
import { leakOf, sccmOf } from './leak';

const ambientPa = 101_325;
interface Curve {
  leakPaS?: number;
  settlingPa?: number;
  tauS?: number;
  noisePa?: number;
  seconds?: number;
  warmsK?: number;
  startPa?: number;
  seed?: number;
}
/** A tester's curve: an under-pressure that settles, leaks, follows the temperature of the air inside, and is read with noise. */
function curve({
  leakPaS = 0,
  settlingPa = 0,
  tauS = 4,
  noisePa = 0,
  seconds = 40,
  warmsK = 0,
  startPa = -20_000,
  seed = 1,
}: Curve): LeakSample[] {
  const random = xoroshiro128plus(seed);
  const noise = randomNormal.source(() => uniformFloat64(random))(0, noisePa || 1e-9);
  return Array.from({ length: seconds * 10 + 1 }, (_, k) => {
    const tS = k / 10;
    const lost = leakPaS * tS + settlingPa * (1 - Math.exp(-tS / tauS));
    const tempC = 22 + (warmsK * tS) / seconds;
    const warmed = ((ambientPa + startPa + lost) * (tempC + 273.15)) / 295.15 - ambientPa;
    return { tS, pPa: warmed + noise(), ...(warmsK ? { tempC } : {}) };
  });
}
const ask = (samples: LeakSample[], more = {}) =>
  leakOf({ volumeMl: 12, samples, ambientPa, holdS: 40, ...more });

describe('parting settling from a leak', () => {
  test('finds the rate, the settling and its time constant of a curve without noise', () => {
    const fit = fitLeak(curve({ leakPaS: 5, settlingPa: 300, tauS: 6 }))!;
    expect(fit.rateSteadyPaS).toBeCloseTo(5, 2);
    expect(fit.tauS).toBeCloseTo(6, 1);
    expect(fit.settlingPa).toBeCloseTo(300, 0);
    expect(fitLeak(curve({ leakPaS: 5 }))).toMatchObject({ tauS: 0, settlingPa: 0 });
  });
  test('its standard error is one: of 200 curves the truth lies within two of it in about 95 of 100', () => {
    let within = 0;
    for (let seed = 1; seed <= 200; seed++) {
      const fit = fitLeak(curve({ leakPaS: 3, settlingPa: 200, tauS: 5, noisePa: 20, seed }))!;
      if (Math.abs(fit.rateSteadyPaS - 3) < 2 * fit.rateErrorPaS) within++;
    }
    expect(within).toBeGreaterThan(180);
    expect(within).toBeLessThan(200);
  });
  test('an over-pressure leaks the other way, and the rate is one towards the room all the same', () => {
    expect(fitLeak(curve({ leakPaS: -4, startPa: 15_000 }))!.rateSteadyPaS).toBeCloseTo(4, 2);
  });
  test('too few readings, or readings of one moment, are no curve', () => {
    expect(fitLeak(curve({}).slice(0, 5))).toBeUndefined();
    expect(fitLeak(Array.from({ length: 10 }, () => ({ tS: 1, pPa: 5 })))).toBeUndefined();
  });
});

describe('the answer', () => {
  test('what warmed by a kelvin is no leak where it was measured (ideal gas law)', () => {
    const warmed = curve({ warmsK: 1 });
    expect(atOneTemperature(warmed, ambientPa).every((s) => Math.abs(s.pPa + 20_000) < 1e-6)).toBe(true);
    const answer = ask(warmed, { limitPaS: 1 });
    expect(answer).toMatchObject({ tempCorrected: true, verdict: 'pass' });
    expect(answer.dropPa).toBeGreaterThan(200);
    expect(answer.rateSteadyPaS).toBeCloseTo(0, 4);
  });
  test('a rate is a flow: 1 mbar l/s is 0.1 Pa m3/s (BIPM), 59.2 standard cm3 a minute at 0 C and 1 atm (101325 Pa, exact)', () => {
    // 0.1 Pa m3/s / 101325 Pa = 0.98692 cm3/s
    expect(sccmOf(100, 1000, 0)).toBeCloseTo(59.215, 3);
    expect(sccmOf(100, 1000, 20)).toBeCloseTo((59.215 * 273.15) / 293.15, 2);
    expect(ask(curve({ leakPaS: 10 })).leakSccm).toBeCloseTo(sccmOf(10, 12, 23), 4);
  });
  test('passes and fails where the limit lies well apart from the rate, by either kind of limit', () => {
    const noisy = (leakPaS: number) => curve({ leakPaS, noisePa: 10, settlingPa: 150 });
    expect(ask(noisy(2), { limitPaS: 6 })).toMatchObject({
      verdict: 'pass',
      because: expect.stringContaining('6.000 Pa/s'),
    });
    expect(ask(noisy(20), { limitPaS: 6 })).toMatchObject({ verdict: 'fail' });
    expect(ask(noisy(20), { limitSccm: sccmOf(6, 12, 23) })).toMatchObject({ verdict: 'fail' });
  });
  test('is unclear where it is too near, and says how much longer would tell; where a drift explains it; where nothing was given', () => {
    expect(ask(curve({ leakPaS: 6, noisePa: 200 }), { limitPaS: 6.5 })).toMatchObject({
      verdict: 'unclear',
      because: expect.stringMatching(/hold \d+ s longer/),
    });
    expect(ask(curve({ leakPaS: 2, noisePa: 1 }), { limitPaS: 1 })).toMatchObject({
      verdict: 'unclear',
      because: expect.stringContaining('0.3 K explain it'),
    });
    expect(ask(curve({ leakPaS: 2 })).because).toBe('no limit was given');
    expect(ask(curve({ seconds: 15 }), { limitPaS: 1 }).because).toContain('end after 15 s of 40 s');
    expect(ask(curve({}).slice(0, 3), { limitPaS: 1 }).because).toContain('fewer than six');
  });
});
