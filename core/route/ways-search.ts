import type { WaysOptions } from './choose-ways';
import { WaysBound } from './ways-bound';
import type { WaysGraph } from './ways-graph';

const rootSteps = 200;
const nodeSteps = 20;
/** Above this depth the prices are tuned anew at each node; below it a node costs next to nothing. */
const retuneDepth = 6;
const nodeLength = 0.6;
/** Sums of costs in floating point differ in their last digits. */
export const eps = 1e-9;
/** A part that nothing needs so far, and one that is needed and has no way yet; else the number of its way. */
const [unneeded, undecided] = [-2, -1];

/**
 * Depth-first branch and bound over the ways of the parts that are needed.
 * `bar` is what a solution must stay below; each that does is handed to `take`.
 */
export class WaysSearch {
  readonly #choice: Int8Array;
  /** Ways of each part that cannot belong to anything better than the best found, as bits. */
  readonly #banned: Uint32Array;
  /** How many of the chosen ways pay each operation. */
  readonly #paid: Int32Array;
  readonly #bounds: WaysBound;
  /** All costs are whole: so is the best of them. */
  readonly #whole: boolean;
  readonly #budget: number;
  #nodes = 0;
  #out = false;

  constructor(
    readonly graph: WaysGraph,
    readonly bar: () => number,
    readonly take: (choice: Int8Array, cost: number) => void,
    readonly options: WaysOptions,
  ) {
    const { parts, operations, targets } = graph;
    this.#choice = new Int8Array(parts.length).fill(unneeded);
    this.#banned = new Uint32Array(parts.length);
    this.#paid = new Int32Array(operations.length);
    this.#bounds = new WaysBound(graph);
    this.#whole =
      operations.every((o) => Number.isInteger(o.cost)) &&
      parts.every((p) => p.ways.every((w) => Number.isInteger(w.cost)));
    this.#budget = options.budget ?? 100_000;
    for (const target of targets) this.#choice[target] = undecided;
  }

  run(): { done: boolean; rootBound: number } {
    const rootBound = this.#tightenRoot();
    if (!this.#tooDear(rootBound)) this.#visit(0, rootBound, 0);
    return { done: !this.#out, rootBound };
  }

  #tooDear(bound: number): boolean {
    const limit = this.bar();
    return (this.#whole ? Math.ceil(bound - 1e-6) : bound) >= limit - eps * (1 + Math.abs(limit));
  }
  #isBanned(part: number, way: number): boolean {
    return ((this.#banned[part]! >>> way) & 1) === 1;
  }

  /** Prices as good as they get, a solution along the way, and ways struck out that cannot be part of a better one. */
  #tightenRoot(): number {
    const bounds = this.#bounds;
    let rootBound = Number.NEGATIVE_INFINITY;
    let saved = bounds.prices.slice();
    let length = 1;
    let known = Number.POSITIVE_INFINITY;
    for (let step = 0, dull = 0; step < rootSteps && !this.#tooDear(rootBound); step++) {
      const bound = bounds.bound(this.#choice, this.#banned);
      if (step % 4 === 0) {
        const found = alongPrices(this.graph, bounds);
        if (found && found.cost < known) {
          known = found.cost;
          if (!this.#tooDear(known)) this.take(found.choice, known);
        }
      }
      if (bound > rootBound + eps) {
        rootBound = bound;
        saved = bounds.prices.slice();
        dull = 0;
      } else if (++dull === 8) {
        length *= 0.6;
        dull = 0;
      }
      if (step % 40 === 39) this.#strikeOut(bound);
      bounds.improve(bound, Math.min(this.bar(), known), length);
    }
    bounds.prices.set(saved);
    bounds.bound(this.#choice, this.#banned);
    return rootBound;
  }
  #strikeOut(bound: number): void {
    for (const [p, part] of this.graph.parts.entries())
      for (let w = 0; w < part.ways.length; w++) {
        if (this.#isBanned(p, w)) continue;
        const dearer = bound + this.#bounds.extra(this.#choice, p, w);
        if (this.#tooDear(dearer) && this.#tooDear(dearer - 1e-6)) this.#banned[p]! |= 1 << w;
      }
  }

  #visit(cost: number, bound: number, depth: number): void {
    const { stop } = this.options;
    if (this.#out) return;
    if (++this.#nodes > this.#budget || (stop && this.#nodes % 1024 === 0 && stop())) {
      this.#out = true;
      return;
    }
    const tunes = depth < retuneDepth;
    const before = tunes ? this.#bounds.prices.slice() : undefined;
    const tuned = tunes ? this.#tune() : bound;
    if (tuned !== undefined) {
      const part = this.#nextPart();
      if (part !== undefined) this.#branch(part, cost, tuned, depth);
      else if (!this.#tooDear(cost)) this.take(this.#choice.slice(), cost);
    }
    if (!before) return;
    this.#bounds.prices.set(before);
    if (tuned !== undefined) this.#bounds.bound(this.#choice, this.#banned);
  }
  /** Tunes the prices for this node. @returns its bound; undefined when nothing below it is worth looking at */
  #tune(): number | undefined {
    const bounds = this.#bounds;
    let prices = bounds.prices.slice();
    let best = bounds.bound(this.#choice, this.#banned);
    for (let step = 0; step < nodeSteps && !this.#tooDear(best) && Number.isFinite(this.bar()); step++) {
      bounds.improve(best, this.bar(), nodeLength);
      const bound = bounds.bound(this.#choice, this.#banned);
      if (bound > best) {
        best = bound;
        prices = bounds.prices.slice();
      }
    }
    if (this.#tooDear(best)) return undefined;
    bounds.prices.set(prices);
    bounds.bound(this.#choice, this.#banned);
    return best;
  }
  /** A part with one way left is no question; else the one whose second way is furthest from its first. */
  #nextPart(): number | undefined {
    let next: number | undefined;
    let widest = -1;
    for (let p = 0; p < this.graph.parts.length; p++) {
      if (this.#choice[p] !== undecided) continue;
      const gap = this.#bounds.gap(p, this.#banned[p]!);
      if (gap > widest) {
        widest = gap;
        next = p;
      }
    }
    return next;
  }

  #branch(part: number, cost: number, bound: number, depth: number): void {
    const { ways } = this.graph.parts[part]!;
    const open = ways
      .map((_, w) => w)
      .filter((w) => !this.#isBanned(part, w))
      .map((w) => ({ w, more: this.#bounds.extra(this.#choice, part, w) }))
      .sort((x, y) => x.more - y.more);
    for (const { w, more } of open) {
      const way = ways[w]!;
      if (this.#isCircular(part, way.needs)) continue;
      // with the prices as they are, deciding a way changes the bound by just this
      let then = bound + more;
      for (const need of way.needs) if (this.#choice[need] === unneeded) then += this.#bounds.opened(need);
      if (this.#tooDear(then)) continue;
      this.#decide(part, w, cost, (paid) => {
        if (!this.#tooDear(paid)) this.#visit(paid, then, depth + (open.length > 1 ? 1 : 0));
      });
      if (this.#out) break;
      // deeper nodes may have tuned the prices: back to this node's
      if (depth + 1 < retuneDepth) this.#bounds.bound(this.#choice, this.#banned);
    }
  }
  /** Chooses a way, looks below it, and takes the choice back. */
  #decide(part: number, w: number, cost: number, below: (paid: number) => void): void {
    const way = this.graph.parts[part]!.ways[w]!;
    this.#choice[part] = w;
    let paid = cost + way.cost;
    for (const operation of way.operations) {
      if (this.#paid[operation] === 0) paid += this.graph.operations[operation]!.cost;
      this.#paid[operation]!++;
    }
    const opened = way.needs.filter((n) => this.#choice[n] === unneeded);
    for (const n of opened) this.#choice[n] = undecided;
    below(paid);
    for (const n of opened) this.#choice[n] = unneeded;
    for (const o of way.operations) this.#paid[o]!--;
    this.#choice[part] = undecided;
  }
  /** Would these needs lead back to the part, through what is chosen so far? */
  #isCircular(part: number, needs: readonly number[]): boolean {
    const stack = [...needs];
    const been = new Set<number>();
    while (stack.length) {
      const at = stack.pop()!;
      if (at === part) return true;
      if (been.has(at)) continue;
      been.add(at);
      const w = this.#choice[at]!;
      if (w >= 0) stack.push(...this.graph.parts[at]!.ways[w]!.needs);
    }
    return false;
  }
}

/** The choice that follows the cheapest prices from the targets down, circles avoided; undefined when it runs into one. */
function alongPrices(graph: WaysGraph, bounds: WaysBound): { choice: Int8Array; cost: number } | undefined {
  const { parts, operations, targets } = graph;
  const choice = new Int8Array(parts.length).fill(-2);
  const paid = new Set<number>();
  const on = new Set<number>();
  let cost = 0;
  const put = (p: number): boolean => {
    if (choice[p]! >= 0) return true;
    if (on.has(p)) return false;
    on.add(p);
    const price = (k: number) => {
      const wayNode = parts[p]!.ways[k]!;
      // what is out already is for nothing
      return (
        wayNode.cost +
        wayNode.operations.reduce((s, o) => s + (paid.has(o) ? 0 : operations[o]!.cost), 0) * 0.5 +
        bounds.priceOf(p, k) -
        wayNode.needs.filter((n) => choice[n]! >= 0).length
      );
    };
    const order = parts[p]!.ways.map((_, k) => k).sort((a, b) => price(a) - price(b));
    for (const k of order) {
      const w = parts[p]!.ways[k]!;
      if (w.needs.some((n) => on.has(n) && choice[n]! < 0)) continue;
      if (!w.needs.every(put)) continue;
      choice[p] = k;
      cost += w.cost;
      for (const operation of w.operations)
        if (!paid.has(operation)) {
          paid.add(operation);
          cost += operations[operation]!.cost;
        }
      on.delete(p);
      return true;
    }
    on.delete(p);
    return false;
  };
  if (!targets.every(put)) return undefined;
  // parts that were put in for a way that did not work out are not needed
  const needed = new Set<number>();
  const keep = (p: number): void => {
    if (!needed.has(p)) {
      needed.add(p);
      for (const need of parts[p]!.ways[choice[p]!]!.needs) keep(need);
    }
  };
  for (const target of targets) keep(target);
  const ops = new Set<number>();
  cost = 0;
  for (let p = 0; p < parts.length; p++) {
    if (!needed.has(p)) {
      choice[p] = -2;
      continue;
    }
    const w = parts[p]!.ways[choice[p]!]!;
    cost += w.cost;
    for (const o of w.operations)
      if (!ops.has(o)) {
        ops.add(o);
        cost += operations[o]!.cost;
      }
  }
  return { choice, cost };
}
