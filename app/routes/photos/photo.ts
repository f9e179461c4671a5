import * as wording from '../../../words/screens/photos';
import { z } from 'zod';
import { photoLimitBytes } from '../../../core/log/photo-limit';
import { dropPhoto, keepPhoto, photoOf } from '../../../server/use-cases/photos';
import { bodyWithin, requirePersonForData, requireSameOrigin } from '../../context';
import { jpegAnswer } from './jpeg-answer';
import type { Route } from './+types/photo';

const ids = z.object({ job: z.uuid(), photo: z.uuid() });
const none = () => Response.json({ error: wording.noSuchPhotograph }, { status: 404 });

export async function loader({ params, context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  const read = ids.safeParse(params);
  const jpeg = read.success ? await photoOf(who, read.data.job, read.data.photo) : undefined;
  return jpeg ? jpegAnswer(jpeg) : none();
}

/** PUT takes a photograph in, DELETE removes one of a device that is still being received. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  const read = ids.safeParse(params);
  if (!read.success) return none();
  if (request.method === 'DELETE')
    return (await dropPhoto(who, read.data.job, read.data.photo))
      ? Response.json({ ok: true })
      : Response.json({ error: wording.itIsPartOfThe }, { status: 409 });
  const bytes = await bodyWithin(
    request,
    photoLimitBytes,
    wording.thePhotographIsLargerThan(photoLimitBytes / 1e6),
  );
  const kept = await keepPhoto(who, read.data.job, read.data.photo, bytes);
  return kept.ok ? Response.json(kept) : Response.json({ error: kept.error }, { status: kept.status });
}
