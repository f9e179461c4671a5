import { checkModel, type ModelProblem } from '../../core/model/check-model';
import { indexModel } from '../../core/model/index-model';
import type { DeviceModel } from '../../core/model/schema';
import { ofVariant } from '../../core/model/variant';
import { checkRoutes } from '../../core/route/check-routes';
import { planByStages } from '../../core/route/plan-by-stages';
import { routeInput } from '../../core/route/route-input';
import type { RouteResult } from '../../core/steps/route';

export interface ModelAsked {
  nr: number;
  model: DeviceModel;
  variant: string;
  /** The part to which a route is shown. */
  slot: string | undefined;
}
export type ModelTold =
  | { nr: number; problems: ModelProblem[]; whole: boolean }
  | { nr: number; slot: string; route: RouteResult };

/**
 * What is wrong with a model while it is edited, and the route to the part that is looked at: first what its shape says, then
 * the route, then whether there is a way to everything. Whoever asks anew ends it by ending the worker.
 */
self.onmessage = (event: MessageEvent<ModelAsked>) => {
  const { nr, model, variant, slot } = event.data;
  const checked = checkModel(model);
  const say = (told: ModelTold) => self.postMessage(told);
  say({ nr, problems: checked.problems, whole: false });
  if (!checked.ok) return;
  const index = indexModel(ofVariant(checked.model, variant));
  if (slot && index.slots.has(slot)) {
    const input = routeInput({ model: model.id, variant, tasks: [{ slot, action: 'replace' }] });
    // the first answer: it is whole, if not proved to be the shortest
    const [first] = planByStages(index, '', input);
    if (first) say({ nr, slot, route: first.route });
  }
  say({ nr, problems: checkRoutes(checked.model), whole: true });
};
