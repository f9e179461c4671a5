import { z } from 'zod';
import { sortScrews } from '../../core/screws/sort-screws';
import { cost, doubled, id, verb } from '../verb';

const mm = z.number().positive();
const schema = z.strictObject({
  holes: z.array(
    z.strictObject({
      id,
      drive: z.string().optional(),
      lengthMm: mm,
      headMm: mm,
      maxLengthMm: mm.optional(),
    }),
  ),
  screws: z.array(z.strictObject({ id, drive: z.string().optional(), lengthMm: mm, headMm: mm.optional() })),
  sdLengthMm: mm,
  sdHeadMm: mm,
  // a likelihood may be greater than one: its cost below nothing
  strayCost: z.number().nullable(),
  missingCost: z.number().nullable(),
  doubtMargin: cost.optional(),
});

export const screws = verb({
  says: 'which hole each of a heap of measured screws is from: the most likely set, with what is in doubt, dangerous, missing and stray',
  schema,
  check: (p) => [
    ...doubled(p.holes.map((h, i) => ({ id: h.id, path: `holes[${i}].id` }))),
    ...doubled(p.screws.map((s, i) => ({ id: s.id, path: `screws[${i}].id` }))),
  ],
  run: (p) => {
    const sorted = sortScrews(p);
    return 'infeasible' in sorted
      ? sorted
      : {
          answer: {
            ...sorted,
            doubtful: sorted.doubtful.map(({ hole, screws: who, margin }) => ({ hole, screws: who, margin })),
          },
        };
  },
});
