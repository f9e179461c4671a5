import { type WaysGraph, waysGraph } from './ways-graph';
import { eps, WaysSearch } from './ways-search';

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
  const search = new WaysSearch(
    graph,
    () => best?.cost ?? Number.POSITIVE_INFINITY,
    (choice, cost) => {
      best = { choice, cost };
    },
    options,
  ).run();
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
  const search = new WaysSearch(
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
  ).run();
  return { choices: found.map((f) => named(graph, f.choice, f.cost)), complete: search.done && !full };
}

function named(graph: WaysGraph, choice: Int8Array, cost: number): WaysChoice {
  const order: string[] = [];
  const ways: Record<string, string> = {};
  const put = (p: number): void => {
    const { id, ways: own } = graph.parts[p]!;
    if (ways[id] !== undefined) return;
    const way = own[choice[p]!]!;
    for (const need of way.needs) put(need);
    ways[id] = way.id;
    order.push(id);
  };
  for (const target of graph.targets) put(target);
  return { ways, order, cost };
}
