import { nextStep } from '../rules/step-of-event';
import { flag, type JobState } from '../log/state';
import { openState } from '../log/view';
import type { Round } from '../log/events';
import type { IndexedModel } from '../model/index-model';
import type { Route, Step } from '../steps/route';

/** Where the checks of a job stand: which round is asked now, and the step of the route that is next. */
export interface RoundNow {
  round: Round;
  next: Step | undefined;
  /** A fault that needed no opening is proved on the device as it is. */
  unopened: boolean;
}
/** Which round is asked: before until there is a route, then the route's own, then after once it is closed. */
export function roundNow(state: JobState, index: IndexedModel, route: Route | undefined): RoundNow {
  const next = route && nextStep(route, state, index)?.step;
  const unopened = !route && !!flag(state, 'cause') && Object.keys(state.task).length === 0;
  const round = (): Round => {
    if (!flag(state, 'received') || (!route && !unopened)) return 'before';
    if (next?.action === 'check' && next.round) return next.round;
    return openState(state, index) === 'closed' || unopened ? 'after' : 'mid';
  };
  return { round: round(), next, unopened };
}
