import type { JobState } from '../log/state';
import type { IndexedModel } from '../model/index-model';
import { beliefOf } from './belief';
import { type Fault, faultOf } from './fault';
import type { KnownTest } from '../knowledge/tests';

/** A harmless cause is worth looking for as long as its chance is at least this. */
const worthLooking = 0.05;

const harmless = (t: KnownTest) => t.rung !== 'open it' && !t.erases;
/** Whether one of a test's outcomes would point at a cause: likely under it, and at least five times rarer otherwise. */
const pointsAt = (knownTest: KnownTest, cause: string) =>
  (knownTest.given[cause] ?? []).some((p, i) => p >= 0.5 && p >= 5 * knownTest.usual[i]!);

/**
 * Tests without opening and without loss of data that could still explain the fault: those that would point at a cause
 * which needs no opening and is not unlikely. Done ones and declined ones are through.
 */
export function openRungs(
  index: IndexedModel,
  state: JobState,
  fault: Fault | undefined = faultOf(index, state, 0),
): string[] {
  const belief = fault && beliefOf(fault.problem);
  if (!fault || !belief) return [];
  const easy = fault.causes.filter(
    (c, i) => c.task === 'none' && c.id !== 'other' && belief[i]! >= worthLooking,
  );
  return fault.tests
    .filter(
      (knownTest) =>
        harmless(knownTest) &&
        state.test[knownTest.id]?.outcome === undefined &&
        state.test[knownTest.id]?.declined === undefined &&
        easy.some((c) => pointsAt(knownTest, c.id)),
    )
    .map((t) => t.id);
}
