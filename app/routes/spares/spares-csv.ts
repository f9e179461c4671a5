import { sparesCsv } from '../../../server/use-cases/spares';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/spares-csv';

/** The spares box as CSV (RFC 4180), in the columns that an import takes. */
export async function loader({ context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  return new Response(await sparesCsv(who), {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8; header=present',
      'Content-Disposition': 'attachment; filename="spares.csv"',
      'Cache-Control': 'private, no-store',
    },
  });
}
