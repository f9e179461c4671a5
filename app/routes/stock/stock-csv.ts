import { stockCsv } from '../../../server/use-cases/stock';
import { csvFile, requirePersonForData } from '../../context';
import type { Route } from './+types/stock-csv';

/** The stock as CSV (RFC 4180), in the columns that an import takes. */
export async function loader({ context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  return csvFile('stock.csv', await stockCsv(who));
}
