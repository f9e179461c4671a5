import { z } from 'zod';
import type { PressLine } from '../../../core/wire/press-run';
import { press } from '../../../server/use-cases/press';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/press';
import { toldLines } from './told-lines';

/** Runs the seal press with its gauge and says how it goes. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  if (!z.uuid().safeParse(params.job).success)
    return Response.json({ error: 'no such job' }, { status: 404 });
  const ask = await jsonBody(request);
  return toldLines<PressLine>(
    (say) => press(who, params.job, ask, say),
    (said) => ({ say: 'failed', fault: 'stopped', said }),
  );
}
