import { fixedRoute } from '../../../server/use-cases/fixed';
import { fixedJson, requirePersonForData } from '../../context';
import type { Route } from './+types/route';

/** A route that this workshop has adopted: never another one under this address. */
export async function loader({ params, context }: Route.LoaderArgs) {
  return fixedJson(await fixedRoute(requirePersonForData(context), params.hash));
}
