import { Banded } from './banded';
import {
  type Boundary,
  coarse,
  type Fineness,
  fine,
  type Grid,
  middling,
  gridOf,
  insulated,
  type Layer,
  type Phase,
  type Probe,
  type Region,
  type SectionPhase,
  type SectionProbe,
} from './slab';

interface Asked {
  startC: number;
  seconds: number;
  /** Coarse cells and long steps, right to some tenths of a kelvin: for a band of hundreds. */
  quick?: boolean;
}
export interface SoakAsked extends Asked {
  layers: readonly Layer[];
  /** In the order of their beginnings; the first begins at 0. */
  phases: readonly Phase[];
  probes: readonly Probe[];
}
export interface SectionAsked extends Asked {
  /** From the edge inwards, all of one thickness. */
  regions: readonly Region[];
  phases: readonly SectionPhase[];
  probes: readonly SectionProbe[];
  /** How it is cut, where not as usual. */
  cut?: Fineness;
}
export interface Soak {
  /** s: every whole ten seconds, of a quick one twenty, and the end. */
  times: number[];
  /** Of each probe its temperatures at those times, C. */
  probes: Record<string, number[]>;
  /** Of each probe its temperatures at every step, with the times of the steps, s: what windows are found in. Empty of a quick one. */
  fine: { times: number[]; probes: Record<string, number[]> };
  /** Heat taken in through all faces, and heat that the layers hold more than at the start: equal to rounding. J/m2, or J/m of a cross-section. */
  takenJm2: number;
  heldJm2: number;
}

/** Steps grow from this after each change of what the faces meet to the greatest, s; and how often is noted how warm it is. */
const finely = { firstStepS: 0.01, growth: 1.2, greatestStepS: 4, notedS: 10 };
const quickly = { firstStepS: 0.5, growth: 1.8, greatestStepS: 20, notedS: 20 };
/** The two-stage diagonally implicit rule of second order that is stable for any step (Alexander 1977, gamma = 1 - 1/sqrt 2). */
const gamma = 1 - Math.SQRT1_2;

/**
 * How warm a column becomes: heat conduction through layers, implicit and stable for any step.
 * @returns temperatures of the probes in C; see `Soak`
 * @throws RangeError for no layer, or for a probe in a layer that is not there
 */
export const soak = ({ layers, probes, ...asked }: SoakAsked): Soak =>
  soakSection({
    ...asked,
    // one metre wide: what is taken and held is that of a square metre
    regions: [{ name: '', widthMm: 1000, layers }],
    probes: probes.map((probe) => ({ ...probe, region: '', across: 0.5 })),
  });

/**
 * The same of a cross-section: from the edge inwards and from the face that is warmed up, regions of layers side by side
 * (finite volumes, conduction along and across).
 * @throws RangeError for no layer, regions of different thickness, or a probe in a region or layer that is not there
 */
export function soakSection(asked: SectionAsked): Soak {
  const { regions, phases, startC, seconds, probes, quick = false } = asked;
  const how = quick ? quickly : finely;
  const grid = gridOf(regions, asked.cut ?? (quick ? coarse : regions.length > 1 ? middling : fine));
  const temperatures = new Float64Array(grid.columns * grid.rows).fill(startC);
  const stepper = new Stepper(grid);
  const places = probes.map((probe) => placeOf(grid, probe));
  const out: Soak = {
    times: [],
    probes: Object.fromEntries(probes.map((p) => [p.name, []])),
    fine: { times: [], probes: Object.fromEntries(probes.map((p) => [p.name, []])) },
    takenJm2: 0,
    heldJm2: 0,
  };
  const note = (at: number, faces: Faces) => {
    const whole = Math.abs(at / how.notedS - Math.round(at / how.notedS)) < 1e-9 || at === seconds;
    if (!quick) out.fine.times.push(at);
    else if (!whole) return;
    if (whole) out.times.push(at);
    places.forEach((place, k) => {
      const { name } = probes[k]!;
      const c = temperatureAt(grid, temperatures, place, faces);
      if (!quick) out.fine.probes[name]!.push(c);
      if (whole) out.probes[name]!.push(c);
    });
  };
  note(0, facesOf(grid, phases[0]!));
  for (const [k, phase] of phases.entries()) {
    const until = Math.min(seconds, phases[k + 1]?.fromS ?? seconds);
    const faces = facesOf(grid, phase);
    let wish = how.firstStepS;
    for (let at = phase.fromS; at < until; ) {
      // steps end on what is asked for
      const stop = Math.min(until, (Math.floor(at / how.notedS + 1e-9) + 1) * how.notedS);
      const step = at + wish * 1.5 >= stop ? stop - at : wish;
      out.takenJm2 += stepper.advance(temperatures, faces, step);
      at = step === stop - at ? stop : at + step;
      wish = Math.min(how.greatestStepS, wish * how.growth);
      note(at, faces);
    }
  }
  out.heldJm2 = grid.heatJmK.reduce((sum, heat, n) => sum + heat * (temperatures[n]! - startC), 0);
  return out;
}

/** What all faces give to the cells behind them: conductance, W/(m K), and flow at 0 C, W/m. */
interface Faces {
  conductance: Float64Array;
  flow: Float64Array;
  /** The part of it through the faces below and above, by which a probe at a face is found. */
  below: { conductance: Float64Array; flow: Float64Array };
  above: { conductance: Float64Array; flow: Float64Array };
}
/** @param areaM of the face, m2 for a metre of depth */
function faceOf(boundary: Boundary, half: number, areaM: number): { conductance: number; flow: number } {
  if ('fluxWm2' in boundary) return { conductance: 0, flow: boundary.fluxWm2 * areaM };
  if ('airC' in boundary) {
    if (boundary.hWm2K === 0) return { conductance: 0, flow: 0 };
    const conductance = 1 / (1 / (boundary.hWm2K * areaM) + 1 / half);
    return { conductance, flow: conductance * boundary.airC };
  }
  const conductance = 1 / ((boundary.contactM2KW ?? 0) / areaM + 1 / half);
  return { conductance, flow: conductance * boundary.plateC };
}
function facesOf(grid: Grid, { bottom, top, left, right }: SectionPhase): Faces {
  const { columns, rows, regionOf, widthM, heightM, halfUpWmK, halfInWmK } = grid;
  const size = columns * rows;
  const side = () => ({ conductance: new Float64Array(size), flow: new Float64Array(size) });
  const faces: Faces = { ...side(), below: side(), above: side() };
  const meet = (n: number, boundary: Boundary, half: Float64Array, areaM: number, also?: Faces['below']) => {
    const { conductance, flow } = faceOf(boundary, half[n]!, areaM);
    for (const sum of also ? [faces, also] : [faces]) {
      sum.conductance[n]! += conductance;
      sum.flow[n]! += flow;
    }
  };
  const of = (boundary: Boundary | readonly Boundary[], i: number): Boundary =>
    Array.isArray(boundary) ? (boundary as readonly Boundary[])[regionOf[i]!]! : (boundary as Boundary);
  for (let i = 0; i < columns; i++) {
    meet(i, of(bottom, i), halfUpWmK, widthM[i]!, faces.below);
    meet(size - columns + i, of(top, i), halfUpWmK, widthM[i]!, faces.above);
  }
  for (let j = 0; j < rows; j++) {
    meet(j * columns, left ?? insulated, halfInWmK, heightM[j]!);
    meet(j * columns + columns - 1, right ?? insulated, halfInWmK, heightM[j]!);
  }
  return faces;
}

/** What is worked in, so that nothing is allocated a step: slopes of both stages, and the factored matrix for one step. */
class Stepper {
  readonly #grid: Grid;
  readonly #slope1: Float64Array;
  readonly #slope2: Float64Array;
  readonly #middle: Float64Array;
  /** C + gamma step K, factored once for both stages and for as long as step and faces stay. */
  readonly #matrix: Banded;
  #step = 0;
  #faces: Faces | undefined;

  constructor(grid: Grid) {
    const n = grid.columns * grid.rows;
    this.#grid = grid;
    this.#slope1 = new Float64Array(n);
    this.#slope2 = new Float64Array(n);
    this.#middle = new Float64Array(n);
    this.#matrix = new Banded(n, grid.columns);
  }
  /** One step of the rule, in place. @returns heat taken in meanwhile, J/m */
  advance(t: Float64Array, faces: Faces, step: number): number {
    if (step !== this.#step || faces !== this.#faces) {
      this.#step = step;
      this.#faces = faces;
      this.#factor(faces, gamma * step);
    }
    const [one, two, middle] = [this.#slope1, this.#slope2, this.#middle];
    const inflow1 = this.#stage(t, one, faces);
    for (let n = 0; n < t.length; n++) middle[n] = t[n]! + (1 - gamma) * step * one[n]!;
    const inflow2 = this.#stage(middle, two, faces);
    for (let n = 0; n < t.length; n++) t[n] = t[n]! + step * ((1 - gamma) * one[n]! + gamma * two[n]!);
    return step * ((1 - gamma) * inflow1 + gamma * inflow2);
  }
  #factor({ conductance }: Faces, a: number): void {
    const { heatJmK, upWmK, inWmK, columns } = this.#grid;
    const size = heatJmK.length;
    const diagonal = new Float64Array(size);
    const before = new Float64Array(size);
    const below = new Float64Array(size);
    for (let n = 0; n < size; n++) {
      const [out, up] = [n > 0 ? inWmK[n - 1]! : 0, n >= columns ? upWmK[n - columns]! : 0];
      diagonal[n] = heatJmK[n]! + a * (inWmK[n]! + out + upWmK[n]! + up + conductance[n]!);
      // a single column has its neighbours one band away
      before[n] = columns > 1 ? -a * out : 0;
      below[n] = -a * up;
    }
    this.#matrix.factor(diagonal, before, below);
  }
  /** Solves (C + gamma step K) slope = flows at `from`. @returns W/m through all faces; slopes in K/s */
  #stage(from: Float64Array, slope: Float64Array, { conductance, flow }: Faces): number {
    const { upWmK, inWmK, columns } = this.#grid;
    const size = from.length;
    for (let n = 0; n < size; n++) slope[n] = flow[n]! - conductance[n]! * from[n]!;
    for (let n = 0; n < size; n++) {
      const rising = upWmK[n]! && upWmK[n]! * (from[n]! - from[n + columns]!);
      if (rising) {
        slope[n]! -= rising;
        slope[n + columns]! += rising;
      }
      const inward = inWmK[n]! && inWmK[n]! * (from[n]! - from[n + 1]!);
      if (inward) {
        slope[n]! -= inward;
        slope[n + 1]! += inward;
      }
    }
    this.#matrix.solve(slope);
    const a = gamma * this.#step;
    let inflow = 0;
    for (let n = 0; n < size; n++) inflow += flow[n]! - conductance[n]! * (from[n]! + a * slope[n]!);
    return inflow;
  }
}

/** Where a probe lies: its column and the next one with what part of that is taken, the rows of its layer, and how far above the layer's lower face, m. */
interface Place {
  column: number;
  next: number;
  share: number;
  firstRow: number;
  lastRow: number;
  heightM: number;
  kWmK: number;
}
function placeOf(grid: Grid, { region, layer, at, across, name }: SectionProbe): Place {
  const { regions, columns, rows, regionOf, layerOf, widthM } = grid;
  const r = regions.findIndex((own) => own.name === region);
  if (r < 0) throw new RangeError(`probe ${name}: there is no region ${region}`);
  const index = regions[r]!.layers.findIndex((l) => l.name === layer);
  if (index < 0) throw new RangeError(`probe ${name}: there is no layer ${layer}`);
  const first = regionOf.indexOf(r);
  const last = regionOf.lastIndexOf(r);
  const inLayer = Array.from({ length: rows }, (_, j) => j).filter(
    (j) => layerOf[j * columns + first] === index,
  );
  // between the middles of two columns on a line; beyond the outermost ones of the region as warm as those
  const x = (across * regions[r]!.widthMm) / 1000;
  let middle = widthM[first]! / 2;
  let column = first;
  while (column < last && middle + (widthM[column]! + widthM[column + 1]!) / 2 <= x)
    middle += (widthM[column]! + widthM[++column]!) / 2;
  const next = Math.min(last, column + 1);
  const apart = (widthM[column]! + widthM[next]!) / 2;
  return {
    ...{ column, next, share: next === column ? 0 : Math.min(1, Math.max(0, (x - middle) / apart)) },
    ...{ firstRow: inLayer[0]!, lastRow: inLayer.at(-1)! },
    heightM: (at * regions[r]!.layers[index]!.thicknessMm) / 1000,
    kWmK: regions[r]!.layers[index]!.kWmK,
  };
}
const temperatureAt = (grid: Grid, t: Float64Array, place: Place, faces: Faces): number => {
  const { column, next, share } = place;
  const here = inColumn(grid, t, place, faces, column);
  return share ? here + share * (inColumn(grid, t, place, faces, next) - here) : here;
};
/** Between the middles of two cells on a line; within half a cell of a face on the flow through it. */
function inColumn(grid: Grid, t: Float64Array, place: Place, faces: Faces, column: number): number {
  const { columns, rows, heightM: heights, upWmK, widthM } = grid;
  const { firstRow, lastRow, heightM, kWmK } = place;
  const of = (row: number) => row * columns + column;
  const slope = (flow: number) => flow / (kWmK * widthM[column]!);
  const through = ({ conductance, flow }: Faces['below'], n: number) => flow[n]! - conductance[n]! * t[n]!;
  let middle = heights[firstRow]! / 2;
  if (heightM <= middle) {
    const n = of(firstRow);
    const flow = firstRow === 0 ? through(faces.below, n) : upWmK[n - columns]! * (t[n - columns]! - t[n]!);
    return t[n]! + slope(flow) * (middle - heightM);
  }
  for (let row = firstRow; row < lastRow; row++) {
    const apart = (heights[row]! + heights[row + 1]!) / 2;
    if (heightM <= middle + apart)
      return t[of(row)]! + ((t[of(row + 1)]! - t[of(row)]!) * (heightM - middle)) / apart;
    middle += apart;
  }
  const n = of(lastRow);
  const flow = lastRow === rows - 1 ? through(faces.above, n) : upWmK[n]! * (t[n + columns]! - t[n]!);
  return t[n]! + slope(flow) * (heightM - middle);
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
