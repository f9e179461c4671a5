import type { WaysGraph } from './ways-graph';

/**
 * A lower bound on the cost of a choice of ways by Lagrangian relaxation. Two families of constraints are priced
 * instead of kept: "a part whose way uses an operation pays for it" and "a part that a way needs comes out". Each such
 * link from a part to an operation or to another part has a price; what is left falls apart into one small question
 * for each part and each operation, so that a bound costs one pass over the ways. The prices are improved by
 * subgradient steps. Source of the method: Held, Wolfe and Crowder, Mathematical Programming 6, 1974 (from memory).
 *
 * The circles that a choice may not close are not part of the bound, which stays a lower bound without them.
 * Everything is in flat arrays: a bound is asked for at every node of the search.
 */
export class WaysBound {
  readonly prices: Float64Array;
  /** Links of a way: `links[start[w] .. start[w + 1]]`; ways of a part: `first[p] .. first[p + 1]`. */
  readonly #first: Int32Array;
  readonly #start: Int32Array;
  readonly #links: Int32Array;
  readonly #wayCost: Float64Array;
  /** Where a link leads: an operation, or `operations + part`. */
  readonly #to: Int32Array;
  readonly #opCost: Float64Array;
  readonly #rest: Float64Array;
  /** Of the last bound, for operations and then parts: taken or not. */
  readonly #taken: Uint8Array;
  readonly #used: Uint8Array;
  readonly #best: Int32Array;
  readonly #least: Float64Array;
  readonly #nParts: number;
  readonly #nOps: number;

  constructor(graph: WaysGraph) {
    const { parts, operations } = graph;
    this.#nParts = parts.length;
    this.#nOps = operations.length;
    const first = [0];
    const start = [0];
    const links: number[] = [];
    const to: number[] = [];
    const cost: number[] = [];
    for (const part of parts) {
      const own = new Map<number, number>();
      const link = (target: number) => {
        let l = own.get(target);
        if (l === undefined) {
          l = to.length;
          own.set(target, l);
          to.push(target);
        }
        return l;
      };
      for (const wayNode of part.ways) {
        for (const operation of wayNode.operations) links.push(link(operation));
        for (const need of wayNode.needs) links.push(link(this.#nOps + need));
        start.push(links.length);
        cost.push(wayNode.cost);
      }
      first.push(start.length - 1);
    }
    this.#first = Int32Array.from(first);
    this.#start = Int32Array.from(start);
    this.#links = Int32Array.from(links);
    this.#to = Int32Array.from(to);
    this.#wayCost = Float64Array.from(cost);
    this.#opCost = Float64Array.from(operations, (o) => o.cost);
    this.#rest = new Float64Array(this.#nOps + this.#nParts);
    this.#taken = new Uint8Array(this.#nOps + this.#nParts);
    this.#used = new Uint8Array(to.length);
    this.#best = new Int32Array(this.#nParts);
    this.#least = new Float64Array(this.#nParts);
    const users = new Float64Array(this.#nOps);
    for (const t of to) if (t < this.#nOps) users[t]!++;
    this.prices = Float64Array.from(to, (t) => (t < this.#nOps ? this.#opCost[t]! / users[t]! : 0));
  }

  /** The price of way `k` of a part now, without what the part earns from those who need it. */
  priceOf(part: number, k: number): number {
    const w = this.#first[part]! + k;
    let r = this.#wayCost[w]!;
    for (let i = this.#start[w]!; i < this.#start[w + 1]!; i++) r += this.prices[this.#links[i]!]!;
    return r;
  }
  /** By how much the part's second best way is dearer than its best; without end when only one is left. */
  gap(part: number, banned: number): number {
    let first = Number.POSITIVE_INFINITY;
    let second = Number.POSITIVE_INFINITY;
    for (let k = 0; k < this.#first[part + 1]! - this.#first[part]!; k++) {
      if ((banned >>> k) & 1) continue;
      const r = this.priceOf(part, k);
      if (r < first) {
        second = first;
        first = r;
      } else if (r < second) second = r;
    }
    return second === Number.POSITIVE_INFINITY ? Number.MAX_VALUE : second - first;
  }
  /** By how much the last bound grows when a free part must come out. */
  opened(part: number): number {
    return Math.max(0, this.#least[part]! + this.#rest[this.#nOps + part]!);
  }

  /**
   * The bound with some parts decided.
   * @param choice for each part the number of its way, -1 open (must come out), -2 free
   * @param banned bit k of entry p: way k of part p is out of the question
   */
  bound(choice: Int8Array, banned: Uint32Array): number {
    const nOps = this.#nOps;
    const rest = this.#rest;
    rest.set(this.#opCost);
    rest.fill(0, nOps);
    for (let l = 0; l < this.prices.length; l++) rest[this.#to[l]!]! -= this.prices[l]!;
    let total = 0;
    for (let o = 0; o < nOps; o++) {
      const on = rest[o]! < 0;
      this.#taken[o] = on ? 1 : 0;
      if (on) total += rest[o]!;
    }
    for (let p = 0; p < this.#nParts; p++) {
      const fixed = choice[p]!;
      let least = Number.POSITIVE_INFINITY;
      let way = -1;
      if (fixed >= 0) {
        least = this.priceOf(p, fixed);
        way = fixed;
      } else {
        const n = this.#first[p + 1]! - this.#first[p]!;
        for (let k = 0; k < n; k++) {
          if ((banned[p]! >>> k) & 1) continue;
          const r = this.priceOf(p, k);
          if (r < least) {
            least = r;
            way = k;
          }
        }
      }
      this.#best[p] = way;
      this.#least[p] = least;
      // what others pay for this part is in `rest` with a minus sign
      const value = least + rest[nOps + p]!;
      const on = fixed !== -2 || value < 0;
      this.#taken[nOps + p] = on ? 1 : 0;
      if (on) total += value;
    }
    return total;
  }

  /** How much dearer the last bound is at least, when this part must come out by this way. */
  extra(choice: Int8Array, part: number, k: number): number {
    const forced = choice[part] !== -2;
    const own = this.priceOf(part, k);
    if (forced) return own - this.#least[part]!;
    return (
      own + this.#rest[this.#nOps + part]! - Math.min(0, this.#least[part]! + this.#rest[this.#nOps + part]!)
    );
  }

  /** One subgradient step from the last bound towards `upper`, of relative length `step`. */
  improve(last: number, upper: number, step: number): void {
    const { prices } = this;
    const used = this.#used.fill(0);
    for (let p = 0; p < this.#nParts; p++) {
      if (!this.#taken[this.#nOps + p] || this.#best[p]! < 0) continue;
      const w = this.#first[p]! + this.#best[p]!;
      for (let i = this.#start[w]!; i < this.#start[w + 1]!; i++) used[this.#links[i]!] = 1;
    }
    let norm = 0;
    for (let l = 0; l < prices.length; l++) {
      const g = used[l]! - this.#taken[this.#to[l]!]!;
      if (g > 0 || (g < 0 && prices[l]! > 0)) norm++;
    }
    if (norm === 0) return;
    const t = (step * Math.max(upper - last, 1e-4 * Math.abs(upper) + 1e-9)) / norm;
    for (let l = 0; l < prices.length; l++) {
      const g = used[l]! - this.#taken[this.#to[l]!]!;
      if (g) prices[l] = Math.max(0, prices[l]! + t * g);
    }
  }
}
