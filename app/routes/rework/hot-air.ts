import { hotAir } from '../../../server/use-cases/hot-air';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/hot-air';

/** Sets the hot-air station at the bench: it is the workshop's, whichever job lies there. */
export async function action({ request, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  return Response.json(await hotAir(who, await jsonBody(request)));
}
