/** A reading of a force gauge under a press: s since it began, and N. */
export interface ForceSample {
  tS: number;
  forceN: number;
}
/** What a press did by its gauge. */
export interface Pressed {
  peakN: number;
  /** Over the time in which it held, N; 0 where it never did. */
  meanN: number;
  /** How long it stood within a tenth of what was set, without a break, at best, s. */
  heldS: number;
  verdict: 'held' | 'too short' | 'too weak' | 'too strong';
}
/** So far from what was set it still counts as that, as a share of it (from memory: gauges of such presses read to some percent). */
const within = 0.1;

/**
 * Whether a press held what was set for as long as was wished. Gaps in the readings end a hold: nobody saw what it did.
 * @param setN N
 * @param holdS s
 */
export function pressedBy(samples: readonly ForceSample[], setN: number, holdS: number): Pressed {
  const [least, most] = [setN * (1 - within), setN * (1 + within)];
  const gapS = 1;
  let best: readonly ForceSample[] = [];
  let from = 0;
  for (const [k, sample] of samples.entries()) {
    if (sample.tS - (samples[k - 1]?.tS ?? sample.tS) > gapS) from = k;
    if (sample.forceN < least || sample.forceN > most) from = k + 1;
    else if (sample.tS - samples[from]!.tS >= spanOf(best)) best = samples.slice(from, k + 1);
  }
  const peakN = Math.max(0, ...samples.map((s) => s.forceN));
  const heldS = spanOf(best);
  return {
    peakN,
    meanN: best.length ? best.reduce((sum, s) => sum + s.forceN, 0) / best.length : 0,
    heldS,
    // a reading comes every tenth of a second: the last one may be missing
    verdict:
      peakN > most ? 'too strong' : heldS >= holdS - 0.2 ? 'held' : peakN < least ? 'too weak' : 'too short',
  };
}
const spanOf = (run: readonly ForceSample[]): number => (run.length ? run.at(-1)!.tS - run[0]!.tS : 0);
