import { indexModel } from '../../core/model/index-model';
import type { DeviceModel } from '../../core/model/schema';
import { planByStages } from '../../core/route/plan-by-stages';
import type { RouteInput, RouteResult } from '../../core/steps/route';

/** Plans one route in a thread of its own; after `seconds` it answers with the best that it has. */
export default function plan({
  model,
  modelHash,
  input,
  seconds,
}: {
  model: DeviceModel;
  modelHash: string;
  input: RouteInput;
  seconds: number;
}): RouteResult {
  const end = performance.now() + seconds * 1000;
  let last: RouteResult | undefined;
  for (const { route } of planByStages(indexModel(model), modelHash, input, () => performance.now() >= end))
    last = route;
  return last!;
}
