import { knownCause, knownTest } from '../core/diagnose/fault';
import { type SymptomId, symptoms } from '../core/knowledge/symptoms';

export const symptomName = (id: string) => symptoms.find((s) => s.id === (id as SymptomId))?.name ?? id;
export const testName = (id: string) => knownTest(id)?.name ?? id;
export const causeName = (id: string) => knownCause(id)?.name ?? id;
/** `37 %`, and never 0 or 100 for what is only nearly so. */
export function percent(p: number): string {
  if (p > 0 && p < 0.005) return '< 1\u00a0%';
  if (p < 1 && p > 0.995) return '> 99\u00a0%';
  return `${Math.round(p * 100)}\u00a0%`;
}

/**
 * How far a test narrows the causes, on average: `15 % fewer suspects`. One bit of information halves their effective
 * number (Shannon's entropy); said so, since a bit is a tool here.
 * @param gain expected information, bits
 */
export const narrowing = (gain: number): string => `${Math.round(100 * (1 - 2 ** -gain))} % fewer suspects`;
