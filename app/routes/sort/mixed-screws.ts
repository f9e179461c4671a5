import type { JobState } from '../../../core/log/state';
import { holderOf } from '../../../core/vocabulary/pieces';
import { screwSpec } from '../../../core/log/view';
import type { IndexedModel } from '../../../core/model/index-model';
import { calliperMm } from '../../../core/screws/safe-length';
import { nextMeasures, type ToMeasure } from '../../../core/screws/next-measure';
import {
  type Hole,
  type LooseScrew,
  type Sorted,
  sortScrews,
  specOf,
} from '../../../core/screws/sort-screws';

/** What a workshop calliper and the maker's tolerance leave open together, mm (common practice, from memory). */
export const calliper = { sdLengthMm: 0.05, sdHeadMm: 0.08 };
/** Calling a screw a stray and its hole empty is worth it when the pair is five deviations off. */
const strangerCost = 5;

/** Screws that lie mixed up, each as the hole that it is from. */
export function holesOfMixed(index: IndexedModel, state: JobState): (Hole & { piece: string })[] {
  return Object.keys(state.place)
    .filter((p) => state.place[p] === 'mixed')
    .flatMap((piece) => {
      const fastener = index.fasteners.get(holderOf(piece));
      const spec = screwSpec(state, index, piece);
      return fastener && spec
        ? [
            {
              id: fastener.id,
              piece,
              drive: spec.drive,
              lengthMm: spec.lengthMm,
              headMm: spec.headMm,
              // what the hole bears, not what was once in it: an earlier repair may have put a longer one there
              maxLengthMm: fastener.maxLengthMm ?? Math.round((fastener.lengthMm + calliperMm) * 100) / 100,
            },
          ]
        : [];
    });
}

export interface MixedScrews {
  sorted: Sorted;
  measure: ToMeasure[] /** Holes that take each other's screws. */;
  alike: string[][];
}
/** The likeliest sorting of what has been measured so far; holes without a screw yet are not called missing. */
export function sortMixed(holes: readonly Hole[], screws: readonly LooseScrew[]): MixedScrews {
  const answer = sortScrews({
    holes,
    screws,
    ...calliper,
    strayCost: strangerCost,
    missingCost: strangerCost,
  });
  // with strays and empty holes allowed there is always an answer
  if ('infeasible' in answer) throw new RangeError(answer.because.join('; '));
  return { sorted: answer, measure: nextMeasures(answer, holes, screws), alike: alike(holes) };
}

function alike(holes: readonly Hole[]): string[][] {
  const groups = new Map<string, string[]>();
  for (const hole of holes) groups.set(specOf(hole), [...(groups.get(specOf(hole)) ?? []), hole.id]);
  return [...groups.values()].filter((g) => g.length > 1);
}

/** Every hole has its screw, none is left over and none could hurt. */
export const isWhole = (sorted: Sorted, screws: number, holes: number): boolean =>
  screws >= holes && !sorted.missing.length && !sorted.strays.length && !sorted.dangerous.length;
