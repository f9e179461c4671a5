import { z } from 'zod';
import { capacityThatClashes } from '../../core/schedule/clash';
import { scheduleOf } from '../../core/schedule/schedule';
import { cost, dangling, doubled, id, type Problem, verb } from '../verb';

const time = z.number().min(0).max(1e9);
const schema = z.strictObject({
  resources: z.array(z.strictObject({ id, capacity: z.number().int().min(0).max(1e6) })),
  jobs: z.array(
    z.strictObject({
      id,
      release: time.default(0),
      due: time.nullable().default(null),
      weight: cost.default(1),
      operations: z.array(z.strictObject({ id, duration: time, needs: z.array(id).default([]) })),
    }),
  ),
  precedences: z.array(
    z.strictObject({
      from: id,
      to: id,
      minLag: z.number().min(-1e9).max(1e9).default(0),
      maxLag: z.number().min(-1e9).max(1e9).nullable().default(null),
    }),
  ),
  objective: z.enum(['makespan', 'tardiness']),
});
type Input = z.infer<typeof schema>;

/** What the shape cannot say: ids used twice, names of nothing, a greatest lag below the least. */
function problemsOf(p: Input): Problem[] {
  const operations = p.jobs.flatMap((j, k) =>
    j.operations.map((o, i) => ({ ...o, path: `jobs[${k}].operations[${i}]` })),
  );
  return [
    ...doubled(p.resources.map((r, k) => ({ id: r.id, path: `resources[${k}].id` }))),
    ...doubled(p.jobs.map((j, k) => ({ id: j.id, path: `jobs[${k}].id` }))),
    ...doubled(operations.map((o) => ({ id: o.id, path: `${o.path}.id` }))),
    ...dangling(
      new Set(p.resources.map((r) => r.id)),
      'resource',
      operations.flatMap((o) => o.needs.map((n, i) => ({ id: n, path: `${o.path}.needs[${i}]` }))),
    ),
    ...operations.flatMap((o) => doubled(o.needs.map((n, i) => ({ id: n, path: `${o.path}.needs[${i}]` })))),
    ...dangling(
      new Set(operations.map((o) => o.id)),
      'operation',
      p.precedences.flatMap((l, k) => [
        { id: l.from, path: `precedences[${k}].from` },
        { id: l.to, path: `precedences[${k}].to` },
      ]),
    ),
    ...p.precedences.flatMap((l, k) =>
      l.maxLag !== null && l.maxLag < l.minLag
        ? [{ path: `precedences[${k}].maxLag`, text: `expected a number >= ${l.minLag}, got ${l.maxLag}` }]
        : [],
    ),
  ];
}

export const schedule = verb({
  says: 'when each operation begins: lags, capacities, and the least makespan or weighted tardiness',
  schema: schema as unknown as z.ZodType<Input>,
  check: problemsOf,
  run: (p, { stop }) => {
    const none = capacityThatClashes(p);
    if (none) return { infeasible: true, because: none };
    const found = scheduleOf(p, { nodes: Number.POSITIVE_INFINITY, stop });
    if ('schedule' in found) return { answer: found.schedule };
    return {
      infeasible: true,
      because: found.clash ?? 'no schedule was found in this time, and none was ruled out',
    };
  },
});
