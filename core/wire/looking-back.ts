import type { KindOfStep, PromisesKept } from '../day/true-times';

/** What a month shows: true times beside planned ones, where the hands went, how promises were kept. Nobody's name is in it. */
export interface LookingBack {
  /** ms; the first of its month. */
  from: number;
  jobs: number;
  /** Jobs of which the steps can be told: with a route. */
  withRoute: number;
  kinds: KindOfStep[];
  promises: PromisesKept;
}
