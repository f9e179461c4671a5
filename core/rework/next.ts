import type { ReworkStep, ReworkStepId } from './work-plan';

/** The step that is next: the first that is neither done nor left out; undefined when all are. */
export const nextStepOf = (
  plan: readonly ReworkStep[],
  done: readonly ReworkStepId[],
): ReworkStep | undefined => plan.find((step) => !done.includes(step.id));
