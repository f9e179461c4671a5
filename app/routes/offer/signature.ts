import * as wording from '../../../words/screens/offer';
import { z } from 'zod';
import { keepSignature, signatureSchema } from '../../../server/use-cases/signatures';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/signature';

const ids = z.object({ job: z.uuid(), signature: z.uuid() });

/** Keeps a signature apart from the log, which names only its id. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  const read = ids.safeParse(params);
  const signature = signatureSchema.safeParse(await jsonBody(request));
  if (!read.success) return Response.json({ error: 'no such job' }, { status: 404 });
  if (!signature.success) return Response.json({ error: wording.thatIsNotASignature }, { status: 400 });
  return (await keepSignature(who, read.data.job, read.data.signature, signature.data))
    ? Response.json({ ok: true })
    : Response.json({ error: 'no such job' }, { status: 404 });
}
