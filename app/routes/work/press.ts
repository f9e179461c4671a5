import type { PressLine } from '../../../core/wire/press-run';
import { press } from '../../../server/use-cases/press';
import type { Route } from './+types/press';
import { toldOfJob } from './told-lines';

/** Runs the seal press with its gauge and says how it goes. */
export const action = (args: Route.ActionArgs) =>
  toldOfJob<PressLine>(args, press, (said) => ({ say: 'failed', fault: 'stopped', said }));
