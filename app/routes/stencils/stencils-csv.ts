import { stencilsCsv } from '../../../server/use-cases/stencils';
import { csvFile, requirePersonForData } from '../../context';
import type { Route } from './+types/stencils-csv';

/** The stencils as CSV (RFC 4180), in the columns that an import takes. */
export async function loader({ context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  return csvFile('stencils.csv', await stencilsCsv(who));
}
