import { dayOfShop } from '../../../server/use-cases/day';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/day-json';

/** The plan of the day, for the Bench. */
export async function loader({ context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  return Response.json(await dayOfShop(who, Date.now()), { headers: { 'Cache-Control': 'no-store' } });
}
