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
const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / Math.max(1, values.length);
