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
export function pairCost(p: Pick<SortProblem, 'sdLengthMm' | 'sdHeadMm'>, s: LooseScrew, h: Hole): number {
  if (s.drive !== undefined && h.drive !== undefined && s.drive !== h.drive) return Infinity;
  return (
    surprise(s.lengthMm - h.lengthMm, p.sdLengthMm) +
    (s.headMm === undefined ? 0 : surprise(s.headMm - h.headMm, p.sdHeadMm))
  );
}
/** Holes with the same specification take each other's screws. */
export const specOf = (h: Hole) => `${h.drive ?? ''} ${h.lengthMm} ${h.headMm} ${h.maxLengthMm ?? ''}`;

/**
 * Which hole each of a heap of measured screws is from: the set of pairs that is most likely as a whole. With it what is
 * in doubt (the next best set without that pair is hardly less likely), what is dangerous, missing and stray.
 */
export function sortScrews(p: SortProblem): SortAnswer {
  const holes = p.holes.length;
  const n = holes + p.screws.length;
  // rows: screws, then "nothing" for each hole; columns: holes, then "stray" for each screw
  const cost = Array.from({ length: n }, (_, i) => {
    const s = p.screws[i];
    const row = new Float64Array(n);
    for (let j = 0; j < n; j++) {
      const h = p.holes[j];
      row[j] = s ? (h ? pairCost(p, s, h) : (p.strayCost ?? Infinity)) : h ? (p.missingCost ?? Infinity) : 0;
    }
    return row;
  });
  const best = assign(cost);
  if (!best) return { infeasible: true, because: whyNone(p) };
  const out: Sorted = {
    assignments: [],
    strays: [],
    missing: [],
    cost: best.cost,
    doubtful: [],
    dangerous: [],
  };
  const spec = p.holes.map(specOf);
  const margin = p.doubtMargin ?? usualDoubt;
  const dangers = new Map<string, Danger>();
  const mayHurt = (screw: number, hole: number) => {
    const [s, h] = [p.screws[screw]!, p.holes[hole]!];
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
  for (const [i, s] of p.screws.entries()) {
    const j = best.columnOf[i]!;
    if (j >= holes) {
      out.strays.push(s.id);
      continue;
    }
    const h = p.holes[j]!;
    out.assignments.push({ screw: s.id, hole: h.id });
    mayHurt(i, j);
    const other = withoutPair(cost, best, i, (c) => c < holes && spec[c] === spec[j], margin);
    if (!(other.dearer < margin)) continue;
    // who would then be in this hole, or in one just like it
    const rivals = other.changes.filter(
      (c) => c.row < p.screws.length && c.column < holes && spec[c.column] === spec[j],
    );
    const instead = p.holes[other.changes.find((c) => c.row === i)?.column ?? -1]?.id;
    out.doubtful.push({
      hole: h.id,
      screws: [s.id, ...rivals.map((c) => p.screws[c.row]!.id)],
      margin: other.dearer,
      ...(instead ? { instead } : {}),
    });
    for (const c of other.changes) if (c.row < p.screws.length && c.column < holes) mayHurt(c.row, c.column);
  }
  for (let j = 0; j < holes; j++) if (best.rowOf[j]! >= p.screws.length) out.missing.push(p.holes[j]!.id);
  out.doubtful.sort((a, b) => a.margin - b.margin);
  out.dangerous = [...dangers.values()];
  return out;
}

/** What stands against any answer: a drive that no hole has, or more of one than the other. */
function whyNone(p: SortProblem): string[] {
  const out: string[] = [];
  if (p.strayCost === null)
    for (const s of p.screws)
      if (!p.holes.some((h) => pairCost(p, s, h) < Infinity)) out.push(`no hole takes ${s.id}`);
  if (p.missingCost === null)
    for (const h of p.holes)
      if (!p.screws.some((s) => pairCost(p, s, h) < Infinity)) out.push(`no screw fits ${h.id}`);
  if (out.length) return out;
  // of some drive there are more on one side than on the other
  return [
    p.strayCost === null && (p.missingCost !== null || p.screws.length >= p.holes.length)
      ? 'more screws than holes that take them'
      : 'more holes than screws that fit them',
  ];
}
