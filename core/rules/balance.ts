import type { IndexedModel } from '../model/index-model';
import type { JobState } from '../log/state';
import { holderOf, originalPiece } from '../vocabulary/pieces';
import { filmsDue, isLive, outsideFasteners, pieceInHole, pieceInSlot, placeOf, poseOf } from '../log/view';

/** What the ledger bar shows, and what the gates at the end are decided on. All by identity. */
export interface Balance {
  live: boolean;
  screwsOut: string[];
  screwsKnown: number;
  connectorsOff: string[];
  piecesOut: string[];
  folded: string[];
  adrift: string[];
  strays: string[];
  filmsOn: string[];
  masksOn: string[];
  bondsOpen: string[];
  torn: string[];
}

/** Counts a job's pieces by identity. A screw that was lost and a stray that was found never cancel. */
export function balance(state: JobState, index: IndexedModel): Balance {
  const { model } = index;
  return {
    live: isLive(state, index),
    screwsOut: model.fasteners.filter((f) => pieceInHole(state, f.id) === undefined).map((f) => f.id),
    screwsKnown: model.fasteners.length,
    connectorsOff: model.connectors.filter((c) => state.connector[c.id] === 'off').map((c) => c.id),
    piecesOut: model.slots.filter((s) => pieceInSlot(state, s.id) === undefined).map((s) => s.id),
    folded: model.slots.filter((s) => poseOf(state, s.id) === 'folded').map((s) => s.id),
    adrift: Object.keys(state.place).filter((p) => state.place[p] === 'adrift'),
    strays: Object.keys(state.stray).filter((s) => state.stray[s] === 'inside'),
    filmsOn: filmsDue(state, index)
      .filter((f) => !f.off)
      .map((f) => f.id),
    masksOn: Object.keys(state.mask).filter((m) => state.mask[m] === 'on'),
    bondsOpen: model.bonds
      .filter((b) => state.bond[b.id] === 'released' || state.bond[b.id] === 'torn')
      .map((b) => b.id),
    torn: model.bonds.filter((b) => state.bond[b.id] === 'torn').map((b) => b.id),
  };
}

/** Holes and slots that must be filled before the device is closed (its outside screws excepted) and are not. */
export function emptyInside(state: JobState, index: IndexedModel): string[] {
  const outside = new Set(outsideFasteners(index));
  return [
    ...index.model.fasteners
      .filter((f) => !outside.has(f.id) && pieceInHole(state, f.id) === undefined)
      .map((f) => f.id),
    ...index.model.slots
      .filter((s) => s.install?.side !== 'outside' && pieceInSlot(state, s.id) === undefined)
      .map((s) => s.id),
  ];
}

/** Pieces of the device as it came, or put in since, that are neither in it nor knowingly elsewhere. */
export function unaccounted(state: JobState, index: IndexedModel): string[] {
  const touched = new Set(Object.keys(state.place));
  for (const h of [...index.fasteners.keys(), ...index.slots.keys()]) touched.add(originalPiece(h));
  return [...touched].filter((p) => {
    const at = placeOf(state, p, index);
    if (at === undefined) return true;
    if (at.startsWith('aside/')) return false;
    // in its own place; a screw in a hole that is not its own is not accounted for
    return at !== `hole/${holderOf(p)}` && at !== `slot/${holderOf(p)}`;
  });
}
