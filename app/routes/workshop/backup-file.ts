import { backupFile } from '../../../server/use-cases/backups';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/backup-file';

/** A backup to be taken away, for the owner. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  return (await backupFile(who, params.name)) ?? Response.json({ error: 'no such backup' }, { status: 404 });
}
