import type { OrderProblem } from './order';

/** Sets of small numbers in 32-bit words: the planner's sets of what is done. */
export const Bits = {
  none: (n: number): Uint32Array => new Uint32Array((n >> 5) + 1),
  has: (d: Uint32Array, i: number): boolean => ((d[i >> 5]! >>> (i & 31)) & 1) === 1,
  set: (d: Uint32Array, i: number): void => {
    d[i >> 5]! |= 1 << (i & 31);
  },
  /** Is everything of `part` in `d`? */
  covers: (d: Uint32Array, part: Uint32Array): boolean => {
    for (let w = 0; w < part.length; w++) if (part[w]! & ~d[w]!) return false;
    return true;
  },
  or: (d: Uint32Array, e: Uint32Array): void => {
    for (let w = 0; w < d.length; w++) d[w]! |= e[w]!;
  },
  count: (d: Uint32Array): number => {
    let c = 0;
    for (let w = 0; w < d.length; w++) {
      let x = d[w]!;
      x -= (x >>> 1) & 0x55555555;
      x = (x & 0x33333333) + ((x >>> 2) & 0x33333333);
      c += Math.imul((x + (x >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
    }
    return c;
  },
};

/** An order problem by number: operations in a topological order that keeps the given one where it may. */
export interface PrecedenceGraph {
  ops: OrderProblem['operations'];
  tools: string[];
  /** For each operation the set of those directly before it. */
  before: Uint32Array[];
  /** Index into `tools`; -1 for none. */
  toolOf: Int32Array;
  /** 0 front, 1 back. */
  faceOf: Uint8Array;
}

/** @throws RangeError for a cycle in the precedences, naming it, or for an operation that does not exist */
export function precedenceGraph(problem: OrderProblem): PrecedenceGraph {
  const given = problem.operations;
  const at = new Map(given.map((o, i) => [o.id, i]));
  const incoming: number[][] = given.map(() => []);
  const outgoing: number[][] = given.map(() => []);
  for (const pair of problem.precedences) {
    const [a, b] = pair.map((id) => at.get(id));
    if (a === undefined || b === undefined)
      throw new RangeError(`a precedence names an operation that does not exist: ${pair.join(' before ')}`);
    if (!incoming[b]!.includes(a)) {
      incoming[b]!.push(a);
      outgoing[a]!.push(b);
    }
  }
  const waits = incoming.map((l) => l.length);
  const order: number[] = [];
  const ready = given.map((_, i) => i).filter((i) => waits[i] === 0);
  for (let k = 0; k < ready.length; k++) {
    const i = ready[k]!;
    order.push(i);
    for (const b of outgoing[i]!) if (--waits[b]! === 0) ready.push(b);
  }
  if (order.length < given.length)
    throw new RangeError(
      `cycle: ${findCycle(incoming)
        .map((i) => given[i]!.id)
        .join(' > ')}`,
    );
  const place = new Map(order.map((i, k) => [i, k]));
  const ops = order.map((i) => given[i]!);
  const tools = [...new Set(ops.flatMap((o) => (o.tool === null ? [] : [o.tool])))];
  const before = order.map((i) => {
    const d = Bits.none(given.length);
    for (const b of incoming[i]!) Bits.set(d, place.get(b)!);
    return d;
  });
  return {
    ops,
    tools,
    before,
    toolOf: Int32Array.from(ops, (o) => (o.tool === null ? -1 : tools.indexOf(o.tool))),
    faceOf: Uint8Array.from(ops, (o) => (o.face === 'front' ? 0 : 1)),
  };
}

/** For each operation the set of all those that are before it, directly or not. */
export function ancestorSets(before: Uint32Array[]): Uint32Array[] {
  const out = before.map((b) => b.slice());
  for (let i = 0; i < out.length; i++)
    for (let k = 0; k < i; k++) if (Bits.has(before[i]!, k)) Bits.or(out[i]!, out[k]!);
  return out;
}

/** A circle as a list of indices, the first one repeated at the end. */
function findCycle(before: number[][]): number[] {
  const state = new Uint8Array(before.length);
  const path: number[] = [];
  const visit = (i: number): number[] | undefined => {
    if (state[i] === 2) return undefined;
    if (state[i] === 1) return [...path.slice(path.indexOf(i)), i].reverse();
    state[i] = 1;
    path.push(i);
    for (const b of before[i]!) {
      const c = visit(b);
      if (c) return c;
    }
    path.pop();
    state[i] = 2;
    return undefined;
  };
  for (let i = 0; i < before.length; i++) {
    const c = visit(i);
    if (c) return c;
  }
  throw new RangeError('there is no cycle');
}
