import { meanOf, type ThreePoint } from './three-point';

/** What already stands on the bench: hands that its open devices still take, in seconds, and when each is promised. */
export interface Waiting {
  handsS: number;
  promisedAt: number | null;
}

/**
 * The earliest time at which a device can be ready: behind whatever is promised before it or has no promise, over the
 * hands there are, then its own hands and its own waits. A simple queue: one device after another at each bench; what
 * runs by itself meanwhile is not used for others.
 * @param now ms; `own` seconds of hands, `waitS` seconds that run by themselves
 * @param benches people at benches, at least 1
 * @param by only what is promised before this time stands in front; without it all of it does
 * @returns ms: likely, and late (hands at their most)
 */
export function earliestReady(
  now: number,
  own: ThreePoint,
  waitS: number,
  waiting: readonly Waiting[],
  benches: number,
  by?: number,
): { likelyAt: number; lateAt: number; queueS: number } {
  const before = waiting.filter((w) => by === undefined || w.promisedAt === null || w.promisedAt <= by);
  const queueS = before.reduce((s, w) => s + w.handsS, 0) / Math.max(1, benches);
  const ready = (hands: number) => now + Math.ceil(queueS + hands + waitS) * 1000;
  return { likelyAt: ready(meanOf(own)), lateAt: ready(own.high), queueS };
}
