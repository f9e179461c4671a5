import type { Face } from '../vocabulary/trade';
import { inRuns } from './order-runs';
import { type Node, OrderSearch } from './order-search';
import { precedenceGraph } from './precedence-graph';

/** The shape of the `order` verb: `tool: null` needs no tool and changes nothing in hand. */
export interface OrderProblem {
  startTool: string | null;
  startFace: Face;
  toolChangeCost: number;
  faceFlipCost: number;
  operations: { id: string; tool: string | null; face: Face }[];
  precedences: [before: string, after: string][];
}
export interface OrderAnswer {
  sequence: string[];
  cost: number;
  toolChanges: number;
  faceFlips: number;
  lowerBound: number;
  optimal: boolean;
}
/** Second aim among operations that cost the same: which of the ready ones comes next. */
export type Prefer = (last: string | undefined, ready: string[]) => string;
export interface OrderOptions {
  /** Nodes to expand. @default 200_000 */
  budget?: number;
  /** Asked now and then; true ends the search as an empty budget would. Wall time is the caller's. */
  stop?: () => boolean;
  prefer?: Prefer | undefined;
  /** What an operation belongs to (a bracket, in one direction): such are not left half done where that costs nothing. */
  groupOf?: ((id: string) => string | undefined) | undefined;
  /** What is not done before something waits for it: a bracket does not lie loose while a bit is used elsewhere. */
  isLate?: ((id: string) => boolean) | undefined;
}

/**
 * The order with the least cost of bit changes and turnings, by A* over (done, bit, face).
 * After each change everything that the bit and the side in hand allow is done at once: this never makes anything
 * dearer later (zero-cost closure). A first solution comes from a beam search, so that there is an answer at once;
 * the bound is that of `changesBound`. A* with an admissible bound is exact (Hart, Nilsson and Raphael,
 * IEEE T-SSC 4(2), 1968).
 * When the budget runs out the best order found is returned, with `optimal: false` and the best bound proved.
 * @throws RangeError for a cycle in the precedences, naming it
 */
export function orderOperations(problem: OrderProblem, options: OrderOptions = {}): OrderAnswer {
  const { budget = 200_000, stop, prefer, groupOf, isLate } = options;
  const graph = precedenceGraph(problem);
  const search = new OrderSearch(problem, graph);
  search.beam();
  search.prove(budget, stop);
  const end = search.best!;
  const runs: Node[] = [];
  for (let at: Node | undefined = end; at; at = at.from) runs.unshift(at);
  return {
    sequence: inRuns(runs, graph, groupOf, prefer, isLate),
    cost: end.g,
    toolChanges: changes(runs, (run) => run.tool),
    faceFlips: changes(runs, (run) => run.face),
    lowerBound: Math.min(end.g, search.proved),
    optimal: search.proved >= end.g,
  };
}
const changes = (runs: readonly Node[], of: (run: Node) => number): number =>
  runs.filter((run, i) => i > 0 && of(run) !== of(runs[i - 1]!)).length;
