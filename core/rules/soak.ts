import { plannedSoak } from '../heat/planned-soak';
import { sourceOf } from '../thermal/sources';
import type { IndexedModel } from '../model/index-model';
import type { Body } from '../log/events';
import { flag, type JobState } from '../log/state';

/** A soak counts as given when no more than a tenth of it is missing (our own margin; the chart of the heat window will say). */
const soakGiven = 0.9;

/** The bond that an act works on while it is soft from heat: its first gap, a part of it, or its release. */
export function bondWorked(body: Body): string | undefined {
  if (body.type === 'bondReleased') return body.bond;
  if (body.type !== 'acted') return undefined;
  if (body.act === 'gap') return body.target;
  return body.act === 'part' ? body.target.split(':')[0] : undefined;
}

/** The last soak, where it is what softens this bond: nothing since has loosened it otherwise. */
function soakOf(state: JobState, index: IndexedModel, bond: string) {
  const ended = flag(state, 'heatEndedAt');
  const heat = index.bonds.get(bond)?.release.find((r) => r.by === 'heat');
  if (!ended || !heat || flag(state, 'heat')) return undefined;
  const since = (key: string) => (state.acted[key] ?? 0) > ended.seq;
  return since(`solvent ${bond}`) || since(`gap ${bond}`) ? undefined : { ended, heat };
}

/** Seconds that the last soak was short of what it was started for; undefined when it was given whole, or does not matter here. */
export function soakShortS(state: JobState, index: IndexedModel, bond: string): number | undefined {
  const soak = soakOf(state, index, bond);
  if (!soak) return undefined;
  const { gaveS, ofS } = soak.ended;
  return gaveS < soakGiven * ofS ? Math.ceil(ofS - gaveS) : undefined;
}

/** Until when a warmed bond can be worked on after the heat, ms; undefined where the model names no greatest delay. */
export function openBy(
  state: JobState,
  index: IndexedModel,
  bond: string,
): { until: number; clockKnown: boolean } | undefined {
  const soak = soakOf(state, index, bond);
  if (!soak) return undefined;
  // as long as it is soft, and no longer than the model says
  const { ended, heat } = soak;
  // what was computed is of the cover's bond
  const cover = index.bonds.get(bond)!.holds.some((id) => index.coverSlots.includes(id));
  const delayS = Math.min(heat.maxDelayS ?? Infinity, (cover && ended.softForS) || Infinity);
  return Number.isFinite(delayS)
    ? { until: ended.at + delayS * 1000, clockKnown: ended.clockKnown }
    : undefined;
}

/** Work on a bond is not known to take longer than this at one warmth, s (from memory). */
const mostWorkS = 240;
/** What is begun while a bond is soft may be ended: until when its end is looked for, ms. */
export function endedBy(index: IndexedModel, bond: string, until: number): number {
  const heat = index.bonds.get(bond)?.release.find((r) => r.by === 'heat');
  return until + Math.min(heat?.handsS ?? 0, mostWorkS) * 1000;
}

/** After how long on a source the cell of this device may be at its limit, s; undefined where it is not, or where nothing of it is known. */
export function cellLimitS(
  index: IndexedModel,
  station: string,
  setC: number | undefined,
  warmed?: string,
): number | undefined {
  // of a soak that does not say what it is for, the first bond of a cover that heat opens
  const bond =
    index.bonds.get(warmed ?? '') ??
    index.model.bonds.find(
      (b) => b.holds.some((id) => index.coverSlots.includes(id)) && b.release.some((r) => r.by === 'heat'),
    );
  const set = setC ?? sourceOf(station)?.usualC;
  return bond && set !== undefined
    ? plannedSoak(index, bond.id, station, 0, { [station]: { setC: set } })?.closesS
    : undefined;
}
