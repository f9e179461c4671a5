import { z } from 'zod';
import { inspectionOrder } from '../../core/diagnose/inspection-order';
import { cost, doubled, id, verb } from '../verb';

const schema = z.strictObject({
  faults: z.array(z.strictObject({ id, probability: z.number().min(0).max(1), cost })),
});

export const inspect = verb({
  says: 'the order of inspection with the least expected cost, when exactly one thing is at fault',
  schema,
  check: (p) => {
    const problems = doubled(p.faults.map((f, i) => ({ id: f.id, path: `faults[${i}].id` })));
    if (p.faults.length && p.faults.every((f) => f.probability === 0))
      problems.push({ path: 'faults', text: 'expected at least one probability > 0, got only 0' });
    return problems;
  },
  run: (p) => ({ answer: inspectionOrder(p.faults) }),
});
