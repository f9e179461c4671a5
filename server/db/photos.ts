import type { EntityManager } from '@mikro-orm/postgresql';
import { Photo } from './entities';
import { shopOf } from './orm';

/** A photograph without its picture. */
export const findPhoto = (em: EntityManager, id: string) => em.findOne(Photo, { id }, { exclude: ['jpeg'] });
export const photoCount = (em: EntityManager, jobId: string): Promise<number> => em.count(Photo, { jobId });
export function addPhoto(
  em: EntityManager,
  photo: { id: string; jobId: string; personId: string; jpeg: Buffer; width: number; height: number },
): void {
  em.create(Photo, { shopId: shopOf(em), ...photo });
}
/** The picture; undefined where this job has no such photograph. */
export async function pictureOf(em: EntityManager, jobId: string, id: string): Promise<Buffer | undefined> {
  const photo = await em.findOne(Photo, { id, jobId });
  return photo ? Buffer.from(photo.jpeg) : undefined;
}
export const removePhoto = (em: EntityManager, jobId: string, id: string): Promise<number> =>
  em.nativeDelete(Photo, { id, jobId });
export const picturesOf = (em: EntityManager, jobId: string) =>
  em.find(Photo, { jobId }, { orderBy: { takenAt: 'asc' } });
/** Ids of the photographs that are still there: some may have been erased. */
export const photoIdsOf = async (em: EntityManager, jobId: string): Promise<Set<string>> =>
  new Set((await em.find(Photo, { jobId }, { fields: ['id'] })).map((photo) => photo.id));
export const removePhotosOf = (em: EntityManager, jobId: string): Promise<number> =>
  em.nativeDelete(Photo, { jobId });
