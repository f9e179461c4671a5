import type { MetEntry } from '../log/met-schema';

type MetOf<K extends MetEntry['kind']> = Extract<MetEntry, { kind: K }>;
export type MetPart = MetOf<'part'>;

/** Everything met, in the order in which it was first met: the order in which it came off. */
export const inOrder = (met: Readonly<Record<string, MetEntry>>): MetEntry[] =>
  Object.values(met).sort((a, b) => a.seq - b.seq);

/** All that a part needed, whatever pose it was for. */
export const needsOf = (part: MetPart): string[] => [...part.needed, ...(part.neededOut ?? [])];

/** What opens a device: what was met while one of them was open lies under it, unless somebody says otherwise. */
export const isLid = ({ kind }: { kind: string }): boolean => kind === 'display' || kind === 'back';

/** The part of a need that may name a pose, too. */
export const slotOf = (need: string): string => need.split('@')[0]!;

/** Whether somebody said of a part that it did not need a thing. */
export const isFree = (part: MetPart, id: string): boolean => !!part.free?.some((n) => slotOf(n) === id);

const liesOn = (thing: MetEntry, { shape }: MetPart): boolean => {
  const place = 'at' in thing ? { ...thing.at, w: 0, h: 0 } : thing.shape;
  return (
    place.x <= shape.x + shape.w &&
    shape.x <= place.x + place.w &&
    place.y <= shape.y + shape.h &&
    shape.y <= place.y + place.h
  );
};

/** Whether a part covers a thing: it lies over it on the same side, and was met before it. */
export const covers = (part: MetPart, thing: MetEntry): boolean =>
  part.seq < thing.seq && part.face === thing.face && liesOn(thing, part);

/**
 * Whether a part has a thing for itself, so that no other part is asked about it: somebody said so, or it lies on it. What it
 * was given by the order alone may have been undone for another one.
 */
export const claims = (part: MetPart, thing: MetEntry): boolean =>
  needsOf(part).includes(thing.id) && (!part.said || part.said.includes(thing.id) || liesOn(thing, part));

/**
 * The parts that a thing holds: those that it was said to have been undone for. Where nobody said, what came off after it
 * where it lies; where nothing did, the next part that came off, or the last: on the safe side, it is undone for one too many.
 */
export function heldBy(thing: MetEntry, parts: readonly MetPart[]): string[] {
  const said = parts.filter((part) => needsOf(part).includes(thing.id));
  if (said.length) return said.map((part) => part.id);
  const after = parts.filter((part) => part.seq > thing.seq && !isFree(part, thing.id));
  const under = after.filter((part) => part.face === thing.face && liesOn(thing, part));
  if (under.length) return under.map((part) => part.id);
  const next = after[0] ?? parts.at(-1);
  return next ? [next.id] : [];
}
