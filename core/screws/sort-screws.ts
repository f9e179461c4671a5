import { assign, withoutPair } from './assignment';
import { isTooLong } from './safe-length';

/** A hole and what belongs into it. */
export interface Hole {
  id: string;
  drive?: string | undefined;
  lengthMm: number;
  headMm: number;
  maxLengthMm?: number | undefined;
}
/** A loose screw as it was measured. */
export interface LooseScrew {
  id: string;
  drive?: string | undefined;
  lengthMm: number;
  headMm?: number | undefined;
}
export interface SortProblem {
  holes: readonly Hole[];
  screws: readonly LooseScrew[];
  /** Standard deviations of length and head, mm: maker's tolerance and calliper together. */
  sdLengthMm: number;
  sdHeadMm: number;
  /** What it costs to call a screw a stray, or a hole empty, in the same unit (minus log likelihood); null = not allowed. */
  strayCost: number | null;
  missingCost: number | null;
  /** Below this a pair is in doubt. */
  doubtMargin?: number | undefined;
}
/** `screws`: the one that is put there, then those that would take its place; `instead`: the hole that it would be from then. */
export interface Doubt {
  hole: string;
  screws: string[];
  margin: number;
  instead?: string;
}
export interface Danger {
  screw: string;
  hole: string;
  why: string;
}
export interface Sorted {
  assignments: { screw: string; hole: string }[];
  strays: string[];
  missing: string[];
  cost: number;
  doubtful: Doubt[];
  dangerous: Danger[];
}
export type SortAnswer = Sorted | { infeasible: true; because: string[] };

/** Twice the odds and more: e to the 2 is about 7 to 1. */
const usualDoubt = 2;
const halfLogTwoPi = 0.5 * Math.log(2 * Math.PI);

/** Minus the log of a normal density: 0.5 ((x - m) / sd)^2 + log sd + 0.5 log 2 pi. */
const surprise = (offMm: number, sdMm: number) => 0.5 * (offMm / sdMm) ** 2 + Math.log(sdMm) + halfLogTwoPi;

/** What it costs to say that this screw is from this hole; another drive is impossible. A screw without a head is judged by length alone. */
export function pairCost(
  pick: Pick<SortProblem, 'sdLengthMm' | 'sdHeadMm'>,
  looseScrew: LooseScrew,
  hole: Hole,
): number {
  if (looseScrew.drive !== undefined && hole.drive !== undefined && looseScrew.drive !== hole.drive)
    return Infinity;
  return (
    surprise(looseScrew.lengthMm - hole.lengthMm, pick.sdLengthMm) +
    (looseScrew.headMm === undefined ? 0 : surprise(looseScrew.headMm - hole.headMm, pick.sdHeadMm))
  );
}
/** Holes with the same specification take each other's screws. */
export const specOf = (h: Hole) => `${h.drive ?? ''} ${h.lengthMm} ${h.headMm} ${h.maxLengthMm ?? ''}`;

/**
 * Which hole each of a heap of measured screws is from: the set of pairs that is most likely as a whole. With it what is
 * in doubt (the next best set without that pair is hardly less likely), what is dangerous, missing and stray.
 */
export function sortScrews(sortProblem: SortProblem): SortAnswer {
  const holes = sortProblem.holes.length;
  const n = holes + sortProblem.screws.length;
  // rows: screws, then "nothing" for each hole; columns: holes, then "stray" for each screw
  const cost = Array.from({ length: n }, (_, i) => {
    const looseScrew = sortProblem.screws[i];
    const row = new Float64Array(n);
    for (let j = 0; j < n; j++) {
      const h = sortProblem.holes[j];
      row[j] = looseScrew
        ? h
          ? pairCost(sortProblem, looseScrew, h)
          : (sortProblem.strayCost ?? Infinity)
        : h
          ? (sortProblem.missingCost ?? Infinity)
          : 0;
    }
    return row;
  });
  const best = assign(cost);
  if (!best) return { infeasible: true, because: whyNone(sortProblem) };
  const out: Sorted = {
    assignments: [],
    strays: [],
    missing: [],
    cost: best.cost,
    doubtful: [],
    dangerous: [],
  };
  const spec = sortProblem.holes.map(specOf);
  const margin = sortProblem.doubtMargin ?? usualDoubt;
  const dangers = new Map<string, Danger>();
  const mayHurt = (screw: number, hole: number) => {
    const [s, h] = [sortProblem.screws[screw]!, sortProblem.holes[hole]!];
    // a greatest length that is given counts to the hundredth; the hole's own length within what a calliper tells
    if (
      h.maxLengthMm === undefined
        ? isTooLong(s.lengthMm, { lengthMm: h.lengthMm, maxLengthMm: undefined })
        : s.lengthMm > h.maxLengthMm
    )
      dangers.set(`${s.id} ${h.id}`, {
        screw: s.id,
        hole: h.id,
        why: `${s.lengthMm} mm in a hole that bears ${h.maxLengthMm ?? h.lengthMm} mm`,
      });
  };
  for (const [i, s] of sortProblem.screws.entries()) {
    const j = best.columnOf[i]!;
    if (j >= holes) {
      out.strays.push(s.id);
      continue;
    }
    const h = sortProblem.holes[j]!;
    out.assignments.push({ screw: s.id, hole: h.id });
    mayHurt(i, j);
    const other = withoutPair(cost, best, i, (c) => c < holes && spec[c] === spec[j], margin);
    if (!(other.dearer < margin)) continue;
    // who would then be in this hole, or in one just like it
    const rivals = other.changes.filter(
      (c) => c.row < sortProblem.screws.length && c.column < holes && spec[c.column] === spec[j],
    );
    const instead = sortProblem.holes[other.changes.find((c) => c.row === i)?.column ?? -1]?.id;
    out.doubtful.push({
      hole: h.id,
      screws: [s.id, ...rivals.map((c) => sortProblem.screws[c.row]!.id)],
      margin: other.dearer,
      ...(instead ? { instead } : {}),
    });
    for (const change of other.changes)
      if (change.row < sortProblem.screws.length && change.column < holes) mayHurt(change.row, change.column);
  }
  for (let j = 0; j < holes; j++)
    if (best.rowOf[j]! >= sortProblem.screws.length) out.missing.push(sortProblem.holes[j]!.id);
  out.doubtful.sort((a, b) => a.margin - b.margin);
  out.dangerous = [...dangers.values()];
  return out;
}

/** What stands against any answer: a drive that no hole has, or more of one than the other. */
function whyNone(sortProblem: SortProblem): string[] {
  const out: string[] = [];
  if (sortProblem.strayCost === null)
    for (const looseScrew of sortProblem.screws)
      if (!sortProblem.holes.some((h) => pairCost(sortProblem, looseScrew, h) < Infinity))
        out.push(`no hole takes ${looseScrew.id}`);
  if (sortProblem.missingCost === null)
    for (const hole of sortProblem.holes)
      if (!sortProblem.screws.some((s) => pairCost(sortProblem, s, hole) < Infinity))
        out.push(`no screw fits ${hole.id}`);
  if (out.length) return out;
  // of some drive there are more on one side than on the other
  return [
    sortProblem.strayCost === null &&
    (sortProblem.missingCost !== null || sortProblem.screws.length >= sortProblem.holes.length)
      ? 'more screws than holes that take them'
      : 'more holes than screws that fit them',
  ];
}
