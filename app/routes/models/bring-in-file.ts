import { bringModel, modelLimitBytes } from '../../../server/use-cases/library';
import { bodyWithin, requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/bring-in-file';

/** A model file as it is. */
export async function action({ request, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  const said = await bringModel(who, (await bodyWithin(request, modelLimitBytes)).toString('utf8'));
  return Response.json(said, { status: said.ok ? 200 : said.status });
}
