import { beginRecording } from '../../../server/use-cases/record';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/record';

/** A device that the library does not have: its name and its size. */
export async function action({ request, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  const said = await beginRecording(who, await jsonBody(request));
  return Response.json(said, { status: said.ok ? 200 : said.status });
}
