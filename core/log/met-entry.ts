import { originalPiece } from '../vocabulary/pieces';
import type { Met, MetEntry } from './met-schema';
import type { JobState } from './state';

/** The parts that are away, by id: out, or, as `display@folded`, in a pose. */
function away({ pose, place, touched }: JobState): string[] {
  const filled = new Set(Object.values(place));
  return [
    ...Object.keys(pose).map((slot) => `${slot}@${pose[slot]}`),
    // of what was touched, only pieces have a place
    ...Object.keys(touched).filter(
      (slot) => place[originalPiece(slot)] !== undefined && !filled.has(`slot/${slot}`),
    ),
  ].sort();
}
/** What a thing is known as once it is met: under what it lay is taken from when it was first met. */
export function metEntry(state: JobState, thing: Met, seq: number): MetEntry {
  const known = state.met[thing.id];
  return { ...thing, seq: known?.seq ?? seq, under: known?.under ?? away(state) };
}
