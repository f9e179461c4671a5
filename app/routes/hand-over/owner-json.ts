import { ownerData } from '../../../server/use-cases/owner-data';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/owner-json';

/** All that is held of a device's owner, as a file for them. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const held = await ownerData(requirePersonForData(context), params.job);
  if (!held) return Response.json({ error: 'no such job' }, { status: 404 });
  return new Response(JSON.stringify(held, null, 2), {
    headers: {
      'Content-Type': 'application/json',
      'Content-Disposition': 'attachment; filename="owner.json"',
      'Cache-Control': 'private, no-store',
    },
  });
}
