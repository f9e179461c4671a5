import { z } from 'zod';
import type { FreeSlot } from '../day/slots';

const s = z.coerce.number().min(0).max(1_000_000);
/** A device that is offered: what of hands and waits it takes, s, and by when it is wished, ms. */
export const promiseAskedSchema = z.object({
  /** Left out where it is not received yet. */
  job: z.uuid().optional(),
  low: s,
  likely: s,
  high: s,
  wait: s,
  by: z.coerce.number().min(0).max(1e14).optional(),
});
export type PromiseAsked = z.infer<typeof promiseAskedSchema>;
/** What the plan of the day says of it. */
export interface PromiseSaid {
  /** When it is ready with everybody else as they are planned, ms. */
  readyAt: number;
  /** In how many of a hundred such days the wished time is kept. */
  chance?: number;
  /** Devices that become late by it, and by how much more, s. */
  pushed: { name: string; byS: number }[];
  /** When it could be taken in hand, and ready, with everybody else as they are, the soonest first. */
  slots: FreeSlot[];
}
