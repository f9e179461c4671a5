import * as common from '../words/answers/common';
import * as wording from '../words/answers/people-fields';
import { z } from 'zod';
import { allStations } from '../core/methods/catalogue';
import { roles } from '../core/vocabulary/roles';
import { placesFields } from './places-fields';
import { hourlyRateMinor, shopName } from './workshop-fields';

const personName = z.string().trim().min(1, wording.giveName).max(60, common.atMostCharacters(60));
const loginName = z
  .string()
  .trim()
  .regex(/^[a-z0-9][a-z0-9._-]{1,39}$/, wording.loginShape);

/** Another person of the workshop; the password is chosen by that person alone. */
export const personFields = z.object({
  name: personName,
  login: loginName,
  role: z.enum(roles),
  bench: z.string().trim().max(60, common.atMostCharacters(60)),
});
/**
 * A password: long enough, and nothing else asked of it (NIST SP 800-63B, 5.1.1.2: length counts, kinds of characters do
 * not). That it is not one that everybody uses is checked on the server, which has the list.
 */
export const newPassword = z
  .string()
  .min(10, wording.passwordTooShort)
  .max(200, common.atMostCharacters(200));
/** Changing one's own. */
export const ownPasswordFields = z.object({
  now: z.string().min(1, wording.givePasswordOfToday).max(200, common.atMostCharacters(200)),
  password: newPassword,
});

/** What is asked when the first workshop is founded. */
export const setUpFields = z.object({
  code: z.string().trim().min(1, wording.giveSetUpCode).max(60, common.atMostCharacters(60)),
  shop: shopName,
  currency: placesFields.shape.currency,
  country: placesFields.shape.country,
  timeZone: placesFields.shape.timeZone,
  taxPercent: placesFields.shape.taxPercent,
  taxIncluded: placesFields.shape.taxIncluded,
  hourlyRateMinor,
  stations: z.array(z.enum(allStations as [string, ...string[]])).max(40),
  name: personName,
  login: loginName,
  password: newPassword,
});
export type SetUp = z.output<typeof setUpFields>;
