import { type Boundary, type Grid, gridOf, type Layer, type Phase, type Probe } from './slab';

export interface SoakAsked {
  layers: readonly Layer[];
  /** In the order of their beginnings; the first begins at 0. */
  phases: readonly Phase[];
  startC: number;
  seconds: number;
  probes: readonly Probe[];
  /** Coarse cells and long steps, right to some tenths of a kelvin: for a band of hundreds. */
  quick?: boolean;
}
export interface Soak {
  /** s: every whole ten seconds, and the end. */
  times: number[];
  /** Of each probe its temperatures at those times, C. */
  probes: Record<string, number[]>;
  /** Of each probe its temperatures at every step, with the times of the steps, s: what windows are found in. Empty of a quick one. */
  fine: { times: number[]; probes: Record<string, number[]> };
  /** Heat taken in through both faces, and heat that the layers hold more than at the start, J/m2: equal to rounding. */
  takenJm2: number;
  heldJm2: number;
}

/** Steps grow from this after each change of what the faces meet to the greatest, s. */
const firstStepS = 0.01;
const growth = 1.2;
const greatestStepS = 4;
const quickly = { grid: { firstCell: 0.6, growth: 2 }, firstStepS: 0.5, growth: 1.6, greatestStepS: 10 };
/** The two-stage diagonally implicit rule of second order that is stable for any step (Alexander 1977, gamma = 1 - 1/sqrt 2). */
const gamma = 1 - Math.SQRT1_2;

/** What a face gives: conductance to the cell behind it, W/(m2 K), with the temperature outside; or a flow, W/m2. */
interface Face {
  conductance: number;
  outsideC: number;
  flux: number;
}
const noFace: Face = { conductance: 0, outsideC: 0, flux: 0 };
function faceOf(boundary: Boundary, half: number): Face {
  if ('fluxWm2' in boundary) return { conductance: 0, outsideC: 0, flux: boundary.fluxWm2 };
  if ('airC' in boundary)
    return { conductance: 1 / (1 / boundary.hWm2K + 1 / half), outsideC: boundary.airC, flux: 0 };
  return { conductance: 1 / ((boundary.contactM2KW ?? 0) + 1 / half), outsideC: boundary.plateC, flux: 0 };
}
const flowOf = ({ conductance, outsideC, flux }: Face, cellC: number): number =>
  flux + conductance * (outsideC - cellC);

/**
 * How warm a column becomes: heat conduction through layers, implicit and stable for any step.
 * @returns temperatures of the probes in C; see `Soak`
 * @throws RangeError for no layer, or for a probe in a layer that is not there
 */
export function soak({ layers, phases, startC, seconds, probes, quick = false }: SoakAsked): Soak {
  const grid = gridOf(layers, quick ? quickly.grid : undefined);
  const steps = quick ? quickly : { firstStepS, growth, greatestStepS };
  const temperatures = new Float64Array(grid.widthM.length).fill(startC);
  const stepper = new Stepper(grid);
  const places = probes.map((probe) => placeOf(grid, probe));
  const out: Soak = {
    times: [],
    probes: Object.fromEntries(probes.map((p) => [p.name, []])),
    fine: { times: [], probes: Object.fromEntries(probes.map((p) => [p.name, []])) },
    takenJm2: 0,
    heldJm2: 0,
  };
  const note = (at: number, bottom: Face, top: Face) => {
    const whole = Math.abs(at / 10 - Math.round(at / 10)) < 1e-9 || at === seconds;
    if (!quick) out.fine.times.push(at);
    else if (!whole) return;
    if (whole) out.times.push(at);
    places.forEach((place, k) => {
      const { name } = probes[k]!;
      const c = temperatureAt(grid, temperatures, place, bottom, top);
      if (!quick) out.fine.probes[name]!.push(c);
      if (whole) out.probes[name]!.push(c);
    });
  };
  const [first] = phases;
  note(0, faceOf(first!.bottom, grid.halfBottomWm2K), faceOf(first!.top, grid.halfTopWm2K));
  for (const [k, phase] of phases.entries()) {
    const until = Math.min(seconds, phases[k + 1]?.fromS ?? seconds);
    const bottom = faceOf(phase.bottom, grid.halfBottomWm2K);
    const top = faceOf(phase.top, grid.halfTopWm2K);
    let wish = steps.firstStepS;
    for (let at = phase.fromS; at < until; ) {
      // steps end on what is asked for
      const stop = Math.min(until, (Math.floor(at / 10 + 1e-9) + 1) * 10);
      const step = at + wish * 1.5 >= stop ? stop - at : wish;
      out.takenJm2 += stepper.advance(temperatures, bottom, top, step);
      at = step === stop - at ? stop : at + step;
      wish = Math.min(steps.greatestStepS, wish * steps.growth);
      note(at, bottom, top);
    }
  }
  out.heldJm2 = grid.heatJm2K.reduce((sum, heat, k) => sum + heat * (temperatures[k]! - startC), 0);
  return out;
}

/** What is worked in, so that nothing is allocated a step: slopes of both stages, and the eliminated matrix for one step. */
class Stepper {
  readonly #grid: Grid;
  readonly #slope1: Float64Array;
  readonly #slope2: Float64Array;
  readonly #middle: Float64Array;
  /** Of the matrix C - gamma step A, eliminated once for both stages and for as long as step and faces stay. */
  readonly #pivot: Float64Array;
  readonly #ratio: Float64Array;
  #step = 0;
  #bottom: Face = noFace;
  #top: Face = noFace;

  constructor(grid: Grid) {
    const n = grid.widthM.length;
    this.#grid = grid;
    this.#slope1 = new Float64Array(n);
    this.#slope2 = new Float64Array(n);
    this.#middle = new Float64Array(n);
    this.#pivot = new Float64Array(n);
    this.#ratio = new Float64Array(n);
  }
  /** One step of the rule, in place. @returns heat taken in meanwhile, J/m2 */
  advance(t: Float64Array, bottom: Face, top: Face, step: number): number {
    if (step !== this.#step || bottom !== this.#bottom || top !== this.#top) {
      this.#step = step;
      this.#bottom = bottom;
      this.#top = top;
      this.#eliminate();
    }
    const [one, two, middle] = [this.#slope1, this.#slope2, this.#middle];
    const inflow1 = this.#stage(t, one);
    for (let k = 0; k < t.length; k++) middle[k] = t[k]! + (1 - gamma) * step * one[k]!;
    const inflow2 = this.#stage(middle, two);
    for (let k = 0; k < t.length; k++) t[k] = t[k]! + step * ((1 - gamma) * one[k]! + gamma * two[k]!);
    return step * ((1 - gamma) * inflow1 + gamma * inflow2);
  }
  /** The forward half of the Thomas algorithm, of what does not depend on temperatures. */
  #eliminate(): void {
    const { heatJm2K, linkWm2K } = this.#grid;
    const n = heatJm2K.length;
    const a = gamma * this.#step;
    let below = 0;
    for (let k = 0; k < n; k++) {
      const up = k < n - 1 ? linkWm2K[k]! : 0;
      const face = (k === 0 ? this.#bottom.conductance : 0) + (k === n - 1 ? this.#top.conductance : 0);
      const diagonal = heatJm2K[k]! + a * (below + up + face);
      const pivot = diagonal + (k > 0 ? a * below * this.#ratio[k - 1]! : 0);
      this.#pivot[k] = pivot;
      this.#ratio[k] = (-a * up) / pivot;
      below = up;
    }
  }
  /** Solves (C - gamma step A) slope = A from + flows. @returns W/m2 through both faces; slopes in K/s */
  #stage(from: Float64Array, slope: Float64Array): number {
    const { linkWm2K } = this.#grid;
    const [pivot, ratio, bottom, top] = [this.#pivot, this.#ratio, this.#bottom, this.#top];
    const n = from.length;
    const a = gamma * this.#step;
    let below = 0;
    // what flows up into a cell from the one below it is what flows out of that one
    let rising = flowOf(bottom, from[0]!);
    for (let k = 0; k < n; k++) {
      const up = k < n - 1 ? linkWm2K[k]! : 0;
      const on = k < n - 1 ? up * (from[k]! - from[k + 1]!) : -flowOf(top, from[k]!);
      const right = rising - on;
      slope[k] = (right + (k > 0 ? a * below * slope[k - 1]! : 0)) / pivot[k]!;
      rising = on;
      below = up;
    }
    for (let k = n - 2; k >= 0; k--) slope[k] = slope[k]! - ratio[k]! * slope[k + 1]!;
    return flowOf(bottom, from[0]! + a * slope[0]!) + flowOf(top, from[n - 1]! + a * slope[n - 1]!);
  }
}

/** Where a probe lies: the first and last cell of its layer, and how far above the layer's lower face, m. */
interface Place {
  first: number;
  last: number;
  heightM: number;
}
function placeOf(grid: Grid, { layer, at, name }: Probe): Place {
  const index = grid.layers.findIndex((l) => l.name === layer);
  if (index < 0) throw new RangeError(`probe ${name}: there is no layer ${layer}`);
  return {
    first: grid.layerOf.indexOf(index),
    last: grid.layerOf.lastIndexOf(index),
    heightM: (at * grid.layers[index]!.thicknessMm) / 1000,
  };
}
/** Between the middles of two cells on a line; within half a cell of a face on the flow through it. */
function temperatureAt(
  { widthM, layerOf, layers, linkWm2K }: Grid,
  t: Float64Array,
  { first, last, heightM }: Place,
  bottom: Face,
  top: Face,
): number {
  const k = layers[layerOf[first]!]!.kWmK;
  let middle = widthM[first]! / 2;
  if (heightM <= middle) {
    const flow = first === 0 ? flowOf(bottom, t[0]!) : linkWm2K[first - 1]! * (t[first - 1]! - t[first]!);
    return t[first]! + (flow * (middle - heightM)) / k;
  }
  for (let cell = first; cell < last; cell++) {
    const apart = (widthM[cell]! + widthM[cell + 1]!) / 2;
    if (heightM <= middle + apart) return t[cell]! + ((t[cell + 1]! - t[cell]!) * (heightM - middle)) / apart;
    middle += apart;
  }
  const flow = last === t.length - 1 ? flowOf(top, t[last]!) : linkWm2K[last]! * (t[last + 1]! - t[last]!);
  return t[last]! + (flow * (heightM - middle)) / k;
}

export interface Window {
  /** s after the beginning. */
  opensS: number;
  closesS: number;
}
/**
 * When the bond is soft and the cell is not yet at its limit: from the moment that the bond is first as warm as `softC` until
 * the cell reaches `limitC`, the bond is cooler again, or what was computed ends. Undefined where the cell is at its limit first.
 */
export function windowOf(
  times: readonly number[],
  bond: readonly number[],
  softC: number,
  cell: readonly number[],
  limitC: number,
): Window | undefined {
  const opensS = crossing(times, bond, 0, (c) => c - softC);
  const hotS = crossing(times, cell, 0, (c) => c - limitC);
  if (opensS === undefined || (hotS !== undefined && hotS <= opensS)) return undefined;
  const after = times.findIndex((at) => at >= opensS);
  const coolS = crossing(times, bond, after, (c) => softC - c);
  return { opensS, closesS: Math.min(hotS ?? Infinity, coolS ?? Infinity, times.at(-1)!) };
}
/** The first moment from a step on at which something is reached, on a line between steps. */
function crossing(
  times: readonly number[],
  values: readonly number[],
  from: number,
  over: (value: number) => number,
): number | undefined {
  for (let k = from; k < times.length; k++) {
    const now = over(values[k]!);
    if (now < 0 || (now === 0 && from > 0)) continue;
    if (k === from) return times[k]!;
    const before = over(values[k - 1]!);
    return times[k - 1]! + ((times[k]! - times[k - 1]!) * -before) / (now - before);
  }
  return undefined;
}
