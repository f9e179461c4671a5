import { readPlate, setPlate } from '../../../server/use-cases/hot-plate';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/hot-plate';

/** How warm the plate of the bench is: it is the workshop's, whichever job lies there. */
export async function loader({ context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  return Response.json(await readPlate(who), { headers: { 'Cache-Control': 'no-store' } });
}
/** Sets it and turns it on, or turns it off. */
export async function action({ request, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  return Response.json(await setPlate(who, await jsonBody(request)));
}
