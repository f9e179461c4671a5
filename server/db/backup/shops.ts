import { Workshop } from '../entities-of-shop';
import { asOwner } from '../orm';

/** Ids of all workshops of the installation: asked by the migrating owner, who may see that they are there. */
export const allShops = (): Promise<string[]> =>
  asOwner(async (orm) =>
    (await orm.em.fork().find(Workshop, {}, { filters: false, fields: ['id'] })).map((shop) => shop.id),
  );
