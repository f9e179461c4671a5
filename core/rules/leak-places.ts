import type { IndexedModel } from '../model/index-model';
import { coverBonds, perimeterSeal } from '../model/seals';
import type { JobState } from '../log/state';

/** A place where a closed device may leak, what is done about it, and whether it was touched here. */
export interface LeakPlace {
  kind: 'corners' | 'screws' | 'rim' | 'second seal';
  /** The bond, or the screws that go through the rim. */
  things: string[];
  /** `press` and `tighten` are done without opening it; `reseal` opens the cover of this slot. */
  mend: 'press' | 'tighten' | 'reseal';
  slot?: string;
  touched: boolean;
}
/**
 * Where to look when a leak test fails, what costs least first: corners that stand proud are pressed again, screws through the
 * rim are tightened, then a rim is opened and sealed anew; what was touched here before what was not (common practice).
 */
export function leakPlaces(index: IndexedModel, state: JobState): LeakPlace[] {
  const seal = perimeterSeal(index);
  const touched = (bond: string) => state.bond[bond] !== undefined;
  const screws = index.model.fasteners
    .filter((f) => f.holds.some((slot) => index.coverSlots.includes(slot)))
    .map((f) => f.id);
  const moved = (id: string) => state.bond[id] === 'renewed';
  const seals = coverBonds(index).filter((bond) => bond !== seal);
  const places: LeakPlace[] = [
    ...(seal
      ? [{ kind: 'corners' as const, things: [seal.id], mend: 'press' as const, touched: moved(seal.id) }]
      : []),
    ...(screws.length
      ? [
          {
            kind: 'screws' as const,
            things: screws,
            mend: 'tighten' as const,
            touched: seal ? touched(seal.id) : true,
          },
        ]
      : []),
    ...(seal
      ? [
          {
            ...{ kind: 'rim' as const, things: [seal.id], mend: 'reseal' as const },
            ...(seal.holds[0] ? { slot: seal.holds[0] } : {}),
            touched: touched(seal.id),
          },
        ]
      : []),
    ...seals.map((bond) => ({
      ...{ kind: 'second seal' as const, things: [bond.id], mend: 'reseal' as const },
      ...(bond.holds[0] ? { slot: bond.holds[0] } : {}),
      touched: touched(bond.id),
    })),
  ];
  return places.toSorted((a, b) => Number(b.touched) - Number(a.touched));
}
