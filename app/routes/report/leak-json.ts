import { leakCurve } from '../../../server/use-cases/leak-test';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/leak-json';

/** The curve of a leak test. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  const curve = await leakCurve(who, params.job, params.measurement);
  return curve
    ? Response.json(curve, { headers: { 'Cache-Control': 'private, no-store' } })
    : Response.json({ error: 'no such measurement' }, { status: 404 });
}
