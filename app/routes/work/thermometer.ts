import { z } from 'zod';
import { readGlass } from '../../../server/use-cases/thermometer';
import { requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/thermometer';

/** Reads the thermometer at the bench once. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  const read = z.uuid().safeParse(params.job).success ? await readGlass(who, params.job) : undefined;
  return read ? Response.json(read) : Response.json({ error: 'no such job' }, { status: 404 });
}
