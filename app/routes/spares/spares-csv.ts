import { sparesCsv } from '../../../server/use-cases/spares';
import { csvFile, requirePersonForData } from '../../context';
import type { Route } from './+types/spares-csv';

/** The spares box as CSV (RFC 4180), in the columns that an import takes. */
export async function loader({ context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  return csvFile('spares.csv', await sparesCsv(who));
}
