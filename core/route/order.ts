import FlatQueue from 'flatqueue';
import type { Face } from '../vocabulary/trade';
import { changesBound } from './order-bound';
import { Bits, precedenceGraph } from './precedence-graph';

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
}

/** A run of the order: everything done with one bit in hand and one side up. */
interface Node {
  done: Uint32Array;
  tool: number;
  face: number;
  g: number;
  f: number;
  from: Node | undefined;
}

/** How many nodes of each depth the first solution keeps: enough to be good, few enough to be at once, fewer the larger the problem. */
const beamWidth = (operations: number) => Math.max(6, Math.min(40, Math.round(1200 / operations)));
/** The caller's clock is asked once in so many nodes. */
const stopEvery = 256;

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
  const { budget = 200_000, stop, prefer, groupOf } = options;
  const { ops, tools, before, toolOf, faceOf } = precedenceGraph(problem);
  const n = ops.length;
  const { toolChangeCost, faceFlipCost } = problem;

  /** Everything that this bit and side allow from here; operations stand in topological order, so one pass does. */
  const close = (d: Uint32Array, tool: number, face: number): Uint32Array => {
    for (let i = 0; i < n; i++) {
      const t = toolOf[i]!;
      if ((t < 0 || t === tool) && faceOf[i] === face && !Bits.has(d, i) && Bits.covers(d, before[i]!))
        Bits.set(d, i);
    }
    return d;
  };
  const bound = changesBound(problem, { ops, tools, before, toolOf, faceOf });
  const complete = (d: Uint32Array) => Bits.count(d) === n;
  const step = (node: Node, tool: number, face: number): Node => ({
    done: close(node.done.slice(), tool, face),
    tool,
    face,
    f: 0,
    from: node,
    g: node.g + (tool !== node.tool ? toolChangeCost : 0) + (face !== node.face ? faceFlipCost : 0),
  });
  /** The nodes that one change leads to: each (bit, side) with something ready. */
  const after = (node: Node): Node[] => {
    const seen = new Set<number>();
    const out: Node[] = [];
    for (let i = 0; i < n; i++) {
      if (Bits.has(node.done, i) || !Bits.covers(node.done, before[i]!)) continue;
      const t = toolOf[i]! < 0 ? node.tool : toolOf[i]!;
      const key = (t + 2) * 2 + faceOf[i]!;
      if (seen.has(key)) continue;
      seen.add(key);
      out.push(step(node, t, faceOf[i]!));
    }
    return out;
  };
  const keyOf = (node: Node) => `${node.tool} ${node.face} ${node.done.join(' ')}`;

  const startTool =
    problem.startTool === null
      ? -2
      : tools.indexOf(problem.startTool) < 0
        ? -2
        : tools.indexOf(problem.startTool);
  const startFace = problem.startFace === 'front' ? 0 : 1;
  const root: Node = {
    done: close(Bits.none(n), startTool, startFace),
    tool: startTool,
    face: startFace,
    g: 0,
    f: 0,
    from: undefined,
  };

  // a first solution by beam search
  let best: Node | undefined = complete(root.done) ? root : undefined;
  for (let beam = [root]; beam.length; ) {
    const next = new Map<string, { node: Node; f: number }>();
    for (const node of beam)
      for (const child of after(node)) {
        const f = child.g + bound(child.done, child.tool, child.face);
        if (best && f >= best.g) continue;
        if (complete(child.done)) {
          best = child;
          continue;
        }
        const k = keyOf(child);
        const known = next.get(k);
        if (!known || known.node.g > child.g) next.set(k, { node: child, f });
      }
    beam = [...next.values()]
      .sort((a, b) => a.f - b.f || Bits.count(b.node.done) - Bits.count(a.node.done))
      .slice(0, beamWidth(n))
      .map((x) => x.node);
  }

  // the proof, or something better, by A*
  const queue = new FlatQueue<Node>();
  const bestG = new Map<string, number>();
  // among equal bounds the one that has come furthest first: a tie-break far below the least difference of two costs
  const tie = (1e-7 * (toolChangeCost + faceFlipCost)) / (n + 1);
  const push = (node: Node, f: number) => {
    node.f = f;
    queue.push(node, f + tie * (n - Bits.count(node.done)));
  };
  const rootBound = bound(root.done, root.tool, root.face);
  let proved = Math.min(rootBound, best?.g ?? rootBound);
  push(root, rootBound);
  for (let expanded = 0; ; expanded++) {
    const f = queue.peek()?.f ?? Number.POSITIVE_INFINITY;
    if (!best || f < best.g) proved = Math.max(proved, f === Number.POSITIVE_INFINITY ? proved : f);
    if (best && f >= best.g) {
      proved = best.g;
      break;
    }
    if (!queue.length) break;
    if (expanded >= budget || (stop && expanded % stopEvery === stopEvery - 1 && stop())) break;
    const node = queue.pop()!;
    if ((bestG.get(keyOf(node)) ?? node.g) < node.g) continue;
    for (const child of after(node)) {
      if (complete(child.done)) {
        if (!best || child.g < best.g) best = child;
        continue;
      }
      const key = keyOf(child);
      if ((bestG.get(key) ?? Number.POSITIVE_INFINITY) <= child.g) continue;
      bestG.set(key, child.g);
      const h = child.g + bound(child.done, child.tool, child.face);
      if (!best || h < best.g) push(child, h);
    }
  }
  const end = best!;
  const runs: Node[] = [];
  for (let at: Node | undefined = end; at; at = at.from) runs.unshift(at);
  let toolChanges = 0;
  let faceFlips = 0;
  runs.forEach((run, r) => {
    const last = runs[r - 1];
    if (last && run.tool !== last.tool) toolChanges++;
    if (last && run.face !== last.face) faceFlips++;
  });
  return {
    sequence: inRuns(runs, { ops, before, toolOf, faceOf }, groupOf, prefer),
    cost: end.g,
    toolChanges,
    faceFlips,
    lowerBound: Math.min(end.g, proved),
    optimal: proved >= end.g,
  };
}

interface Ops {
  ops: { id: string }[];
  before: Uint32Array[];
  toolOf: Int32Array;
  faceOf: Uint8Array;
}

/**
 * The run in which each operation is done. The search does everything as early as it can; here an operation waits for
 * a later run with its bit and side when the rest of its bracket comes after it, so that the bracket is not left half
 * done, unless something else needs it sooner. The changes stay what they are.
 */
function runOfEach(
  runs: Node[],
  g: Ops,
  groupOf: ((id: string) => string | undefined) | undefined,
): Int32Array {
  const n = g.ops.length;
  const run = new Int32Array(n);
  for (let i = 0; i < n; i++) run[i] = runs.findIndex((r) => Bits.has(r.done, i));
  if (!groupOf) return run;
  const groups = new Map<string, number[]>();
  for (let i = 0; i < n; i++) {
    const k = groupOf(g.ops[i]!.id);
    if (k !== undefined) groups.set(k, [...(groups.get(k) ?? []), i]);
  }
  for (const members of groups.values()) {
    if (members.length < 2) continue;
    const last = Math.max(...members.map((i) => run[i]!));
    // the latest first: the ones before it move up to it
    for (const i of members.toSorted((a, b) => run[b]! - run[a]!)) {
      let latest = last;
      for (let k = 0; k < n; k++) if (Bits.has(g.before[k]!, i)) latest = Math.min(latest, run[k]!);
      for (let r = latest; r > run[i]!; r--) {
        if (runs[r]!.face !== g.faceOf[i] || (g.toolOf[i]! >= 0 && runs[r]!.tool !== g.toolOf[i])) continue;
        run[i] = r;
        break;
      }
    }
  }
  return run;
}

/** The operations of each run one after another: what goes on from the run before first, what goes on in the next run last. */
function inRuns(
  runs: Node[],
  g: Ops,
  groupOf: ((id: string) => string | undefined) | undefined,
  prefer: Prefer | undefined,
): string[] {
  const sequence: string[] = [];
  const d = Bits.none(g.ops.length);
  const at = new Map(g.ops.map((o, i) => [o.id, i]));
  const run = runOfEach(runs, g, groupOf);
  const runsOf = new Map<string, Set<number>>();
  if (groupOf)
    g.ops.forEach((o, i) => {
      const k = groupOf(o.id);
      if (k !== undefined) runsOf.set(k, (runsOf.get(k) ?? new Set()).add(run[i]!));
    });
  const weight = (i: number, r: number) => {
    const of = groupOf && runsOf.get(groupOf(g.ops[i]!.id) ?? '');
    return !of ? 1 : of.has(r - 1) ? 0 : of.has(r + 1) ? 2 : 1;
  };
  for (let r = 0; r < runs.length; r++) {
    for (;;) {
      let ready: number[] = [];
      for (let i = 0; i < g.ops.length; i++)
        if (run[i] === r && !Bits.has(d, i) && Bits.covers(d, g.before[i]!)) ready.push(i);
      if (!ready.length) break;
      const least = Math.min(...ready.map((i) => weight(i, r)));
      ready = ready.filter((i) => weight(i, r) === least);
      const i = prefer
        ? at.get(
            prefer(
              sequence[sequence.length - 1],
              ready.map((k) => g.ops[k]!.id),
            ),
          )!
        : ready[0]!;
      Bits.set(d, i);
      sequence.push(g.ops[i]!.id);
    }
  }
  return sequence;
}
