import { checksDue } from '../checks/due';
import type { IndexedModel } from '../model/index-model';
import type { Route } from '../steps/route';
import type { Phase } from '../vocabulary/steps';
import { hasMet } from '../record/model-of-job';
import { failedChecks } from '../checks/failed';
import { isStepDone, nextStep } from '../rules/step-of-event';
import { flag, type JobState } from '../log/state';

export const stages = ['Receive', 'Open', 'Strip', 'Swap', 'Refit', 'Prove', 'Hand over'] as const;
export type Stage = (typeof stages)[number];

/**
 * The stage of a job: derived from its log, never stored by hand.
 * A failed check leads back: to Refit when something that was touched serves the function, to Strip otherwise.
 */
export function stageOf(state: JobState, index: IndexedModel, route: Route | undefined): Stage {
  if (flag(state, 'ending') !== undefined) return 'Hand over';
  if (!flag(state, 'received')) return 'Receive';
  // a device that is recorded has no route until all is known of it
  if (!route) return hasMet(state) ? 'Strip' : 'Receive';
  const next = nextStep(route, state, index)?.step;
  const failed = failedChecks(state, index);
  if (failed.length && (!next || next.action === 'check')) {
    const due = checksDue(state, index, 'after');
    return failed.some((f) => due.find((d) => d.function === f.function)?.because.length) ? 'Refit' : 'Strip';
  }
  if (!next) return 'Hand over';
  return next.phase satisfies Phase;
}

/** Seconds of hands that the route's open steps still take, likely. Without a route it is not known: 0. */
export const handsLeft = (state: JobState, route: Route | undefined): number =>
  flag(state, 'ending') !== undefined || !route
    ? 0
    : Math.round(
        route.steps.filter((s) => !isStepDone(state, s)).reduce((sum, s) => sum + s.handsS.likely, 0),
      );

/** How far each stage is, for the strip: the share of its steps that are done. */
export function progressOf(state: JobState, route: Route | undefined): { done: number; total: number } {
  if (!route) return { done: 0, total: 0 };
  return { done: route.steps.filter((s) => isStepDone(state, s)).length, total: route.steps.length };
}
