import { indexModel } from '../../core/model/index-model';
import type { DeviceModel } from '../../core/model/schema';
import { planByStages } from '../../core/route/plan-by-stages';
import type { RouteInput, RouteResult } from '../../core/steps/route';

export interface PlanAsked {
  model: DeviceModel;
  modelHash: string;
  input: RouteInput;
}
export interface PlanTold {
  route: RouteResult;
  done: boolean;
  stage: number;
  stages: number;
}

/** The planner beside the page: tells each better answer as it comes. Whoever asked ends it by ending the worker. */
self.onmessage = (messageEvent: MessageEvent<PlanAsked>) => {
  const { model, modelHash, input } = messageEvent.data;
  for (const told of planByStages(indexModel(model), modelHash, input))
    self.postMessage(told satisfies PlanTold);
};
