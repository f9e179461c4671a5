import { z } from 'zod';
import { dayOfShop } from '../../../server/use-cases/day';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/day-json';

const asked = z.coerce.number().int().min(1).max(20).optional();

/** The plan of the day, for the Bench; `?people=`: what it would be with so many. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  const people = asked.safeParse(new URL(request.url).searchParams.get('people') ?? undefined);
  if (!people.success)
    return Response.json({ error: 'people: a whole number from 1 to 20' }, { status: 400 });
  return Response.json(await dayOfShop(who, Date.now(), people.data), {
    headers: { 'Cache-Control': 'no-store' },
  });
}
