import { stockQuery } from '../../../forms/stock-query';
import { stockCsv } from '../../../server/use-cases/stock';
import { csvFile, requirePersonForData } from '../../context';
import type { Route } from './+types/stock-csv';

/** The stock as CSV (RFC 4180), in the columns that an import takes. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  const query = stockQuery.parse(Object.fromEntries(new URL(request.url).searchParams));
  return csvFile('stock.csv', await stockCsv(who, query));
}
