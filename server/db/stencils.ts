import type { EntityManager } from '@mikro-orm/postgresql';
import { randomUUID } from 'node:crypto';
import type { StencilRow } from '../../core/wire/stencils';
import { StencilEntity } from './entities-of-stock';
import { shopOf } from './orm';

/** As many are kept at most. */
export const mostStencils = 10_000;
/** All of the list, by name. */
export async function stencilsOf(em: EntityManager): Promise<StencilRow[]> {
  const rows = await em.find(StencilEntity, {}, { orderBy: { name: 'asc' }, limit: mostStencils });
  return rows.map(({ id, name, pitchMm, pattern, shape, apertureMm, thicknessMm }) => ({
    ...{ id, name, pitchMm, pattern, shape: shape as StencilRow['shape'] },
    apertureMm: apertureMm ?? null,
    thicknessMm: thicknessMm ?? null,
  }));
}
/** Puts stencils in; one of a name that is there already is described anew. */
export async function putStencils(em: EntityManager, rows: readonly Omit<StencilRow, 'id'>[]): Promise<void> {
  // the last of a name counts: one statement must not touch a row twice
  const byName = new Map(rows.map((row) => [row.name, row]));
  await em.upsertMany(
    StencilEntity,
    [...byName.values()].map(({ pattern, ...row }) => ({
      ...row,
      pattern: [...pattern],
      shopId: shopOf(em),
      id: randomUUID(),
    })),
    { onConflictFields: ['shopId', 'name'], onConflictExcludeFields: ['id'] },
  );
}
/** Takes one out. @returns whether it was in it */
export const removeStencil = async (em: EntityManager, id: string): Promise<boolean> =>
  (await em.nativeDelete(StencilEntity, { id })) > 0;
