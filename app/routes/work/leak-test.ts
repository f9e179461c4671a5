import type { LeakLine } from '../../../core/wire/leak-test';
import { z } from 'zod';
import { leakTest } from '../../../server/use-cases/leak-test';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/leak-test';
import { toldLines } from './told-lines';

/** Runs a leak test and says how it goes. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  if (!z.uuid().safeParse(params.job).success)
    return Response.json({ error: 'no such job' }, { status: 404 });
  const ask = await jsonBody(request);
  return toldLines<LeakLine>(
    (say) => leakTest(who, params.job, ask, say),
    (said) => ({ say: 'failed', fault: 'stopped', said }),
  );
}
