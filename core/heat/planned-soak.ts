import type { IndexedModel } from '../model/index-model';
import type { Range } from '../thermal/materials';
import { sourceOf, type Source } from '../thermal/sources';
import { columnsOf } from './columns';
import { heatWindow } from './heat-window';

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
  /** s on the source: what is common practice where it lies within the window, else the nearer end of that. */
  waitS: number;
  /** s; left out where no time is right for eight of ten devices. */
  opensS?: number;
  closesS?: number;
  /** When the cell of two of ten devices is at its limit, s; left out where it is not within twelve minutes. */
  limitS?: number;
  /** For how long the bond stays soft when it is off, s. */
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

/** As many devices as a plan is tried on: its ends are whole ten seconds. */
const draws = 40;
type Computed = Omit<PlannedSoak, 'waitS' | 'bond'>;
const known = new WeakMap<IndexedModel, Map<string, Computed>>();

/**
 * How long a device is put on a source for a bond of its cover, and when it may be taken off. Computed once for each model,
 * bond and source.
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
  const ofModel = known.get(index) ?? new Map<string, Computed>();
  known.set(index, ofModel);
  const key = JSON.stringify([bondId, station, heat?.[station] ?? null]);
  let soak = ofModel.get(key);
  if (!soak) {
    soak = computed(index, bondId, set);
    ofModel.set(key, soak);
  }
  const { opensS, closesS } = soak;
  const waitS = opensS === undefined ? usualS : Math.min(Math.max(usualS, opensS), closesS!);
  return { ...soak, bond: bondId, waitS };
}
const tens = (s: number, round: (n: number) => number) => round(s / 10) * 10;
function computed(
  index: IndexedModel,
  bondId: string,
  { source, setC }: { source: Source; setC: number },
): Computed {
  const columns = columnsOf(index, bondId);
  const { window, softForS, limitS } = heatWindow({ columns, source, setC, onHeat: [], draws, seed: 1 });
  const ends = window && {
    opensS: tens(window.opensS, Math.ceil),
    closesS: tens(window.closesS, Math.floor),
  };
  return {
    setC,
    softForS: Math.max(10, tens(softForS, Math.floor)),
    ...(limitS === undefined ? {} : { limitS: tens(limitS, Math.floor) }),
    ...(ends && ends.opensS < ends.closesS ? ends : {}),
  };
}
