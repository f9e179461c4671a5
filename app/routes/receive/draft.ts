import * as wording from '../../../words/screens/receive';
import { z } from 'zod';
import { pathText } from '../../../core/model/check-model';
import { saveDraft } from '../../../server/use-cases/drafts';
import { draftSchema } from '../../../forms/receipt-fields';
import { receiveJob } from '../../../server/use-cases/receive-job';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/draft';

/** PUT keeps a draft as it is typed; POST receives the device, for a form that was filled in without the server. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  const body = await jsonBody(request);
  if (!z.uuid().safeParse(params.draft).success)
    return Response.json({ error: wording.noSuchDraft }, { status: 404 });
  if (request.method === 'POST') {
    const done = await receiveJob(who, params.draft, body, Date.now());
    return Response.json(done, { status: done.ok ? 200 : 422 });
  }
  const read = draftSchema.safeParse(body);
  if (!read.success)
    return Response.json(
      {
        error: wording.notADraft,
        problems: read.error.issues.map((i) => ({ path: pathText(i.path), text: i.message })),
      },
      { status: 400 },
    );
  await saveDraft(who, params.draft, read.data);
  return Response.json({ ok: true });
}
