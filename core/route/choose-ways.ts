import { WaysBound } from './ways-bound';
import { type WaysGraph, waysGraph } from './ways-graph';

/** The shape of the `ways` verb: a part is out when one of its ways is done, after everything it needs is out. */
export interface WaysProblem {
  parts: { id: string; ways: { id: string; needs: string[]; operations: string[]; cost: number }[] }[];
  /** An operation is paid once, however many ways share it. */
  operations: { id: string; cost: number }[];
  targets: string[];
}
export interface WaysChoice {
  /** The chosen way of each part that comes out. */
  ways: Record<string, string>;
  /** The parts in an order in which they can come out. */
  order: string[];
  cost: number;
}
export type WaysAnswer =
  | (WaysChoice & { lowerBound: number; optimal: boolean })
  | { infeasible: true; because: string[] };
export interface WaysOptions {
  /** Search nodes. @default 100_000 */
  budget?: number;
  /** Asked now and then; true ends the search as an empty budget would. */
  stop?: (() => boolean) | undefined;
}

const rootSteps = 200;
const nodeSteps = 20;
/** Above this depth the prices are tuned anew at each node; below it a node costs next to nothing. */
const retuneDepth = 6;
const nodeLength = 0.6;
/** Sums of costs in floating point differ in their last digits. */
const eps = 1e-9;

/**
 * The cheapest choice of ways that can be carried out in some order, with operations shared between parts paid once
 * (a minimum-cost acyclic support in an AND/OR graph; for the graph see Homem de Mello and Sanderson, IEEE T-RA 6(2),
 * 1990). Exact branch and bound with the bound of `WaysBound`; ways that cannot be part of anything better than the
 * best found are struck out at the root.
 * When the budget runs out the best found is returned with `optimal: false` and the root's bound.
 */
export function chooseWays(problem: WaysProblem, options: WaysOptions = {}): WaysAnswer {
  const graph = waysGraph(problem);
  if ('impossible' in graph) return { infeasible: true, because: graph.impossible };
  let best: { choice: Int8Array; cost: number } | undefined;
  const search = branch(
    graph,
    () => best?.cost ?? Number.POSITIVE_INFINITY,
    (choice, cost) => {
      best = { choice, cost };
    },
    options,
  );
  if (!best) return { infeasible: true, because: problem.targets };
  return {
    ...named(graph, best.choice, best.cost),
    lowerBound: search.done ? best.cost : Math.min(best.cost, search.rootBound),
    optimal: search.done,
  };
}

/**
 * Every choice that costs no more than `limit`, the cheapest first.
 * @param most how many at the most; when there are more, the search says so by `complete: false`
 */
export function choicesUpTo(
  problem: WaysProblem,
  limit: number,
  most: number,
  options: WaysOptions = {},
): { choices: WaysChoice[]; complete: boolean } {
  const graph = waysGraph(problem);
  if ('impossible' in graph) return { choices: [], complete: true };
  const found: { choice: Int8Array; cost: number }[] = [];
  let full = false;
  // a choice as dear as the limit is wanted, too
  const bar = () => (found.length < most ? limit + 2 * eps * (1 + Math.abs(limit)) : found[most - 1]!.cost);
  const search = branch(
    graph,
    bar,
    (choice, cost) => {
      // the root may have come upon it already
      if (found.some((f) => f.cost === cost && f.choice.every((k, i) => k === choice[i]))) return;
      found.push({ choice, cost });
      found.sort((a, b) => a.cost - b.cost);
      if (found.length > most) {
        found.pop();
        full = true;
      }
    },
    options,
  );
  return { choices: found.map((f) => named(graph, f.choice, f.cost)), complete: search.done && !full };
}

function named(graph: WaysGraph, choice: Int8Array, cost: number): WaysChoice {
  const order: string[] = [];
  const ways: Record<string, string> = {};
  const put = (p: number): void => {
    const { id, ways: own } = graph.parts[p]!;
    if (ways[id] !== undefined) return;
    const way = own[choice[p]!]!;
    for (const n of way.needs) put(n);
    ways[id] = way.id;
    order.push(id);
  };
  for (const t of graph.targets) put(t);
  return { ways, order, cost };
}

/** Depth-first branch and bound over the ways of the parts that are needed. `bar` is what a solution must stay below. */
function branch(
  graph: WaysGraph,
  bar: () => number,
  take: (choice: Int8Array, cost: number) => void,
  { budget = 100_000, stop }: WaysOptions,
): { done: boolean; rootBound: number } {
  const { parts, operations, targets } = graph;
  const choice = new Int8Array(parts.length).fill(-2);
  const banned = new Uint32Array(parts.length);
  const paid = new Int32Array(operations.length);
  const bounds = new WaysBound(graph);
  const whole =
    operations.every((o) => Number.isInteger(o.cost)) &&
    parts.every((p) => p.ways.every((w) => Number.isInteger(w.cost)));
  for (const t of targets) choice[t] = -1;
  const tooDear = (b: number) => {
    const limit = bar();
    return (whole ? Math.ceil(b - 1e-6) : b) >= limit - eps * (1 + Math.abs(limit));
  };
  const _ways = (p: number) => {
    let k = 0;
    for (let w = 0; w < parts[p]!.ways.length; w++) if (!((banned[p]! >>> w) & 1)) k++;
    return k;
  };

  // the root: prices as good as they get, a solution along the way, and ways struck out that cannot be part of a better one
  let rootBound = Number.NEGATIVE_INFINITY;
  let saved = bounds.prices.slice();
  let length = 1;
  let known = Number.POSITIVE_INFINITY;
  for (let k = 0, dull = 0; k < rootSteps && !tooDear(rootBound); k++) {
    const b = bounds.bound(choice, banned);
    if (k % 4 === 0) {
      const found = alongPrices(graph, bounds);
      if (found && found.cost < known) {
        known = found.cost;
        if (!tooDear(known)) take(found.choice, known);
      }
    }
    if (b > rootBound + eps) {
      rootBound = b;
      saved = bounds.prices.slice();
      dull = 0;
    } else if (++dull === 8) {
      length *= 0.6;
      dull = 0;
    }
    if (k % 40 === 39)
      for (let p = 0; p < parts.length; p++)
        for (let w = 0; w < parts[p]!.ways.length; w++)
          if (
            !((banned[p]! >>> w) & 1) &&
            tooDear(b + bounds.extra(choice, p, w)) &&
            tooDear(b + bounds.extra(choice, p, w) - 1e-6)
          )
            banned[p]! |= 1 << w;
    bounds.improve(b, Math.min(bar(), known), length);
  }
  bounds.prices.set(saved);
  bounds.bound(choice, banned);

  /** Would these needs lead back to the part, through what is chosen so far? */
  const circular = (part: number, needs: number[]): boolean => {
    const stack = [...needs];
    const been = new Set<number>();
    while (stack.length) {
      const at = stack.pop()!;
      if (at === part) return true;
      if (been.has(at)) continue;
      been.add(at);
      if (choice[at]! >= 0) stack.push(...parts[at]!.ways[choice[at]!]!.needs);
    }
    return false;
  };
  let nodes = 0;
  let out = false;
  const visit = (cost: number, bound: number, depth: number): void => {
    if (out) return;
    if (++nodes > budget || (stop && nodes % 1024 === 0 && stop())) {
      out = true;
      return;
    }
    const before = depth < retuneDepth ? bounds.prices.slice() : undefined;
    let b = bound;
    if (before) {
      let prices = before;
      b = bounds.bound(choice, banned);
      for (let k = 0; k < nodeSteps && !tooDear(b) && Number.isFinite(bar()); k++) {
        bounds.improve(b, bar(), nodeLength);
        const c = bounds.bound(choice, banned);
        if (c > b) {
          b = c;
          prices = bounds.prices.slice();
        }
      }
      if (tooDear(b)) {
        bounds.prices.set(before);
        return;
      }
      bounds.prices.set(prices);
      bounds.bound(choice, banned);
    }
    // a part with one way left is no question; else the one whose second way is furthest from its first
    let part = -1;
    let widest = -1;
    for (let p = 0; p < parts.length; p++) {
      if (choice[p] !== -1) continue;
      const gap = bounds.gap(p, banned[p]!);
      if (gap > widest) {
        widest = gap;
        part = p;
      }
    }
    if (part < 0) {
      if (!tooDear(cost)) take(choice.slice(), cost);
      if (before) bounds.prices.set(before);
      return;
    }
    const order = parts[part]!.ways.map((_, w) => w)
      .filter((w) => !((banned[part]! >>> w) & 1))
      .map((w) => ({ w, more: bounds.extra(choice, part, w) }))
      .sort((x, y) => x.more - y.more);
    for (const { w, more } of order) {
      const way = parts[part]!.ways[w]!;
      if (circular(part, way.needs)) continue;
      // with the prices as they are, deciding a way changes the bound by just this
      let then = b + more;
      for (const n of way.needs) if (choice[n] === -2) then += bounds.opened(n);
      if (tooDear(then)) continue;
      choice[part] = w;
      let c = cost + way.cost;
      for (const o of way.operations) {
        if (paid[o] === 0) c += operations[o]!.cost;
        paid[o]!++;
      }
      const opened: number[] = [];
      for (const n of way.needs)
        if (choice[n] === -2) {
          choice[n] = -1;
          opened.push(n);
        }
      if (!tooDear(c)) visit(c, then, depth + (order.length > 1 ? 1 : 0));
      for (const n of opened) choice[n] = -2;
      for (const o of way.operations) paid[o]!--;
      choice[part] = -1;
      if (out) break;
      // deeper nodes may have tuned the prices: back to this node's
      if (before && depth + 1 < retuneDepth) {
        bounds.bound(choice, banned);
      }
    }
    if (before) {
      bounds.prices.set(before);
      bounds.bound(choice, banned);
    }
  };
  if (!tooDear(rootBound)) visit(0, rootBound, 0);
  return { done: !out, rootBound };
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
      const w = parts[p]!.ways[k]!;
      // what is out already is for nothing
      return (
        w.cost +
        w.operations.reduce((s, o) => s + (paid.has(o) ? 0 : operations[o]!.cost), 0) * 0.5 +
        bounds.priceOf(p, k) -
        w.needs.filter((n) => choice[n]! >= 0).length
      );
    };
    const order = parts[p]!.ways.map((_, k) => k).sort((a, b) => price(a) - price(b));
    for (const k of order) {
      const w = parts[p]!.ways[k]!;
      if (w.needs.some((n) => on.has(n) && choice[n]! < 0)) continue;
      if (!w.needs.every(put)) continue;
      choice[p] = k;
      cost += w.cost;
      for (const o of w.operations)
        if (!paid.has(o)) {
          paid.add(o);
          cost += operations[o]!.cost;
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
      for (const n of parts[p]!.ways[choice[p]!]!.needs) keep(n);
    }
  };
  for (const t of targets) keep(t);
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
