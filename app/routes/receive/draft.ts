import { z } from 'zod';
import { pathText } from '../../../core/model/check-model';
import { saveDraft } from '../../../server/use-cases/drafts';
import { draftSchema } from '../../../server/use-cases/receive-job';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/draft';

/** Keeps a draft as it is typed. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  const read = draftSchema.safeParse(await jsonBody(request));
  if (!z.uuid().safeParse(params.draft).success)
    return Response.json({ error: 'no such draft' }, { status: 404 });
  if (!read.success)
    return Response.json(
      {
        error: 'not a draft',
        problems: read.error.issues.map((i) => ({ path: pathText(i.path), text: i.message })),
      },
      { status: 400 },
    );
  await saveDraft(who, params.draft, read.data);
  return Response.json({ ok: true });
}
