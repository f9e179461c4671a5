import { z } from 'zod';
import { faces } from '../../core/vocabulary/trade';
import type { ModelPhotoLine } from '../../core/wire/library';
import type { Who } from '../../core/wire/who';
import { noSuchModel } from '../../words/answers/library';
import * as wording from '../../words/answers/model-photos';
import {
  addModelPhoto,
  findModelPhoto,
  modelPhotos,
  modelPicture,
  removeModelPhoto,
} from '../db/model-photos';
import { isModel } from '../db/models';
import { inShop } from '../db/orm';
import { mayModel } from './library';
import { type PhotoKept, reencode } from './photos';

/** A device is photographed closed, opened and with its board out, from both sides. */
const mostPerModel = 12;
const aboutSchema = z.object({ name: z.string().trim().min(1).max(120), face: z.enum(faces) });

/** The photographs that lie under the map of a model, whichever of its versions. */
export const photosOfModel = (who: Who, modelId: string): Promise<ModelPhotoLine[]> =>
  inShop(who.shopId, async (em) =>
    (await modelPhotos(em, modelId)).map(({ id, name, face, personId }) => ({
      ...{ id, name, face },
      mayDrop: mayModel(who.role) || personId === who.personId,
    })),
  );
/**
 * Takes in a photograph that a browser has put straight: decoded and encoded anew, so that nothing survives but its picture.
 * Sending it twice keeps it once. Whoever records a device may.
 */
export async function keepModelPhoto(
  who: Who,
  modelId: string,
  id: string,
  about: unknown,
  bytes: Buffer,
): Promise<PhotoKept> {
  const said = aboutSchema.safeParse(about);
  if (!said.success) return { ok: false, status: 400, error: wording.notSaid };
  const read = await reencode(bytes);
  if (!read.ok) return read;
  const { jpeg, width, height } = read;
  return inShop(who.shopId, async (em): Promise<PhotoKept> => {
    const known = await findModelPhoto(em, id);
    if (known)
      return known.modelId === modelId
        ? { ok: true, width, height }
        : { ok: false, status: 409, error: wording.ofAnother };
    if (!(await isModel(em, modelId))) return { ok: false, status: 409, error: noSuchModel };
    if ((await modelPhotos(em, modelId)).length >= mostPerModel)
      return { ok: false, status: 409, error: wording.enough(mostPerModel) };
    addModelPhoto(em, { id, modelId, personId: who.personId, ...said.data, jpeg });
    return { ok: true, width, height };
  });
}
export const modelPhotoOf = (who: Who, modelId: string, id: string): Promise<Buffer | undefined> =>
  inShop(who.shopId, (em) => modelPicture(em, modelId, id));
/** Whoever made it may take it away, and whoever changes models. @returns false where it is neither */
export const dropModelPhoto = (who: Who, modelId: string, id: string): Promise<boolean> =>
  inShop(who.shopId, async (em) => {
    const known = await findModelPhoto(em, id);
    if (known && known.personId !== who.personId && !mayModel(who.role)) return false;
    await removeModelPhoto(em, modelId, id);
    return true;
  });
