import { z } from 'zod';
import { dayOfShop } from '../../../server/use-cases/day';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/day-json';

const moment = z.coerce.number().int().min(1_500_000_000_000).max(4_100_000_000_000);
const asked = z
  .object({
    people: z.coerce.number().int().min(1).max(20).optional(),
    away: z.string().min(1).max(40).optional(),
    from: moment.optional(),
    to: moment.optional(),
  })
  .refine(({ away, from, to }) => !away || (from !== undefined && to !== undefined && to > from));

/** The plan of the day, for the Bench; `?people=` and `?away=hands&from=&to=`: what it would be otherwise. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  const read = asked.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!read.success)
    return Response.json(
      { error: 'people: a whole number from 1 to 20; away with from and to, ms, the later one last' },
      { status: 400 },
    );
  const { people, away, from, to } = read.data;
  const whatIf = {
    ...(people === undefined ? {} : { people }),
    ...(away ? { away: { what: away, from: from!, to: to! } } : {}),
  };
  return Response.json(await dayOfShop(who, Date.now(), Object.keys(whatIf).length ? whatIf : undefined), {
    headers: { 'Cache-Control': 'no-store' },
  });
}
