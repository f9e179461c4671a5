import type { LeakAnswer } from './leak';

/** What a tester made of a leak of known size. */
export interface SelfTest {
  /** ms since 1970. */
  at: number;
  by: string;
  /** The steady loss that it found, with its standard error, and what the reference leak loses, Pa/s. */
  ratePaS: number;
  errorPaS: number;
  referencePaS: number;
  ok: boolean;
}
/** So far a tester may be off its reference leak, as a share of it (common practice for go/no-go gauges: a tenth; from memory). */
const mayBeOff = 0.1;
/** It is done anew each day, ms. */
const dayMs = 24 * 60 * 60 * 1000;

/** Whether a tester finds its reference leak: within a tenth of it and two standard errors, and the error itself no larger than that tenth. */
export function findsReference(
  { rateSteadyPaS, rateErrorPaS }: Pick<LeakAnswer, 'rateSteadyPaS' | 'rateErrorPaS'>,
  referencePaS: number,
): boolean {
  if (rateSteadyPaS === undefined || rateErrorPaS === undefined) return false;
  const allowed = mayBeOff * referencePaS;
  return rateErrorPaS <= allowed && Math.abs(rateSteadyPaS - referencePaS) <= allowed + 2 * rateErrorPaS;
}
/** What a test by the tester is worth now: `failed` is worth nothing, `due` was not proved for a day. */
export const trustOf = (last: SelfTest | undefined, now: number): 'good' | 'due' | 'failed' =>
  last && !last.ok ? 'failed' : last && now - last.at < dayMs && now >= last.at ? 'good' : 'due';
