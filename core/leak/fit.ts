import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { Matrix, pseudoInverse } from 'ml-matrix';

/** One reading of a leak tester. */
export interface LeakSample {
  tS: number;
  /** Pressure against the room, Pa: below 0 for an under-pressure. */
  pPa: number;
  /** Temperature of the air in the device, C. */
  tempC?: number | undefined;
}
export interface LeakFit {
  /**
   * `straight`: it loses evenly. `settles`: a small part dies away, what is left loses evenly. `runs out`: more dies away than
   * settling may, so all of it is a leak.
   */
  shape: 'straight' | 'settles' | 'runs out';
  /** How fast the pressure goes towards the room's, Pa/s: after the settling, or at the beginning of one that runs out. */
  rateSteadyPaS: number;
  /** Its standard error, Pa/s. */
  rateErrorPaS: number;
  /** Time constant of the settling, s; 0 where nothing settles. */
  tauS: number;
  /** What settling alone takes away, Pa. */
  settlingPa: number;
  /** Standard deviation of what is left, Pa. */
  noisePa: number;
  /** How fast it loses in the last third of the hold, without the settling, Pa/s, and the standard error of that. */
  tail: { ratePaS: number; errorPaS: number };
}

const kelvin = 273.15;
/** More points than this tell a fit nothing more: neighbours are averaged. */
const mostPoints = 120;

/**
 * The pressures as they would be at the temperature of the first reading: an enclosed gas follows its absolute temperature
 * (ideal gas law). Readings without a temperature stay as they are.
 */
export function atOneTemperature(samples: readonly LeakSample[], ambientPa: number): LeakSample[] {
  const first = samples[0]?.tempC;
  if (first === undefined) return [...samples];
  return samples.map((s) => ({
    ...s,
    pPa: ((s.pPa + ambientPa) * (first + kelvin)) / ((s.tempC ?? first) + kelvin) - ambientPa,
  }));
}

/** A curve in units of its own span of time and pressure, so that a fit is as exact for pascals as for kilopascals. */
interface Scaled {
  x: number[];
  y: number[];
  spanS: number;
  scalePa: number;
}
function scaled(samples: readonly LeakSample[]): Scaled {
  const perPoint = Math.ceil(samples.length / mostPoints);
  const points: { t: number; p: number }[] = [];
  for (let from = 0; from < samples.length; from += perPoint) {
    const block = samples.slice(from, from + perPoint);
    points.push({
      t: block.reduce((sum, s) => sum + s.tS, 0) / block.length,
      p: block.reduce((sum, s) => sum + s.pPa, 0) / block.length,
    });
  }
  const t0 = samples[0]!.tS;
  const p0 = samples[0]!.pPa;
  const spanS = samples.at(-1)!.tS - t0;
  const scalePa = Math.max(1, ...points.map((point) => Math.abs(point.p - p0)));
  return {
    x: points.map((o) => (o.t - t0) / spanS),
    y: points.map((o) => (o.p - p0) / scalePa),
    spanS,
    scalePa,
  };
}

/** A model with its figures: what it says at x, and its slopes by each figure there. */
interface Curve {
  figures: number[];
  at: (x: number) => number;
  slopes: (x: number) => number[];
  /** Sum of the squares of what it leaves. */
  left: number;
}
const leftBy = ({ x, y }: Scaled, at: (x: number) => number): number =>
  x.reduce((sum, v, k) => sum + (y[k]! - at(v)) ** 2, 0);
/** Least squares of models that are linear in their figures. */
function linearFit(data: Scaled, columns: (x: number) => number[]): Curve {
  const design = new Matrix(data.x.map(columns));
  const figures = pseudoInverse(design).mmul(Matrix.columnVector(data.y)).to1DArray();
  const at = (x: number) => columns(x).reduce((sum, c, k) => sum + c * figures[k]!, 0);
  return { figures, at, slopes: columns, left: leftBy(data, at) };
}
/** y = a + b x + c exp(-x / tau) with |c| and tau within bounds; b is 0 where `straight` is false. */
function dyingFit(data: Scaled, straight: boolean, most: number): Curve {
  const shortest = Math.log(2 / data.x.length);
  const starts = [0.04, 0.2, 0.7].map((tau) => Math.max(shortest, Math.log(tau)));
  const value =
    ([a, b, c, lnTau]: number[]) =>
    (x: number) =>
      a! + (straight ? b! * x : 0) + c! * Math.exp(-x / Math.exp(lnTau!));
  const fits = starts.map((lnTau) => {
    const [a, b, c] = linearFit(data, (x) => [1, straight ? x : 0, Math.exp(-x / Math.exp(lnTau))]).figures;
    const within = Math.max(-most, Math.min(most, c!));
    const { parameterValues } = levenbergMarquardt(data, value, {
      initialValues: [a!, b!, within, lnTau],
      minValues: [-1e3, -1e3, -most, shortest],
      // what dies away more slowly than the hold lasts cannot be told from what goes on
      maxValues: [1e3, 1e3, most, straight ? 0 : Math.log(20)],
      damping: 1e-3,
      gradientDifference: 1e-6,
      maxIterations: 40,
      errorTolerance: 1e-14,
    });
    return { figures: parameterValues, left: leftBy(data, value(parameterValues)) };
  });
  const { figures, left } = fits.reduce((best, fit) => (fit.left < best.left ? fit : best));
  const tau = Math.exp(figures[3]!);
  return {
    figures,
    at: value(figures),
    left,
    slopes: (x) => {
      const dying = Math.exp(-x / tau);
      return [1, ...(straight ? [x] : []), dying, (figures[2]! * x * dying) / tau];
    },
  };
}
/** The variance of what a figure came to, where `pick` names the figure by its slope; never less than what noise leaves of it. */
function varianceOf({ x }: Scaled, curve: Curve, pick: number[]): number {
  const slopes = new Matrix(x.map(curve.slopes));
  const free = Math.max(1, x.length - slopes.columns);
  const covariance = pseudoInverse(slopes.transpose().mmul(slopes));
  const weights = Matrix.rowVector(pick);
  return (curve.left / free) * Math.max(0, weights.mmul(covariance).mmul(weights.transpose()).get(0, 0));
}
/** Whether one curve explains more than chance does: four times what its further figures take away of noise. */
const explainsMore = (points: number, plain: Curve, fuller: Curve, further: number): boolean => {
  const free = points - fuller.slopes(0).length;
  return free > 0 && plain.left - fuller.left > 1e-12 + 4 * further * (fuller.left / free);
};

/**
 * Parts settling, which dies away, from a leak, which goes on (least squares; Levenberg and Marquardt for the time constant).
 * Settling is bounded: at most `settlingMostPa`, with a time constant of at most the hold. What dies away beyond that is air
 * that runs in, and its rate at the beginning is what counts.
 * @param settlingMostPa of the set pressure, Pa
 * @returns undefined for fewer than six samples, or for none that are apart in time; all figures are finite
 */
export function fitLeak(samples: readonly LeakSample[], settlingMostPa: number): LeakFit | undefined {
  const spanS = (samples.at(-1)?.tS ?? 0) - (samples[0]?.tS ?? 0);
  if (samples.length < 6 || !(spanS > 0)) return undefined;
  const data = scaled(samples);
  const points = data.x.length;
  const toRoom = (Math.sign(-(samples[0]!.pPa || -1)) * data.scalePa) / spanS;
  const straight = linearFit(data, (x) => [1, x]);
  const bounded = dyingFit(data, true, settlingMostPa / data.scalePa);
  const settles = explainsMore(points, straight, bounded, 2);
  const best = settles ? bounded : straight;
  const free = dyingFit(data, false, 1e3);
  const runsOut =
    Math.abs(free.figures[2]!) * data.scalePa > settlingMostPa && explainsMore(points, best, free, 1);
  const tail = tailOf(data, settles ? bounded : undefined);
  const common = {
    noisePa: data.scalePa * Math.sqrt(best.left / Math.max(1, points - best.slopes(0).length)),
    tail: { ratePaS: toRoom * tail.rate, errorPaS: Math.abs(toRoom) * tail.error },
  };
  if (runsOut) {
    const [, , c, lnTau] = free.figures;
    const tau = Math.exp(lnTau!);
    return {
      ...common,
      shape: 'runs out',
      rateSteadyPaS: (toRoom * -c!) / tau,
      rateErrorPaS: Math.abs(toRoom) * Math.sqrt(varianceOf(data, free, [0, -1 / tau, c! / tau])),
      tauS: 0,
      settlingPa: 0,
    };
  }
  return {
    ...common,
    shape: settles ? 'settles' : 'straight',
    rateSteadyPaS: toRoom * best.figures[1]!,
    rateErrorPaS: Math.abs(toRoom) * Math.sqrt(varianceOf(data, best, settles ? [0, 1, 0, 0] : [0, 1])),
    tauS: settles ? Math.exp(bounded.figures[3]!) * spanS : 0,
    settlingPa: settles ? -toRoom * spanS * bounded.figures[2]! : 0,
  };
}
/** The slope of the last third, without what settles: a leak that opens late shows there first. */
function tailOf(data: Scaled, settling: Curve | undefined): { rate: number; error: number } {
  const [, , c, lnTau] = settling?.figures ?? [0, 0, 0, 0];
  const late = data.x.flatMap((x, k) =>
    x >= 2 / 3 ? [{ x, y: data.y[k]! - c! * Math.exp(-x / Math.exp(lnTau!)) }] : [],
  );
  if (late.length < 4) return { rate: 0, error: 0 };
  const part = { ...data, x: late.map((o) => o.x), y: late.map((o) => o.y) };
  const line = linearFit(part, (x) => [1, x]);
  return { rate: line.figures[1]!, error: Math.sqrt(varianceOf(part, line, [0, 1])) };
}
