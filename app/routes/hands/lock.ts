import { lockBench } from '../../../server/use-cases/hands';
import { requireBench, requireSameOrigin } from '../../context';
import type { Route } from './+types/lock';

/** The bench of this browser locks. */
export async function action({ request, context }: Route.ActionArgs) {
  const { who } = requireBench(context);
  requireSameOrigin(request);
  await lockBench(who, request);
  return new Response(null, { status: 204 });
}
