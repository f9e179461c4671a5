/** How often a kind of work took the part with it, as its own jobs show. */
export interface Counted {
  works: number;
  lost: number;
}
/**
 * What is expected before anybody has counted: one part in five lost over five imagined jobs (from memory; chip work on a
 * flex is told to fail between one in ten and one in three).
 */
const before: Counted = { works: 4, lost: 1 };

/** The chance that the part is lost, and between what it lies for eight of ten. */
export interface Odds {
  likely: number;
  low: number;
  high: number;
  /** Jobs of one's own that it rests on. */
  jobs: number;
}
/** Chance of losing the part: the mean of a beta distribution over the own jobs and the prior; its span by the normal approximation. */
export function oddsOf({ works, lost }: Counted): Odds {
  const a = before.lost + lost;
  const b = before.works + works;
  const likely = a / (a + b);
  const sd = Math.sqrt((a * b) / ((a + b) ** 2 * (a + b + 1)));
  const span = 1.2816 * sd;
  return {
    likely,
    low: Math.max(0, likely - span),
    high: Math.min(1, likely + span),
    jobs: works + lost,
  };
}
