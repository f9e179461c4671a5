import { z } from 'zod';
import { leastWaits } from '../rules/interlock';

/** What a workshop calls itself. */
export const shopName = z
  .string()
  .trim()
  .min(1, 'Give the workshop’s name.')
  .max(60, 'At most 60 characters.');
/** What an hour of hands costs, minor units. */
export const hourlyRateMinor = z
  .int({ error: 'Give an amount of money, such as 60 or 62.50.' })
  .min(0, 'Give an amount of 0 or more.')
  .max(1_000_000, 'That is more than an hour can cost.');
/** How long the workshop stands by its work, months. */
export const warrantyMonths = z
  .int({ error: 'Give whole months, such as 12.' })
  .min(0, 'Give 0 or more.')
  .max(120, 'At most 120 months.');
/** Backups that are made by themselves. */
export const backupFields = z.object({
  daily: z.boolean(),
  hour: z.int({ error: 'Give a whole hour, 0 to 23.' }).min(0, 'Give 0 to 23.').max(23, 'Give 0 to 23.'),
  keepDays: z
    .int({ error: 'Give whole days, such as 14.' })
    .min(1, 'At least one day.')
    .max(3650, 'At most ten years.'),
});
/** After how many months what is known of an owner is erased; 0 for never. */
export const eraseAfterMonths = z
  .int({ error: 'Give whole months, such as 24; 0 for never.' })
  .min(0, 'Give 0 or more.')
  .max(240, 'At most twenty years.');
/** Waits that may be longer than the shipped ones, never shorter, s. */
export const waitFields = z.object({
  solventFlashS: z
    .int({ error: 'Give whole seconds.' })
    .min(
      leastWaits.solventFlashS,
      `At least ${leastWaits.solventFlashS} s: alcohol must have flashed off before heat.`,
    )
    .max(3600, 'At most 3600 s.'),
  coolingS: z
    .int({ error: 'Give whole seconds.' })
    .min(leastWaits.coolingS, `At least ${leastWaits.coolingS} s: a device must have cooled before alcohol.`)
    .max(3600, 'At most 3600 s.'),
});
