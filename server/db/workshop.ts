import { LockMode } from '@mikro-orm/core';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { ShopSettings } from '../../core/wire/who';
import { Workshop } from './entities-of-shop';

/** The workshop that was entered. */
export const workshopOf = (em: EntityManager) => em.findOneOrFail(Workshop, {});
/**
 * The workshop, locked until the transaction ends: two people who change different things both keep theirs. What is changed
 * of it is written when the transaction commits.
 */
export const workshopToChange = (em: EntityManager) =>
  em.findOneOrFail(Workshop, {}, { lockMode: LockMode.PESSIMISTIC_WRITE, refresh: true });
/** Founds the workshop that was entered. */
export async function addWorkshop(
  em: EntityManager,
  given: { id: string; name: string; settings: ShopSettings; demo: boolean },
): Promise<void> {
  const { id, name, settings, demo } = given;
  await em.insert(Workshop, { id, name, settings, demo });
}
/** Whether there is a demo workshop: asked by the migrating owner. */
export const isDemo = async (em: EntityManager): Promise<boolean> =>
  (await em.count(Workshop, { demo: true }, { filters: false })) > 0;
