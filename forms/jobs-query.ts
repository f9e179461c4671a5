import { z } from 'zod';
import { endings } from '../core/log/events';
import { stages } from '../core/progress/stage';

/** What the jobs can be ordered by. */
const jobOrders = ['number', 'model', 'received', 'promised', 'stage'] as const;
export type JobOrder = (typeof jobOrders)[number];
export const jobsPerPage = 50;

const day = z.iso.date().or(z.literal('')).catch('');
const text = (most: number) =>
  z
    .string()
    .max(most)
    .catch('')
    .transform((s) => s.trim());

/** A question for jobs as it stands in an address; what cannot be read is left out. */
export const jobsQuery = z.object({
  q: text(80).default(''),
  /** A stage of open jobs, or how a closed one has ended; `open` for all that are not closed. */
  at: z
    .enum(['', 'open', ...stages, ...endings])
    .catch('')
    .default(''),
  model: text(120).default(''),
  person: z.uuid().or(z.literal('')).catch('').default(''),
  /** Received between these days, both included. */
  from: day.default(''),
  to: day.default(''),
  sort: z.enum(jobOrders).catch('number').default('number'),
  dir: z.enum(['up', 'down']).catch('down').default('down'),
  page: z.coerce.number().int().min(0).max(10_000).catch(0).default(0),
});
export type JobsQuery = z.output<typeof jobsQuery>;
