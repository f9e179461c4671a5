import { calendarAt } from '../../../server/use-cases/calendar';
import type { Route } from './+types/calendar-file';

/** The calendar at its secret address: whoever has the address reads it, signed in or not. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const calendar = await calendarAt(params.token, new URL(request.url).origin);
  if (calendar === undefined) return new Response('no such calendar\n', { status: 404 });
  return new Response(calendar, {
    headers: { 'Content-Type': 'text/calendar; charset=utf-8', 'Cache-Control': 'private, no-store' },
  });
}
