import { z } from 'zod';
import { chooseWays } from '../../core/route/choose-ways';
import { cost, dangling, doubled, id, verb } from '../verb';

const schema = z.strictObject({
  parts: z.array(
    z.strictObject({
      id,
      ways: z.array(z.strictObject({ id, needs: z.array(id), operations: z.array(id), cost })).max(31),
    }),
  ),
  operations: z.array(z.strictObject({ id, cost })),
  targets: z.array(id),
});

export const ways = verb({
  says: 'the cheapest choice of ways out that can be carried out in some order',
  schema,
  check: (p) => {
    const each = p.parts.flatMap((part, i) =>
      part.ways.map((w, k) => ({ w, path: `parts[${i}].ways[${k}]` })),
    );
    return [
      ...doubled(p.parts.map((x, i) => ({ id: x.id, path: `parts[${i}].id` }))),
      ...doubled(p.operations.map((x, i) => ({ id: x.id, path: `operations[${i}].id` }))),
      ...p.parts.flatMap((part, i) =>
        doubled(part.ways.map((w, k) => ({ id: w.id, path: `parts[${i}].ways[${k}].id` }))),
      ),
      ...dangling(new Set(p.parts.map((x) => x.id)), 'part', [
        ...each.flatMap(({ w, path }) => w.needs.map((n, k) => ({ id: n, path: `${path}.needs[${k}]` }))),
        ...p.targets.map((t, i) => ({ id: t, path: `targets[${i}]` })),
      ]),
      ...dangling(
        new Set(p.operations.map((x) => x.id)),
        'operation',
        each.flatMap(({ w, path }) =>
          w.operations.map((o, k) => ({ id: o, path: `${path}.operations[${k}]` })),
        ),
      ),
    ];
  },
  run: (p, { stop }) => {
    const waysAnswer = chooseWays(p, { budget: Number.POSITIVE_INFINITY, stop });
    return 'infeasible' in waysAnswer
      ? waysAnswer
      : {
          answer: {
            ways: waysAnswer.ways,
            order: waysAnswer.order,
            cost: waysAnswer.cost,
            optimal: waysAnswer.optimal,
          },
        };
  },
});
