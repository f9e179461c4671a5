import type { ReworkStep, ReworkStepId } from './work-plan';

/** What is so at the device whoever did it: a step for it is not asked for again. */
export interface ReworkFacts {
  /** The battery is on its plug; undefined where the model names no plug. */
  live: boolean | undefined;
  /** The part's data are read, written or declined. */
  dataSettled: boolean;
}

/** Steps that are done, by what was said at the bench and by how the device stands. */
export function doneNow(
  done: readonly ReworkStepId[],
  { live, dataSettled }: ReworkFacts,
): ReadonlySet<ReworkStepId> {
  const out = new Set(done);
  if (dataSettled) out.add('save data');
  if (live !== undefined) {
    // plugged in for its trial it is on by intent
    if (live && !out.has('plug in')) out.delete('cell off');
    else out.add('cell off');
  }
  return out;
}
/** The step that is next: the first that is neither done nor left out; undefined when all are. */
export const nextStepOf = (
  plan: readonly ReworkStep[],
  done: ReadonlySet<ReworkStepId>,
): ReworkStep | undefined => plan.find((step) => !done.has(step.id));
