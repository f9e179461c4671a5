import { saveModel } from '../../../../server/use-cases/edit-model';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../../context';
import type { Route } from './+types/keep';

/** Keeps a model with changes made as its next version. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  const body = await jsonBody(request);
  const said = await saveModel(who, { ...(body as object), hash: params.hash });
  return Response.json(said, { status: said.ok ? 200 : said.status });
}
