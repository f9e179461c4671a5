import * as wording from '../../../words/screens/receive';
import { z } from 'zod';
import { receivingNow } from '../../../server/use-cases/device-history';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/history';

const asked = z.object({ draft: z.uuid(), tag: z.string().max(60) });

/** What this workshop knows of the device with a tag: earlier jobs, and who is receiving one with it just now. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  const read = asked.safeParse({
    draft: params.draft,
    tag: new URL(request.url).searchParams.get('tag') ?? '',
  });
  if (!read.success) return Response.json({ error: wording.notATag }, { status: 400 });
  return Response.json(await receivingNow(who, read.data.tag, read.data.draft));
}
