import { jobsQuery } from '../../../forms/jobs-query';
import { jobsCsv } from '../../../server/use-cases/find-jobs';
import { csvFile, requirePersonForData } from '../../context';
import type { Route } from './+types/jobs-csv';

/** The jobs that a question asks for as CSV (RFC 4180). */
export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  const query = jobsQuery.parse(Object.fromEntries(new URL(request.url).searchParams));
  return csvFile('jobs.csv', await jobsCsv(who, query));
}
