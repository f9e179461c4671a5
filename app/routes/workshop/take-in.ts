import { takeIn } from '../../../server/use-cases/take-along';
import { requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/take-in';

/** A file of another workshop's everything is sent, as it is. */
export async function action({ request, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  const done = await takeIn(who, request.body);
  return Response.json(done, { status: done.ok ? 200 : done.status });
}
