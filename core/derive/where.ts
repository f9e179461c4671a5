import type { Point, RecordedThing, Rectangle } from './teardown';

/** How far off a recorded position may be, mm: a finger's tip on a map of a phone. */
export const recordedWithinMm = 0.5;

interface Span {
  low: number;
  high: number;
}
/** The edges of a thing, each as the span in which it truly lies; a point has its left edge where its right one is. */
export interface Whereabouts {
  left: Span;
  right: Span;
  top: Span;
  bottom: Span;
}

/** Where a value lies that was recorded several times, each time up to `offMm` off; recordings that differ by more widen it. */
function spanOf(recorded: readonly number[], offMm: number): Span {
  const [least, most] = [Math.min(...recorded), Math.max(...recorded)];
  return most - least <= 2 * offMm
    ? { low: most - offMm, high: least + offMm }
    : { low: least - offMm, high: most + offMm };
}

/**
 * Where a thing can lie, of all that was recorded of it. A width is off by itself, so that the far edges of a shape may be
 * off by twice as much as its corner.
 */
export function whereabouts(recorded: readonly Pick<RecordedThing, 'at' | 'shape'>[]): Whereabouts {
  const corner = (pick: (place: Point) => number) =>
    spanOf(
      recorded.map((thing) => pick((thing.shape ?? thing.at)!)),
      recordedWithinMm,
    );
  const far = (pick: (shape: Rectangle) => number) =>
    spanOf(
      recorded.map((thing) => pick(thing.shape!)),
      2 * recordedWithinMm,
    );
  const [left, top] = [corner((p) => p.x), corner((p) => p.y)];
  return recorded[0]!.shape
    ? { left, top, right: far((s) => s.x + s.w), bottom: far((s) => s.y + s.h) }
    : { left, top, right: left, bottom: top };
}

/** How far an arm of a bracket or a lug of a plate may reach beyond the outline that was drawn of it, mm (from memory). */
const armMm = 20;
/** Whether two things can come as near to each other as this in both directions, mm. */
const within = (a: Whereabouts, b: Whereabouts, mm: number): boolean =>
  a.left.low <= b.right.high + mm &&
  b.left.low <= a.right.high + mm &&
  a.top.low <= b.bottom.high + mm &&
  b.top.low <= a.bottom.high + mm;

/** Whether two things can lie over each other, however little. */
export const canOverlap = (a: Whereabouts, b: Whereabouts): boolean => within(a, b, 0);
/** Whether a part can cover a thing with more of it than was drawn. */
export const canReach = (a: Whereabouts, b: Whereabouts): boolean => within(a, b, armMm);
