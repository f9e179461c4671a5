import { checkRoutes } from '../../core/route/check-routes';
import type { ModelProblem } from '../../core/model/check-model';
import type { DeviceModel } from '../../core/model/schema';

/** Whether there is a way to everything of a model, and back: in a thread, since it asks for dozens of routes. */
export default (model: DeviceModel): ModelProblem[] => checkRoutes(model);
