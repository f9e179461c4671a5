import * as wording from '../../../words/screens/route';
import { requirePersonForData } from '../../context';
import { loadJob } from '../job-loader';
import type { Route } from './+types/route-json';

/** The route in force in the open format of docs/formats/route.md. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  requirePersonForData(context);
  const { page } = await loadJob(request, context, params.job);
  if (!page.route) return Response.json({ error: wording.thisJobHasNoRouteYet }, { status: 404 });
  return new Response(`${JSON.stringify({ format: 'snavek.route', version: 1, ...page.route }, null, 2)}\n`, {
    headers: {
      'Content-Type': 'application/json',
      'Content-Disposition': `attachment; filename="route-${page.number}.json"`,
      'Cache-Control': 'private, no-store',
    },
  });
}
