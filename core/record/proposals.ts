import type { Met, MetEntry } from '../log/met-schema';
import type { JobState } from '../log/state';
import type { IndexedModel } from '../model/index-model';
import type { Face } from '../vocabulary/trade';
import { claims, inOrder } from './holds';

export interface Place {
  x: number;
  y: number;
}
export interface Outline extends Place {
  w: number;
  h: number;
}

const letterOf = { fastener: 'S', connector: 'K', bond: 'G', catch: 'C', part: 'P' } as const;
/** The next free id of a kind: S1, S2 for screws, K for plugs, G for glue and strips, C for catches, P for parts. */
export function nextId({ model }: IndexedModel, kind: Met['kind']): string {
  const taken = new Set(
    [model.slots, model.fasteners, model.connectors, model.bonds, model.catches].flat().map((t) => t.id),
  );
  let n = 1;
  while (taken.has(`${letterOf[kind]}${n}`)) n++;
  return `${letterOf[kind]}${n}`;
}

/** What has come off and was not said to have been undone for any part yet, in the order in which it came off. */
export function unclaimed({ met }: Pick<JobState, 'met'>): MetEntry[] {
  const things = inOrder(met);
  const parts = things.filter((thing) => thing.kind === 'part');
  return things.filter((thing) => thing.kind !== 'part' && !parts.some((part) => claims(part, thing)));
}

/** Air that is left round the outermost screws of a bracket, mm: about what their ears have. */
const airMm = 2.5;
const clip = (value: number, most: number) => Math.min(most, Math.max(0, Math.round(value * 10) / 10));
/** The outline that the screws undone since suggest: round all of them on this side; undefined for fewer than two. */
export function proposedOutline(
  things: readonly MetEntry[],
  face: Face,
  { outline }: IndexedModel['model'],
): Outline | undefined {
  const at = things.flatMap((t) => (t.kind === 'fastener' && t.face === face ? [t.at] : []));
  if (at.length < 2) return undefined;
  const x = clip(Math.min(...at.map((p) => p.x)) - airMm, outline.widthMm);
  const y = clip(Math.min(...at.map((p) => p.y)) - airMm, outline.heightMm);
  return {
    x,
    y,
    w: clip(Math.max(...at.map((p) => p.x)) + airMm - x, outline.widthMm - x),
    h: clip(Math.max(...at.map((p) => p.y)) + airMm - y, outline.heightMm - y),
  };
}
/** The rectangle between two corners, whichever they are, mm to a tenth; at least half a millimetre each way. */
export function outlineBetween(a: Place, b: Place): Outline {
  const tenth = (mm: number) => Math.round(mm * 10) / 10;
  return {
    x: tenth(Math.min(a.x, b.x)),
    y: tenth(Math.min(a.y, b.y)),
    w: Math.max(0.5, tenth(Math.abs(a.x - b.x))),
    h: Math.max(0.5, tenth(Math.abs(a.y - b.y))),
  };
}

const within = (p: Place, { x, y, w, h }: Outline) =>
  p.x >= x - 1 && p.x <= x + w + 1 && p.y >= y - 1 && p.y <= y + h + 1;
/** Whether a thing undone since is likely to have been undone for a part of this outline: all but the screws beside it. */
export const likelyFor = (thing: MetEntry, outline: Outline): boolean =>
  thing.kind !== 'fastener' || within(thing.at, outline);

/** So much longer than the others of its kind it goes through into what lies below, in their holes, mm (common practice). */
const longerMm = 0.3;
/** How much longer a screw is than the longest of those beside it that came out with it, mm; undefined where it is not. */
export function longerThanNeighbours(state: Pick<JobState, 'met'>, id: string): number | undefined {
  const own = state.met[id];
  if (own?.kind !== 'fastener') return undefined;
  const others = unclaimed(state).flatMap((t) =>
    t.kind === 'fastener' && t.id !== id && t.face === own.face ? [t.lengthMm] : [],
  );
  if (!others.length) return undefined;
  const longer = Math.round((own.lengthMm - Math.max(...others)) * 100) / 100;
  return longer >= longerMm ? longer : undefined;
}
/** The screw that lies where another is to be put, nearer than half a millimetre; undefined where there is none. */
export const screwAt = ({ model }: IndexedModel, at: Place, face: Face): string | undefined =>
  model.fasteners.find((f) => f.face === face && Math.hypot(f.at.x - at.x, f.at.y - at.y) < 0.5)?.id;
