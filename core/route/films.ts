import { holderOf, newPiece } from '../vocabulary/pieces';
import type { IndexedModel } from '../model/index-model';
import { carriedOf } from '../model/carried';
import type { Setting } from './setting';
import { type Draft, plainStep, faceOf } from './draft';
import { times, handsS } from './times';
/** Films by the slot whose piece they are on. */
export function bySlot(films: readonly string[]): Map<string, string[]> {
  const out = new Map<string, string[]>();
  for (const film of films) {
    const slot = holderOf(film.split('/')[0]!);
    out.set(slot, [...(out.get(slot) ?? []), film]);
  }
  return out;
}

/** The films of a new piece and of what comes fitted on it. */
export const filmsOf = (index: IndexedModel, slot: string): string[] =>
  [
    slot,
    ...carriedOf(index, slot, 'arriving')
      .filter((r) => !r.hole)
      .map((r) => r.id),
  ].flatMap((id) => index.slots.get(id)!.films.map((_, i) => `${newPiece(id)}/${i}`));

/** Films that are still on new pieces which went in before this route was planned: of the covers, or of all others. */
export const filmsLeft = ({ index, standing }: Setting, ofCovers: boolean): string[] =>
  standing.filmsOn.filter((f) => index.coverSlots.includes(holderOf(f.split('/')[0]!)) === ofCovers);
/** A film taken off what is in the device or goes in. */
export const filmStep = (index: IndexedModel, slot: string, films: string[]): Draft =>
  plainStep('film off', films, times(handsS.film, films.length), { about: slot, face: faceOf(index, slot) });
