import type { JobState } from '../log/state';
import type { IndexedModel } from '../model/index-model';
import { kindsFor } from '../rework/work-plan';
import type { Step } from '../steps/route';

/** Whether a step of the route is work under the microscope that has not ended yet: it is done step by step at its own bench. */
export function reworkDue(index: IndexedModel, state: JobState, step: Step | undefined): boolean {
  if (step?.action !== 'rework' && step?.action !== 'move chip') return false;
  const slot = index.slots.get(step.targets[0]!);
  return (
    slot !== undefined &&
    kindsFor({ kind: slot.kind, laser: slot.traits.includes('laser') }).length > 0 &&
    state.rework[slot.id]?.outcome === undefined
  );
}
