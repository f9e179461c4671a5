/** How often a kind of work took the part with it, as its own jobs show. */
interface Counted {
  works: number;
  lost: number;
}
/**
 * What is expected before anybody has counted: one part in five lost over five imagined jobs (from memory; chip work on a
 * flex is told to fail between one in ten and one in three).
 */
const before: Counted = { works: 4, lost: 1 };
/** The chance of losing a part that a price counts with. */
export const expectedLoss = before.lost / (before.lost + before.works);

/** The chance that the part is lost, and between what it lies for eight of ten. */
export interface Odds {
  likely: number;
  low: number;
  high: number;
  /** Jobs of one's own that it rests on. */
  jobs: number;
}
/** Steps in which a beta distribution is summed. */
const steps = 2000;
/** Chance of losing the part: a beta distribution over the own jobs and the prior, its mean and the tenth and ninetieth of a hundred. */
export function oddsOf({ works, lost }: Counted): Odds {
  const a = before.lost + lost;
  const b = before.works + works;
  const density = Array.from({ length: steps }, (_, k) => {
    const p = (k + 0.5) / steps;
    return (a - 1) * Math.log(p) + (b - 1) * Math.log(1 - p);
  });
  const most = Math.max(...density);
  const weights = density.map((log) => Math.exp(log - most));
  const all = weights.reduce((sum, w) => sum + w, 0);
  const below = (share: number) => {
    let sum = 0;
    const k = weights.findIndex((w) => {
      sum += w;
      return sum >= share * all;
    });
    return (k + 0.5) / steps;
  };
  return { likely: a / (a + b), low: below(0.1), high: below(0.9), jobs: works + lost };
}
