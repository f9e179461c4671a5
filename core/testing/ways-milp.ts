import type { WaysProblem } from '../route/choose-ways';

/**
 * The choice of ways as a mixed-integer programme in CPLEX LP format, for a general solver: one binary for each way,
 * one for each operation, and a place in the order for each part so that needs cannot lead in a circle
 * (Miller, Tucker and Zemlin's ordering constraints, J. ACM 7(4), 1960; from memory).
 */
export function waysMilp(problem: WaysProblem): string {
  const at = new Map(problem.parts.map((x, i) => [x.id, i]));
  const op = new Map(problem.operations.map((o, i) => [o.id, i]));
  const n = problem.parts.length;
  const x = (i: number, k: number) => `x_${i}_${k}`;
  const cost: string[] = [];
  const rows: string[] = [];
  const out = (i: number) => problem.parts[i]!.ways.map((_, k) => x(i, k)).join(' + ');
  problem.operations.forEach((o, i) => cost.push(`${o.cost} y_${i}`));
  problem.parts.forEach((part, i) => {
    if (part.ways.length) rows.push(`${out(i)} <= 1`);
    const users = new Map<number, number[]>();
    const needers = new Map<number, number[]>();
    part.ways.forEach((way, k) => {
      cost.push(`${way.cost} ${x(i, k)}`);
      for (const o of new Set(way.operations)) users.set(op.get(o)!, [...(users.get(op.get(o)!) ?? []), k]);
      for (const need of new Set(way.needs)) {
        const m = at.get(need);
        if (m === undefined || !problem.parts[m]!.ways.length || m === i) {
          rows.push(`${x(i, k)} = 0`);
          continue;
        }
        needers.set(m, [...(needers.get(m) ?? []), k]);
      }
    });
    for (const [o, ks] of users) rows.push(`y_${o} - ${ks.map((k) => x(i, k)).join(' - ')} >= 0`);
    for (const [m, ks] of needers) {
      rows.push(`${out(m)} - ${ks.map((k) => x(i, k)).join(' - ')} >= 0`);
      rows.push(`u_${i} - u_${m} - ${ks.map((k) => `${n + 1} ${x(i, k)}`).join(' - ')} >= -${n}`);
    }
  });
  for (const target of problem.targets)
    rows.push(
      at.has(target) && problem.parts[at.get(target)!]!.ways.length
        ? `${out(at.get(target)!)} = 1`
        : 'x_none_0 = 2',
    );
  return `Minimize\n obj: ${cost.join(' + ')}\nSubject To\n${rows.map((r, i) => ` c${i}: ${r}`).join('\n')}\nBounds\n${problem.parts.map((_, i) => ` 0 <= u_${i} <= ${n}`).join('\n')}\nBinary\n ${[...problem.parts.flatMap((q, i) => q.ways.map((_, k) => x(i, k))), ...problem.operations.map((_, i) => `y_${i}`)].join(' ')}\nEnd\n`;
}
