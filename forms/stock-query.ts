import { z } from 'zod';
import { searchWords } from './search-words';
import { provenances } from '../core/log/events';

/** What the parts can be ordered by. */
const partOrders = ['place', 'name', 'provenance', 'price', 'lot'] as const;
export type PartOrder = (typeof partOrders)[number];
export const partsPerPage = 100;
/** Where a part is: in the drawer, taken for a job that is open, or used up by one. */
export const partPlaces = ['free', 'chosen', 'used'] as const;

/** A question for parts as it stands in an address; what cannot be read is left out. */
export const stockQuery = z.object({
  q: searchWords,
  from: z
    .enum(['', ...provenances])
    .catch('')
    .default(''),
  at: z
    .enum(['', ...partPlaces])
    .catch('')
    .default(''),
  sort: z.enum(partOrders).catch('place').default('place'),
  dir: z.enum(['up', 'down']).catch('up').default('up'),
  page: z.coerce.number().int().min(0).max(10_000).catch(0).default(0),
});
export type StockQuery = z.output<typeof stockQuery>;
