import type { WaysProblem } from './choose-ways';

/** A ways problem by number: parts that can come out at all, with the ways that can be done. */
export interface WaysGraph {
  parts: { id: string; ways: WayNode[] }[];
  operations: { id: string; cost: number }[];
  targets: number[];
}
export interface WayNode {
  id: string;
  needs: number[];
  operations: number[];
  cost: number;
}

/**
 * Drops what can play no part: ways with a need that nothing gives, and ways that another way of the same part makes
 * pointless (no dearer, no more needs, no more operations). A part can come out when one of its ways has only needs
 * that can (the least fixed point: circles give nothing).
 * @returns the graph, or the ids that make it impossible
 */
export function waysGraph(problem: WaysProblem): WaysGraph | { impossible: string[] } {
  const given = new Map(problem.parts.map((p) => [p.id, p]));
  const possible = new Set<string>();
  for (let grew = true; grew; ) {
    grew = false;
    for (const part of problem.parts)
      if (!possible.has(part.id) && part.ways.some((w) => w.needs.every((n) => possible.has(n)))) {
        possible.add(part.id);
        grew = true;
      }
  }
  const missing = problem.targets.filter((t) => !possible.has(t));
  if (missing.length) return { impossible: whyImpossible(problem, given, possible, missing) };
  const parts = problem.parts.filter((p) => possible.has(p.id));
  const at = new Map(parts.map((p, i) => [p.id, i]));
  const op = new Map(problem.operations.map((o, i) => [o.id, i]));
  return {
    operations: problem.operations,
    targets: [...new Set(problem.targets)].map((t) => at.get(t)!),
    parts: parts.map((p, i) => ({
      id: p.id,
      ways: withoutDominated(
        p.ways
          .filter((w) => w.needs.every((n) => at.has(n) && at.get(n) !== i))
          .map((way) => ({
            id: way.id,
            cost: way.cost,
            needs: [...new Set(way.needs.map((n) => at.get(n)!))],
            operations: [
              ...new Set(
                way.operations.map((o) => {
                  const k = op.get(o);
                  if (k === undefined)
                    throw new RangeError(
                      `way ${way.id} of ${p.id} uses an operation that does not exist: ${o}`,
                    );
                  return k;
                }),
              ),
            ],
          })),
      ),
    })),
  };
}

function withoutDominated(ways: WayNode[]): WayNode[] {
  const within = (a: number[], b: number[]) => a.every((x) => b.includes(x));
  return ways.filter(
    (wayNode, i) =>
      !ways.some(
        (v, k) =>
          k !== i &&
          v.cost <= wayNode.cost &&
          within(v.needs, wayNode.needs) &&
          within(v.operations, wayNode.operations) &&
          // of two that are alike the first stays
          (k < i ||
            v.cost < wayNode.cost ||
            v.needs.length < wayNode.needs.length ||
            v.operations.length < wayNode.operations.length),
      ),
  );
}

/** What is missing at the bottom of it: needs that do not exist or have no way, else the parts that wait for each other. */
function whyImpossible(
  problem: WaysProblem,
  given: Map<string, WaysProblem['parts'][number]>,
  possible: Set<string>,
  missing: string[],
): string[] {
  const seen = new Set<string>();
  const bottom = new Set<string>();
  const visit = (id: string) => {
    if (possible.has(id) || seen.has(id)) return;
    seen.add(id);
    const part = given.get(id);
    if (!part?.ways.length) {
      bottom.add(id);
      return;
    }
    for (const way of part.ways) for (const need of way.needs) visit(need);
  };
  for (const t of missing) visit(t);
  return bottom.size ? [...bottom] : problem.parts.map((p) => p.id).filter((id) => seen.has(id));
}
