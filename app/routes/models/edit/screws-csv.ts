import { readScrews, screwsTable } from '../../../../server/use-cases/edit-model';
import { csvFile, jsonBody, requirePersonForData, requireSameOrigin } from '../../../context';
import type { Route } from './+types/screws-csv';

/** The screws of a model as CSV (RFC 4180), in the columns that are read again. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  const csv = await screwsTable(who, params.hash);
  if (csv === undefined) return Response.json({ error: 'no such model' }, { status: 404 });
  return csvFile('screws.csv', csv);
}
/** Reads such a file for a model that is being edited; nothing is kept by it. */
export async function action({ request, context }: Route.ActionArgs) {
  requirePersonForData(context);
  requireSameOrigin(request);
  return Response.json(readScrews(await jsonBody(request)));
}
