import { dayOfShop, pinDay } from '../../../server/use-cases/day';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/day-json';

/** The plan of the day, for the Bench, and what it was made from. */
export async function loader({ context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  return Response.json(await dayOfShop(who, Date.now()), { headers: { 'Cache-Control': 'no-store' } });
}
/** Pins blocks of the day where somebody wants them, or lets those of a device go. */
export async function action({ request, context }: Route.ActionArgs) {
  requireSameOrigin(request);
  const who = requirePersonForData(context);
  const changed = await pinDay(who, await jsonBody(request), Date.now());
  return Response.json(changed, { status: changed.ok ? 200 : changed.status });
}
