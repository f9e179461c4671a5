import { z } from 'zod';
import { provenances, releases } from '../log/events';
import { type AmountStyle, amountProblem, readAmount } from '../quote/amount';

const short = (max: number) => z.string().trim().max(max, `At most ${max} characters.`).default('');
const priceIn = (style: AmountStyle) =>
  z.string({ error: amountProblem('empty', style) }).transform((t, ctx) => {
    const amountRead = readAmount(t, style);
    if (amountRead.ok) return amountRead.minor;
    ctx.addIssue({ code: 'custom', message: amountProblem(amountRead.why, style) });
    return z.NEVER;
  });
const oneOf = <T extends string>(list: readonly T[]) =>
  z.enum(list as readonly [T, ...T[]], { error: `One of: ${list.join(', ')}.` });

/** What proves that a part is released from its former owner's account. */
export const proofField = short(200);
export const releasedField = oneOf(releases);
/** One part as it is typed or stands in a line of a file, its price in the workshop's currency. */
export const partFieldsIn = (style: AmountStyle) =>
  z.object({
    name: z.string().trim().max(120, 'At most 120 characters.').default(''),
    model: z.string({ error: 'Give the model’s id.' }).trim().min(1, 'Give the model’s id.'),
    slot: z.string({ error: 'Give the place it fits.' }).trim().min(1, 'Give the place it fits.'),
    provenance: oneOf(provenances),
    supplier: short(120),
    lot: short(60),
    serial: short(60),
    price: priceIn(style),
    arrives_with: z.string().max(600, 'At most 600 characters.').default(''),
    released: releasedField.default('not needed'),
    proof: proofField,
  });
