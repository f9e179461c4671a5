import type { OrderProblem } from './order';
import { ancestorSets, Bits, type PrecedenceGraph } from './precedence-graph';

/** Up to so many bits a group is solved exactly; larger groups cost more than they prove. */
const groupSize = 3;
/** So many ways to split the bits into groups are tried; beyond it the first ones serve. */
const mostSplits = 24;

/**
 * A lower bound on what an order still costs from (done, bit, side): for some split of the bits into groups, the sum
 * of the least changes that each group needs when all other bits and both sides are free (a projection: dropping
 * operations but keeping what they order among the rest), plus the least turnings when all bits are free.
 * Changes of different groups are different changes, and turnings are none of them, so the sum is admissible.
 * The best split counts. Projections of one group are solved once for each set of its operations that is done.
 */
export function changesBound(
  problem: OrderProblem,
  precedenceGraph: PrecedenceGraph,
): (done: Uint32Array, tool: number, face: number) => number {
  const { toolChangeCost, faceFlipCost } = problem;
  const all = ancestorSets(precedenceGraph.before);
  const groups = new Map<string, (done: Uint32Array, tool: number) => number>();
  const group = (tools: number[]) => {
    const key = tools.join();
    let known = groups.get(key);
    if (!known) {
      known = projection(
        precedenceGraph.ops.map((_, i) => i).filter((i) => tools.includes(precedenceGraph.toolOf[i]!)),
        (i) => precedenceGraph.toolOf[i]!,
        all,
      );
      groups.set(key, known);
    }
    return known;
  };
  const splits = splitsOf(precedenceGraph.tools.map((_, i) => i))
    .slice(0, mostSplits)
    .map((s) => s.map(group));
  const sides = projection(
    precedenceGraph.ops.map((_, i) => i),
    (i) => precedenceGraph.faceOf[i]!,
    all,
  );
  return (done, tool, face) => {
    let most = 0;
    for (const split of splits) {
      let sum = 0;
      for (const changes of split) sum += changes(done, tool);
      if (sum > most) most = sum;
    }
    return most * toolChangeCost + (faceFlipCost ? sides(done, face) * faceFlipCost : 0);
  };
}

/**
 * The least number of changes of label (bit or side) that these operations need by themselves, from what of them is
 * done and the label in hand: breadth first over closures, remembered.
 */
function projection(
  mine: number[],
  labelOf: (i: number) => number,
  all: Uint32Array[],
): (done: Uint32Array, label: number) => number {
  const n = mine.length;
  const labels = [...new Set(mine.map(labelOf))];
  const label = Int32Array.from(mine, labelOf);
  const at = new Map(mine.map((i, k) => [i, k]));
  // what is before it within the projection
  const before = mine.map((i) => {
    const d = Bits.none(n);
    for (const k of mine) if (Bits.has(all[i]!, k)) Bits.set(d, at.get(k)!);
    return d;
  });
  const words = (n >> 5) + 1;
  const known = new Map<string, number>();
  const close = (d: Uint32Array, l: number): boolean => {
    let grew = false;
    for (let k = 0; k < n; k++)
      if (label[k] === l && !Bits.has(d, k) && Bits.covers(d, before[k]!)) {
        Bits.set(d, k);
        grew = true;
      }
    return grew;
  };
  const solve = (d: Uint32Array, hand: number): number => {
    if (labels.includes(hand)) close(d, hand);
    if (Bits.count(d) === n) return 0;
    const key = `${hand} ${d.join(' ')}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    let least = Number.POSITIVE_INFINITY;
    for (const l of labels) {
      if (l === hand) continue;
      const next = d.slice();
      if (!close(next, l)) continue;
      const c = 1 + solve(next, l);
      if (c < least) least = c;
    }
    known.set(key, least);
    return least;
  };
  const quick = new Map<string, number>();
  return (done, hand) => {
    if (n === 0) return 0;
    const d = new Uint32Array(words);
    for (let k = 0; k < n; k++) if (Bits.has(done, mine[k]!)) Bits.set(d, k);
    const own = labels.includes(hand) ? hand : -9;
    const key = `${own} ${d.join(' ')}`;
    let answer = quick.get(key);
    if (answer === undefined) {
      answer = solve(d, own);
      quick.set(key, answer);
    }
    return answer;
  };
}

/** The ways to split the bits into groups of `groupSize` at most, the fullest first; a finer split never proves more. */
function splitsOf(tools: number[]): number[][][] {
  if (tools.length <= groupSize) return [tools.length ? [tools] : []];
  const out: number[][][] = [];
  const [first, ...rest] = tools as [number, ...number[]];
  const choose = (from: number[], k: number): number[][] =>
    k === 0 ? [[]] : from.flatMap((x, i) => choose(from.slice(i + 1), k - 1).map((c) => [x, ...c]));
  // with seven bits or more the splits are many: the first ones are as good as any
  for (const mates of choose(rest, groupSize - 1)) {
    for (const s of splitsOf(rest.filter((x) => !mates.includes(x)))) out.push([[first, ...mates], ...s]);
    if (out.length > 200) break;
  }
  if (rest.length % groupSize !== groupSize - 1) {
    for (const mates of choose(rest, groupSize - 2)) {
      for (const s of splitsOf(rest.filter((x) => !mates.includes(x)))) out.push([[first, ...mates], ...s]);
      if (out.length > 400) break;
    }
  }
  return out.sort((a, b) => a.length - b.length);
}
