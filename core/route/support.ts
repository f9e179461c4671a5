import type { WaysChoice, WaysProblem } from './choose-ways';

/** Facts that can be made true at all, each with the first way whose needs could be met before it. */
export interface Support {
  way: ReadonlyMap<string, { id: string; needs: readonly string[] }>;
  /** The facts in an order in which each comes after what it needs. */
  order: readonly string[];
}

/**
 * What can be reached from a device as it stands: a fact is reached by a way all of whose needs are reached. Each way is
 * looked at once for each of its needs, so the work is linear in the size of the model.
 */
export function supportOf(problem: Pick<WaysProblem, 'parts'>): Support {
  const exists = new Set(problem.parts.map((p) => p.id));
  const way = new Map<string, { id: string; needs: readonly string[] }>();
  const order: string[] = [];
  const waiting = new Map<
    string,
    { fact: string; way: { id: string; needs: readonly string[] }; left: number }[]
  >();
  const reach = (fact: string, by: { id: string; needs: readonly string[] }) => {
    if (way.has(fact)) return;
    way.set(fact, by);
    order.push(fact);
  };
  for (const part of problem.parts)
    for (const w of part.ways) {
      const needs = [...new Set(w.needs)];
      if (!needs.length) reach(part.id, w);
      if (needs.some((n) => !exists.has(n))) continue;
      const entry = { fact: part.id, way: w, left: needs.length };
      for (const need of needs) waiting.set(need, [...(waiting.get(need) ?? []), entry]);
    }
  for (const fact of order)
    for (const entry of waiting.get(fact) ?? []) {
      entry.left--;
      if (entry.left === 0) reach(entry.fact, entry.way);
    }
  return { way, order };
}

/** The ways that some facts rest on, as a choice without a cost; or those that nothing reaches. */
export function choiceFrom(
  support: Support,
  targets: readonly string[],
): WaysChoice | { unreachable: string[] } {
  const unreachable = targets.filter((t) => !support.way.has(t));
  if (unreachable.length) return { unreachable };
  const needed = new Set(targets);
  for (const fact of needed) for (const need of support.way.get(fact)!.needs) needed.add(need);
  return {
    ways: Object.fromEntries([...needed].map((fact) => [fact, support.way.get(fact)!.id])),
    order: support.order.filter((fact) => needed.has(fact)),
    cost: 0,
  };
}
