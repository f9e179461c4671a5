import { z } from 'zod';
import { bodySchema } from './event-schema';

/** One event as a line of a file: what was reported, by whom and when. Older kinds are lifted before they are read. */
export const eventSchema = z.looseObject({
  v: z.int().min(1).max(1000),
  id: z.string().min(1).max(100),
  seq: z.int().min(1),
  at: z.int(),
  clockKnown: z.boolean(),
  by: z.uuid(),
  body: bodySchema,
});
