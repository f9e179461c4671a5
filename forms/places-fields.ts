import * as common from '../words/answers/common';
import * as wording from '../words/answers/places-fields';
import { z } from 'zod';

/** Currencies by their three letters (ISO 4217), as the browser and the server know them. */
export const currencies: readonly string[] = Intl.supportedValuesOf('currency');
/** Zones as the IANA database names them. */
export const timeZones: readonly string[] = [...Intl.supportedValuesOf('timeZone'), 'UTC'];
/**
 * Countries by their two letters (ISO 3166-1): what has a name and is no group of countries, no former country and none of
 * the codes that everybody may use as they like.
 */
export const countries: readonly string[] = (() => {
  const names = new Intl.DisplayNames(['en'], { type: 'region', fallback: 'none' });
  const letters = Array.from({ length: 26 }, (_, i) => String.fromCharCode(65 + i));
  return letters
    .flatMap((first) => letters.map((second) => first + second))
    .filter((code) => names.of(code) !== undefined && new Intl.Locale(`und-${code}`).region === code)
    .filter((code) => !/^(?:AC|CP|CQ|DG|EA|E[UZ]|IC|Q[M-Z]|TA|UN|X[A-J]|ZZ)$/.test(code));
})();
/** What the smallest amount on an offer can be, minor units. */
export const roundings = [1, 5, 10, 50, 100, 500, 1000] as const;

/** How a workshop writes money and time, and which tax is on its prices. */
export const placesFields = z.object({
  currency: z
    .string()
    .trim()
    .toUpperCase()
    .refine((c) => currencies.includes(c), wording.giveCurrency),
  country: z
    .string()
    .trim()
    .toUpperCase()
    .refine((c) => countries.includes(c), wording.giveCountry),
  timeZone: z
    .string()
    .trim()
    .refine((zone) => timeZones.includes(zone), wording.giveTimeZone),
  /** Per cent; 0 where there is none. */
  taxPercent: z.number({ error: wording.giveTax }).min(0, common.zeroOrMore).max(50, wording.atMostPercent),
  taxName: z.string().trim().min(1, wording.giveTaxName).max(20, common.atMostCharacters(20)),
  taxIncluded: z.boolean(),
  roundMinor: z.literal(roundings, { error: wording.chooseRounding }),
});
export type PlacesGiven = z.output<typeof placesFields>;
