import type { EntityManager } from '@mikro-orm/postgresql';
import type { Face } from '../../core/vocabulary/trade';
import { ModelPhoto } from './entities';
import { shopOf } from './orm';

/** The photographs of a model without their pictures, the oldest first. */
export const modelPhotos = (em: EntityManager, modelId: string) =>
  em.find(ModelPhoto, { modelId }, { exclude: ['jpeg'], orderBy: { madeAt: 'asc' } });
/** Those of all models, without their pictures. */
export const allModelPhotos = (em: EntityManager) =>
  em.find(ModelPhoto, {}, { exclude: ['jpeg'], orderBy: { madeAt: 'asc' } });
export const findModelPhoto = (em: EntityManager, id: string) =>
  em.findOne(ModelPhoto, { id }, { exclude: ['jpeg'] });
export function addModelPhoto(
  em: EntityManager,
  photo: { id: string; modelId: string; personId: string; face: Face; name: string; jpeg: Buffer },
): void {
  em.create(ModelPhoto, { shopId: shopOf(em), ...photo });
}
/** The picture; undefined where this model has no such photograph. */
export async function modelPicture(
  em: EntityManager,
  modelId: string,
  id: string,
): Promise<Buffer | undefined> {
  const photo = await em.findOne(ModelPhoto, { id, modelId });
  return photo ? Buffer.from(photo.jpeg) : undefined;
}
export const removeModelPhoto = (em: EntityManager, modelId: string, id: string): Promise<number> =>
  em.nativeDelete(ModelPhoto, { id, modelId });
