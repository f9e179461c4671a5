import type { Minutes } from '../model/schema';

/**
 * Seconds of hands for the small acts, three-point. Starting guesses of a practised technician (from memory,
 * no published source); every finished job's true times are in its log and can replace them.
 */
export const handsS = {
  unscrew: { low: 5, likely: 8, high: 16 },
  fasten: { low: 7, likely: 11, high: 22 },
  disconnect: { low: 3, likely: 5, high: 12 },
  connect: { low: 4, likely: 8, high: 20 },
  unhook: { low: 2, likely: 4, high: 10 },
  /** A piece that goes into a new frame: its seat cleaned, aligned, tried. With `outfit` held to four to five hours for a housing (common practice). */
  intoFrame: { low: 45, likely: 90, high: 180 },
  /** One of the small pieces of a frame that a model does not list: spring, clip, magnet, mesh, gasket. */
  outfitPiece: { low: 120, likely: 210, high: 330 },
  aside: { low: 5, likely: 10, high: 20 },
  film: { low: 4, likely: 8, high: 15 },
  heatStart: { low: 15, likely: 25, high: 45 },
  gap: { low: 30, likely: 60, high: 150 },
  act: { low: 5, likely: 12, high: 30 },
  look: { low: 10, likely: 20, high: 40 },
  prepare: { low: 40, likely: 70, high: 150 },
  testPart: { low: 60, likely: 120, high: 300 },
  data: { low: 40, likely: 75, high: 180 },
  chip: { low: 900, likely: 1500, high: 3600 },
  rework: { low: 600, likely: 1800, high: 5400 },
  calibrate: { low: 60, likely: 120, high: 300 },
  solvent: { low: 15, likely: 25, high: 60 },
  cleanRim: { low: 120, likely: 240, high: 480 },
  seal: { low: 60, likely: 120, high: 240 },
  liner: { low: 5, likely: 10, high: 20 },
  close: { low: 30, likely: 60, high: 120 },
  check: { low: 8, likely: 12, high: 25 },
  bitChange: { low: 4, likely: 6, high: 10 },
  turn: { low: 3, likely: 5, high: 10 },
} as const satisfies Record<string, Minutes>;

/** n times a three-point time, each independent: low and high add too, which is a wide but honest range. */
export const times = (minutes: Minutes, n: number): Minutes => ({
  low: minutes.low * n,
  likely: minutes.likely * n,
  high: minutes.high * n,
});
export const plus = (minutes: Minutes, b: Minutes): Minutes => ({
  low: minutes.low + b.low,
  likely: minutes.likely + b.likely,
  high: minutes.high + b.high,
});
/** Minutes of the model to the seconds of the steps. */
export const inSeconds = (m: Minutes): Minutes => times(m, 60);
/** A band of a third less to two thirds more around a single figure of the model. */
export const around = (s: number): Minutes => ({
  low: Math.round(s * 0.67),
  likely: s,
  high: Math.round(s * 1.67),
});

/**
 * Mean and standard deviation of a three-point time: (a + 4m + b) / 6 and (b - a) / 6.
 * Source: Malcolm, Roseboom, Clark and Fazar, Operations Research 7(5), 1959.
 */
export const expected = (t: Minutes) => (t.low + 4 * t.likely + t.high) / 6;
/** Seconds of hands as minor units of money, rounded. */
export const money = (s: number, hourlyRateMinor: number) => Math.round((s * hourlyRateMinor) / 3600);
