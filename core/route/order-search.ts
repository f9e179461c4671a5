import FlatQueue from 'flatqueue';
import type { OrderProblem } from './order';
import { changesBound } from './order-bound';
import type { Run } from './order-runs';
import { Bits, type PrecedenceGraph } from './precedence-graph';

/** A run of the order with what it has cost so far, and the run before it. */
export interface Node extends Run {
  g: number;
  f: number;
  from: Node | undefined;
}

/** How many nodes of each depth the first solution keeps: enough to be good, few enough to be at once, fewer the larger the problem. */
const beamWidth = (operations: number) => Math.max(6, Math.min(40, Math.round(1200 / operations)));
/** The caller's clock is asked once in so many nodes. */
const stopEvery = 256;
const noTool = -2;

/** A* over (done, bit, face), after a first solution by beam search. */
export class OrderSearch {
  readonly #bound: (done: Uint32Array, tool: number, face: number) => number;
  readonly #root: Node;
  /** The best whole order so far. */
  best: Node | undefined;
  /** What no order can cost less than. */
  proved: number;

  constructor(
    readonly problem: OrderProblem,
    readonly graph: PrecedenceGraph,
  ) {
    this.#bound = changesBound(problem, graph);
    const at = problem.startTool === null ? -1 : graph.tools.indexOf(problem.startTool);
    const tool = at < 0 ? noTool : at;
    const face = problem.startFace === 'front' ? 0 : 1;
    const done = this.#close(Bits.none(graph.ops.length), tool, face);
    this.#root = { done, tool, face, g: 0, f: 0, from: undefined };
    if (this.#isComplete(done)) this.best = this.#root;
    this.proved = this.#boundOf(this.#root);
  }

  /** Everything that this bit and side allow from here; operations stand in topological order, so one pass does. */
  #close(done: Uint32Array, tool: number, face: number): Uint32Array {
    const { toolOf, faceOf, before, ops } = this.graph;
    for (let i = 0; i < ops.length; i++) {
      const needs = toolOf[i]!;
      const inHand = needs < 0 || needs === tool;
      if (inHand && faceOf[i] === face && !Bits.has(done, i) && Bits.covers(done, before[i]!))
        Bits.set(done, i);
    }
    return done;
  }
  #isComplete(done: Uint32Array): boolean {
    return Bits.count(done) === this.graph.ops.length;
  }
  #boundOf(node: Node): number {
    return node.g + this.#bound(node.done, node.tool, node.face);
  }
  #step(node: Node, tool: number, face: number): Node {
    const { toolChangeCost, faceFlipCost } = this.problem;
    return {
      done: this.#close(node.done.slice(), tool, face),
      tool,
      face,
      f: 0,
      from: node,
      g: node.g + (tool !== node.tool ? toolChangeCost : 0) + (face !== node.face ? faceFlipCost : 0),
    };
  }
  /** The nodes that one change leads to: each (bit, side) with something ready. */
  #after(node: Node): Node[] {
    const { toolOf, faceOf, before, ops } = this.graph;
    const seen = new Set<number>();
    const out: Node[] = [];
    for (let i = 0; i < ops.length; i++) {
      if (Bits.has(node.done, i) || !Bits.covers(node.done, before[i]!)) continue;
      const tool = toolOf[i]! < 0 ? node.tool : toolOf[i]!;
      const key = (tool + 2) * 2 + faceOf[i]!;
      if (seen.has(key)) continue;
      seen.add(key);
      out.push(this.#step(node, tool, faceOf[i]!));
    }
    return out;
  }

  /** A first solution by beam search, so that there is an answer at once. */
  beam(): void {
    for (let beam = [this.#root]; beam.length; ) {
      const next = new Map<string, { node: Node; f: number }>();
      for (const node of beam)
        for (const child of this.#after(node)) {
          const f = this.#boundOf(child);
          if (this.best && f >= this.best.g) continue;
          if (this.#isComplete(child.done)) {
            this.best = child;
            continue;
          }
          const key = keyOf(child);
          const known = next.get(key);
          if (!known || known.node.g > child.g) next.set(key, { node: child, f });
        }
      beam = [...next.values()]
        .sort((x, y) => x.f - y.f || Bits.count(y.node.done) - Bits.count(x.node.done))
        .slice(0, beamWidth(this.graph.ops.length))
        .map((x) => x.node);
    }
  }

  /** The proof that the best order is the best, or a better one, by A*; ends early when the budget runs out or `stop` says so. */
  prove(budget: number, stop: (() => boolean) | undefined): void {
    const { toolChangeCost, faceFlipCost } = this.problem;
    const queue = new FlatQueue<Node>();
    const least = new Map<string, number>();
    const n = this.graph.ops.length;
    // among equal bounds the one that has come furthest first: a tie-break far below the least difference of two costs
    const tie = (1e-7 * (toolChangeCost + faceFlipCost)) / (n + 1);
    const push = (node: Node, f: number) => {
      node.f = f;
      queue.push(node, f + tie * (n - Bits.count(node.done)));
    };
    this.proved = Math.min(this.proved, this.best?.g ?? this.proved);
    push(this.#root, this.#boundOf(this.#root));
    for (let expanded = 0; ; expanded++) {
      const f = queue.peek()?.f ?? Number.POSITIVE_INFINITY;
      if (f !== Number.POSITIVE_INFINITY && (!this.best || f < this.best.g))
        this.proved = Math.max(this.proved, f);
      if (this.best && f >= this.best.g) {
        this.proved = this.best.g;
        return;
      }
      if (!queue.length || expanded >= budget) return;
      if (stop && expanded % stopEvery === stopEvery - 1 && stop()) return;
      const node = queue.pop()!;
      if ((least.get(keyOf(node)) ?? node.g) < node.g) continue;
      for (const child of this.#after(node)) this.#meet(child, least, push);
    }
  }
  #meet(child: Node, least: Map<string, number>, push: (node: Node, f: number) => void): void {
    if (this.#isComplete(child.done)) {
      if (!this.best || child.g < this.best.g) this.best = child;
      return;
    }
    const key = keyOf(child);
    if ((least.get(key) ?? Number.POSITIVE_INFINITY) <= child.g) return;
    least.set(key, child.g);
    const f = this.#boundOf(child);
    if (!this.best || f < this.best.g) push(child, f);
  }
}
const keyOf = (node: Node) => `${node.tool} ${node.face} ${node.done.join(' ')}`;
