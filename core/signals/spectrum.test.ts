import { describe, expect, test } from 'vitest';
import { midbandHz, silenceDbfs, spectrumOf, thirdOctaves } from './spectrum';

const rate = 48_000;
type Line = [hz: number, amplitude: number, phase?: number];
const sines = (lines: Line[], seconds = 1, sampleRateHz = rate): Float64Array =>
  Float64Array.from({ length: Math.round(seconds * sampleRateHz) }, (_, k) =>
    lines.reduce(
      (sum, [hz, amplitude, phase = 0]) =>
        sum + amplitude * Math.sin((2 * Math.PI * hz * k) / sampleRateHz + phase),
      0,
    ),
  );
const db = (ratio: number) => 20 * Math.log10(ratio);
const bandAt = (samples: ArrayLike<number>, centreHz: number) =>
  thirdOctaves(samples, rate).find((b) => Math.abs(b.centreHz - centreHz) < 1)!.levelDbfs;

describe('level (AES17: a full-scale sine is 0 dBFS)', () => {
  test.each([1, 0.5, 0.01])('a sine of amplitude %d', (amplitude) => {
    expect(spectrumOf(sines([[997, amplitude]]), rate).levelDbfs).toBeCloseTo(db(amplitude), 2);
  });
  test('a full-scale square lies 3.01 dB above a full-scale sine', () => {
    const square = sines([[1000, 1, 0.1]]).map(Math.sign);
    expect(spectrumOf(square, rate).levelDbfs).toBeCloseTo(3.01, 2);
  });
  test('silence has a level that can be written, no line and no distortion', () => {
    expect(spectrumOf(new Float64Array(1000), rate)).toMatchObject({
      levelDbfs: silenceDbfs,
      peakHz: 0,
      thdPercent: 0,
    });
  });
});

describe('strongest line', () => {
  test.each([
    [1000, 1],
    [997.3, 1],
    [61.7, 1],
    [15_012.4, 0.2],
    [440, 0.25],
  ])('%d Hz in %d s, between the lines of the transform, too', (hz, seconds) => {
    expect(Math.abs(spectrumOf(sines([[hz, 0.3]], seconds), rate).peakHz - hz)).toBeLessThan(0.01);
  });
  test('an offset of the recording is none', () => {
    const samples = sines([[300, 0.1]]).map((s) => s + 0.5);
    expect(spectrumOf(samples, rate).peakHz).toBeCloseTo(300, 1);
  });
});

describe('distortion', () => {
  test('of known harmonics: the root of their summed squares over the fundamental', () => {
    const samples = sines([
      [440, 0.5],
      [880, 0.03, 1],
      [1320, 0.04, 2],
    ]);
    // 3-4-5: 0.05 / 0.5
    expect(spectrumOf(samples, rate).thdPercent).toBeCloseTo(10, 3);
  });
  test('of a sine alone there is none; what is no harmonic does not count', () => {
    expect(spectrumOf(sines([[440, 0.5]]), rate).thdPercent).toBeLessThan(0.01);
    const beside = sines([
      [440, 0.5],
      [1111, 0.1],
    ]);
    expect(spectrumOf(beside, rate).thdPercent).toBeLessThan(0.01);
  });
  test('of a clipped sine: against the Fourier series of a symmetrically clipped sine', () => {
    // b_n = (2/pi) * integral over a half period of clip(sin x) sin(nx): summed here by the midpoint rule
    const limit = 0.7;
    const clip = (x: number) => Math.max(-limit, Math.min(limit, x));
    const coefficient = (n: number) => {
      let sum = 0;
      const steps = 20_000;
      for (let k = 0; k < steps; k++) {
        const x = (Math.PI * (k + 0.5)) / steps;
        sum += clip(Math.sin(x)) * Math.sin(n * x);
      }
      return (2 * sum) / steps;
    };
    const harmonics = Array.from({ length: 9 }, (_, k) => coefficient(k + 2));
    const expected = (100 * Math.hypot(...harmonics)) / coefficient(1);
    const clipped = sines([[100, 1]]).map(clip);
    expect(spectrumOf(clipped, rate).thdPercent).toBeCloseTo(expected, 1);
  });
  test('of a square: a third, a fifth, a seventh and a ninth', () => {
    const square = sines([[100, 1, 0.013]], 1, 192_000).map(Math.sign);
    const expected = 100 * Math.hypot(1 / 3, 1 / 5, 1 / 7, 1 / 9);
    expect(spectrumOf(square, 192_000).thdPercent).toBeCloseTo(expected, 1);
  });
  test('harmonics above half the sampling rate are not there', () => {
    expect(spectrumOf(sines([[15_000, 0.5]]), rate).thdPercent).toBe(0);
  });
});

describe('third octaves (IEC 61260-1, base ten)', () => {
  test('lie at 1000 x 10^(n/10) Hz, from 20 Hz to what half the sampling rate holds', () => {
    const bands = thirdOctaves(sines([[1000, 0.1]]), rate);
    expect(bands[0]!.centreHz).toBeCloseTo(19.953, 3);
    expect(bands.at(-1)!.centreHz).toBeCloseTo(19_952.6, 1);
    expect(midbandHz(3)).toBeCloseTo(1995.26, 2);
    expect(thirdOctaves(sines([[1000, 0.1]], 1, 8000), 8000).at(-1)!.centreHz).toBeCloseTo(3162.3, 1);
  });
  test('a tone is in its own band with its level, and in no other', () => {
    const samples = sines([[1000, 0.5]]);
    expect(bandAt(samples, 1000)).toBeCloseTo(db(0.5), 2);
    for (const { centreHz, levelDbfs } of thirdOctaves(samples, rate))
      if (Math.abs(centreHz - 1000) > 1) expect(levelDbfs).toBeLessThan(-60);
  });
  test('together they hold what the recording holds (Parseval)', () => {
    const samples = sines([
      [50, 0.1],
      [440, 0.2, 1],
      [3000, 0.3, 2],
      [9000, 0.05],
    ]);
    const sum = thirdOctaves(samples, rate).reduce((s, b) => s + 10 ** (b.levelDbfs / 10), 0);
    expect(10 * Math.log10(sum)).toBeCloseTo(spectrumOf(samples, rate).levelDbfs, 1);
  });
  test('one that is too narrow for the time is left out', () => {
    expect(thirdOctaves(sines([[1000, 0.5]], 0.05), rate)[0]!.centreHz).toBeGreaterThan(150);
  });
});
