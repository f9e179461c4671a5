import type { EntityManager } from '@mikro-orm/postgresql';
import { type IndexedModel, indexModel } from '../../core/model/index-model';
import type { DeviceModel } from '../../core/model/schema';
import { ofVariant } from '../../core/model/variant';
import { DeviceModelRow } from './entities';
import { workshopOf } from './workshop';
import { keepNewest } from './keep-newest';

/** Models never change under their hash, so a process may keep them. */
const models = new Map<string, DeviceModel>();
const variants = new Map<string, IndexedModel>();

/** A model by its hash. @throws RangeError where this workshop has none of it */
export async function modelOf(em: EntityManager, hash: string): Promise<DeviceModel> {
  const known = models.get(hash);
  if (known) return known;
  const row = await em.findOne(DeviceModelRow, { hash });
  if (!row) throw new RangeError(`no model ${hash} in this workshop`);
  return keepNewest(models, hash, row.model);
}
/** A variant of a model, if this process has it already. Who may see it has been asked before. */
export const knownIndex = (hash: string, variant: string): IndexedModel | undefined =>
  variants.get(`${hash} ${variant}`);
/** A variant of a model, indexed. */
export async function indexOf(em: EntityManager, hash: string, variant: string): Promise<IndexedModel> {
  const key = `${hash} ${variant}`;
  return (
    variants.get(key) ?? keepNewest(variants, key, indexModel(ofVariant(await modelOf(em, hash), variant)))
  );
}
/** Whether this workshop may see a model: what a process keeps may be another workshop's own. */
export const maySeeModel = async (em: EntityManager, hash: string): Promise<boolean> =>
  (await em.count(DeviceModelRow, { hash })) > 0;

/**
 * The models that devices are received of now, by name: the workshop's own, and where it wants them the invented ones that
 * ship with the app. `practice`: to learn with, and marked so; in the demo workshop they are the real thing.
 */
export async function currentModels(
  em: EntityManager,
): Promise<{ hash: string; id: string; name: string; practice: boolean; model: DeviceModel }[]> {
  const { settings, demo } = await workshopOf(em);
  const rows = await em.find(
    DeviceModelRow,
    { current: true, ...(settings.practiceModels ? {} : { shopId: { $ne: null } }) },
    { orderBy: { name: 'asc' }, fields: ['modelId', 'name', 'shopId'] },
  );
  return Promise.all(
    rows.map(async ({ hash, modelId, name, shopId }) => ({
      ...{ hash, id: modelId, name, practice: shopId === null && !demo },
      model: await modelOf(em, hash),
    })),
  );
}

/** Hashes of the models that ship with the app: rows of no workshop, which only the migrating owner writes. */
export async function shippedHashes(em: EntityManager): Promise<string[]> {
  const rows = await em.find(DeviceModelRow, { shopId: null }, { fields: ['hash'], filters: false });
  return rows.map((row) => row.hash);
}
/** Puts shipped models in; each becomes the current one of its name. */
export async function ship(
  em: EntityManager,
  shipped: readonly { hash: string; model: DeviceModel }[],
): Promise<void> {
  for (const { hash, model } of shipped) {
    const { id: modelId, maker, name } = model;
    await em.nativeUpdate(
      DeviceModelRow,
      { shopId: null, modelId, hash: { $ne: hash } },
      { current: false },
      { filters: false },
    );
    await em.upsert(
      DeviceModelRow,
      { hash, shopId: null, modelId, name: `${maker} ${name}`, model, current: true },
      { onConflictFields: ['hash'], onConflictMergeFields: ['current'] },
    );
  }
}
