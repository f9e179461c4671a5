import type { Advice } from '../log/events';

export interface Offer {
  name: string;
  priceMinor: number;
}
/** One way of doing the job: the whole, a part of it, with this part or that. */
export interface Priced {
  id: string;
  meanMinor: number;
  p90Minor: number;
  chance: number | null;
}
export interface AdviceGiven {
  advice: Advice;
  because:
    | 'dearer than another phone'
    | 'dearer than another offer'
    | 'over the limit, part of it fits'
    | 'over the limit'
    | 'near the price of another phone'
    | 'within the limit'
    | 'cheaper than another phone'
    | 'nothing to compare';
  option: string;
  figures: { cost: number; against?: number; chance?: number };
}

/** A repair at more than this share of another phone's price is money into an old phone; common practice says half to two thirds. */
const shareOfReplacement = 0.6;
/** The chance of staying within the owner's limit that is taken for a yes. */
const likelyEnough = 0.8;
const unlikely = 0.3;

/**
 * Repair, repair partly, replace or decline, with the reason. Rules in this order: what costs more than another phone or
 * than another's offer is not worth it; what hardly stays within the owner's limit is cut down to a part that does, or
 * declined.
 * @param whole the job as asked; `parts` smaller ones, most useful first
 * @param replacement what another phone of its kind costs; `offers` what others ask for the same repair
 */
export function advise(
  whole: Priced,
  parts: readonly Priced[],
  replacementMinor: number | null,
  offers: readonly Offer[],
  limitMinor: number | null,
): AdviceGiven {
  const cost = Math.round(whole.meanMinor);
  if (replacementMinor !== null && cost >= replacementMinor)
    return {
      advice: 'replace',
      because: 'dearer than another phone',
      option: whole.id,
      figures: { cost, against: replacementMinor },
    };
  const cheapest = offers.toSorted((a, b) => a.priceMinor - b.priceMinor)[0];
  if (cheapest && cheapest.priceMinor < cost * 0.8)
    return {
      advice: 'decline',
      because: 'dearer than another offer',
      option: whole.id,
      figures: { cost, against: cheapest.priceMinor },
    };
  if (limitMinor !== null && whole.chance !== null && whole.chance < likelyEnough) {
    const fits = parts.find((p) => p.chance !== null && p.chance >= likelyEnough);
    if (fits)
      return {
        advice: 'repair partly',
        because: 'over the limit, part of it fits',
        option: fits.id,
        figures: { cost: Math.round(fits.meanMinor), against: limitMinor, chance: fits.chance! },
      };
    if (whole.chance < unlikely)
      return {
        advice: 'decline',
        because: 'over the limit',
        option: whole.id,
        figures: { cost, against: limitMinor, chance: whole.chance },
      };
  }
  if (replacementMinor !== null && cost > shareOfReplacement * replacementMinor)
    return {
      advice: 'replace',
      because: 'near the price of another phone',
      option: whole.id,
      figures: { cost, against: replacementMinor },
    };
  if (limitMinor !== null && whole.chance !== null)
    return {
      advice: 'repair',
      because: 'within the limit',
      option: whole.id,
      figures: { cost, against: limitMinor, chance: whole.chance },
    };
  if (replacementMinor !== null)
    return {
      advice: 'repair',
      because: 'cheaper than another phone',
      option: whole.id,
      figures: { cost, against: replacementMinor },
    };
  return { advice: 'repair', because: 'nothing to compare', option: whole.id, figures: { cost } };
}
