/** One reading of a leak tester. */
export interface LeakSample {
  tS: number;
  /** Pressure against the room, Pa: below 0 for an under-pressure. */
  pPa: number;
  /** Temperature of the air in the device, C. */
  tempC?: number | undefined;
}
export interface LeakFit {
  /** How fast the pressure goes towards the room's once it has settled, Pa/s, with its standard error. */
  rateSteadyPaS: number;
  rateErrorPaS: number;
  /** Time constant of the settling, s; 0 where nothing settles. */
  tauS: number;
  /** What settling alone takes away, Pa. */
  settlingPa: number;
  /** Standard deviation of what is left, Pa. */
  noisePa: number;
}

const kelvin = 273.15;

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

/** Straight line and one exponential, p = a + b t + c exp(-t / tau), by least squares for a given tau. */
function linear(samples: readonly LeakSample[], tauS: number) {
  const t0 = samples[0]!.tS;
  const columns = (s: LeakSample) => {
    const t = s.tS - t0;
    return tauS > 0 ? [1, t, Math.exp(-t / tauS)] : [1, t];
  };
  const n = tauS > 0 ? 3 : 2;
  const normal = Array.from({ length: n }, () => new Array<number>(n).fill(0));
  const right = new Array<number>(n).fill(0);
  for (const s of samples) {
    const x = columns(s);
    for (let i = 0; i < n; i++) {
      right[i]! += x[i]! * s.pPa;
      for (let j = 0; j < n; j++) normal[i]![j]! += x[i]! * x[j]!;
    }
  }
  const inverse = invert(normal);
  if (!inverse) return undefined;
  const found = inverse.map((row) => row.reduce((sum, v, j) => sum + v * right[j]!, 0));
  const left = samples.reduce((sum, s) => {
    const off = s.pPa - columns(s).reduce((p, x, i) => p + x * found[i]!, 0);
    return sum + off * off;
  }, 0);
  return { found, left, inverse };
}
/** The inverse of a small symmetric matrix (Gauss and Jordan, with pivots); undefined where it has none. */
function invert(matrix: readonly (readonly number[])[]): number[][] | undefined {
  const n = matrix.length;
  const rows = matrix.map((row, i) => [...row, ...Array.from({ length: n }, (_, j) => (i === j ? 1 : 0))]);
  for (let k = 0; k < n; k++) {
    const pivot = rows
      .slice(k)
      .reduce((best, row, i) => (Math.abs(row[k]!) > Math.abs(rows[best]![k]!) ? i + k : best), k);
    [rows[k], rows[pivot]] = [rows[pivot]!, rows[k]!];
    const lead = rows[k]![k]!;
    if (Math.abs(lead) < 1e-12) return undefined;
    rows[k] = rows[k]!.map((v) => v / lead);
    for (let i = 0; i < n; i++)
      if (i !== k) {
        const factor = rows[i]![k]!;
        rows[i] = rows[i]!.map((v, j) => v - factor * rows[k]![j]!);
      }
  }
  return rows.map((row) => row.slice(n));
}

/**
 * Parts settling, which dies away, from a leak, which goes on. The time constant is the one that leaves least, searched over a
 * grid and then by golden section; the error of the rate counts it as a fourth figure that was fitted.
 * @returns undefined for fewer than six samples, or for none that are apart in time
 */
export function fitLeak(samples: readonly LeakSample[]): LeakFit | undefined {
  const spanS = (samples.at(-1)?.tS ?? 0) - (samples[0]?.tS ?? 0);
  const straight = samples.length >= 6 && spanS > 0 ? linear(samples, 0) : undefined;
  if (!straight) return undefined;
  const leftAt = (tau: number) => linear(samples, tau)?.left ?? Number.POSITIVE_INFINITY;
  const [shortest, longest] = [spanS / samples.length, spanS / 1.5];
  const taus = Array.from({ length: 25 }, (_, k) => shortest * (longest / shortest) ** (k / 24));
  const best = taus.reduce((a, tau) => (leftAt(tau) < leftAt(a) ? tau : a), taus[0]!);
  const tau = golden(leftAt, best / 1.4, Math.min(longest, best * 1.4));
  const curved = linear(samples, tau);
  const free = samples.length - 4;
  // settling is only said where it explains more than chance does: four times what two more figures take away of noise
  const settles =
    curved !== undefined && free > 0 && straight.left - curved.left > 4 * 2 * (curved.left / free);
  const { found, left } = settles ? curved : straight;
  const inverse = settles ? spreadOf(samples, tau, found[2]!) : straight.inverse;
  const variance = left / Math.max(1, samples.length - (settles ? 4 : 2));
  const towardsRoom = Math.sign(-(samples[0]!.pPa || -1));
  return {
    rateSteadyPaS: towardsRoom * found[1]!,
    rateErrorPaS: inverse ? Math.sqrt(Math.max(0, variance * inverse[1]![1]!)) : Number.POSITIVE_INFINITY,
    tauS: settles ? tau : 0,
    settlingPa: settles ? -towardsRoom * found[2]! : 0,
    noisePa: Math.sqrt(variance),
  };
}
/** How far all four figures may be off together, in variances of the noise: the normal matrix of the curve's slopes, inverted. */
function spreadOf(samples: readonly LeakSample[], tauS: number, settlingPa: number): number[][] | undefined {
  const t0 = samples[0]!.tS;
  const normal = Array.from({ length: 4 }, () => [0, 0, 0, 0]);
  for (const s of samples) {
    const t = s.tS - t0;
    const dying = Math.exp(-t / tauS);
    const slopes = [1, t, dying, (settlingPa * t * dying) / tauS ** 2];
    for (let i = 0; i < 4; i++) for (let j = 0; j < 4; j++) normal[i]![j]! += slopes[i]! * slopes[j]!;
  }
  return invert(normal);
}
/** The least of a function between two places, by golden section, to a thousandth of their distance. */
function golden(of: (x: number) => number, low: number, high: number): number {
  const share = (Math.sqrt(5) - 1) / 2;
  let [a, b] = [low, high];
  while (b - a > (high - low) / 1000) {
    const [c, d] = [b - share * (b - a), a + share * (b - a)];
    if (of(c) < of(d)) b = d;
    else a = c;
  }
  return (a + b) / 2;
}
