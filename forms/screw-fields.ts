import * as common from '../words/answers/common';
import * as wording from '../words/answers/screw-fields';
import { z } from 'zod';
import { drives } from '../core/vocabulary/trade';
import { pitchMm } from '../core/screws/threads';

const millimetres = (most: number) =>
  z
    .string({ error: wording.giveMillimetres })
    .trim()
    .transform((t, ctx) => {
      const n = Number(t.replace(',', '.'));
      if (t !== '' && Number.isFinite(n) && n > 0 && n <= most) return Math.round(n * 100) / 100;
      ctx.addIssue({
        code: 'custom',
        message: `A length in mm, above 0 and at most ${most}: “${t.slice(0, 20)}” is none.`,
      });
      return z.NEVER;
    });
/** One kind of loose screw as it is typed or stands in a line of a file. */
export const screwFields = z.object({
  drive: z.enum(drives, { error: common.oneOf(drives.join(', ')) }),
  thread: z
    .string({ error: wording.giveThread })
    .trim()
    .refine(
      (t) => pitchMm(t) !== undefined,
      'A metric thread of phones: M0.8, M1, M1.2, M1.4, M1.6 or M2, with x and the pitch where it is fine.',
    ),
  length_mm: millimetres(20),
  head_mm: millimetres(10),
  count: z
    .string()
    .trim()
    .default('1')
    .transform((t, ctx) => {
      const n = Number(t);
      if (Number.isInteger(n) && n >= 0 && n <= 100_000) return n;
      ctx.addIssue({ code: 'custom', message: 'A whole number, 0 or more.' });
      return z.NEVER;
    }),
  note: z.string().trim().max(200, common.atMostCharacters(200)).default(''),
});
