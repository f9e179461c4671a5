import { randomNormal } from 'd3-random';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Range } from '../thermal/materials';

/** How hot air is set: a dial reading is one machine's. */
export interface Nozzle {
  setC: number;
  /** 0 to 100. */
  airPercent: number;
  distanceMm: number;
  nozzleMm: number;
  /** A plate or pad under the flex, C; left out where none warms from below. */
  preheatC?: number;
  /** Sheets, pads or layers of tape between flex and panel: 0 to 2. */
  barriers: number;
}
/** What is warmed: a chip on a flex. mm */
export interface ChipOnFlex {
  widthMm: number;
  heightMm: number;
  thicknessMm: number;
  balls: number;
  ballMm: number;
  /** What its flex and the panel behind it bear, C. */
  flexC: number;
  panelC: number;
}
export interface ProfileAsked {
  chip: ChipOnFlex;
  nozzle: Nozzle;
  /** Where the joint is all liquid, C. */
  liquidusC: number;
  seconds: number;
  draws: number;
  seed: number;
  /** What the station's air was found to do, if it was measured; W/(m2 K) at the dial's middle, 10 mm away. */
  filmWm2K?: Range;
  /** What a thermocouple at the joint read, s and C. */
  readings?: readonly { atS: number; celsius: number }[];
}
export interface ProfileBand {
  low: number[];
  likely: number[];
  high: number[];
}
export interface ReworkProfile {
  /** s */
  times: number[];
  joint: ProfileBand;
  flex: ProfileBand;
  panel: ProfileBand;
  /** Lift between: the joint is liquid for eight of ten, and neither flex nor panel is at its limit for eight of ten, s. */
  lift: { fromS: number; toS: number } | undefined;
  /** What ends it: the flex, the panel, or the time that a joint may stay liquid. */
  endedBy: 'flex' | 'panel' | 'time above' | undefined;
  /** Of the likely one: its joint's highest temperature, C, and how long it is liquid by the end of the window, s. */
  peakC: number;
  aboveS: number;
  /** Likely, when the joint is liquid; undefined where it never is. */
  liquidLikelyS: number | undefined;
  /** What readings make of the air. */
  fitted: Range | undefined;
}

/** Longest that a joint should stay liquid, s, and the highest its chip should come to, C (IPC/JEDEC J-STD-020, from memory). */
const longestAboveS = 150;
export const highestPeakC = 260;
/** What air at the middle of a dial does to a surface 10 mm away, W/(m2 K): a small impinging jet (from memory,
 * and so that what the trade does by habit at either end of a dial melts what it melts). */
export const usualFilm: Range = { low: 250, likely: 400, high: 600 };
/** Film grows with the air as for round impinging jets, and falls with the distance (exponents from memory). */
const airExponent = 0.6;
const distanceExponent = 0.4;
const dialMiddle = 50;
const distanceUsualMm = 10;
/** Film at a setting, from the film at the dial's middle and 10 mm. */
export const filmAt = (atMiddle: number, { airPercent, distanceMm }: Nozzle): number =>
  atMiddle *
  (Math.max(1, airPercent) / dialMiddle) ** airExponent *
  (distanceUsualMm / Math.max(1, distanceMm)) ** distanceExponent;

const range = (low: number, likely: number, high: number): Range => ({ low, likely, high });
/** What is not known of a chip on its flex; all from memory, with ranges that are honest about it. */
const unknowns = {
  /** Heat that a chip takes, J/(mm3 K): silicon and mould. */
  chipJmm3K: range(0.0014, 0.0017, 0.002),
  /** Of the flex, J/(mm3 K), and how thick it is, mm. */
  flexJmm3K: range(0.0017, 0.002, 0.0024),
  flexMm: range(0.12, 0.18, 0.26),
  /** From under the nozzle along the flex, W/K: copper carries it away. */
  alongWK: range(0.0012, 0.0026, 0.005),
  /** The flex about it with the sheet under it, J/K, and what that loses to the room, W/K. */
  aroundJK: range(0.08, 0.15, 0.3),
  aroundWK: range(0.002, 0.004, 0.007),
  /** To the panel behind with nothing between, W/K; each barrier lets a third of it through. */
  bareWK: range(0.004, 0.008, 0.015),
  /** Of the panel, what lies near: its heat, J/K, and what it loses, W/K. */
  panelJK: range(0.6, 1.1, 2),
  panelWK: range(0.004, 0.008, 0.014),
  /** From a plate below to the flex, W/K. */
  preheatWK: range(0.006, 0.012, 0.02),
  /** How far the air is off what is set, K. */
  offK: range(-20, -5, 8),
  roomC: range(19, 22, 26),
} satisfies Record<string, Range>;
/** Solder: conductivity, W/(m K), heat, J/(mm3 K) (near handbook values, from memory). */
const solderWmK = 50;
const solderJmm3K = 0.0016;
/** How far a thermocouple at the joint is off, K. */
const readingSdK = 3;
const surely = 0.8;

type Draw = { [K in keyof typeof unknowns]: number } & { film: number };
const at = ({ low, likely, high }: Range, z: number): number =>
  likely + (z * (z < 0 ? likely - low : high - likely)) / 1.2816;

/** Nodes: chip, joint, flex under the nozzle, flex about it, panel. */
const nodes = 5;
type Vector = number[];
/** C dT/dt = A T + b for one draw. */
function system({ chip, nozzle }: ProfileAsked, draw: Draw): { heat: Vector; a: Vector[]; b: Vector } {
  const m2 = 1e-6;
  const chipArea = chip.widthMm * chip.heightMm;
  const spot = Math.max(chipArea, (Math.PI * nozzle.nozzleMm ** 2) / 4);
  const film = filmAt(draw.film, nozzle);
  const airC = nozzle.setC + draw.offK;
  const ball = (Math.PI * chip.ballMm ** 3) / 6;
  const heat = [
    draw.chipJmm3K * chipArea * chip.thicknessMm,
    solderJmm3K * ball * chip.balls,
    draw.flexJmm3K * draw.flexMm * spot,
    draw.aroundJK,
    draw.panelJK,
  ];
  // a ball that has settled is about as wide as it is high
  const joints =
    (chip.balls * solderWmK * ((Math.PI * chip.ballMm ** 2) / 4) * m2) / ((chip.ballMm * 0.7) / 1000);
  const a: Vector[] = Array.from({ length: nodes }, () => new Array<number>(nodes).fill(0));
  const b = new Array<number>(nodes).fill(0);
  const between = (i: number, k: number, wk: number) => {
    a[i]![i]! -= wk;
    a[k]![k]! -= wk;
    a[i]![k]! += wk;
    a[k]![i]! += wk;
  };
  const to = (i: number, celsius: number, wk: number) => {
    a[i]![i]! -= wk;
    b[i]! += wk * celsius;
  };
  to(0, airC, film * chipArea * m2);
  between(0, 1, joints * 2);
  between(1, 2, joints * 2);
  to(2, airC, film * (spot - chipArea) * m2);
  between(2, 3, draw.alongWK);
  to(3, draw.roomC, draw.aroundWK);
  between(3, 4, draw.bareWK / 3 ** nozzle.barriers);
  to(4, draw.roomC, draw.panelWK);
  if (nozzle.preheatC !== undefined) to(3, nozzle.preheatC, draw.preheatWK);
  return { heat, a, b };
}
/** Solves a small dense system by elimination with the largest pivot of each column; `m` and `v` are used up. */
function solved(m: Vector[], v: Vector): Vector {
  const n = v.length;
  for (let c = 0; c < n; c++) {
    let pivot = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(m[r]![c]!) > Math.abs(m[pivot]![c]!)) pivot = r;
    [m[c], m[pivot]] = [m[pivot]!, m[c]!];
    [v[c], v[pivot]] = [v[pivot]!, v[c]!];
    for (let r = c + 1; r < n; r++) {
      const factor = m[r]![c]! / m[c]![c]!;
      if (factor === 0) continue;
      for (let k = c; k < n; k++) m[r]![k]! -= factor * m[c]![k]!;
      v[r]! -= factor * v[c]!;
    }
  }
  for (let r = n - 1; r >= 0; r--) {
    for (let k = r + 1; k < n; k++) v[r]! -= m[r]![k]! * v[k]!;
    v[r]! /= m[r]![r]!;
  }
  return v;
}
const stepS = 0.5;
/**
 * The temperatures of bodies that exchange heat, at every half second from 0: C dT/dt = A T + b by the trapezoidal rule,
 * which is stable for any step.
 * @param heat J/K of each; `a` and `b` in W/K and W
 */
export function lumped(
  heat: Vector,
  a: readonly Vector[],
  b: Vector,
  start: Vector,
  seconds: number,
): Vector[] {
  const n = heat.length;
  // one step is T' = M T + q: worked out once, column by column
  const left = () => a.map((row, i) => row.map((x, k) => (i === k ? heat[i]! / stepS : 0) - x / 2));
  const right = a.map((row, i) => row.map((x, k) => (i === k ? heat[i]! / stepS : 0) + x / 2));
  const columns = Array.from({ length: n }, (_, k) =>
    solved(
      left(),
      right.map((row) => row[k]!),
    ),
  );
  const q = solved(left(), [...b]);
  const out = [start];
  const steps = Math.round(seconds / stepS);
  for (let step = 0; step < steps; step++) {
    const before = out[step]!;
    const next = [...q];
    for (let k = 0; k < n; k++) for (let i = 0; i < n; i++) next[i]! += columns[k]![i]! * before[k]!;
    out.push(next);
  }
  return out;
}

/** A setting, worked through for chips and stations like this one. */
export function reworkProfile(asked: ProfileAsked): ReworkProfile {
  const { chip, seconds, liquidusC } = asked;
  const film = asked.filmWm2K ?? usualFilm;
  const generator = xoroshiro128plus(asked.seed);
  const normal = randomNormal.source(() => uniformFloat64(generator))(0, 1);
  const draws = Array.from({ length: Math.max(1, asked.draws) }, (_, k) => {
    const z = () => (k === 0 ? 0 : Math.max(-2.5, Math.min(2.5, normal())));
    const own = Object.fromEntries(
      Object.entries(unknowns).map(([name, range]) => [name, at(range, z())]),
    ) as Draw;
    return { ...own, film: Math.max(film.likely * 0.2, at(film, z())) };
  });
  const runs = draws.map((draw) => {
    const { heat, a, b } = system(asked, draw);
    const start = [draw.roomC, draw.roomC, draw.roomC, draw.roomC, draw.roomC];
    // warmed from below before the air comes: as long as it takes
    const begin = asked.nozzle.preheatC === undefined ? start : preheated(asked, draw, start);
    return lumped(heat, a, b, begin, seconds);
  });
  const weights = runs.map((run) => weightOf(run, asked.readings ?? []));
  const of = (node: number) => runs.map((run) => run.map((t) => t[node]!));
  const [joints, flexes, panels] = [of(1), of(2), of(4)];
  const jointBand = band(joints, weights);
  const window = liftWindow({ joints, flexes, panels, weights, chip, liquidusC });
  const times = jointBand.likely.map((_, k) => k);
  const likely = jointBand.likely;
  const endS = window.lift?.toS ?? seconds;
  return {
    times,
    joint: jointBand,
    flex: band(flexes, weights),
    panel: band(panels, weights),
    ...window,
    peakC: Math.max(...likely),
    aboveS: likely.filter((c, k) => c >= liquidusC && k <= endS).length,
    liquidLikelyS: times[likely.findIndex((c) => c >= liquidusC)],
    fitted: asked.readings?.length
      ? spread(
          draws.map((d) => d.film),
          weights,
        )
      : undefined,
  };
}
/** With the plate below and no air: 90 s, after which a flex lies near its end (common practice: a minute or two). */
function preheated(asked: ProfileAsked, draw: Draw, start: Vector): Vector {
  const still = { ...draw, film: 0 };
  const { heat, a, b } = system(asked, still);
  return lumped(heat, a, b, start, 90).at(-1)!;
}
/** How likely a draw is by what a thermocouple has read. */
function weightOf(run: readonly Vector[], readings: readonly { atS: number; celsius: number }[]): number {
  let log = 0;
  for (const { atS, celsius } of readings) {
    const k = Math.min(run.length - 1, Math.max(0, Math.round(atS / stepS)));
    log -= ((run[k]![1]! - celsius) / readingSdK) ** 2 / 2;
  }
  // the likeliest of all may be far off: nothing is ever quite impossible
  return Math.exp(Math.max(log, -300));
}
/** The values below which shares of the weight lie. */
function quantiles(
  values: readonly number[],
  weights: readonly number[],
  shares: readonly number[],
): number[] {
  const order = Array.from(values.keys()).sort((a, b) => values[a]! - values[b]!);
  const all = weights.reduce((sum, w) => sum + w, 0);
  const out: number[] = [];
  let sum = 0;
  for (const k of order) {
    sum += weights[k]!;
    while (out.length < shares.length && sum >= shares[out.length]! * all - 1e-12) out.push(values[k]!);
  }
  return out;
}
const quantile = (values: readonly number[], weights: readonly number[], share: number): number =>
  quantiles(values, weights, [share])[0]!;
function spread(values: readonly number[], weights: readonly number[]): Range {
  const [low, likely, high] = quantiles(values, weights, [0.1, 0.5, 0.9]) as [number, number, number];
  return { low, likely, high };
}
/** At every whole second. */
function band(runs: readonly (readonly number[])[], weights: readonly number[]): ProfileBand {
  const out: ProfileBand = { low: [], likely: [], high: [] };
  for (let k = 0; k < runs[0]!.length; k += 1 / stepS) {
    const { low, likely, high } = spread(
      runs.map((run) => run[k]!),
      weights,
    );
    out.low.push(low);
    out.likely.push(likely);
    out.high.push(high);
  }
  return out;
}
function liftWindow({
  joints,
  flexes,
  panels,
  weights,
  chip,
  liquidusC,
}: {
  joints: number[][];
  flexes: number[][];
  panels: number[][];
  weights: number[];
  chip: ChipOnFlex;
  liquidusC: number;
}): Pick<ReworkProfile, 'lift' | 'endedBy'> {
  const last = (joints[0]!.length - 1) * stepS;
  const firstAt = (line: readonly number[], celsius: number) => {
    const k = line.findIndex((c) => c >= celsius);
    return k < 0 ? Number.POSITIVE_INFINITY : k * stepS;
  };
  const liquid = joints.map((line) => firstAt(line, liquidusC));
  const fromS = quantile(liquid, weights, surely);
  const ends = {
    flex: quantile(
      flexes.map((line) => firstAt(line, chip.flexC)),
      weights,
      1 - surely,
    ),
    panel: quantile(
      panels.map((line) => firstAt(line, chip.panelC)),
      weights,
      1 - surely,
    ),
    'time above': quantile(liquid, weights, 1 - surely) + longestAboveS,
  };
  const [endedBy, soonest] = (Object.entries(ends) as [keyof typeof ends, number][]).reduce((a, b) =>
    b[1] < a[1] ? b : a,
  );
  const toS = Math.min(last, soonest);
  return {
    lift: fromS < toS ? { fromS, toS } : undefined,
    endedBy: Number.isFinite(soonest) && soonest <= last ? endedBy : undefined,
  };
}
