import { z } from 'zod';
import { photoLimitBytes } from '../../../core/log/photo-limit';
import { dropModelPhoto, keepModelPhoto, modelPhotoOf } from '../../../server/use-cases/model-photos';
import * as wording from '../../../words/answers/model-photos';
import { thePhotographIsLargerThan } from '../../../words/screens/photos';
import { bodyWithin, requirePersonForData, requireSameOrigin } from '../../context';
import { jpegAnswer } from '../photos/jpeg-answer';
import type { Route } from './+types/photo';

const ids = z.object({ model: z.string().max(64), photo: z.uuid() });
const none = () => Response.json({ error: wording.none }, { status: 404 });

export async function loader({ params, context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  const read = ids.safeParse(params);
  const jpeg = read.success ? await modelPhotoOf(who, read.data.model, read.data.photo) : undefined;
  return jpeg ? jpegAnswer(jpeg) : none();
}
/** PUT takes a photograph in, DELETE takes one away. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  const read = ids.safeParse(params);
  if (!read.success) return none();
  const { model, photo } = read.data;
  if (request.method === 'DELETE')
    return (await dropModelPhoto(who, model, photo))
      ? Response.json({ ok: true })
      : Response.json({ error: wording.notYours }, { status: 403 });
  const about = Object.fromEntries(new URL(request.url).searchParams);
  const tooLarge = thePhotographIsLargerThan(photoLimitBytes / 1e6);
  const kept = await keepModelPhoto(
    who,
    model,
    photo,
    about,
    await bodyWithin(request, photoLimitBytes, tooLarge),
  );
  return kept.ok ? Response.json(kept) : Response.json({ error: kept.error }, { status: kept.status });
}
