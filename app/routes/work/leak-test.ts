import type { LeakLine } from '../../../core/wire/leak-test';
import { leakTest } from '../../../server/use-cases/leak-test';
import type { Route } from './+types/leak-test';
import { toldOfJob } from './told-lines';

/** Runs a leak test and says how it goes. */
export const action = (args: Route.ActionArgs) =>
  toldOfJob<LeakLine>(args, leakTest, (said) => ({ say: 'failed', fault: 'stopped', said }));
