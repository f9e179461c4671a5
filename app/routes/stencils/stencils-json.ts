import { stencilsJson } from '../../../server/use-cases/stencils';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/stencils-json';

/** The stencils as JSON, as an import and the command line's search take them. */
export async function loader({ context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  return Response.json(await stencilsJson(who), {
    headers: {
      'Content-Disposition': 'attachment; filename="stencils.json"',
      'Cache-Control': 'private, no-store',
    },
  });
}
