import type { JobState } from '../log/state';
import type { IndexedModel } from '../model/index-model';
import type { Route } from '../steps/route';
import { handsS, times } from '../route/times';
import type { QuoteInput } from './quote';
import type { ThreePoint } from './three-point';

/** The spread of a price that only the model's list says: it may be a fifth cheaper or a third dearer. A starting guess. */
const listPrice = (price: number) => ({
  low: Math.round(price * 0.8),
  likely: price,
  high: Math.round(price * 1.33),
});

/**
 * What a route costs: its parts (the one chosen from the stock at its own price, else the list price with its spread),
 * its steps and bit changes, the workshop's rate, the kit's consumables, and the risks of its ways.
 * @param factor by which what the workshop's prices say becomes what an owner pays: `payFactor` of its tax
 */
export function quoteInput(
  index: IndexedModel,
  route: Route,
  chosen: Readonly<JobState['part']>,
  factor = 1,
): QuoteInput {
  const paid = ({ low, likely, high }: ThreePoint): ThreePoint => ({
    low: low * factor,
    likely: likely * factor,
    high: high * factor,
  });
  return {
    parts: route.kit.parts.map((slot) => {
      const s = index.slots.get(slot)!;
      const part = chosen[slot];
      return {
        name: slot,
        ...paid(
          part
            ? { low: part.priceMinor, likely: part.priceMinor, high: part.priceMinor }
            : listPrice(s.price),
        ),
      };
    }),
    handsS: [
      ...route.steps.map((s) => s.handsS),
      times(handsS.bitChange, route.changes),
      times(handsS.turn, route.turnings),
    ],
    hourlyRateMinor: route.input.hourlyRateMinor * factor,
    consumablesMinor: route.cost.consumables * factor,
    risks: route.risks.map((risk) => ({ ...risk, cost: risk.cost * factor })),
  };
}

/** When the data of a part are read, by the numbers of a route's steps, from 1. */
export interface ReadAt {
  slot: string;
  step: number;
  of: number;
  /** The last step before it that warms the device: what the heat breaks cannot be read any more. */
  warmedAt?: number;
}
/** Where in a route the data of old parts are read, and what is warmed before: said when the price is. */
export function dataReadAt(route: Pick<Route, 'steps'>): ReadAt[] {
  return route.steps.flatMap((step, k) => {
    if (step.action !== 'read data') return [];
    const warmed = route.steps.slice(0, k).findLastIndex((h) => h.action === 'heat');
    return [
      {
        slot: step.targets[0]!,
        step: k + 1,
        of: route.steps.length,
        ...(warmed >= 0 ? { warmedAt: warmed + 1 } : {}),
      },
    ];
  });
}
