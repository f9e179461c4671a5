/** The shape of the `ways` verb: a part is out when one of its ways is done, after everything it needs is out. */
export interface WaysProblem {
  parts: { id: string; ways: { id: string; needs: string[]; operations: string[]; cost: number }[] }[];
  /** An operation is paid once, however many ways share it. */
  operations: { id: string; cost: number }[];
  targets: string[];
}
export type WaysAnswer =
  | { ways: Record<string, string>; order: string[]; cost: number; lowerBound: number; optimal: boolean }
  | { infeasible: true; because: string[] };

/**
 * The cheapest choice of ways that can be carried out in some order: exact branch and bound.
 * Undecided parts with one way are decided at once; bound = what is paid + each undecided part's cheapest own cost
 * + its operations that no other part has. The representation is an AND/OR graph (Homem de Mello and Sanderson 1990).
 * @param budget search nodes; when it runs out the best found is returned with `optimal: false` and the root's bound
 */
export function chooseWays(problem: WaysProblem, budget = 200_000): WaysAnswer {
  const parts = new Map(problem.parts.map((p) => [p.id, p]));
  const opCost = new Map(problem.operations.map((o) => [o.id, o.cost]));
  const users = new Map<string, Set<string>>();
  for (const p of problem.parts) for (const w of p.ways) for (const o of w.operations) users.set(o, (users.get(o) ?? new Set()).add(p.id));
  const least = new Map(problem.parts.map((p) => [p.id, Math.min(...p.ways.map((w) => w.cost + w.operations.reduce((s, o) => s + (users.get(o)!.size === 1 ? opCost.get(o)! : 0), 0)))]));

  const missing = problem.targets.filter((t) => !parts.get(t)?.ways.length);
  if (missing.length) return { infeasible: true, because: missing };

  let best: { choice: Map<string, number>; cost: number } | undefined;
  let rootBound = 0;
  let nodes = 0;
  const dead = new Set<string>();
  const choice = new Map<string, number>();
  const paid = new Map<string, number>();

  /** Does giving `part` these needs close a circle of chosen parts? */
  const circular = (part: string, needs: string[]): boolean => {
    const stack = [...needs];
    const been = new Set<string>();
    while (stack.length) {
      const at = stack.pop()!;
      if (at === part) return true;
      if (been.has(at)) continue;
      been.add(at);
      const k = choice.get(at);
      if (k !== undefined) stack.push(...parts.get(at)!.ways[k]!.needs);
    }
    return false;
  };

  const visit = (open: ReadonlySet<string>, cost: number): void => {
    const bound = cost + [...open].reduce((s, p) => s + least.get(p)!, 0);
    if (nodes === 0) rootBound = bound;
    if (best && bound >= best.cost) return;
    if (++nodes > budget) return;
    if (open.size === 0) { best = { choice: new Map(choice), cost }; return; }
    let part = '';
    for (const p of open) if (part === '' || parts.get(p)!.ways.length < parts.get(part)!.ways.length) part = p;
    const ways = parts.get(part)!.ways.map((w, k) => ({ w, k, c: w.cost + w.operations.reduce((s, o) => s + (paid.get(o) ? 0 : opCost.get(o)!), 0) })).sort((a, b) => a.c - b.c);
    for (const { w, k } of ways) {
      const absent = w.needs.find((n) => !parts.get(n)?.ways.length);
      if (absent !== undefined) { dead.add(absent); continue; }
      if (circular(part, w.needs)) { dead.add(part); continue; }
      choice.set(part, k);
      let c = cost + w.cost;
      for (const o of w.operations) { const n = paid.get(o) ?? 0; if (!n) c += opCost.get(o)!; paid.set(o, n + 1); }
      const next = new Set(open);
      next.delete(part);
      for (const n of w.needs) if (!choice.has(n)) next.add(n);
      visit(next, c);
      for (const o of w.operations) paid.set(o, paid.get(o)! - 1);
      choice.delete(part);
    }
  };
  visit(new Set(problem.targets), 0);
  if (!best) return { infeasible: true, because: dead.size ? [...dead] : problem.targets };

  const order: string[] = [];
  const put = (p: string): void => {
    if (order.includes(p)) return;
    for (const n of parts.get(p)!.ways[best!.choice.get(p)!]!.needs) put(n);
    order.push(p);
  };
  for (const p of best.choice.keys()) put(p);
  const ways = Object.fromEntries(order.map((p) => [p, parts.get(p)!.ways[best!.choice.get(p)!]!.id]));
  const optimal = nodes <= budget;
  return { ways, order, cost: best.cost, lowerBound: optimal ? best.cost : rootBound, optimal };
}
