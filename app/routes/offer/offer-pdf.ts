import { z } from 'zod';
import { offerPdf } from '../../../server/report/offer-pdf';
import { jobPage } from '../../../server/use-cases/job-page';
import { signaturesOf } from '../../../server/use-cases/signatures';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/offer-pdf';

/** Quote and agreement as one page for the owner. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  const page = z.uuid().safeParse(params.job).success ? await jobPage(who, params.job) : undefined;
  if (!page) return Response.json({ error: 'no such job' }, { status: 404 });
  const pdf = await offerPdf(who, page, await signaturesOf(who, params.job));
  return new Response(new Uint8Array(pdf), {
    headers: {
      'Content-Type': 'application/pdf',
      'Content-Disposition': `inline; filename="offer-${page.number}.pdf"`,
      'Cache-Control': 'private, no-store',
    },
  });
}
