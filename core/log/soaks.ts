import type { BodyOf, JobEvent } from './events';
import type { Flags } from './state';
import { isWarm } from '../thermal/sources';

/** So many times on a heat source and readings at the glass are remembered: a second soak starts from how warm it still is. */
const soaksKept = 6;
const glassKept = 12;
type Soaks = Flags['soaks'];
type When = Pick<JobEvent, 'at' | 'clockKnown' | 'seq'>;

/** A time on a heat source that begins, with what was computed for it. */
export function soakBegun(
  { station, forS, setC, opensS, closesS, softForS }: BodyOf<'heatStarted'>,
  event: When,
  soaks: Soaks = [],
): Pick<Flags, 'heat' | 'soaks'> {
  const later = (seconds: number) => event.at + seconds * 1000;
  const set = setC === undefined ? {} : { setC };
  return {
    heat: {
      station,
      since: event.at,
      until: later(forS),
      clockKnown: event.clockKnown,
      ...set,
      ...(opensS === undefined ? {} : { opensAt: later(opensS) }),
      ...(closesS === undefined ? {} : { closesAt: later(closesS) }),
      ...(softForS === undefined ? {} : { softForS }),
    },
    soaks: [...soaks.slice(1 - soaksKept), { station, from: event.at, to: null, ...set }],
  };
}
/** The same with the window that readings at the glass have moved; what it was before no longer counts. */
export function soakFitted(
  { readings, opensS, closesS, softForS }: BodyOf<'heatWindowFitted'>,
  heat: Flags['heat'] | undefined,
): Pick<Flags, 'heat'> {
  if (!heat) return { heat: null };
  const { opensAt: _opens, closesAt: _closes, ...kept } = heat;
  const later = (s: number) => heat.since + s * 1000;
  return {
    heat: {
      ...kept,
      softForS,
      readings,
      ...(opensS === undefined ? {} : { opensAt: later(opensS) }),
      ...(closesS === undefined ? {} : { closesAt: later(closesS) }),
    },
  };
}
/**
 * What the source reads while a device lies on it: no longer warm, no time counts; warm again, the device begins anew from how
 * warm it still is. When its cell may be at its limit stays as it was, until it is computed with that.
 */
export function sourceRead(
  celsius: number,
  event: When,
  heat: Flags['heat'] | undefined,
  soaks: Soaks = [],
): Pick<Flags, 'heat'> & Partial<Flags> {
  if (!heat || heat.setC === undefined) return { heat: heat ?? null };
  const warm = isWarm(celsius, heat.setC);
  if (warm === (heat.coldSince === undefined)) return { heat };
  if (!warm)
    return {
      heat: { ...heat, coldSince: event.at },
      soaks: soaks.map((soak) => (soak.to === null ? { ...soak, to: event.at } : soak)),
    };
  const { coldSince: _, ...kept } = heat;
  const after = event.at - heat.since;
  return {
    heat: {
      ...kept,
      since: event.at,
      until: heat.until + after,
      ...(heat.opensAt === undefined ? {} : { opensAt: heat.opensAt + after }),
    },
    soaks: [
      ...soaks.slice(1 - soaksKept),
      { station: heat.station, from: event.at, to: null, setC: heat.setC },
    ],
  };
}
/** When a device may first come off: soft, or, where no time is right, by when its cell may be at its limit; ms. */
export const mayComeOff = ({ opensAt, closesAt, until }: NonNullable<Flags['heat']>): number =>
  opensAt ?? Math.min(until, closesAt ?? Infinity);
const seconds = (ms: number) => Math.round(ms / 1000);
/** The same when it ends: for how long it was on, and for how long at least it had to be. */
export function soakEnded(
  heat: Flags['heat'] | undefined,
  event: When,
  soaks: Soaks = [],
): Pick<Flags, 'heat' | 'soaks' | 'heatEndedAt'> {
  return {
    heat: null,
    soaks: soaks.map((soak) => (soak.to === null ? { ...soak, to: event.at } : soak)),
    heatEndedAt: {
      at: event.at,
      clockKnown: event.clockKnown && (heat?.clockKnown ?? true),
      seq: event.seq,
      station: heat?.station ?? '',
      // while the source was cold nothing was given
      gaveS: heat ? Math.max(0, seconds((heat.coldSince ?? event.at) - heat.since)) : 0,
      ofS: heat ? seconds((heat.opensAt ?? heat.until) - heat.since) : 0,
      ...(heat?.softForS === undefined ? {} : { softForS: heat.softForS }),
    },
  };
}
/** What was read at the glass, the newest last. */
export const glassRead = (
  { celsius, again }: BodyOf<'glassRead'>,
  at: number,
  glass: Flags['glass'] = [],
): Flags['glass'] => [...glass.slice(1 - glassKept), { at, celsius, ...(again ? { again } : {}) }];
