import { randomBeta } from 'd3-random';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { quantileSorted } from 'd3-array';
import { betaShape, meanOf, type ThreePoint, varianceOf } from './three-point';

/** What a repair may cost, in minor units of money, and what its hands take, in seconds. */
export interface QuoteInput {
  parts: readonly (ThreePoint & { name: string })[];
  /** Seconds of hands, step by step: independent, so that the sum narrows. */
  handsS: readonly ThreePoint[];
  hourlyRateMinor: number;
  consumablesMinor: number;
  /** What may break, and what that costs. */
  risks: readonly { what: string; chance: number; cost: number }[];
}
export interface Expected {
  mean: number;
  sd: number;
}
export interface Distribution extends Expected {
  trials: number;
  p10: number;
  p50: number;
  p90: number;
  /** Equal bins from the least that came up to well past the ninth of ten; the last one holds all that is dearer. */
  bins: { from: number; to: number; n: number }[];
  /** The outcomes, ascending. */
  sorted: Float64Array;
}

/** Mean and standard deviation of the whole, by adding means and variances: what the trials are held against. */
export function expectedCost(quoteInput: QuoteInput): Expected {
  const perS = quoteInput.hourlyRateMinor / 3600;
  let mean = quoteInput.consumablesMinor;
  let variance = 0;
  for (const part of quoteInput.parts) {
    mean += meanOf(part);
    variance += varianceOf(part);
  }
  for (const threePoint of quoteInput.handsS) {
    mean += meanOf(threePoint) * perS;
    variance += varianceOf(threePoint) * perS * perS;
  }
  for (const risk of quoteInput.risks) {
    mean += risk.chance * risk.cost;
    variance += risk.chance * (1 - risk.chance) * risk.cost * risk.cost;
  }
  return { mean, sd: Math.sqrt(variance) };
}

const binCount = 24;

/**
 * The distribution of the cost by trials: each part's price and each step's time from the beta distribution of its three
 * points, each risk happening or not. The same seed gives the same distribution. Between the stages told by the
 * generator the caller may show progress or stop.
 * @param trials how many, at least 2
 */
export function* simulateCost(
  quoteInput: QuoteInput,
  seed: number,
  trials = 4000,
): Generator<number, Distribution> {
  if (trials < 2) throw new RangeError(`expected at least 2 trials, got ${trials}`);
  const rng = xoroshiro128plus(seed);
  const source = () => uniformFloat64(rng);
  const beta = randomBeta.source(source);
  const draw = (threePoint: ThreePoint): (() => number) => {
    const shape = betaShape(threePoint);
    if (!shape) return () => threePoint.low;
    const d = beta(shape.alpha, shape.beta);
    return () => threePoint.low + (threePoint.high - threePoint.low) * d();
  };
  const perS = quoteInput.hourlyRateMinor / 3600;
  const prices = quoteInput.parts.map(draw);
  const steps = quoteInput.handsS.map(draw);
  const sorted = new Float64Array(trials);
  for (let k = 0; k < trials; k++) {
    let cost = quoteInput.consumablesMinor;
    for (const price of prices) cost += price();
    for (const step of steps) cost += step() * perS;
    for (const risk of quoteInput.risks) if (source() < risk.chance) cost += risk.cost;
    sorted[k] = cost;
    if (k % 500 === 499) yield (k + 1) / trials;
  }
  sorted.sort();
  let sum = 0;
  for (const x of sorted) sum += x;
  const mean = sum / trials;
  let square = 0;
  for (const x of sorted) square += (x - mean) ** 2;
  const [p50, p90] = [percentileOf(sorted, 0.5), percentileOf(sorted, 0.9)];
  const from = sorted[0]!;
  const to = Math.min(sorted[trials - 1]!, p90 + 3 * (p90 - p50));
  const width = Math.max(1, (to - from) / binCount);
  const bins = Array.from({ length: binCount }, (_, i) => ({
    from: from + i * width,
    to: from + (i + 1) * width,
    n: 0,
  }));
  for (const x of sorted) bins[Math.min(binCount - 1, Math.floor((x - from) / width))]!.n++;
  return {
    trials,
    mean,
    sd: Math.sqrt(square / (trials - 1)),
    p10: percentileOf(sorted, 0.1),
    p50,
    p90,
    bins,
    sorted,
  };
}

/**
 * The p-th quantile of ascending figures, between neighbours by straight line: type 7 of Hyndman and Fan, The American
 * Statistician 50(4), 1996, as the d3-array package has it.
 * @param p 0 to 1
 */
export const percentileOf = (sorted: ArrayLike<number>, p: number): number =>
  quantileSorted(sorted as number[], p)!;

/** The chance that at least one of the risks happens. */
export const chanceOfTrouble = (risks: QuoteInput['risks']) =>
  1 - risks.reduce((p, r) => p * (1 - r.chance), 1);

/** The share of trials that cost no more than a limit. */
export function chanceWithin(pick: Pick<Distribution, 'sorted'>, limitMinor: number): number {
  let [low, high] = [0, pick.sorted.length];
  while (low < high) {
    const mid = (low + high) >> 1;
    if (pick.sorted[mid]! <= limitMinor) low = mid + 1;
    else high = mid;
  }
  return low / pick.sorted.length;
}
