import { z } from 'zod';
import { identityData } from '../../../server/use-cases/identity-data';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/identity';

/** Reads or writes the identity data of a part at the bench programmer. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  if (!z.uuid().safeParse(params.job).success)
    return Response.json({ ok: false, fault: 'no such job', said: '' }, { status: 404 });
  const answer = await identityData(who, params.job, await jsonBody(request));
  return Response.json(answer, { status: answer.ok ? 200 : answer.status });
}
