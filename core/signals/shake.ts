import { spectrumOf } from './spectrum';

/** What an accelerometer felt: m/s2 along its three axes with gravity, ms. */
export interface Shake {
  t: number;
  x: number;
  y: number;
  z: number;
}
/** Standard gravity, m/s2 (ISO 80000-3). */
export const standardGravity = 9.80665;

/** At rest: how long gravity is, m/s2, and how much it wavers about that. */
export function atRest(samples: readonly Shake[]): { g: number; noise: number } {
  const lengths = samples.map(({ x, y, z }) => Math.hypot(x, y, z));
  const g = mean(lengths);
  return { g, noise: Math.sqrt(mean(lengths.map((l) => (l - g) ** 2))) };
}
/**
 * How strongly a phone shakes, m/s2 RMS over all axes, and how fast, Hz. A browser gives some sixty samples a second, and a
 * vibrating weight turns faster than half of that: then the frequency that is seen is not its own, and is left out.
 * @param canBeHz the slowest that such a motor turns
 */
export function shakeOf(samples: readonly Shake[], canBeHz = 80): { rms: number; hz: number | undefined } {
  if (samples.length < 16) return { rms: 0, hz: undefined };
  const axes = (['x', 'y', 'z'] as const).map((axis) => {
    const values = samples.map((s) => s[axis]);
    const m = mean(values);
    return values.map((v) => v - m);
  });
  const squares = axes.map((values) => mean(values.map((v) => v * v)));
  const rms = Math.sqrt(squares.reduce((a, b) => a + b, 0));
  const seconds = (samples.at(-1)!.t - samples[0]!.t) / 1000;
  const rate = (samples.length - 1) / seconds;
  if (!(rate / 2 > canBeHz)) return { rms, hz: undefined };
  const strongest = axes[squares.indexOf(Math.max(...squares))]!;
  const most = Math.max(...strongest.map(Math.abs)) || 1;
  return {
    rms,
    hz:
      spectrumOf(
        strongest.map((v) => v / most),
        rate,
      ).peakHz || undefined,
  };
}
/** An axis on which gravity lies by at least this part of itself is the one that it lies on. */
const lies = 0.9;
/**
 * On how many of its six faces a phone was laid, and how far the zero of its worst axis is off, m/s2: half of what the two
 * faces of an axis differ by. Without two faces that lie opposite nothing is known of it.
 */
export function facesOf(samples: readonly Shake[]): { faces: number; offset: number | undefined } {
  const seen = (['x', 'y', 'z'] as const).map((axis) =>
    [1, -1].map((sign) =>
      samples.filter((s) => sign * s[axis] > lies * Math.hypot(s.x, s.y, s.z)).map((s) => s[axis]),
    ),
  );
  const offsets = seen
    .filter((faces) => faces.every((values) => values.length > 0))
    .map((faces) => Math.abs(faces.map(mean).reduce((a, b) => a + b, 0)) / 2);
  return {
    faces: seen.flat().filter((values) => values.length > 0).length,
    offset: offsets.length ? Math.max(...offsets) : undefined,
  };
}
/** How far a heading went round, degrees: from its least to its greatest, over north and on. */
export function headingSwept(degrees: readonly number[]): number {
  let [at, low, high] = [0, 0, 0];
  for (let k = 1; k < degrees.length; k++) {
    // the shorter way round from one to the next
    at += ((degrees[k]! - degrees[k - 1]! + 540) % 360) - 180;
    low = Math.min(low, at);
    high = Math.max(high, at);
  }
  return high - low;
}
const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / Math.max(1, values.length);
