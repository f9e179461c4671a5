import { Matrix, solve } from 'ml-matrix';
import type { Source } from '../thermal/sources';
import type { Boundary, Region, SectionPhase } from '../thermal/slab';
import { soakSection } from '../thermal/soak';
import type { Range } from '../thermal/materials';
import type { Columns } from './columns';
import { factor, probesOf, sectionOf, shifted } from './section';

/** A time on a source; without an end it goes on. s from the beginning of the first. */
export interface OnHeat {
  fromS: number;
  toS?: number;
}
/** What was read at the glass: `again` where a surprising figure was read and said twice. */
export interface GlassReading {
  atS: number;
  glassC: number;
  again?: boolean | undefined;
}
/** A device of these columns on a source. */
export interface Case {
  columns: Columns;
  source: Source;
  setC: number;
}

/** The room, and what air does to a face that lies free in it; common values, from memory. */
const roomC: Range = { low: 20, likely: 22, high: 25 };
export const likelyRoomC = roomC.likely;
const freeFilmWm2K: Range = { low: 6, likely: 9, high: 13 };
/** Of heat blown along one edge, the part that reaches the face over the cell; from memory. */
const spill: Range = { low: 0.1, likely: 0.2, high: 0.35 };
/** How far a reading at the glass is off by itself, K: a thermocouple under tape. */
export const readingSdK = 1.5;
/** A source that twice showed what nobody expected may be as much further off than usual. */
export const furtherOff = 3;
const none: Range = { low: 1, likely: 1, high: 1 };

/** Where some unknowns stand among all of them. */
export const unknown = { contact: 0, film: 1, offK: 2, roomC: 3 } as const;

/** One device and one source, as they may be. */
export interface Drawn {
  contactM2KW: number;
  filmWm2K: number;
  offK: number;
  roomC: number;
  freeWm2K: number;
  spill: number;
  regions: Region[];
}
/** @param z one figure of the standard normal for each thing that is not known exactly; all 0 is the likely device */
export function drawnFrom({ columns, source }: Case, z: readonly number[], wide = false): Drawn {
  let k = 0;
  const next = () => z[k++] ?? 0;
  const { offK } = source;
  const more = wide ? furtherOff : 1;
  return {
    contactM2KW: factor(source.contactM2KW ?? none, next()),
    filmWm2K: factor(source.filmWm2K ?? none, next()),
    offK: shifted(offK, next() * more),
    roomC: shifted(roomC, next()),
    freeWm2K: factor(freeFilmWm2K, next()),
    spill: factor(spill, next()),
    regions: sectionOf(columns, next),
  };
}
/** How many things of a case are not known exactly. */
export function unknownsOf({ columns }: Case): number {
  let n = 6;
  sectionOf(columns, () => {
    n++;
    return 0;
  });
  return n;
}

/** Steps in which a source comes to its temperature. */
const rises = 6;
/** What the faces meet over the times on and off the source. */
function phasesOf({ source, setC }: Case, drawn: Drawn, onHeat: readonly OnHeat[]): SectionPhase[] {
  const { roomC: room, freeWm2K } = drawn;
  const free: Boundary = { airC: room, hWm2K: freeWm2K };
  const hot = setC + drawn.offK;
  const on = (share: number): Omit<SectionPhase, 'fromS'> => {
    const c = room + (hot - room) * share;
    const touched: Boundary =
      source.by === 'air'
        ? { airC: c, hWm2K: drawn.filmWm2K }
        : { plateC: c, contactM2KW: drawn.contactM2KW };
    if (source.whole) return { bottom: touched, top: free, left: free };
    const spilled: Boundary = { airC: room + (c - room) * drawn.spill, hWm2K: freeWm2K };
    return {
      bottom: drawn.regions.map((r) => (r.name === 'cell' ? spilled : touched)),
      top: free,
      // what is blown along an edge goes round it
      left: source.by === 'air' ? touched : free,
    };
  };
  const out: SectionPhase[] = [];
  for (const { fromS, toS } of onHeat) {
    if (source.reachS)
      for (let k = 0; k < rises; k++) {
        const since = fromS + (k * source.reachS) / rises;
        if (toS === undefined || since < toS) out.push({ fromS: since, ...on((k + 0.5) / rises) });
      }
    const reached = fromS + source.reachS;
    if (toS === undefined || reached < toS) out.push({ fromS: reached, ...on(1) });
    if (toS !== undefined) out.push({ fromS: toS, bottom: free, top: free, left: free });
  }
  return out;
}

/** How warm a device becomes: at the middle of its seal, at the glass over it, and at the warmest place of its cell; C. */
export interface Run {
  times: number[];
  bond: number[];
  glass: number[];
  cell: number[] | undefined;
}
export function runOf(of: Case, drawn: Drawn, onHeat: readonly OnHeat[], seconds: number, quick = true): Run {
  const { times, probes } = soakSection({
    regions: drawn.regions,
    phases: phasesOf(of, drawn, onHeat),
    startC: drawn.roomC,
    seconds,
    probes: probesOf(of.columns),
    quick,
  });
  const cells = ['cell front', 'cell back', 'cell middle'].flatMap((name) =>
    probes[name] ? [probes[name]] : [],
  );
  return {
    times,
    bond: probes.bond!,
    glass: probes.glass!,
    cell: cells.length ? times.map((_, k) => Math.max(...cells.map((c) => c[k]!))) : undefined,
  };
}

/** What is known of a device and its source: of each unknown where it lies and how well that is known; and whether the source may be far off. */
export interface Knowledge {
  mean: number[];
  /** Undefined where nothing was read: each by itself, with spread 1. */
  covariance: Matrix | undefined;
  wide: boolean;
}
/** A line over time with how it moves with each unknown. */
export interface Linear {
  mean: number[];
  /** By unknown, K for one spread of it. */
  moves: number[][];
}
export interface LinearRun {
  times: number[];
  bond: Linear;
  glass: Linear;
  cell: Linear | undefined;
}
/** How far each unknown is moved to see what it does. */
const nudge = 0.8;
/**
 * The run at what is known, and how it moves with each thing that is not.
 * @param roughly moved to one side only, for a step on the way to what is likeliest
 */
export function linearRun(
  of: Case,
  { mean, wide, covariance }: Knowledge,
  onHeat: readonly OnHeat[],
  seconds: number,
  roughly = false,
): LinearRun {
  const at = (z: readonly number[]) => runOf(of, drawnFrom(of, z, wide), onHeat, seconds);
  const base = at(mean);
  const pairs = mean.map((_, k) => {
    const moved = (by: number) => at(mean.with(k, mean[k]! + by));
    return [moved(nudge), roughly ? base : moved(-nudge)] as const;
  });
  const apart = roughly ? nudge : 2 * nudge;
  // what curves moves the middle of all such devices off the likely one (second order, each unknown by itself)
  const varianceOf = (k: number) => covariance?.get(k, k) ?? 1;
  const middle = (line: (run: Run) => number[]): number[] =>
    line(base).map((c, i) =>
      pairs.reduce((sum, [up, down], k) => {
        const bend = roughly ? 0 : (line(up)[i]! + line(down)[i]! - 2 * c) / nudge ** 2;
        return sum + (bend * varianceOf(k)) / 2;
      }, c),
    );
  const linear = (line: (run: Run) => number[]): Linear => ({
    mean: middle(line),
    moves: pairs.map(([up, down]) => line(up).map((c, i) => (c - line(down)[i]!) / apart)),
  });
  return {
    times: base.times,
    bond: linear((r) => r.bond),
    glass: linear((r) => r.glass),
    cell: base.cell ? linear((r) => r.cell!) : undefined,
  };
}
/** The spread of a line at a moment, K. */
export function spreadAt({ moves }: Linear, i: number, { covariance }: Knowledge): number {
  const row = moves.map((m) => m[i]!);
  if (!covariance) return Math.hypot(...row);
  let sum = 0;
  for (let a = 0; a < row.length; a++)
    for (let b = 0; b < row.length; b++) sum += row[a]! * covariance.get(a, b) * row[b]!;
  return Math.sqrt(Math.max(0, sum));
}

/** How often what is known is moved towards the readings. */
const rounds = 2;
/**
 * What readings at the glass make of a device and its source: Gauss and Newton's way to what is likeliest, with the spread of a
 * line there (Bayes' rule for a linear model; Rasmussen and Williams, Gaussian Processes for Machine Learning, ch. 2). No draws
 * are weighed, so nothing degenerates where a source is far off what it says.
 */
export function knowledgeOf(
  of: Case,
  onHeat: readonly OnHeat[],
  readings: readonly GlassReading[],
): Knowledge {
  const wide = readings.some((r) => r.again);
  const mean = Array<number>(unknownsOf(of)).fill(0);
  let known: Knowledge = { mean, covariance: undefined, wide };
  if (!readings.length) return known;
  const until = Math.max(10, ...readings.map((r) => r.atS));
  for (let round = 0; round < rounds; round++) {
    const { times, glass } = linearRun(of, known, onHeat, until, true);
    const rows = readings.map(({ atS }) => glass.moves.map((m) => between(times, m, atS)));
    const g = new Matrix(rows).div(readingSdK);
    // what is left to explain, counted from where nothing is moved
    const left = readings.map(
      ({ atS, glassC }, r) =>
        (glassC -
          between(times, glass.mean, atS) +
          rows[r]!.reduce((sum, v, k) => sum + v * known.mean[k]!, 0)) /
        readingSdK,
    );
    const precision = Matrix.eye(mean.length).add(g.transpose().mmul(g));
    const covariance = solve(precision, Matrix.eye(mean.length));
    const at = covariance.mmul(g.transpose().mmul(Matrix.columnVector(left)));
    known = { mean: at.to1DArray(), covariance, wide };
  }
  return known;
}
/** A line at a moment between its points. */
export function between(times: readonly number[], values: readonly number[], at: number): number {
  const found = times.findIndex((t) => t >= at);
  const k = Math.max(1, found < 0 ? times.length - 1 : found);
  const share = (at - times[k - 1]!) / (times[k]! - times[k - 1]!);
  return values[k - 1]! + share * (values[k]! - values[k - 1]!);
}
