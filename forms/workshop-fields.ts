import type { GlueSheet } from '../core/seal/glue';
import { forceUnits } from '../core/seal/press';
import * as glue from '../words/answers/glues';
import * as press from '../words/screens/press';
import * as common from '../words/answers/common';
import * as wording from '../words/answers/workshop-fields';
import { z } from 'zod';
import { leastWaits } from '../core/rules/interlock';
import type { LeakSettings } from '../core/wire/leak-test';
import { sources } from '../core/thermal/sources';

/** What a workshop calls itself. */
export const shopName = z.string().trim().min(1, wording.giveName).max(60, common.atMostCharacters(60));
/** What an hour of hands costs, minor units. */
export const hourlyRateMinor = z
  .int({ error: wording.giveAmount })
  .min(0, wording.amountZeroOrMore)
  .max(1_000_000, wording.hourTooDear);
/** A name in a network, by labels of letters, digits and hyphens (RFC 1123, section 2.1); empty for none. */
export const benchName = z
  .string()
  .trim()
  .toLowerCase()
  .max(253)
  .regex(
    /^$|^[a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?(\.[a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?)*$/,
    wording.noHostName,
  );
/** How long the workshop stands by its work, months. */
export const warrantyMonths = z
  .int({ error: wording.wholeMonths })
  .min(0, common.zeroOrMore)
  .max(120, wording.atMostMonths);
/** Backups that are made by themselves. */
export const backupFields = z.object({
  daily: z.boolean(),
  hour: z.int({ error: wording.wholeHour }).min(0, wording.hourRange).max(23, wording.hourRange),
  keepDays: z
    .int({ error: wording.wholeDays })
    .min(1, wording.atLeastOneDay)
    .max(3650, wording.atMostTenYears),
});
/** After how many months what is known of an owner is erased; 0 for never. */
export const eraseAfterMonths = z
  .int({ error: wording.wholeMonthsOrNever })
  .min(0, common.zeroOrMore)
  .max(240, wording.atMostTwentyYears);
/** Waits that may be longer than the shipped ones, never shorter, s. */
export const waitFields = z.object({
  solventFlashS: z
    .int({ error: wording.giveWholeSeconds })
    .min(leastWaits.solventFlashS, wording.flashAtLeast(leastWaits.solventFlashS))
    .max(3600, wording.atMostAnHour),
  coolingS: z
    .int({ error: wording.giveWholeSeconds })
    .min(leastWaits.coolingS, wording.coolingAtLeast(leastWaits.coolingS))
    .max(3600, wording.atMostAnHour),
});

const spread = (least: number, most: number) =>
  z
    .strictObject({
      low: z.number().min(least).max(most),
      likely: z.number().min(least).max(most),
      high: z.number().min(least).max(most),
    })
    .refine((r) => r.low <= r.likely && r.likely <= r.high);
/** How a heat source is set, and what readings at the glass made of it. */
export const heatFields = z.strictObject({
  station: z.enum(sources.map((s) => s.station) as [string, ...string[]]),
  setC: z
    .number({ error: wording.giveCelsius })
    .min(30, wording.celsiusAtLeast(30))
    .max(150, wording.celsiusAtMost(150)),
  fitted: z
    .strictObject({
      contactM2KW: spread(0, 1).optional(),
      filmWm2K: spread(0, 10_000).optional(),
      offK: spread(-100, 100),
      readings: z.int().min(1).max(1000),
    })
    .optional(),
  forget: z.boolean().default(false),
});

/** What the hot-air station was measured to do at the middle of its dial; a dial reading is one machine's. */
export const hotAirFields = z.strictObject({
  filmWm2K: spread(1, 10_000),
  readings: z.int().min(0).max(1000),
  forget: z.boolean().default(false),
});
/** The sheet of a glue, in seconds; all of it, or nothing where it is taken away. */
const glueTime = (wrong: string) => z.number({ error: wrong }).min(0, wrong).max(1_209_600, wrong);
export const glueFields = z.strictObject({
  name: z.string().trim().min(1, glue.giveName).max(60),
  atC: z.number({ error: glue.giveCelsius }).min(5, glue.giveCelsius).max(60, glue.giveCelsius),
  openS: glueTime(glue.giveOpen).positive(glue.giveOpen).optional(),
  handlingS: glueTime(glue.giveHandling),
  fullS: glueTime(glue.giveFull),
}) satisfies z.ZodType<GlueSheet>;
const momentField = z.number().int().min(1_500_000_000_000).max(4_100_000_000_000);
/** From when to when somebody is away, ms. */
export const absenceFields = z.strictObject({ from: momentField, to: momentField });
/** How warm the room is in which glues set, C. */
export const roomField = z.number({ error: glue.giveRoom }).min(5, glue.giveRoom).max(45, glue.giveRoom);
/** How the seal press is set, in the unit that it shows; none of these presses more than 2000 N. */
export const pressFields = z.strictObject({
  force: z.number({ error: press.giveForce }).positive(press.giveForce).max(2000, press.giveForce),
  unit: z.enum(forceUnits),
  models: z.array(z.string().max(64)).max(500).default([]),
});
/** How the leak tester is set: every value is the tester's own, and none is right for all. */
export const leakTesterFields = z.strictObject({
  setPa: z
    .number({ error: wording.givePressure })
    .min(500, wording.pressureRange)
    .max(90_000, wording.pressureRange),
  holdS: z.int({ error: wording.giveHold }).min(5, wording.holdRange).max(600, wording.holdRange),
  limitPaS: z.number({ error: wording.giveLimit }).positive(wording.giveLimit).max(10_000, wording.giveLimit),
  fillS: z.int({ error: wording.giveFill }).min(2, wording.giveFill).max(300, wording.giveFill).optional(),
  lossShare: z
    .number({ error: wording.giveLoss })
    .min(0.005, wording.giveLoss)
    .max(0.2, wording.giveLoss)
    .optional(),
  referencePaS: z
    .number({ error: wording.giveReference })
    .positive(wording.giveReference)
    .max(10_000, wording.giveReference)
    .optional(),
}) satisfies z.ZodType<LeakSettings>;
