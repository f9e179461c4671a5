import { takeDeviceResult } from '../../../server/use-cases/device-checks';
import { jsonBody, peerContext, requireSameOrigin } from '../../context';
import type { Route } from './+types/results';

const status = { gone: 410, 'too many': 429, 'another phone': 409, 'not due': 409, 'not understood': 400 };

/** Takes one result of a repaired phone; whoever has the link may send what is due in its round, and nothing else. */
export async function action({ request, params, context }: Route.ActionArgs) {
  requireSameOrigin(request);
  const answer = await takeDeviceResult(params.token, await jsonBody(request), context.get(peerContext));
  return Response.json(answer, {
    status: answer.ok ? 200 : status[answer.why],
    headers: { 'Cache-Control': 'no-store' },
  });
}
