import { promiseAskedSchema } from '../../../core/wire/promise-asked';
import { promiseOf } from '../../../server/use-cases/day';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/promise-json';

/** What the plan of the day says of a device that is offered. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  const read = promiseAskedSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!read.success)
    return Response.json(
      { error: `${read.error.issues[0]?.path.join('.')}: ${read.error.issues[0]?.message}` },
      { status: 400 },
    );
  const said = await promiseOf(who, read.data, Date.now());
  return said
    ? Response.json(said, { headers: { 'Cache-Control': 'no-store' } })
    : Response.json({ error: 'no such job' }, { status: 404 });
}
