import type { DeviceModel } from '../../core/model/schema';
import type { Route } from '../../core/steps/route';
import type { MatCell } from '../../core/screws/mat-layout';
import { matOf } from '../../core/screws/mat-of';
import { indexOf, maySeeModel, modelOf } from '../db/models';
import { inShop } from '../db/orm';
import { routeOf } from '../db/routes';
import type { Who } from '../../core/wire/who';

/** A variant of a model that this workshop may see, with its mat; undefined when there is none. */
export async function fixedModel(
  who: Who,
  hash: string,
  variant: string,
): Promise<{ model: DeviceModel; mat: readonly MatCell[] } | undefined> {
  return inShop(who.shopId, async (em) => {
    // what this process holds may be another workshop's own: whether it may be seen, the database says
    if (!(await maySeeModel(em, hash))) return undefined;
    if (!(await modelOf(em, hash)).variants.some((v) => v.id === variant)) return undefined;
    const index = await indexOf(em, hash, variant);
    return { model: index.model, mat: matOf(index) };
  });
}
/** A route of this workshop; undefined when it has none of that hash. */
export const fixedRoute = (who: Who, hash: string): Promise<Route | undefined> =>
  inShop(who.shopId, (em) => routeOf(em, hash));
