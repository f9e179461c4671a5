import { eraseOwnerData } from '../../../server/use-cases/owner-data';
import { requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/erase';

/** Erases what is known of a device's owner. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  const done = await eraseOwnerData(who, params.job, Date.now());
  if (!done) return Response.json({ error: 'no such job' }, { status: 404 });
  return Response.json(done, { status: done.ok ? 200 : done.status });
}
