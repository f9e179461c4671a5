import type { Draft } from './draft';
import { leastWaits } from '../rules/interlock';

/** What wets a device with something that burns. */
const wets: ReadonlySet<string> = new Set(['solvent', 'clean rim']);
/**
 * Steps with how long the device rests before each: solvent waits until it has cooled from the heat, and heat until the solvent
 * has flashed off. What is done between counts.
 */
export function withRests<T extends Draft>(steps: readonly T[]): T[] {
  // seconds since the device came off the heat, and since it was wetted last
  let [offHeat, wetted] = [Infinity, Infinity];
  return steps.map((step) => {
    const least = wets.has(step.action)
      ? leastWaits.coolingS - offHeat
      : step.action === 'heat'
        ? leastWaits.solventFlashS - wetted
        : 0;
    const restS = Math.max(step.restS ?? 0, Math.round(least));
    const passed = restS + step.handsS.likely + step.waitS;
    [offHeat, wetted] = [offHeat + passed, wetted + passed];
    if (step.action === 'heat') offHeat = 0;
    if (wets.has(step.action)) wetted = 0;
    return restS ? { ...step, restS } : step;
  });
}
