import { z } from 'zod';
import { reportData } from '../../../server/report/report-data';
import { reportPdf } from '../../../server/report/report-pdf';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/report-pdf';

export async function loader({ params, context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  const data = z.uuid().safeParse(params.job).success ? await reportData(who, params.job) : undefined;
  if (!data) return Response.json({ error: 'no such job' }, { status: 404 });
  return new Response(new Uint8Array(await reportPdf(data)), {
    headers: {
      'Content-Type': 'application/pdf',
      'Content-Disposition': `inline; filename="job-${data.page.number}.pdf"`,
      'Cache-Control': 'private, no-store',
    },
  });
}
