import { openJobsFor } from '../../../server/use-cases/bench-page';
import { requireBench } from '../../context';
import type { Route } from './+types/open-jobs-json';

/** The open devices, for the strip on every screen. */
export async function loader({ context }: Route.LoaderArgs) {
  return Response.json(await openJobsFor(requireBench(context).who));
}
