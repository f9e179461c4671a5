import FFT from 'fft.js';

/** One third-octave band: its exact midband frequency, and the level in it. */
export interface BandLevel {
  centreHz: number;
  levelDbfs: number;
}
export interface Spectrum {
  /** RMS over the whole recording; 0 dBFS is the RMS of a full-scale sine (AES17). */
  levelDbfs: number;
  /** The strongest line, Hz; 0 in silence. */
  peakHz: number;
  /** Root of the summed squares of its harmonics 2 to 10, as far as they lie below half the sampling rate, over itself. */
  thdPercent: number;
  bands: BandLevel[];
}
/** Below this nothing is told from nothing, dBFS: what 24 bits can hold lies above it. */
export const silenceDbfs = -200;
/** Of the mean square of samples, in dBFS by AES17: a full-scale sine has the mean square 1/2. */
export const dbfs = (meanSquare: number): number =>
  Math.max(silenceDbfs, 10 * Math.log10(Math.max(2 * meanSquare, Number.MIN_VALUE)));

/** Third octaves by IEC 61260-1, base ten: midband 1000 x 10^(n/10) Hz, edges half a step away. From 20 Hz to 20 kHz. */
const lowestBand = -17;
const highestBand = 13;
export const midbandHz = (n: number): number => 1000 * 10 ** (n / 10);
const edgeHz = (n: number): number => midbandHz(n) * 10 ** 0.05;

type Window = (share: number) => number;
const hann: Window = (x) => 0.5 - 0.5 * Math.cos(2 * Math.PI * x);
/** Four terms, side lobes below -92 dB (F. J. Harris, On the use of windows, Proc. IEEE 66, 1978, from memory). */
const blackmanHarris: Window = (x) =>
  0.35875 -
  0.48829 * Math.cos(2 * Math.PI * x) +
  0.14128 * Math.cos(4 * Math.PI * x) -
  0.01168 * Math.cos(6 * Math.PI * x);
/** Half of the main lobe of that window, in lines of the recording's own length. */
const lobe = 4;
const harmonics = 10;

/** Samples under a window, and the window's own sums. */
function windowed(samples: ArrayLike<number>, window: Window) {
  const n = samples.length;
  const values = new Float64Array(n);
  let sum = 0;
  let squares = 0;
  for (let k = 0; k < n; k++) {
    const w = window(k / n);
    values[k] = samples[k]! * w;
    sum += w;
    squares += w * w;
  }
  return { values, sum, squares };
}
/** Power of each line from 0 to half the sampling rate, of a transform of at least twice the length. */
function powers(values: Float64Array): { power: Float64Array; size: number } {
  let size = 4;
  while (size < 2 * values.length) size *= 2;
  const fft = new FFT(size);
  const padded = new Float64Array(size);
  padded.set(values);
  const out = fft.createComplexArray();
  fft.realTransform(out, padded);
  const power = new Float64Array(size / 2 + 1);
  for (let k = 0; k <= size / 2; k++) power[k] = out[2 * k]! ** 2 + out[2 * k + 1]! ** 2;
  return { power, size };
}
/** Amplitude of one frequency in windowed samples: one term of the discrete Fourier transform, at any frequency. */
function amplitudeAt(values: Float64Array, sum: number, cyclesPerSample: number): number {
  // Goertzel's recursion
  const turn = 2 * Math.PI * cyclesPerSample;
  const twice = 2 * Math.cos(turn);
  let before = 0;
  let now = 0;
  for (let k = 0; k < values.length; k++) {
    const next = values[k]! + twice * now - before;
    before = now;
    now = next;
  }
  const square = now * now + before * before - twice * now * before;
  return (2 * Math.sqrt(Math.max(0, square))) / sum;
}
/** The frequency near a line at which the amplitude is greatest, by the parabola through three points, thrice. */
function sharpened(values: Float64Array, sum: number, line: number, step: number): number {
  let at = line;
  for (let width = step; width > step / 30; width /= 5) {
    const [a, b, c] = [-width, 0, width].map((d) =>
      Math.log(amplitudeAt(values, sum, at + d) + Number.MIN_VALUE),
    );
    const bend = a! - 2 * b! + c!;
    if (bend < 0) at += Math.max(-width, Math.min(width, ((a! - c!) / (2 * bend)) * width));
  }
  return at;
}

function distortion(
  samples: ArrayLike<number>,
  sampleRateHz: number,
): Pick<Spectrum, 'peakHz' | 'thdPercent'> {
  const { values, sum } = windowed(samples, blackmanHarris);
  const { power, size } = powers(values);
  // a line as low as the window's own lobe is the offset of the recording
  const first = Math.ceil((lobe * size) / samples.length);
  let line = first;
  for (let k = first; k < power.length; k++) if (power[k]! > power[line]!) line = k;
  const fundamental = sharpened(values, sum, line / size, 1 / size);
  const amplitude = amplitudeAt(values, sum, fundamental);
  if (amplitude < 1e-9) return { peakHz: 0, thdPercent: 0 };
  let squares = 0;
  for (let k = 2; k <= harmonics && k * fundamental < 0.5; k++)
    squares += amplitudeAt(values, sum, k * fundamental) ** 2;
  return { peakHz: fundamental * sampleRateHz, thdPercent: (100 * Math.sqrt(squares)) / amplitude };
}

/** The level in each third octave that lies below half the sampling rate and is wide enough to be told in this time. */
export function thirdOctaves(samples: ArrayLike<number>, sampleRateHz: number): BandLevel[] {
  const { values, squares } = windowed(samples, hann);
  const { power, size } = powers(values);
  const out: BandLevel[] = [];
  const seconds = samples.length / sampleRateHz;
  for (let n = lowestBand; n <= highestBand; n++) {
    const [from, to] = [edgeHz(n - 1), edgeHz(n)];
    // narrower than two lines of the recording it would be its neighbours' level
    if (to > sampleRateHz / 2 || (to - from) * seconds < 2) continue;
    let sum = 0;
    const first = Math.ceil((from * size) / sampleRateHz);
    const last = Math.min(size / 2, Math.ceil((to * size) / sampleRateHz) - 1);
    for (let k = first; k <= last; k++) sum += power[k]!;
    // both halves of the transform, and by the window's mean square: Parseval
    out.push({ centreHz: midbandHz(n), levelDbfs: dbfs((2 * sum) / (size * squares)) });
  }
  return out;
}

/**
 * Level, strongest line, its distortion and the third-octave bands of a recording.
 * @param samples from -1 to 1, at least sixteen of them
 */
export function spectrumOf(samples: ArrayLike<number>, sampleRateHz: number): Spectrum {
  let squares = 0;
  for (let k = 0; k < samples.length; k++) squares += samples[k]! ** 2;
  return {
    levelDbfs: dbfs(squares / samples.length),
    ...distortion(samples, sampleRateHz),
    bands: thirdOctaves(samples, sampleRateHz),
  };
}
