import type { EntityManager } from '@mikro-orm/postgresql';
import type { Route } from '../../core/steps/route';
import { RouteRow } from './entities';
import { keepNewest } from './keep-newest';
import { shopOf } from './orm';

/** Routes never change under their hash, so a process may keep them. */
const routes = new Map<string, Route>();

/** A route of a workshop, if this process has it already. */
export const knownRoute = (shopId: string, hash: string | undefined): Route | undefined =>
  hash === undefined ? undefined : routes.get(`${shopId} ${hash}`);
/** A route of this workshop by its hash; undefined when it has none of it. */
export async function routeOf(em: EntityManager, hash: string | undefined): Promise<Route | undefined> {
  if (!hash) return undefined;
  const key = `${shopOf(em)} ${hash}`;
  const known = routes.get(key);
  if (known) return known;
  const row = await em.findOne(RouteRow, { hash });
  return row ? keepNewest(routes, key, row.route) : undefined;
}
/** Keeps a route under its hash; one that is there is the same. */
export async function storeRoute(em: EntityManager, route: Route): Promise<void> {
  await em.upsert(
    RouteRow,
    { shopId: shopOf(em), hash: route.hash, route },
    { onConflictFields: ['shopId', 'hash'], onConflictAction: 'ignore' },
  );
}
