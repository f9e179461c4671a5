import { z } from 'zod';
import { moduleTest } from '../../../server/use-cases/module-test';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/module-test-data';

/** Tests a module at the programmer once. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  const said = z.uuid().safeParse(params.job).success
    ? await moduleTest(who, params.job, await jsonBody(request))
    : undefined;
  return said ? Response.json(said) : Response.json({ error: 'no such job' }, { status: 404 });
}
