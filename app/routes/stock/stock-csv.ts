import { stockCsv } from '../../../server/use-cases/stock';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/stock-csv';

/** The stock as CSV (RFC 4180), in the columns that an import takes. */
export async function loader({ context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  return new Response(await stockCsv(who), {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8; header=present',
      'Content-Disposition': 'attachment; filename="stock.csv"',
      'Cache-Control': 'private, no-store',
    },
  });
}
