import type { JobEvent } from './events';

/** A pause longer than this was spent on something else, s. */
const pauseS = 15 * 60;
/**
 * What an entry took, from the entry before it, s.
 * @returns undefined after a long pause, where time did not pass, and by a clock that nobody knows
 */
export function workedS(before: JobEvent | undefined, event: JobEvent): number | undefined {
  if (!before?.clockKnown || !event.clockKnown) return undefined;
  const seconds = (event.at - before.at) / 1000;
  return seconds > 0 && seconds <= pauseS ? seconds : undefined;
}
