import * as wording from '../../../words/screens/offer';
import type { Task } from '../../../core/log/events';
import type { JobState, PartEntry } from '../../../core/log/state';
import type { IndexedModel } from '../../../core/model/index-model';
import { jobRouteInput } from '../../../core/progress/route-input-of-job';
import type { ShopSettings } from '../../../core/wire/who';
import type { StockPart } from '../../../core/wire/stock';
import type { QuoteAsked } from '../../workers/quote.worker';
import { taskName } from '../../../words/steps';
import { thingName } from '../../../words/things';
import type { OptionRow } from './price-card';

export interface PricedOption {
  row: OptionRow;
  option: QuoteAsked['options'][number];
}
/**
 * What is priced side by side: all of it as chosen, with another part of each provenance, and each task alone.
 * @param parts of this model's stock, cheapest first
 * @param extraMin what was added by hand, minutes
 */
export function optionsOf(
  index: IndexedModel,
  state: JobState,
  settings: ShopSettings,
  parts: readonly StockPart[],
  replaced: readonly string[],
  tasks: readonly Task[],
  extraMin: number,
): PricedOption[] {
  // a guess by hand is off by a third down and half up (common practice, from memory)
  const extraS = { low: extraMin * 40, likely: extraMin * 60, high: extraMin * 90 };
  const make = (id: string, name: string, s: JobState): PricedOption => ({
    row: { id, name },
    option: { id, input: jobRouteInput(settings, index, s), parts: s.part, extraS },
  });
  const none = replaced.length > 0 && !replaced.some((s) => state.part[s]);
  const others = replaced.flatMap((slot) =>
    alternatives(parts, slot, state).map((stockPart) =>
      make(stockPart.id, `${thingName(index, slot)}: ${stockPart.provenance}`, {
        ...state,
        part: { ...state.part, [slot]: entryOf(stockPart) },
      }),
    ),
  );
  const alone =
    tasks.length > 1
      ? tasks.slice(0, 4).map((t) =>
          make(`only ${t.slot}`, `only ${taskName[t.action]} the ${thingName(index, t.slot)}`, {
            ...state,
            task: { [t.slot]: t.action },
          }),
        )
      : [];
  return [make('whole', none ? wording.atListPrice : wording.asChosen, state), ...others, ...alone];
}

export const entryOf = (stockPart: StockPart): PartEntry => ({
  part: stockPart.id,
  name: stockPart.name,
  provenance: stockPart.provenance,
  supplier: stockPart.supplier,
  lot: stockPart.lot,
  serial: stockPart.serial,
  priceMinor: stockPart.priceMinor,
  arrivesWith: stockPart.arrivesWith,
  released: stockPart.released,
  proof: stockPart.proof,
});
/** Of the parts that could be taken instead, the cheapest of each provenance; two at most. */
function alternatives(parts: readonly StockPart[], slot: string, state: JobState): StockPart[] {
  const seen = new Set<string>(state.part[slot] ? [state.part[slot].provenance] : []);
  return parts
    .filter((p) => p.slot === slot && p.released !== 'locked' && p.id !== state.part[slot]?.part)
    .filter((p) => !seen.has(p.provenance) && seen.add(p.provenance))
    .slice(0, 2);
}
