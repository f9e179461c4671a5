import { modelsZip } from '../../../server/use-cases/library';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/all-zip';

/** Every model that devices are received of, as one ZIP of files that come in again. */
export async function loader({ context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  return new Response(await modelsZip(who), {
    headers: {
      'Content-Type': 'application/zip',
      'Content-Disposition': 'attachment; filename="models.zip"',
      'Cache-Control': 'private, no-store',
    },
  });
}
