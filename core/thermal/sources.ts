import type { Range } from './materials';

/**
 * What a heat source does to the face that lies on it, or that it blows at. Temperatures in C; contact resistance in
 * m2 K/W, film coefficient in W/(m2 K). All from memory and common practice: a station that has been calibrated has its own.
 */
export interface Source {
  station: string;
  /** Set when nobody says otherwise, and the greatest that may be set here. */
  usualC: number;
  mostC: number;
  /** A body that is held at the temperature touches the face; otherwise air of that temperature flows along it. */
  by: 'contact' | 'air';
  contactM2KW?: Range;
  filmWm2K?: Range;
  /** How far the temperature at the face is off the one that is set, K. */
  offK: Range;
  /** The time that it takes to come to its temperature with a device on it, s: it rises on a line. */
  reachS: number;
  /** It warms the whole face, the cell too; otherwise a strip along the rim, and the cell is warmed sideways only. */
  whole: boolean;
}
const range = (low: number, likely: number, high: number): Range => ({ low, likely, high });
export const sources: readonly Source[] = [
  {
    station: 'hot-plate',
    usualC: 80,
    mostC: 100,
    by: 'contact',
    contactM2KW: range(0.0022, 0.0035, 0.0055),
    offK: range(-3.5, 0, 3.5),
    reachS: 0,
    whole: true,
  },
  {
    station: 'heat-mat',
    usualC: 80,
    mostC: 100,
    by: 'contact',
    contactM2KW: range(0.004, 0.006, 0.009),
    offK: range(-5, -1, 3),
    reachS: 30,
    whole: true,
  },
  {
    station: 'opening-press',
    usualC: 80,
    mostC: 100,
    by: 'contact',
    contactM2KW: range(0.001, 0.002, 0.004),
    offK: range(-3, 0, 2),
    reachS: 120,
    whole: true,
  },
  {
    station: 'dryer',
    usualC: 95,
    mostC: 120,
    by: 'air',
    filmWm2K: range(60, 90, 130),
    offK: range(-12, 0, 8),
    reachS: 10,
    whole: false,
  },
  {
    // the gun is moved so that the glass stays at what is set (common practice, 80 C): the glass itself is what is held
    station: 'hot-air',
    usualC: 80,
    mostC: 85,
    by: 'contact',
    contactM2KW: range(0.0002, 0.0005, 0.001),
    offK: range(-10, -3, 4),
    reachS: 20,
    whole: false,
  },
  {
    station: 'heat-pouch',
    usualC: 75,
    mostC: 90,
    by: 'contact',
    contactM2KW: range(0.003, 0.006, 0.012),
    offK: range(-8, -3, 0),
    reachS: 0,
    whole: false,
  },
];
/** A source this far under what it is set to is not warm, K: no time on it counts. */
const notWarmK = 8;
export const isWarm = (celsius: number, setC: number): boolean => celsius >= setC - notWarmK;
const byStation = new Map(sources.map((s) => [s.station, s]));
/** The source that a station is; undefined for one that warms nothing. */
export const sourceOf = (station: string): Source | undefined => byStation.get(station);
