import * as common from '../words/answers/common';
import * as wording from '../words/answers/part-fields';
import { z } from 'zod';
import { provenances, releases } from '../core/log/events';
import { type AmountStyle, amountProblem, readAmount } from '../core/quote/amount';

const short = (max: number) => z.string().trim().max(max, common.atMostCharacters(max)).default('');
const priceIn = (style: AmountStyle) =>
  z.string({ error: amountProblem('empty', style) }).transform((t, ctx) => {
    const amountRead = readAmount(t, style);
    if (amountRead.ok) return amountRead.minor;
    ctx.addIssue({ code: 'custom', message: amountProblem(amountRead.why, style) });
    return z.NEVER;
  });
const oneOf = <T extends string>(list: readonly T[]) =>
  z.enum(list as readonly [T, ...T[]], { error: common.oneOf(list.join(', ')) });

/** What proves that a part is released from its former owner's account. */
export const proofField = short(200);
export const releasedField = oneOf(releases);
/** One part as it is typed or stands in a line of a file, its price in the workshop's currency. */
export const partFieldsIn = (style: AmountStyle) =>
  z.object({
    name: z.string().trim().max(120, common.atMostCharacters(120)).default(''),
    model: z.string({ error: wording.giveModel }).trim().min(1, wording.giveModel),
    slot: z.string({ error: wording.givePlace }).trim().min(1, wording.givePlace),
    provenance: oneOf(provenances),
    supplier: short(120),
    lot: short(60),
    serial: short(60),
    price: priceIn(style),
    arrives_with: z.string().max(600, common.atMostCharacters(600)).default(''),
    released: releasedField.default('not needed'),
    proof: proofField,
  });
