import type { Piscina } from 'piscina';

/**
 * Work in a thread of a pool, which is waited for so long, ms, its place in the queue included. Each piece of work has a clock
 * of its own; one that does not obey it would hold up all that is asked after it: its thread is ended, its request fails, and
 * the next one gets a new thread.
 */
export const inThread = <Answer>(pool: Piscina, work: unknown, mostMs: number): Promise<Answer> =>
  pool.run(work, { signal: AbortSignal.timeout(mostMs) }) as Promise<Answer>;
