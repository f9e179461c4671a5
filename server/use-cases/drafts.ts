import { inShop } from '../db/orm';
import type { Who } from '../types';
import type { DraftBody } from '../../core/forms/receipt-fields';

export interface ModelChoice {
  hash: string;
  name: string;
  maker: string;
  variants: { id: string; name: string }[];
  shortList: string[];
  outline: { widthMm: number; heightMm: number; cornerMm: number };
  parts: { id: string; name: string; kind: string }[];
}

/** What the Receive screen starts with: the models, and the draft as it was last kept. */
export async function receivePage(
  who: Who,
  draftId: string,
): Promise<{ models: ModelChoice[]; draft: DraftBody; opened: boolean }> {
  return inShop(who.shopId, async (em) => {
    const rows = await em.execute<
      { hash: string; m: ModelChoice & { slots: { id: string; name: string; kind: string }[] } }[]
    >(
      `select hash, jsonb_build_object('name', model->'name', 'maker', model->'maker', 'variants', (select jsonb_agg(jsonb_build_object('id', v->'id', 'name', v->'name')) from jsonb_array_elements(model->'variants') v),
         'shortList', model->'shortList', 'outline', model->'outline', 'slots', (select jsonb_agg(jsonb_build_object('id', s->'id', 'name', s->'name', 'kind', s->'kind')) from jsonb_array_elements(model->'slots') s)) as m
       from device_model where current order by name`,
    );
    const [draft] = await em.execute<{ body: DraftBody }[]>(`select body from draft where id = ?`, [draftId]);
    const [job] = await em.execute(`select 1 from job where id = ?`, [draftId]);
    const models = rows.map(({ hash, m: { slots, ...m } }) => ({ ...m, hash, parts: slots }));
    return { models, draft: draft?.body ?? {}, opened: !!job };
  });
}
export async function saveDraft(who: Who, draftId: string, body: DraftBody): Promise<void> {
  await inShop(who.shopId, (em) =>
    em.execute(
      `insert into draft (shop_id, id, person_id, body) select shop_now(), ?::uuid, ?::uuid, ?::jsonb where not exists (select 1 from job where id = ?::uuid)
      on conflict (shop_id, id) do update set body = excluded.body, updated_at = now()`,
      [draftId, who.personId, JSON.stringify(body), draftId],
    ),
  );
}
