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
    .refine((c) => currencies.includes(c), 'Give a currency by its three letters, such as EUR or USD.'),
  country: z
    .string()
    .trim()
    .toUpperCase()
    .refine((c) => countries.includes(c), 'Give a country by its two letters, such as IE or DE.'),
  timeZone: z
    .string()
    .trim()
    .refine((zone) => timeZones.includes(zone), 'Give a time zone by its name, such as Europe/Dublin.'),
  /** Per cent; 0 where there is none. */
  taxPercent: z
    .number({ error: 'Give the tax in per cent, such as 20 or 8.1; 0 for none.' })
    .min(0, 'Give 0 or more.')
    .max(50, 'At most 50 %.'),
  taxName: z.string().trim().min(1, 'Say what it is called, such as VAT.').max(20, 'At most 20 characters.'),
  taxIncluded: z.boolean(),
  roundMinor: z.literal(roundings, { error: 'Choose one of the roundings.' }),
});
export type PlacesGiven = z.output<typeof placesFields>;
