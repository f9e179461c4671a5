import { z } from 'zod';
import { jobEvents } from '../../../server/use-cases/job-page';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/events';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  const after = z.coerce.number().int().min(0).catch(0).parse(new URL(request.url).searchParams.get('after'));
  const found = z.uuid().safeParse(params.job).success ? await jobEvents(who, params.job, after) : undefined;
  if (!found) return Response.json({ error: 'no such job' }, { status: 404 });
  return Response.json(found);
}
