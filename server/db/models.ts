import { raw } from '@mikro-orm/core';
import type { EntityManager } from '@mikro-orm/postgresql';
import { type IndexedModel, indexModel } from '../../core/model/index-model';
import type { DeviceModel } from '../../core/model/schema';
import { ofVariant } from '../../core/model/variant';
import { DeviceModelRow, Job } from './entities';
import { shopOf } from './orm';
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
/** Whether this workshop sees any version of a model. */
export const isModel = async (em: EntityManager, modelId: string): Promise<boolean> =>
  (await em.count(DeviceModelRow, { modelId })) > 0;

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

/** A version of a model, without what is in it. */
export interface ModelVersion {
  hash: string;
  modelId: string;
  name: string;
  own: boolean;
  current: boolean;
  jobs: number;
  madeAt: Date;
  madeBy: string | null;
}
/** Every version of every model that this workshop sees, with the jobs that were of it; by name. */
export async function allModels(em: EntityManager): Promise<ModelVersion[]> {
  const rows = await em.find(
    DeviceModelRow,
    {},
    {
      orderBy: { name: 'asc', madeAt: 'desc' },
      fields: ['modelId', 'name', 'shopId', 'current', 'madeAt', 'madeBy'],
    },
  );
  const counted = await em
    .createQueryBuilder(Job, 'j')
    .select([raw('j.model_hash as hash'), raw('count(*)::int as jobs')])
    .where({ shopId: shopOf(em) })
    .groupBy('j.modelHash')
    .execute<{ hash: string; jobs: number }[]>('all', false);
  const jobs = new Map(counted.map((row) => [row.hash, row.jobs]));
  return rows.map(({ hash, modelId, name, shopId, current, madeAt, madeBy }) => ({
    ...{ hash, modelId, name, current, madeAt },
    madeBy: madeBy ?? null,
    own: shopId !== null,
    jobs: jobs.get(hash) ?? 0,
  }));
}
/**
 * Puts a model of the workshop's own in; devices are received of it from then on, and no more of its earlier versions.
 * @returns false where another workshop of the installation has the very same
 */
export async function keepOwnModel(
  em: EntityManager,
  hash: string,
  model: DeviceModel,
  made: Made,
): Promise<boolean> {
  const { id: modelId, maker, name } = model;
  const row = { hash, shopId: shopOf(em), modelId, name: `${maker} ${name}`, model, current: true, ...made };
  await em.upsert(DeviceModelRow, row, { onConflictFields: ['hash'], onConflictAction: 'ignore' });
  if ((await em.count(DeviceModelRow, { hash })) === 0) return false;
  await em.nativeUpdate(
    DeviceModelRow,
    { modelId, shopId: shopOf(em), hash: { $ne: hash } },
    { current: false },
  );
  await em.nativeUpdate(DeviceModelRow, { shopId: shopOf(em), hash }, { current: true });
  return true;
}
/** Where a version comes from. */
export interface Made {
  /** The version that it was made from; left out where it came as a whole. */
  baseHash?: string;
  madeBy?: string;
}
/** Keeps what has been recorded at a job, or changed by hand, as a version of its model, which devices are not received of yet. @returns false where another workshop of the installation has the very same */
export async function keepVersion(
  em: EntityManager,
  hash: string,
  model: DeviceModel,
  made: Made,
): Promise<boolean> {
  const { id: modelId, maker, name } = model;
  const row = { hash, shopId: shopOf(em), modelId, name: `${maker} ${name}`, model, current: false, ...made };
  await em.upsert(DeviceModelRow, row, { onConflictFields: ['hash'], onConflictAction: 'ignore' });
  return (await em.count(DeviceModelRow, { hash })) > 0;
}
/** The newest of the versions that were made from one, and from those; undefined where none was. */
export async function newestFrom(em: EntityManager, hash: string): Promise<string | undefined> {
  const rows = await em.find(
    DeviceModelRow,
    { shopId: shopOf(em), baseHash: { $ne: '' } },
    { fields: ['baseHash', 'madeAt'], orderBy: { madeAt: 'asc' } },
  );
  // a version that came back to what an earlier one was leads into a circle
  const passed = new Set([hash]);
  let newest: string | undefined;
  for (;;) {
    const next = rows.findLast((row) => passed.has(row.baseHash) && !passed.has(row.hash));
    if (!next) return newest;
    newest = next.hash;
    passed.add(next.hash);
  }
}
/** Whether devices are received of it. @returns false where it is not the workshop's own */
export async function offerOwnModel(em: EntityManager, hash: string, offered: boolean): Promise<boolean> {
  const row = await em.findOne(DeviceModelRow, { hash, shopId: shopOf(em) }, { fields: ['modelId'] });
  if (!row) return false;
  // one version of a model at most
  await em.nativeUpdate(DeviceModelRow, { modelId: row.modelId, shopId: shopOf(em) }, { current: false });
  if (offered) await em.nativeUpdate(DeviceModelRow, { hash, shopId: shopOf(em) }, { current: true });
  return true;
}
