import type { Face } from '../model/schema';

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

interface Node { done: Uint32Array; tool: number; face: number; g: number; f: number; from: Node | undefined }

/**
 * The order with the least cost of bit changes and turnings, by A* over (done, bit, face).
 * After each change everything that the bit and the face in hand allow is done at once, which never costs anything
 * later. Bound: one change for each bit that is still needed and not in hand, one turning when the other side has
 * work left. A* with an admissible bound is exact (Hart, Nilsson and Raphael 1968).
 * @param budget nodes to expand; when it runs out the rest is done greedily and `lowerBound` is the best bound proved
 * @throws RangeError for a cycle in the precedences, naming it
 */
export function orderOperations(problem: OrderProblem, budget = 50_000, prefer?: Prefer): OrderAnswer {
  const ops = problem.operations;
  const n = ops.length;
  const at = new Map(ops.map((o, i) => [o.id, i]));
  const tools = [...new Set(ops.map((o) => o.tool).filter((t) => t !== null))];
  const toolOf = ops.map((o) => (o.tool === null ? -1 : tools.indexOf(o.tool)));
  const faceOf = ops.map((o) => (o.face === 'front' ? 0 : 1));
  const before: number[][] = ops.map(() => []);
  for (const [a, b] of problem.precedences) before[at.get(b)!]!.push(at.get(a)!);
  const circle = findCycle(before);
  if (circle) throw new RangeError(`cycle: ${circle.map((i) => ops[i]!.id).join(' > ')}`);

  const has = (d: Uint32Array, i: number) => (d[i >> 5]! >>> (i & 31)) & 1;
  const ready = (d: Uint32Array, i: number) => !has(d, i) && before[i]!.every((b) => has(d, b));
  const close = (d: Uint32Array, tool: number, face: number): Uint32Array => {
    for (let changed = true; changed; ) {
      changed = false;
      for (let i = 0; i < n; i++) {
        if ((toolOf[i] === -1 || toolOf[i] === tool) && faceOf[i] === face && ready(d, i)) { d[i >> 5] = d[i >> 5]! | (1 << (i & 31)); changed = true; }
      }
    }
    return d;
  };
  const bound = (d: Uint32Array, tool: number, face: number) => {
    const left = new Set<number>();
    let other = 0;
    for (let i = 0; i < n; i++) if (!has(d, i)) { if (toolOf[i]! >= 0 && toolOf[i] !== tool) left.add(toolOf[i]!); if (faceOf[i] !== face) other = 1; }
    return left.size * problem.toolChangeCost + other * problem.faceFlipCost;
  };
  const complete = (d: Uint32Array) => { for (let i = 0; i < n; i++) if (!has(d, i)) return false; return true; };
  /** The changes that make something possible, from here. */
  const moves = (node: Node) => {
    const out = new Map<string, [number, number]>();
    for (let i = 0; i < n; i++) if (ready(node.done, i)) { const t = toolOf[i]! < 0 ? node.tool : toolOf[i]!; out.set(`${t} ${faceOf[i]}`, [t, faceOf[i]!]); }
    return [...out.values()];
  };
  const step = (node: Node, [tool, face]: [number, number]): Node => {
    const done = close(node.done.slice(), tool, face);
    const g = node.g + (tool !== node.tool ? problem.toolChangeCost : 0) + (face !== node.face ? problem.faceFlipCost : 0);
    return { done, tool, face, g, f: g + bound(done, tool, face), from: node };
  };

  const startTool = problem.startTool === null ? -2 : tools.indexOf(problem.startTool);
  const startFace = problem.startFace === 'front' ? 0 : 1;
  const d0 = close(new Uint32Array((n >> 5) + 1), startTool, startFace);
  const root: Node = { done: d0, tool: startTool, face: startFace, g: 0, f: bound(d0, startTool, startFace), from: undefined };

  const queue: Node[] = [root];
  const bestG = new Map<string, number>();
  let end: Node | undefined;
  let proved = root.f;
  for (let expanded = 0; queue.length; expanded++) {
    let k = 0;
    for (let i = 1; i < queue.length; i++) { const a = queue[i]!, b = queue[k]!; if (a.f < b.f || (a.f === b.f && a.g > b.g)) k = i; }
    const node = queue[k]!;
    queue[k] = queue[queue.length - 1]!;
    queue.pop();
    proved = Math.max(proved, node.f);
    if (complete(node.done)) { end = node; break; }
    if (expanded >= budget) { let at: Node = node; while (!complete(at.done)) at = moves(at).map((m) => step(at, m)).sort((a, b) => a.f - b.f)[0]!; end = at; break; }
    for (const m of moves(node)) {
      const next = step(node, m);
      const key = `${next.tool} ${next.face} ${next.done.join()}`;
      if ((bestG.get(key) ?? Number.POSITIVE_INFINITY) <= next.g) continue;
      bestG.set(key, next.g);
      queue.push(next);
    }
  }
  const runs: Node[] = [];
  for (let at: Node | undefined = end; at; at = at.from) runs.unshift(at);
  const sequence: string[] = [];
  const d = new Uint32Array((n >> 5) + 1);
  let toolChanges = 0;
  let faceFlips = 0;
  runs.forEach((run, r) => {
    const last = runs[r - 1];
    if (last && run.tool !== last.tool) toolChanges++;
    if (last && run.face !== last.face) faceFlips++;
    for (;;) {
      const now = ops.map((_, i) => i).filter((i) => (toolOf[i] === -1 || toolOf[i] === run.tool) && faceOf[i] === run.face && ready(d, i));
      if (!now.length) break;
      const ids = now.map((i) => ops[i]!.id);
      const id = prefer ? prefer(sequence[sequence.length - 1], ids) : ids[0]!;
      const i = at.get(id)!;
      d[i >> 5] = d[i >> 5]! | (1 << (i & 31));
      sequence.push(id);
    }
  });
  const cost = end!.g;
  return { sequence, cost, toolChanges, faceFlips, lowerBound: Math.min(cost, proved), optimal: proved >= cost };
}

/** A circle in the precedences as a list of indices, first one repeated at the end. */
function findCycle(before: number[][]): number[] | undefined {
  const state = new Uint8Array(before.length);
  const path: number[] = [];
  const visit = (i: number): number[] | undefined => {
    if (state[i] === 2) return undefined;
    if (state[i] === 1) return [...path.slice(path.indexOf(i)), i].reverse();
    state[i] = 1;
    path.push(i);
    for (const b of before[i]!) { const c = visit(b); if (c) return c; }
    path.pop();
    state[i] = 2;
    return undefined;
  };
  for (let i = 0; i < before.length; i++) { const c = visit(i); if (c) return c; }
  return undefined;
}
