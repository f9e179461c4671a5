import { z } from 'zod';
import { flag } from '../../../core/log/state';
import { reportData } from '../../../server/report/report-data';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/log-json';

/** The job's log in the open format of docs/formats/job-log.md: events only, no names, no passcode. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  const data = z.uuid().safeParse(params.job).success ? await reportData(who, params.job) : undefined;
  if (!data) return Response.json({ error: 'no such job' }, { status: 404 });
  const log = {
    format: 'snavek.job-log',
    version: 1,
    job: data.page.id,
    number: data.page.number,
    model: flag(data.page.state, 'modelHash'),
    variant: flag(data.page.state, 'variant'),
    events: data.events,
  };
  return new Response(`${JSON.stringify(log, null, 2)}\n`, {
    headers: {
      'Content-Type': 'application/json',
      'Content-Disposition': `attachment; filename="job-${data.page.number}.json"`,
      'Cache-Control': 'private, no-store',
    },
  });
}
