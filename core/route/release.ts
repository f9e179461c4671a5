import { badCell, noHeat } from '../vocabulary/conditions';
import type { Bond } from '../model/schema';
import type { Condition, ReleaseMeans } from '../vocabulary/trade';
import { isChip } from '../model/chips';
import type { IndexedModel } from '../model/index-model';
import { isSeal } from '../model/seals';
import { generalStations, heatStations } from '../methods/catalogue';
import type { Methods } from '../methods/methods';

export type Release = Bond['release'][number];
/** How a bond will be released: by which entry of the model, where, how long, and whether solvent follows the heat. */
export interface ReleasePlan {
  release: Release;
  station?: string;
  waitS: number;
  /** Heat first; when the device is off the source and has cooled, solvent by this entry. */
  follow?: Release;
}
export interface Circumstances {
  index: IndexedModel;
  methods: Methods;
  conditions: readonly Condition[];
  stations: readonly string[];
  /** The device stands open with its cell in: it is not put on anything that warms it as a whole. */
  openWithCell?: boolean | undefined;
}

type Guard = Release['guard'];
/** Is this allowed here: by the device's condition, the house methods and the stations owned? */
export function allows(circumstances: Circumstances, guard: Guard): boolean {
  return (
    !guard.unless.some((x) => circumstances.conditions.includes(x)) &&
    (!guard.station || circumstances.stations.includes(guard.station)) &&
    Object.entries(guard.methods).every(
      ([row, options]) => !options || options.includes(circumstances.methods[row as keyof Methods]),
    )
  );
}

/** Where this workshop warms a device: the method's source if it owns it and the device does on it, else the first that will do. */
export function heatStation(circumstances: Circumstances): string | undefined {
  const bent = circumstances.conditions.includes('bent');
  const fits = (id: string) =>
    circumstances.stations.includes(id) &&
    !(bent && generalStations.find((s) => s.id === id)?.flat) &&
    !(circumstances.openWithCell && generalStations.find((s) => s.id === id)?.whole);
  const wanted = heatStations[circumstances.methods['heat-source']]!;
  return fits(wanted) ? wanted : generalStations.find((s) => s.softenS !== undefined && fits(s.id))?.id;
}

/** The means that a house method or a condition puts first for a bond; the model's own order decides the rest. */
function wanted(circumstances: Circumstances, bond: Bond): ReleaseMeans | undefined {
  const holds = bond.holds.map((h) => circumstances.index.slots.get(h)?.kind);
  if (isSeal(circumstances.index, bond))
    return circumstances.methods.softening === 'solvent' ? 'solvent' : 'heat';
  // a bad cell is not pulled at; often its adhesive has let go already
  if (holds.includes('cell'))
    return circumstances.methods['cell-removal'] === 'solvent' || badCell(circumstances.conditions)
      ? 'solvent'
      : 'pull';
  if (holds.includes('back') && bond.kind === 'glue')
    return circumstances.methods['bonded-back'] === 'laser' ? 'laser' : 'heat';
  return undefined;
}

/** How a bond is released here, or undefined when no means is left. */
export function releaseFor(circumstances: Circumstances, bond: Bond): ReleasePlan | undefined {
  const hot = circumstances.conditions.some((x) => noHeat.includes(x));
  // a chip is lifted under the microscope, with hot air of its own
  const chip = bond.holds.some((h) => isChip(circumstances.index, h));
  const station = chip
    ? circumstances.stations.includes('microscope')
      ? 'microscope'
      : undefined
    : heatStation(circumstances);
  const allowed = bond.release.filter(
    (r) =>
      allows(circumstances, r.guard) &&
      !(hot && (r.by === 'heat' || r.by === 'laser')) &&
      (r.by !== 'heat' || station !== undefined) &&
      (r.by !== 'laser' || circumstances.stations.includes(r.station ?? 'glass-laser')),
  );
  const first = wanted(circumstances, bond);
  const release = allowed.find((r) => r.by === first) ?? allowed[0];
  if (!release) return undefined;
  if (release.by === 'laser')
    return { release, station: release.station ?? 'glass-laser', waitS: release.waitS };
  if (release.by !== 'heat')
    return { release, waitS: release.waitS, ...(release.station ? { station: release.station } : {}) };
  // the house source is for opening a device; what sits inside is warmed where the model says
  const cover = bond.holds.some((h) => circumstances.index.coverSlots.includes(h));
  if (chip) return { release, station: station!, waitS: release.waitS };
  const whole = generalStations.find((s) => s.id === release.station)?.whole;
  if (
    !cover &&
    release.station &&
    circumstances.stations.includes(release.station) &&
    !(circumstances.openWithCell && whole)
  )
    return { release, station: release.station, waitS: release.waitS };
  const soak =
    release.station === station
      ? release.waitS
      : (generalStations.find((s) => s.id === station)!.softenS ?? release.waitS);
  const follow =
    isSeal(circumstances.index, bond) && circumstances.methods.softening === 'heat-solvent'
      ? allowed.find((r) => r.by === 'solvent')
      : undefined;
  return { release, station: station!, waitS: soak, ...(follow ? { follow } : {}) };
}
