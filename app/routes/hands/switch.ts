import { takeOver } from '../../../server/use-cases/hands';
import { jsonBody, peerContext, requireBench, requireSameOrigin } from '../../context';
import type { Route } from './+types/switch';

/** A badge was scanned at a bench, or somebody unlocks it. */
export async function action({ request, context }: Route.ActionArgs) {
  const bench = requireBench(context);
  requireSameOrigin(request);
  const { cookie, status, ...said } = {
    cookie: undefined,
    status: 200,
    ...(await takeOver(bench, await jsonBody(request), context.get(peerContext), request)),
  };
  return Response.json(said, { status, headers: cookie ? { 'Set-Cookie': cookie } : {} });
}
