import { z } from 'zod';
import type { RouterContextProvider } from 'react-router';
import { jobPage } from '../../server/use-cases/job-page';
import type { JobPage } from '../../core/wire/job-page';
import type { Who } from '../../core/wire/who';
import { requirePerson } from '../context';

/** What has been asked for already while one request is answered: the frame and the screen inside it share it. */
const asked = new WeakMap<object, Map<string, Promise<JobPage | undefined>>>();
function oncePerRequest(context: object, who: Who, jobId: string): Promise<JobPage | undefined> {
  const known = asked.get(context) ?? new Map<string, Promise<JobPage | undefined>>();
  asked.set(context, known);
  const page = known.get(jobId) ?? jobPage(who, jobId);
  known.set(jobId, page);
  return page;
}

/** What every screen of one job is loaded with; another workshop's job and an unknown one look the same. */
export async function loadJob(
  request: Request,
  context: Readonly<RouterContextProvider>,
  jobId: string,
): Promise<{ who: Who; page: JobPage }> {
  const who = requirePerson(context, request);
  const page = z.uuid().safeParse(jobId).success ? await oncePerRequest(context, who, jobId) : undefined;
  if (!page) throw new Response(null, { status: 404, statusText: 'No such job' });
  return { who, page };
}
