import type { IndexedModel } from '../model/index-model';
import type { Range } from '../thermal/materials';
import { sourceOf, type Source } from '../thermal/sources';
import { columnsOf } from './columns';
import { type SettingFound, soakAgainAt, soakAt } from './heat-window';
import type { Case } from './knowledge';

/** What a workshop knows of a heat source of its own: how it is set, and what readings at the glass made of it. */
export interface StationHeat {
  setC: number;
  contactM2KW?: Range;
  filmWm2K?: Range;
  offK?: Range;
  /** By how many readings, and when, ms since 1970. */
  readings?: number;
  fittedAt?: number;
}
export type HeatOfStations = Partial<Record<string, StationHeat>>;
/** A soak as it is planned: how warm, how long, and when the device may be taken off. */
export interface PlannedSoak {
  /** The bond that is to be softened. */
  bond: string;
  setC: number;
  /**
   * s on the source: what is common practice where it lies within the window, else the nearer end of that; where there is no
   * window as long as is safe.
   */
  waitS: number;
  /** From when nine seals of ten are soft, s; left out where there is no window. */
  opensS?: number;
  /** When one cell of a hundred, or one panel of ten, may be at its limit, s; left out where neither is within twelve minutes. */
  closesS?: number;
  /** Of ten seals so many are soft by then; left out where there is a window. */
  softOfTen?: number;
  /** For how long the likely bond stays soft when it is off, s. */
  softForS: number;
}

/** A source as a workshop has it: its own setting, and its own figures where it has been calibrated. */
export function sourceAsSet(
  station: string,
  heat: HeatOfStations = {},
): { source: Source; setC: number } | undefined {
  const source = sourceOf(station);
  if (!source) return undefined;
  const { setC = source.usualC, ...own } = heat[station] ?? {};
  return { source: { ...source, ...own }, setC };
}

interface Computed {
  waitS: number;
  said: Omit<PlannedSoak, 'waitS' | 'bond'>;
}
/** Steps of the settings that are looked at, K, and the least window that hands can keep, s. */
const stepK = 5;
const leastWindowS = 30;
/** How long before a limit a device comes off where no window is left, s. */
const beforeLimitS = 20;
/** What was computed, by all that it rests on: many models have the same layers. The oldest goes when it is full. */
const known = new Map<string, Computed>();
const mostKnown = 400;
/** The same by model, as a plan asks for it again and again. */
const asked = new WeakMap<IndexedModel, Map<string, PlannedSoak>>();

/**
 * How long a device is put on a source for a bond of its cover, and when it may be taken off. Where the source is not set by the
 * workshop and its usual setting leaves no window, the nearest setting that leaves one is taken: hotter for a shorter time keeps
 * the cell cooler while the rim softens.
 * @param usualS common practice at this source, s
 * @returns undefined where the station is no source, or the bond holds no cover
 */
export function plannedSoak(
  index: IndexedModel,
  bondId: string,
  station: string,
  usualS: number,
  heat?: HeatOfStations,
): PlannedSoak | undefined {
  const set = sourceAsSet(station, heat);
  const bond = index.bonds.get(bondId);
  if (!set || !bond?.holds.some((id) => index.coverSlots.includes(id))) return undefined;
  const ofModel = asked.get(index) ?? new Map<string, PlannedSoak>();
  asked.set(index, ofModel);
  const question = JSON.stringify([bondId, station, usualS, heat?.[station] ?? null]);
  const before = ofModel.get(question);
  if (before) return before;
  const columns = columnsOf(index, bondId);
  const free = heat?.[station]?.setC === undefined;
  const key = JSON.stringify([columns, set, free, usualS]);
  const soak = known.get(key) ?? computed({ columns, ...set }, free, usualS);
  known.set(key, soak);
  if (known.size > mostKnown) known.delete(known.keys().next().value!);
  const planned = { ...soak.said, bond: bondId, waitS: soak.waitS };
  ofModel.set(question, planned);
  return planned;
}
const tens = (s: number, round: (n: number) => number) => round(s / 10) * 10;
/** The settings of a source, the nearest to its own first. */
function settingsOf({ source, setC }: Case): number[] {
  const out: number[] = [];
  for (let c = setC - stepK * 3; c <= source.mostC; c += stepK) out.push(c);
  return out.toSorted((a, b) => Math.abs(a - setC) - Math.abs(b - setC) || b - a);
}
function computed(of: Case, free: boolean, usualS: number): Computed {
  const found = soakAt(of, free ? settingsOf(of) : [of.setC]);
  const whole = ({ window }: SettingFound) =>
    window && { opensS: tens(window.opensS, Math.ceil), closesS: tens(window.closesS, Math.floor) };
  const wide = (s: SettingFound) => {
    const ends = whole(s);
    return ends !== undefined && ends.closesS - ends.opensS >= (free ? leastWindowS : 10);
  };
  const right = found.find(wide);
  const taken = right ?? found[0]!;
  const ends = right && whole(right);
  const limitS = taken.limitS === undefined ? undefined : tens(taken.limitS, Math.floor);
  const waitS = ends
    ? Math.min(Math.max(usualS, ends.opensS), ends.closesS)
    : Math.max(stepK, Math.min(usualS, (limitS ?? Infinity) - beforeLimitS));
  return {
    waitS,
    said: {
      setC: taken.setC,
      softForS: Math.max(10, tens(taken.softFor(waitS), Math.floor)),
      ...(ends ?? { softOfTen: Math.round(taken.softOfHundred / 10) }),
      ...(ends || limitS === undefined ? {} : { closesS: limitS }),
    },
  };
}

/** A bond that is worked in parts, each while it is soft: the first soak, and what each later one is. */
export interface PlannedParts {
  first: PlannedSoak;
  /** The soaks after it, all alike, and how long the device rests before each, s. Left out where one soak does. */
  again?: { restS: number; soak: PlannedSoak };
  parts: number;
}
/** More parts than this are not told one by one. */
const mostParts = 12;
/** Rests that are looked at before one more soak, and the least time on the source that is worth it, s. */
const rests = [0, 60, 120, 180, 240, 300];
const leastSoakS = 40;
/**
 * How a bond is opened by heat alone: as many soaks as its work takes while it is soft, with rests where the cell would else be
 * at its limit before the seal is soft again.
 * @param handsS how long the work takes in all
 */
export function plannedParts(
  index: IndexedModel,
  bondId: string,
  station: string,
  usualS: number,
  handsS: number,
  heat?: HeatOfStations,
): PlannedParts | undefined {
  const first = plannedSoak(index, bondId, station, usualS, heat);
  const set = sourceAsSet(station, heat);
  if (!first || !set) return undefined;
  // a seal of which not all are soft by then is given a second soak
  const least = first.opensS === undefined ? 2 : 1;
  const parts = Math.min(mostParts, Math.max(least, Math.ceil(handsS / workedS(first))));
  if (parts === 1) return { first, parts };
  const of: Case = { columns: columnsOf(index, bondId), ...set, setC: first.setC };
  const key = JSON.stringify(['again', of, first.waitS, handsS / parts]);
  const again = knownAgain.get(key) ?? soakedAgain(of, first, handsS / parts);
  knownAgain.set(key, again);
  return { first, again, parts };
}
/** How long a part is worked at: while it is soft, and as long again as it gives with the blade in it (from memory). */
const workedS = ({ softForS }: PlannedSoak) => 2 * softForS;
const knownAgain = new Map<string, { restS: number; soak: PlannedSoak }>();
function soakedAgain(
  of: Case,
  { bond, waitS, setC }: PlannedSoak,
  partS: number,
): { restS: number; soak: PlannedSoak } {
  const after = (restS: number) => {
    const fromS = waitS + Math.round(partS) + restS;
    const found = soakAgainAt(of, [{ fromS: 0, toS: waitS }, { fromS }]);
    return { restS, fromS, found, limitS: (found.limitS ?? fromS + usualAgainS) - fromS };
  };
  let right = after(rests[0]!);
  for (const restS of rests.slice(1)) {
    if (right.limitS - beforeLimitS >= leastSoakS) break;
    right = after(restS);
  }
  const { found, fromS, restS, limitS } = right;
  const opensS = found.window && tens(found.window.opensS - fromS, Math.ceil);
  const closesS = tens(limitS, Math.floor);
  const onS = Math.max(10, Math.min(opensS ?? Infinity, closesS - beforeLimitS, usualAgainS));
  return {
    restS,
    soak: {
      bond,
      setC,
      waitS: onS,
      softForS: Math.max(10, tens(found.softFor(fromS + onS), Math.floor)),
      ...(opensS !== undefined && opensS < closesS
        ? { opensS }
        : { softOfTen: Math.round(found.softOfHundred / 10) }),
      closesS,
    },
  };
}
/** A device that is still warm is put on again for no longer than this, s (from memory). */
const usualAgainS = 120;
