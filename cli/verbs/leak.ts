import { z } from 'zod';
import { leakOf } from '../../core/leak/leak';
import { type Problem, verb } from '../verb';

const positive = z.number().positive();
const schema = z.strictObject({
  volumeMl: positive,
  samples: z
    .array(z.strictObject({ tS: z.number(), pPa: z.number(), tempC: z.number().min(-273.15).optional() }))
    .min(1),
  ambientPa: positive,
  holdS: positive,
  setPa: z
    .number()
    .refine((pa) => pa !== 0, 'expected a pressure against the room, got 0')
    .optional(),
  lossShare: positive.max(1).optional(),
  settlingShare: positive.max(1).optional(),
  reachedShare: positive.max(1).optional(),
  limitPaS: positive.optional(),
  limitSccm: positive.optional(),
});

export const leak = verb({
  says: 'how fast a closed device loses a pressure: settling, temperature and leak apart, with a verdict',
  schema,
  check: (p) => {
    const out: Problem[] = p.samples.flatMap((s, i) =>
      i > 0 && s.tS <= p.samples[i - 1]!.tS
        ? [{ path: `samples[${i}].tS`, text: `expected a number > ${p.samples[i - 1]!.tS}, got ${s.tS}` }]
        : [],
    );
    if (p.limitPaS !== undefined && p.limitSccm !== undefined)
      out.push({ path: 'limitSccm', text: 'expected one limit, got limitPaS and limitSccm' });
    return out;
  },
  run: (p) => {
    const { rateErrorPaS, leakTauS, settling, ...rest } = leakOf(p);
    return { answer: { ...rest, settling: { ...settling, rateErrorPaS, leakTauS } } };
  },
});
