import type { Waiting } from '../quote/promise';
import type { StockPart } from './stock';

/** What an offer is made from beside the job: the parts that fit, and what stands on the bench already. */
export interface OfferPage {
  parts: StockPart[];
  waiting: Waiting[];
  benches: number;
}
