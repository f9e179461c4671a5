import type { IndexedModel } from '../model/index-model';
import { planRoute } from './plan';
import type { RouteInput, RouteResult } from '../steps/route';

/** Nodes of each stage: the first answers at once, each next one costs at most ten times what all before it did. */
const budgets = [0, 4000, 40_000, 400_000, 4_000_000];

/**
 * A route that gets better while one waits: an answer with its gap at once, then the same question with ever larger
 * budgets until it is proved. Whoever drives it stops asking when they have had enough; `stop` ends the stage that runs.
 */
export function* planByStages(
  index: IndexedModel,
  modelHash: string,
  input: RouteInput,
  stop?: () => boolean,
): Generator<{ route: RouteResult; done: boolean; stage: number; stages: number }> {
  for (const [i, budget] of budgets.entries()) {
    const route = planRoute(index, modelHash, input, { budget, stop });
    const done = 'infeasible' in route || route.optimal || i === budgets.length - 1 || (stop?.() ?? false);
    yield { route, done, stage: i + 1, stages: budgets.length };
    if (done) return;
  }
}
