import { changeCalendar } from '../../../server/use-cases/calendar';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/calendar';

/** Gives the workshop's calendar an address, another one, or none. */
export async function action({ request, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  const said = await changeCalendar(who, await jsonBody(request));
  return Response.json(said, { status: said.ok ? 200 : said.status });
}
