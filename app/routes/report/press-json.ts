import { pressCurve } from '../../../server/use-cases/press';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/press-json';

/** The curve of a press. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  const curve = await pressCurve(who, params.job, params.measurement);
  return curve
    ? Response.json(curve, { headers: { 'Cache-Control': 'private, no-store' } })
    : Response.json({ error: 'no such measurement' }, { status: 404 });
}
