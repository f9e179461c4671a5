import type { JobEvent } from '../log/events';
import { holderOf, originalPiece } from '../vocabulary/pieces';
import { often, type SuspectKind, suspectKinds } from './kinds';

/** How often each kind was why a function failed after work. */
export type Lessons = Partial<Record<SuspectKind, number>>;

/** The starting guesses count as so many failures that were put right. */
const guesses = 12;
/**
 * By how much a kind is suspected more than at the start: its share of what jobs have shown and of the guesses, over its share
 * of the guesses alone; 1 without jobs.
 */
export function learnt(kind: SuspectKind, lessons: Lessons): number {
  const sum = suspectKinds.reduce((s, k) => s + often[k], 0);
  const seen = suspectKinds.reduce((s, k) => s + (lessons[k] ?? 0), 0);
  const guessed = (guesses * often[kind]) / sum;
  return ((guessed + (lessons[kind] ?? 0)) / (guesses + seen)) * (guesses / guessed);
}

/** What an entry puts right, where it is one that does: the strongest between failing and working is taken for why. */
function putsRight({ body }: JobEvent): SuspectKind | undefined {
  switch (body.type) {
    case 'filmOff':
      return 'film';
    case 'reseated':
    case 'connectorOn':
      return 'contact';
    case 'pieceFitted':
      return body.piece === originalPiece(holderOf(body.piece)) ? undefined : 'part';
    case 'substituted':
      return 'screw';
    default:
      return undefined;
  }
}
/** A part that was replaced says more than the plugs that moved for it; a film more than a plug. */
const strongest: readonly SuspectKind[] = ['part', 'film', 'screw', 'contact'];

/**
 * What one job has shown: for each function that failed after work and then worked, what was done between the two. Where
 * nothing was, it was something else.
 * @param log without what was taken back
 */
export function lessonsOf(log: readonly JobEvent[]): Lessons {
  const failedAt = new Map<string, number>();
  const lessons: Lessons = {};
  for (const [k, { body }] of log.entries()) {
    if (body.type !== 'checked' || body.round === 'before') continue;
    const from = failedAt.get(body.function);
    if (body.result === 'fails') {
      if (from === undefined) failedAt.set(body.function, k);
    } else if (body.result === 'works' && from !== undefined) {
      const done = new Set(log.slice(from, k).map(putsRight));
      const why = strongest.find((kind) => done.has(kind)) ?? 'else';
      lessons[why] = (lessons[why] ?? 0) + 1;
      failedAt.delete(body.function);
    }
  }
  return lessons;
}
/** The lessons of several jobs. */
export const allLessons = (each: readonly Lessons[]): Lessons =>
  Object.fromEntries(
    suspectKinds.flatMap((kind) => {
      const n = each.reduce((s, l) => s + (l[kind] ?? 0), 0);
      return n ? [[kind, n]] : [];
    }),
  );
