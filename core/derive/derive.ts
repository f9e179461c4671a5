import type { RecordedThing, Refuted, Relation, Teardown } from './teardown';
import { canOverlap, canReach, type Whereabouts, whereabouts } from './where';

type Candidate = Pick<Relation, 'first' | 'then' | 'kind' | 'because'>;

/**
 * What had to be off before what, from one teardown or more of the same kind of device.
 *
 * Safe before short: whatever can be so is kept. That a screw, a catch or a bond holds a part, and that a part covers one,
 * takes that the two can lie over each other (or somebody's word); that a part must go before another part can be so wherever
 * they lie, since flexes and trays reach far beyond their outline, and before a connector within reach of it. Each teardown in
 * another order takes away what it shows to be untrue.
 * @param teardowns with the same things in each; ids in `off` at most once
 * @returns relations in the order of the things; none contradicts an order that was seen. What follows from others and rests
 * on the order alone is left out.
 */
export function derive(teardowns: readonly Teardown[]): { relations: Relation[]; refuted: Refuted[] } {
  const things = teardowns[0]?.things ?? [];
  const where = new Map(
    things.map((thing) => [
      thing.id,
      whereabouts(teardowns.map((t) => t.things.find((other) => other.id === thing.id)!)),
    ]),
  );
  const offAt = teardowns.map((t) => new Map(t.off.map((id, at) => [id, at])));
  const relations: Relation[] = [];
  const refuted: Refuted[] = [];
  const joins = saidOf(teardowns, (thing) => thing.joins);
  const needed = saidOf(teardowns, (thing) => thing.needed);
  const candidates = candidatesOf(things, joins, where).flatMap((candidate) => asSaid(candidate, needed));
  for (const candidate of candidates) {
    const judged = judge(candidate, offAt);
    if (judged.against !== undefined) {
      // what only the order could have shown was never claimed by anybody
      if (candidate.because !== 'order')
        refuted.push({
          first: candidate.first,
          then: candidate.then,
          kind: candidate.kind,
          teardown: judged.against,
        });
    } else if (judged.seenIn)
      relations.push({
        ...candidate,
        grade: candidate.because === 'said' ? 'said' : 'seen',
        teardowns: judged.seenIn,
      });
  }
  return { relations: withoutImplied(relations), refuted };
}

/** In how many teardowns the one came off before the other, and the first in which it stayed in. */
function judge(
  { first, then }: Candidate,
  offAt: readonly ReadonlyMap<string, number>[],
): { seenIn: number; against?: number } {
  let seenIn = 0;
  for (const [teardown, at] of offAt.entries()) {
    const thenAt = at.get(then);
    if (thenAt === undefined) continue;
    const firstAt = at.get(first);
    if (firstAt === undefined || firstAt > thenAt) return { seenIn, against: teardown };
    seenIn++;
  }
  return { seenIn };
}

/** What was said of each thing, in any of the teardowns. */
function saidOf(
  teardowns: readonly Teardown[],
  what: (thing: RecordedThing) => readonly string[] | undefined,
): Map<string, Set<string>> {
  const said = new Map<string, Set<string>>();
  for (const { things } of teardowns)
    for (const thing of things) {
      const ids = what(thing);
      if (!ids) continue;
      const all = said.get(thing.id) ?? new Set();
      for (const id of ids) all.add(id);
      said.set(thing.id, all);
    }
  return said;
}
const nothing: ReadonlySet<string> = new Set();

/** Of a part whose needs somebody named, what they named is said, and nothing else is needed. */
function asSaid(candidate: Candidate, needed: ReadonlyMap<string, ReadonlySet<string>>): Candidate[] {
  const named = needed.get(candidate.then);
  if (!named || candidate.because === 'said') return [candidate];
  return named.has(candidate.first) ? [{ ...candidate, because: 'said' }] : [];
}

/** All that could be so before any order is looked at, in the order of the things. */
function candidatesOf(
  things: readonly RecordedThing[],
  joins: ReadonlyMap<string, ReadonlySet<string>>,
  where: ReadonlyMap<string, Whereabouts>,
): Candidate[] {
  const parts = things.filter((thing) => thing.kind === 'part');
  const lieOver = (a: RecordedThing, b: RecordedThing) => canOverlap(where.get(a.id)!, where.get(b.id)!);
  const reaches = (a: RecordedThing, b: RecordedThing) => canReach(where.get(a.id)!, where.get(b.id)!);
  return things.flatMap((thing): Candidate[] => {
    const over = parts.filter((part) => part !== thing && lieOver(part, thing));
    const covers = (part: RecordedThing, because: Candidate['because']): Candidate => ({
      first: part.id,
      then: thing.id,
      kind: 'covers',
      because,
    });
    if (thing.kind === 'part' || thing.kind === 'connector') {
      const covered = parts
        .filter((part) => part !== thing && (thing.kind === 'part' || reaches(part, thing)))
        .map((part) => covers(part, over.includes(part) ? 'place' : 'order'));
      return thing.kind === 'part' ? covered : [...joined(thing, parts, over, joins), ...covered];
    }
    return [...held(thing, parts, over, joins), ...over.map((part) => covers(part, 'place'))];
  });
}

/** The parts that a fastener, a catch or a bond holds: those that it was said to; where nobody said, those that it can lie on. */
function held(
  thing: RecordedThing,
  parts: readonly RecordedThing[],
  over: readonly RecordedThing[],
  joins: ReadonlyMap<string, ReadonlySet<string>>,
): Candidate[] {
  const said = joins.get(thing.id) ?? nothing;
  // what lies on nothing that was recorded can hold anything
  const possible = over.length ? over : parts;
  return parts
    .filter((part) => (said.size ? said.has(part.id) : possible.includes(part)))
    .map((part) => ({
      first: thing.id,
      then: part.id,
      kind: 'holds',
      because: said.has(part.id) ? 'said' : over.includes(part) ? 'place' : 'order',
    }));
}

/**
 * The parts that cannot leave while a connector is on: those that it joins, and those that carry one of them, which can be
 * any that it lies in; where nobody said anything, any at all.
 */
function joined(
  thing: RecordedThing,
  parts: readonly RecordedThing[],
  over: readonly RecordedThing[],
  joins: ReadonlyMap<string, ReadonlySet<string>>,
): Candidate[] {
  const said = joins.get(thing.id) ?? nothing;
  return parts
    .filter((part) => !said.size || said.has(part.id) || over.includes(part))
    .map((part) => ({
      first: thing.id,
      then: part.id,
      kind: 'joins',
      because: said.has(part.id) ? 'said' : over.includes(part) ? 'place' : 'order',
    }));
}

/** Leaves out what rests on the order alone and follows from the rest: relations that no order contradicts have no circle. */
function withoutImplied(relations: readonly Relation[]): Relation[] {
  const after = new Map<string, string[]>();
  for (const { first, then } of relations) after.set(first, [...(after.get(first) ?? []), then]);
  const reached = new Map<string, Set<string>>();
  const reachedFrom = (id: string): Set<string> => {
    let known = reached.get(id);
    if (!known) {
      known = new Set();
      for (const next of after.get(id) ?? []) {
        known.add(next);
        for (const further of reachedFrom(next)) known.add(further);
      }
      reached.set(id, known);
    }
    return known;
  };
  return relations.filter(
    ({ first, then, because }) =>
      because !== 'order' ||
      !after.get(first)!.some((other) => other !== then && reachedFrom(other).has(then)),
  );
}
