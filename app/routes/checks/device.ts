import { z } from 'zod';
import { closeDevicePage, openDevicePage } from '../../../server/use-cases/device-checks';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/device';

const asked = z.strictObject({ do: z.enum(['open', 'close']) });

/** Gives a job's device a link to its own page of checks, or takes it back. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  const read = asked.safeParse(await jsonBody(request));
  if (!read.success) return Response.json({ error: read.error.issues[0]?.message }, { status: 400 });
  const none = () => Response.json({ error: 'no such job' }, { status: 404 });
  if (!z.uuid().safeParse(params.job).success) return none();
  if (read.data.do === 'close') {
    await closeDevicePage(who, params.job);
    return { link: null };
  }
  const link = await openDevicePage(who, params.job);
  return link ? { link } : none();
}
