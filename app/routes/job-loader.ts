import { z } from 'zod';
import type { RouterContextProvider } from 'react-router';
import { type JobPage, jobPage } from '../../server/use-cases/job-page';
import type { Who } from '../../server/types';
import { requirePerson } from '../context';

/** What every screen of one job is loaded with; another workshop's job and an unknown one look the same. */
export async function loadJob(
  request: Request,
  context: Readonly<RouterContextProvider>,
  jobId: string,
): Promise<{ who: Who; page: JobPage }> {
  const who = requirePerson(context, request);
  const page = z.uuid().safeParse(jobId).success ? await jobPage(who, jobId) : undefined;
  if (!page) throw new Response(null, { status: 404, statusText: 'No such job' });
  return { who, page };
}
