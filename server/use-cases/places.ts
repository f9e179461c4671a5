import * as wording from '../../words/answers/places';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { PlacesGiven } from '../../forms/places-fields';
import type { Changed } from '../../core/wire/changed';
import type { ShopSettings } from '../../core/wire/who';
import { Job, Part } from '../db/entities';

/** The tax of a workshop; none where it is 0 %. */
export const taxGiven = (
  given: Pick<PlacesGiven, 'taxPercent' | 'taxName' | 'taxIncluded'>,
): Pick<ShopSettings, 'tax'> =>
  given.taxPercent > 0
    ? { tax: { name: given.taxName, percent: given.taxPercent, included: given.taxIncluded } }
    : {};

/** Country, zone, tax and rounding count from now on; amounts that are in the record stay in the currency that they were said in. */
export async function changePlaces(
  em: EntityManager,
  shop: { settings: ShopSettings },
  given: PlacesGiven,
): Promise<Changed> {
  const { tax: _, ...settings } = shop.settings;
  if (given.currency !== settings.currency && ((await em.count(Part)) > 0 || (await em.count(Job)) > 0))
    return {
      ok: false,
      status: 409,
      errors: {
        currency: wording.currencyStays(settings.currency),
      },
    };
  const { currency, country, timeZone, roundMinor } = given;
  shop.settings = { ...settings, currency, country, timeZone, roundMinor, ...taxGiven(given) };
  return { ok: true, said: wording.kept };
}
