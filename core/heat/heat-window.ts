import { cumulativeStdNormalProbability } from 'simple-statistics';
import type { Range } from '../thermal/materials';
import { factor, shifted } from './section';
import {
  between,
  type Case,
  drawnFrom,
  likelyRoomC,
  runOf,
  unknown,
  type LinearRun,
  type GlassReading,
  type Knowledge,
  furtherOff,
  knowledgeOf,
  type Linear,
  linearRun,
  type OnHeat,
  readingSdK,
  spreadAt,
} from './knowledge';

/**
 * When a seal can be cut, C at its line. Acrylic adhesive softens at 60 to 80 C (from memory) and gives before; five minutes on
 * a plate and six on a mat open most devices (common practice), which is about this.
 */
export const softC: Range = { low: 54, likely: 57, high: 60 };
/** Under this most seals hold again, C: opening has to start within minutes of the soak (common practice), which is about this after five minutes on a plate. */
const worksC = 48;
/** What no cell is warmed over (usual limit of cell data sheets), and no display panel at its glass; both from memory, C. */
export const cellLimitC = 60;
export const panelLimitC = 85;
/** Nothing is computed further than this after a soak begins, s; how long it cools on the chart. */
const horizonS = 720;
const coolsS = 240;
/** Spreads from the middle within which lie nine of ten on one side, and ninety-nine of a hundred. */
const nineOfTen = 1.2816;
const ofHundred = 2.3263;
const softSdK = (softC.high - softC.low) / 2 / nineOfTen;

export interface HeatAsked extends Case {
  /** Times on the source so far, the first from 0; none yet is as one that begins now. */
  onHeat: readonly OnHeat[];
  readings?: readonly GlassReading[];
}
/** A figure for eight of ten such devices, and the one in the middle. */
export type Band = { low: number[]; likely: number[]; high: number[] };
export interface HeatWindow extends SoakTimes {
  /** s */
  times: number[];
  bond: Band;
  cell: Band | undefined;
  /** At the glass over the seal, where it is read. */
  glass: Band;
  /** From when nine seals of ten are soft to when one cell of a hundred may be at its limit; undefined where there is no such time. */
  window: { opensS: number; closesS: number } | undefined;
  /** How long the likely bond can be cut off the source, taken off when it was, or as the window closes. */
  softForS: number;
  /** What readings make of the source: what touches, or blows, and how far its temperature is off. */
  fitted: { contactM2KW?: Range; filmWm2K?: Range; offK: Range } | undefined;
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
    if (k === 0 || values[k - 1]! >= value) return Math.max(from, times[k]!);
    const share = (value - values[k - 1]!) / (values[k]! - values[k - 1]!);
    return Math.max(from, times[k - 1]! + share * (times[k]! - times[k - 1]!));
  }
  return undefined;
}
const begun = (onHeat: readonly OnHeat[]): readonly OnHeat[] => (onHeat.length ? onHeat : [{ fromS: 0 }]);
/** A line with so many spreads added at each moment; `own` is a spread of its own beside what moves the line. */
const leaning = (line: Linear, known: Knowledge, spreads: number, own = 0): number[] =>
  line.mean.map((c, i) => c + spreads * Math.hypot(spreadAt(line, i, known), own));

/** What is sure enough to plan and to warn by; s on the source, all counted like the asked times. */
export interface SoakTimes {
  /** From when nine seals of ten are soft; undefined where they never are. */
  opensS: number | undefined;
  /** When one cell of a hundred may be at its limit, or one panel of ten at its own; undefined where neither is by the end. */
  limitS: number | undefined;
  limitOf: 'cell' | 'panel' | undefined;
  opensLikelyS: number | undefined;
  closesLikelyS: number | undefined;
  /** Of a hundred seals, how many are soft by the limit, or by the end of what is computed. */
  softOfHundred: number;
}
/** What is found in lines over the time on a source that is never left. `overK`: how much a cell is still warmed when it is off. */
function timesIn(still: LinearRun, known: Knowledge, from: number, overK: number): SoakTimes {
  const { times, bond, cell, glass } = still;
  const opens = (spreads: number) =>
    reaches(times, leaning(bond, known, -spreads, spreads ? softSdK : 0), softC.likely, from);
  const cellS = cell && reaches(times, leaning(cell, known, ofHundred), cellLimitC - overK, from);
  const panelS = reaches(times, leaning(glass, known, nineOfTen), panelLimitC, from);
  const limit = Math.min(cellS ?? Infinity, panelS ?? Infinity);
  const limitS = Number.isFinite(limit) ? limit : undefined;
  const k = Math.max(
    1,
    times.findIndex((t) => t >= (limitS ?? times.at(-1)!)),
  );
  const spread = Math.hypot(spreadAt(bond, k, known), softSdK);
  return {
    opensS: opens(nineOfTen),
    limitS,
    limitOf: limitS === undefined ? undefined : limitS === panelS ? 'panel' : 'cell',
    opensLikelyS: opens(0),
    closesLikelyS: cell && reaches(times, cell.mean, cellLimitC, from),
    softOfHundred: Math.round(
      100 *
        cumulativeStdNormalProbability(
          (between(times, bond.mean, limitS ?? times.at(-1)!) - softC.likely) / spread,
        ),
    ),
  };
}
const windowIn = ({ opensS, limitS }: SoakTimes, end: number): HeatWindow['window'] => {
  const closesS = Math.min(limitS ?? Infinity, end);
  return opensS !== undefined && opensS < closesS ? { opensS, closesS } : undefined;
};

/** A setting of a source with what it comes to. */
export interface SettingFound extends SoakTimes {
  setC: number;
  window: HeatWindow['window'];
  /** How long the likely bond can be cut, taken off at a time, s. */
  softFor: (offS: number) => number;
}
/**
 * What a first soak comes to at several settings of one source. Conduction is linear: what a kelvin more at the source does is
 * what its offset does, and all else that is not known moves a device by as much more as the source is hotter than the room.
 */
export function soakAt(asked: Case, settings: readonly number[]): SettingFound[] {
  const known = knowledgeOf(asked, [], []);
  const still = linearRun(asked, known, [{ fromS: 0 }], horizonS);
  return settings.map((setC) => {
    const at = hotter(still, asked, known, setC - asked.setC);
    const first = timesIn(at, known, 0, 0);
    const taken = (offS: number) =>
      runOf({ ...asked, setC }, drawnFrom(asked, known.mean), [{ fromS: 0, toS: offS }], offS + coolsS);
    const offS = Math.min(horizonS, first.limitS ?? horizonS);
    const cooled = taken(offS);
    const found = timesIn(at, known, 0, overshoot(cooled.times, cooled.cell, offS));
    return {
      ...found,
      setC,
      window: windowIn(found, horizonS),
      softFor: (off: number) => {
        const { times, bond } = taken(off);
        return staysSoft(times, bond, off);
      },
    };
  });
}
/** What one more soak comes to, after those that were before. @param onHeat the last one without an end */
export function soakAgainAt(asked: Case, onHeat: readonly OnHeat[]): SettingFound {
  const known = knowledgeOf(asked, [], []);
  const { fromS } = onHeat.at(-1)!;
  const still = linearRun(asked, known, onHeat, fromS + horizonS);
  const found = timesIn(still, known, fromS, 0);
  return {
    ...found,
    setC: asked.setC,
    window: windowIn(found, fromS + horizonS),
    softFor: (offS) => {
      const { times, bond } = runOf(
        asked,
        drawnFrom(asked, known.mean),
        [...onHeat.slice(0, -1), { fromS, toS: offS }],
        offS + coolsS,
      );
      return staysSoft(times, bond, offS);
    },
  };
}
/** The same lines with the source set otherwise. */
function hotter(run: LinearRun, { source, setC }: Case, { mean }: Knowledge, moreK: number): LinearRun {
  if (!moreK) return run;
  const { low, high } = source.offK;
  const offSd = (high - low) / 2 / nineOfTen;
  const hot = setC + shifted(source.offK, mean[unknown.offK]!);
  const room = likelyRoomC;
  const share = (hot + moreK - room) / (hot - room);
  const line = (l: Linear): Linear => ({
    mean: l.mean.map((c, i) => c + (l.moves[unknown.offK]![i]! / offSd) * moreK),
    moves: l.moves.map((m, k) => (k === unknown.offK || k === unknown.roomC ? m : m.map((v) => v * share))),
  });
  return { times: run.times, bond: line(run.bond), glass: line(run.glass), cell: run.cell && line(run.cell) };
}

/**
 * When a device on a heat source may be taken off and opened: from when nine seals of ten are soft to when one cell of a hundred
 * could be at its limit, counted on the heat that it still takes from what lies over it when it is off. A cross-section at the
 * rim is computed for the likely device and for what each unknown moves; the bands are those of a normal spread of all of them.
 */
export function heatWindow(asked: HeatAsked): HeatWindow {
  const soFar = begun(asked.onHeat);
  const last = soFar.at(-1)!;
  const known = knowledgeOf(asked, soFar, asked.readings ?? []);
  const end = last.fromS + horizonS;
  // as if it were never taken off
  const still = linearRun(asked, known, [...soFar.slice(0, -1), { fromS: last.fromS }], end);
  // what is shown is taken off when it was, or when it has to be
  const offS = last.toS ?? Math.min(end, timesIn(still, known, last.fromS, 0).limitS ?? end);
  const shown = linearRun(
    asked,
    known,
    [...soFar.slice(0, -1), { fromS: last.fromS, toS: offS }],
    offS + coolsS,
  );
  const found = timesIn(still, known, last.fromS, overshoot(shown.times, shown.cell?.mean, offS));
  const band = (line: Linear): Band => ({
    low: leaning(line, known, -nineOfTen),
    likely: line.mean,
    high: leaning(line, known, nineOfTen),
  });
  return {
    ...found,
    times: shown.times,
    bond: band(shown.bond),
    cell: shown.cell && band(shown.cell),
    glass: band(shown.glass),
    window: windowIn(found, end),
    softForS: staysSoft(shown.times, shown.bond.mean, offS),
    fitted: asked.readings?.length ? fittedOf(asked, known) : undefined,
  };
}
/** How long a line stays soft enough to be cut after a moment, s. */
function staysSoft(times: readonly number[], values: readonly number[], from: number): number {
  const below = values.map((v) => -v);
  return (reaches(times, below, -worksC + 1e-9, from) ?? times.at(-1)!) - from;
}
/** By how much a cell is still warmed by what lies over it, when it is off the source, K. */
function overshoot(times: readonly number[], cell: readonly number[] | undefined, offS: number): number {
  if (!cell) return 0;
  const k = times.findIndex((t) => t >= offS);
  return Math.max(0, Math.max(...cell.slice(k)) - cell[k]!);
}
function fittedOf({ source }: Case, { mean, covariance, wide }: Knowledge): HeatWindow['fitted'] {
  const range = (k: number, value: (z: number) => number): Range => {
    const spread = nineOfTen * Math.sqrt(covariance!.get(k, k));
    const ends = [value(mean[k]! - spread), value(mean[k]! + spread)];
    return { low: Math.min(...ends), likely: value(mean[k]!), high: Math.max(...ends) };
  };
  const offK = range(unknown.offK, (z) => shifted(source.offK, z * (wide ? furtherOff : 1)));
  return source.by === 'contact'
    ? { contactM2KW: range(unknown.contact, (z) => factor(source.contactM2KW!, z)), offK }
    : { filmWm2K: range(unknown.film, (z) => factor(source.filmWm2K!, z)), offK };
}

/** What is to be thought of a reading at the glass before it is taken. */
export type ReadingSaid =
  | { plausible: true }
  | { plausible: false; why: 'cannot be' | 'unexpected'; from: number; to: number };
/** Spreads from what is expected within which a reading is taken at once. */
const surprising = 3;
/**
 * Whether a reading can be, and whether it is what is expected: no glass is warmer than what warms it can be, and what lies more
 * than three spreads off is read again before it counts.
 * @param found the window as it is known without this reading
 */
export function readingSaid(
  { times, glass }: Pick<HeatWindow, 'times' | 'glass'>,
  { source, setC }: Pick<Case, 'source' | 'setC'>,
  { atS, glassC }: GlassReading,
): ReadingSaid {
  const c = between(times, glass.likely, atS);
  const spread = (between(times, glass.high, atS) - between(times, glass.low, atS)) / 2 / nineOfTen;
  const within = surprising * Math.hypot(spread, readingSdK);
  const most = setC + shifted(source.offK, surprising) + surprising * readingSdK;
  const [from, to] = [c - within, Math.min(most, c + within)];
  if (glassC > most) return { plausible: false, why: 'cannot be', from, to };
  return Math.abs(glassC - c) <= within
    ? { plausible: true }
    : { plausible: false, why: 'unexpected', from, to };
}
