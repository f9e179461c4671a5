import { z } from 'zod';
import { faces } from '../../core/vocabulary/trade';
import { orderOperations } from '../../core/route/order';
import { precedenceGraph } from '../../core/route/precedence-graph';
import { cost, dangling, doubled, id, verb } from '../verb';

const tool = z.string().min(1).nullable();
const schema = z.strictObject({
  startTool: tool,
  startFace: z.enum(faces),
  toolChangeCost: cost,
  faceFlipCost: cost,
  operations: z.array(z.strictObject({ id, tool, face: z.enum(faces) })),
  precedences: z.array(z.tuple([id, id])),
});

export const order = verb({
  says: 'the order of operations with the least bit changes and turnings',
  schema,
  check: (p) => {
    const known = new Set(p.operations.map((o) => o.id));
    const problems = [
      ...doubled(p.operations.map((o, i) => ({ id: o.id, path: `operations[${i}].id` }))),
      ...dangling(
        known,
        'operation',
        p.precedences.flatMap((pair, i) => pair.map((x, k) => ({ id: x, path: `precedences[${i}][${k}]` }))),
      ),
    ];
    if (problems.length) return problems;
    try {
      precedenceGraph(p);
      return [];
    } catch (e) {
      return [{ path: 'precedences', text: (e as RangeError).message }];
    }
  },
  run: (p, { stop }) => ({ answer: orderOperations(p, { budget: Number.POSITIVE_INFINITY, stop }) }),
});
