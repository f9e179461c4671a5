import * as common from '../words/answers/common';
import * as wording from '../words/answers/hands-fields';
import { z } from 'zod';

/** How hands change at a bench. */
export const handsFields = z.object({
  pin: z.boolean(),
  lockMinutes: z
    .int({ error: wording.wholeMinutes })
    .min(0, common.zeroOrMore)
    .max(480, wording.atMostMinutes),
});
/** A badge as a scanner types it: letters and digits that nobody takes for one another. */
export const badgePattern = /^SB[2-79A-HJ-NP-VX]{20}$/;
const steps = (text: string) => [...text].slice(1).map((digit, k) => Number(digit) - Number(text[k]));
/** A number of one's own: four to eight digits, not one digit all along and no counting up or down. */
export const pin = z
  .string()
  .regex(/^\d{4,8}$/, wording.fourToEightDigits)
  .refine((text) => !/^\d{4,8}$/.test(text) || new Set(steps(text)).size > 1, wording.everybodyTriesThese);
export const pinFields = z.object({
  now: z.string().min(1, wording.giveYourPassword).max(200, common.atMostCharacters(200)),
  pin,
});
/** What is given at a bench to change hands or to unlock it: a badge, a number or a password, or both. */
export const takeOverFields = z.strictObject({
  badge: z.string().regex(badgePattern).optional(),
  secret: z.string().max(200).optional(),
});
