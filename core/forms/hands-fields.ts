import { z } from 'zod';

/** How hands change at a bench. */
export const handsFields = z.object({
  pin: z.boolean(),
  lockMinutes: z
    .int({ error: 'Give whole minutes; 0 for never.' })
    .min(0, 'Give 0 or more.')
    .max(480, 'At most 480 minutes.'),
});
/** A badge as a scanner types it: letters and digits that nobody takes for one another. */
export const badgePattern = /^SB[2-79A-HJ-NP-VX]{20}$/;
const steps = (text: string) => [...text].slice(1).map((digit, k) => Number(digit) - Number(text[k]));
/** A number of one's own: four to eight digits, not one digit all along and no counting up or down. */
export const pin = z
  .string()
  .regex(/^\d{4,8}$/, 'Four to eight digits.')
  .refine(
    (text) => !/^\d{4,8}$/.test(text) || new Set(steps(text)).size > 1,
    'Not 1111, 1234 or 4321: everybody tries these.',
  );
export const pinFields = z.object({
  now: z.string().min(1, 'Give your password.').max(200, 'At most 200 characters.'),
  pin,
});
/** What is given at a bench to change hands or to unlock it: a badge, a number or a password, or both. */
export const takeOverFields = z.strictObject({
  badge: z.string().regex(badgePattern).optional(),
  secret: z.string().max(200).optional(),
});
