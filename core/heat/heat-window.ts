import { randomNormal } from 'd3-random';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { materialOf, type Range } from '../thermal/materials';
import type { Boundary, Layer, Phase } from '../thermal/slab';
import { soak } from '../thermal/soak';
import type { Source } from '../thermal/sources';
import type { Columns, StackLayer } from './columns';

/** When the seal is soft (acrylic adhesive at its line, from memory), and what no cell is warmed over (usual limit of cell data sheets, from memory), C. */
export const softC: Range = { low: 60, likely: 64, high: 68 };
export const cellLimitC = 60;
/** The room, and what air does to a face that lies free in it; common values, from memory. */
const roomC: Range = { low: 19, likely: 22, high: 26 };
const freeFilmWm2K: Range = { low: 6, likely: 9, high: 13 };
/** Of heat blown along one edge, the part that reaches the face over the cell; from memory. */
const spill: Range = { low: 0.1, likely: 0.2, high: 0.35 };
/** How far a reading at the glass is off by itself, K: a thermocouple under tape. */
const readingSdK = 1.5;
/** Nothing is computed further, s; how long it cools on the chart. */
const horizonS = 720;
const coolsS = 240;
/** Of ten such devices, those for which either end of the window holds. */
const surely = 0.8;

/** A time on a source; without an end it goes on. s from the beginning of the first. */
export interface OnHeat {
  fromS: number;
  toS?: number;
}
export interface HeatAsked {
  columns: Columns;
  source: Source;
  setC: number;
  /** Times on the source so far, the first from 0; none yet is as one that begins now. */
  onHeat: readonly OnHeat[];
  /** What was read at the glass, s and C. */
  readings?: readonly { atS: number; glassC: number }[];
  /** How many devices like this one are tried; 1 is the likely one alone. */
  draws: number;
  seed: number;
}
/** A figure for eight of ten such devices, and the one in the middle. */
export type Band = { low: number[]; likely: number[]; high: number[] };
export interface HeatWindow {
  /** s */
  times: number[];
  bond: Band;
  cell: Band | undefined;
  /** From when to when it may be taken off, for eight of ten devices at either end; undefined where there is no such time. */
  window: { opensS: number; closesS: number } | undefined;
  /** When a cell may be at its limit, for two of ten devices, s; undefined where it is not by the end. */
  limitS: number | undefined;
  /** When the bond of the likely device is soft, s; undefined where it never is. */
  opensLikelyS: number | undefined;
  /** When the cell of the likely device would be at its limit, s. */
  closesLikelyS: number | undefined;
  /** How long the bond stays soft off the source, taken off when it was, or as the window closes; for eight of ten. */
  softForS: number;
  /** What readings make of the source: what touches, or blows, and how far its temperature is off. */
  fitted: { contactM2KW?: Range; filmWm2K?: Range; offK: Range } | undefined;
}

/** One device and one source, as they may be. */
interface Draw {
  edge: Layer[];
  cell: Layer[] | undefined;
  contactM2KW: number;
  filmWm2K: number;
  offK: number;
  softC: number;
  roomC: number;
  freeWm2K: number;
  spill: number;
}
/** From z of the standard normal; low and high are the tenth and the ninetieth of a hundred. */
const at = ({ low, likely, high }: Range, z: number): number =>
  Math.max(likely * 0.2, likely + (z * (z < 0 ? likely - low : high - likely)) / 1.2816);
/** The same of what may be below zero. */
const offAt = ({ low, likely, high }: Range, z: number): number =>
  likely + (z * (z < 0 ? likely - low : high - likely)) / 1.2816;

function drawn({ columns, source }: HeatAsked, z: () => number): Draw {
  // one material is one material, wherever it lies in this device
  const known = new Map<string, Omit<Layer, 'name' | 'thicknessMm'>>();
  const layer = ({ name, material, thicknessMm }: StackLayer): Layer => {
    const { kWmK, densityKgM3, cpJkgK } = materialOf(material);
    const own = known.get(material) ?? {
      kWmK: at(kWmK, z()),
      densityKgM3: at(densityKgM3, z()),
      cpJkgK: at(cpJkgK, z()),
    };
    known.set(material, own);
    return { name, thicknessMm: at(thicknessMm, z()), ...own };
  };
  const none: Range = { low: 1, likely: 1, high: 1 };
  return {
    edge: columns.edge.map(layer),
    cell: columns.cell?.map(layer),
    contactM2KW: at(source.contactM2KW ?? none, z()),
    filmWm2K: at(source.filmWm2K ?? none, z()),
    offK: offAt(source.offK, z()),
    softC: at(softC, z()),
    roomC: at(roomC, z()),
    freeWm2K: at(freeFilmWm2K, z()),
    spill: at(spill, z()),
  };
}

/** Steps in which a source comes to its temperature. */
const rises = 6;
/** What the lower face meets over the times on and off the source. */
function phasesOf(
  { source, setC }: HeatAsked,
  draw: Draw,
  onHeat: readonly OnHeat[],
  over: 'edge' | 'cell',
): Phase[] {
  const { roomC: room, freeWm2K } = draw;
  const free: Boundary = { airC: room, hWm2K: freeWm2K };
  const hot = setC + draw.offK;
  const beside = over === 'cell' && !source.whole;
  const on = (share: number): Boundary => {
    const c = room + (hot - room) * share * (beside ? draw.spill : 1);
    if (source.by === 'air') return { airC: c, hWm2K: draw.filmWm2K };
    return beside ? { airC: c, hWm2K: freeWm2K } : { plateC: c, contactM2KW: draw.contactM2KW };
  };
  const out: Phase[] = [];
  for (const { fromS, toS } of onHeat) {
    if (source.reachS)
      for (let k = 0; k < rises; k++) {
        const since = fromS + (k * source.reachS) / rises;
        if (toS === undefined || since < toS)
          out.push({ fromS: since, bottom: on((k + 0.5) / rises), top: free });
      }
    const reached = fromS + source.reachS;
    if (toS === undefined || reached < toS) out.push({ fromS: reached, bottom: on(1), top: free });
    if (toS !== undefined) out.push({ fromS: toS, bottom: free, top: free });
  }
  return out;
}

interface Run {
  times: number[];
  bond: number[];
  glass: number[];
  cell: number[] | undefined;
}
/** How warm one drawn device becomes over some times on the source. */
function run(asked: HeatAsked, draw: Draw, onHeat: readonly OnHeat[], seconds: number): Run {
  const quick = asked.draws > 1;
  const { columns } = asked;
  const edge = soak({
    layers: draw.edge,
    phases: phasesOf(asked, draw, onHeat, 'edge'),
    startC: draw.roomC,
    seconds,
    probes: [
      { name: 'bond', layer: columns.bond, at: 0.5 },
      { name: 'glass', layer: draw.edge[0]!.name, at: 0 },
    ],
    quick,
  });
  const cell =
    draw.cell &&
    soak({
      layers: draw.cell,
      phases: phasesOf(asked, draw, onHeat, 'cell'),
      startC: draw.roomC,
      seconds,
      // the face that is warmed is the hottest place of a cell
      probes: [{ name: 'cell', layer: columns.cell!.find((l) => l.material === 'cell')!.name, at: 0 }],
      quick,
    });
  return { times: edge.times, bond: edge.probes.bond!, glass: edge.probes.glass!, cell: cell?.probes.cell };
}

/** When a line first reaches a value, between its points; undefined where it never does. */
function reaches(
  times: readonly number[],
  values: readonly number[],
  value: number,
  from = 0,
): number | undefined {
  for (let k = 0; k < times.length; k++) {
    if (times[k]! < from || values[k]! < value) continue;
    if (k === 0 || values[k - 1]! >= value) return times[k]!;
    const share = (value - values[k - 1]!) / (values[k]! - values[k - 1]!);
    return times[k - 1]! + share * (times[k]! - times[k - 1]!);
  }
  return undefined;
}
/** How long a line stays at or over a value after a moment. */
function staysFor(times: readonly number[], values: readonly number[], value: number, from: number): number {
  const below = reaches(
    times,
    values.map((v) => -v),
    -value + 1e-9,
    from,
  );
  return (below ?? times.at(-1)!) - from;
}

/** The value under which a share of weighted values lies. */
function quantile(values: readonly number[], weights: readonly number[], share: number): number {
  const order = values.map((_, k) => k).sort((a, b) => values[a]! - values[b]!);
  const all = weights.reduce((sum, w) => sum + w, 0);
  let sum = 0;
  for (const k of order) {
    sum += weights[k]!;
    if (sum >= share * all) return values[k]!;
  }
  return values[order.at(-1)!]!;
}
const rangeOf = (values: readonly number[], weights: readonly number[]): Range => ({
  low: quantile(values, weights, 0.1),
  likely: quantile(values, weights, 0.5),
  high: quantile(values, weights, 0.9),
});

/** How well each drawn device agrees with what was read at the glass; all alike where nothing was. */
function weightsOf(asked: HeatAsked, draws: readonly Draw[]): number[] {
  const { readings = [], onHeat } = asked;
  if (!readings.length) return draws.map(() => 1);
  const until = Math.max(10, ...readings.map((r) => r.atS));
  const logs = draws.map((draw) => {
    const { times, glass } = run(asked, draw, begun(onHeat), until);
    return readings.reduce((sum, { atS, glassC }) => {
      const k = Math.max(
        1,
        times.findIndex((t) => t >= atS),
      );
      const share = (atS - times[k - 1]!) / (times[k]! - times[k - 1]!);
      const c = glass[k - 1]! + share * (glass[k]! - glass[k - 1]!);
      return sum - (c - glassC) ** 2 / (2 * readingSdK ** 2);
    }, 0);
  });
  const most = Math.max(...logs);
  return logs.map((log) => Math.exp(log - most));
}
const begun = (onHeat: readonly OnHeat[]): readonly OnHeat[] => (onHeat.length ? onHeat : [{ fromS: 0 }]);

/**
 * When a device on a heat source may be taken off and opened: once its bond is soft and before its cell is at its limit,
 * counted on the heat that the cell still takes from the panel when it is off. Tried on devices and sources as they may be;
 * the window is the one that holds for eight of ten at either end.
 */
export function heatWindow(asked: HeatAsked): HeatWindow {
  const generator = xoroshiro128plus(asked.seed);
  const normal = randomNormal.source(() => uniformFloat64(generator))();
  const draws = Array.from({ length: asked.draws }, () => drawn(asked, asked.draws === 1 ? () => 0 : normal));
  const weights = weightsOf(asked, draws);
  const soFar = begun(asked.onHeat);
  const last = soFar.at(-1)!;
  const still = [...soFar.slice(0, -1), { fromS: last.fromS }];
  // as if it were never taken off: when the bond is soft, and when the cell is at its limit
  const on = draws.map((draw) => run(asked, draw, still, horizonS));
  const opens = on.map((r, k) => reaches(r.times, r.bond, draws[k]!.softC, last.fromS) ?? Infinity);
  const opensS = quantile(opens, weights, surely);
  const hot = (over: (k: number) => number) =>
    on.map((r, k) => (r.cell ? (reaches(r.times, r.cell, cellLimitC - over(k)) ?? Infinity) : Infinity));
  // what is shown is taken off when it was, or when it has to be
  const mustOffS = Math.min(
    horizonS,
    quantile(
      hot(() => 0),
      weights,
      1 - surely,
    ),
  );
  const offS = last.toS ?? mustOffS;
  const taken = [...soFar.slice(0, -1), { fromS: last.fromS, toS: offS }];
  const shown = draws.map((draw) => run(asked, draw, taken, offS + coolsS));
  const closes = hot((k) => overshoot(shown[k]!, offS));
  const closesS = Math.min(mustOffS, quantile(closes, weights, 1 - surely));
  const window = opensS < closesS ? { opensS, closesS } : undefined;
  const softFor = shown.map((r, k) => staysFor(r.times, r.bond, draws[k]!.softC, offS));
  const band = (values: (r: Run) => number[] | undefined): Band => {
    const rows = shown.map(values);
    const ranges = shown[0]!.times.map((_, i) =>
      rangeOf(
        rows.map((row) => row![i]!),
        weights,
      ),
    );
    return {
      low: ranges.map((r) => r.low),
      likely: ranges.map((r) => r.likely),
      high: ranges.map((r) => r.high),
    };
  };
  const finite = (s: number) => (Number.isFinite(s) ? s : undefined);
  return {
    times: shown[0]!.times,
    bond: band((r) => r.bond),
    cell: shown[0]!.cell ? band((r) => r.cell) : undefined,
    window,
    limitS: closesS < horizonS ? closesS : undefined,
    opensLikelyS: finite(quantile(opens, weights, 0.5)),
    closesLikelyS: finite(quantile(closes, weights, 0.5)),
    softForS: quantile(softFor, weights, 1 - surely),
    fitted: asked.readings?.length ? fittedOf(asked, draws, weights) : undefined,
  };
}
/** By how much a cell is still warmed by what lies over it, when it is off the source, K. */
function overshoot({ times, cell }: Run, offS: number): number {
  if (!cell) return 0;
  const k = times.findIndex((t) => t >= offS);
  return Math.max(0, Math.max(...cell.slice(k)) - cell[k]!);
}
function fittedOf(
  { source }: HeatAsked,
  draws: readonly Draw[],
  weights: readonly number[],
): HeatWindow['fitted'] {
  const offK = rangeOf(
    draws.map((d) => d.offK),
    weights,
  );
  return source.by === 'contact'
    ? {
        contactM2KW: rangeOf(
          draws.map((d) => d.contactM2KW),
          weights,
        ),
        offK,
      }
    : {
        filmWm2K: rangeOf(
          draws.map((d) => d.filmWm2K),
          weights,
        ),
        offK,
      };
}
