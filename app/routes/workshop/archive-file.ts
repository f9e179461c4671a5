import { archiveFile } from '../../../server/use-cases/take-along';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/archive-file';

/** Everything of the workshop in one file, for its owner. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  return (await archiveFile(who, params.name)) ?? Response.json({ error: 'no such file' }, { status: 404 });
}
