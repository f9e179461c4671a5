import { z } from 'zod';
import { allStations } from '../methods/catalogue';
import { roles } from '../vocabulary/roles';
import { placesFields } from './places-fields';
import { hourlyRateMinor, shopName } from './workshop-fields';

const personName = z.string().trim().min(1, 'Give a name.').max(60, 'At most 60 characters.');
const loginName = z
  .string()
  .trim()
  .regex(/^[a-z0-9][a-z0-9._-]{1,39}$/, 'Two to forty small letters, digits, dots or hyphens.');

/** Another person of the workshop; the password is chosen by that person alone. */
export const personFields = z.object({
  name: personName,
  login: loginName,
  role: z.enum(roles),
  bench: z.string().trim().max(60, 'At most 60 characters.'),
});
/**
 * A password: long enough, and nothing else asked of it (NIST SP 800-63B, 5.1.1.2: length counts, kinds of characters do
 * not). That it is not one that everybody uses is checked on the server, which has the list.
 */
export const newPassword = z
  .string()
  .min(10, 'At least 10 characters: a few words are good.')
  .max(200, 'At most 200 characters.');
/** Changing one's own. */
export const ownPasswordFields = z.object({
  now: z.string().min(1, 'Give the password of today.').max(200, 'At most 200 characters.'),
  password: newPassword,
});

/** What is asked when the first workshop is founded. */
export const setUpFields = z.object({
  code: z.string().trim().min(1, 'Give the code that the start printed.').max(60, 'At most 60 characters.'),
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
