import { randomUUID } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import { z } from 'zod';
import { screwFields } from '../../core/forms/screw-fields';
import type { SpareScrew } from '../../core/screws/substitutes';
import { inShop } from '../db/orm';
import type { Who } from '../types';
import { plainCell, readCsv, writeCsv } from './csv';
import { mayStock } from './stock';

/** The spares box: loose screws by drive, thread, length and head, with how many there are. */
export interface SpareRow extends SpareScrew {
  note: string;
}
const columns = ['drive', 'thread', 'length_mm', 'head_mm', 'count', 'note'] as const;

const askSchema = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('add'), screw: z.record(z.string(), z.string().max(300)) }),
  z.strictObject({ do: z.literal('count'), id: z.uuid(), by: z.int().min(-1000).max(1000) }),
  z.strictObject({ do: z.literal('remove'), id: z.uuid() }),
  z.strictObject({ do: z.literal('import'), csv: z.string() }),
]);
export type SparesSaid =
  | { ok: true; said: string }
  | { ok: false; status: 400 | 403 | 409; errors: Record<string, string> };

const select = `select id, drive, thread, length_mm::float8 as "lengthMm", head_mm::float8 as "headMm", count, note from spare_screw`;
/** All of the box: a few hundred kinds at most. */
export const sparesOf = (em: EntityManager): Promise<SpareRow[]> =>
  em.execute<SpareRow[]>(`${select} order by thread, drive, length_mm, head_mm limit 2000`);
export const sparesPage = (who: Who): Promise<SpareRow[]> => inShop(who.shopId, sparesOf);

export async function changeSpares(who: Who, json: unknown): Promise<SparesSaid> {
  const read = askSchema.safeParse(json);
  if (!read.success) return { ok: false, status: 400, errors: problems(read.error) };
  if (!mayStock(who.role))
    return { ok: false, status: 403, errors: { form: 'An owner or a lead changes the stock.' } };
  const ask = read.data;
  return inShop(who.shopId, async (em): Promise<SparesSaid> => {
    if (ask.do === 'add') {
      const one = screwFields.safeParse(given(ask.screw));
      if (!one.success) return { ok: false, status: 400, errors: problems(one.error) };
      await put(em, [one.data]);
      return {
        ok: true,
        said: `${one.data.count} × ${one.data.drive} ${one.data.thread} ${one.data.length_mm} mm in the box.`,
      };
    }
    if (ask.do === 'import') return importCsv(em, ask.csv);
    const [row] = await em.execute<{ count: number }[]>(
      ask.do === 'remove'
        ? `delete from spare_screw where id = ? returning count`
        : `update spare_screw set count = greatest(0, count + ?) where id = ? returning count`,
      ask.do === 'remove' ? [ask.id] : [ask.by, ask.id],
    );
    return row
      ? { ok: true, said: ask.do === 'remove' ? 'Taken out of the box.' : 'Kept.' }
      : { ok: false, status: 409, errors: { form: 'It is no longer in the box.' } };
  });
}
const given = (f: Record<string, string>) =>
  Object.fromEntries(
    Object.entries(f)
      .filter(([, v]) => v.trim() !== '')
      .map(([k, v]) => [k, plainCell(v)]),
  );
const problems = (e: z.ZodError): Record<string, string> => {
  const out: Record<string, string> = {};
  for (const i of e.issues) out[String(i.path.at(-1) ?? 'form')] ??= i.message;
  return out;
};

/** Adds to a kind that is there already; a new kind gets its own compartment. */
async function put(em: EntityManager, screws: readonly z.output<typeof screwFields>[]): Promise<void> {
  await em.execute(
    `insert into spare_screw (shop_id, id, drive, thread, length_mm, head_mm, count, note)
     select shop_now(), (array_agg((x->>'id')::uuid))[1], x->>'drive', x->>'thread', (x->>'length_mm')::numeric, (x->>'head_mm')::numeric, sum((x->>'count')::int), max(x->>'note') from jsonb_array_elements(?::jsonb) x group by 3, 4, 5, 6
     on conflict (shop_id, drive, thread, length_mm, head_mm) do update set count = spare_screw.count + excluded.count, note = coalesce(nullif(excluded.note, ''), spare_screw.note)`,
    [JSON.stringify(screws.map((s) => ({ ...s, id: randomUUID() })))],
  );
}
async function importCsv(em: EntityManager, csv: string): Promise<SparesSaid> {
  const read = readCsv(csv, { all: columns, needed: columns.slice(0, 4) }, (record) => {
    const one = screwFields.safeParse(given(record));
    return one.success ? { ok: true, value: one.data } : { ok: false, errors: problems(one.error) };
  });
  if (!read.ok) return { ok: false, status: 400, errors: { csv: read.wrong } };
  await put(em, read.values);
  return {
    ok: true,
    said: `${read.values.length} ${read.values.length === 1 ? 'kind' : 'kinds'} of screw taken in.`,
  };
}
/** The spares box as CSV, in the columns that an import takes. */
export async function sparesCsv(who: Who): Promise<string> {
  return writeCsv(
    columns,
    (await sparesPage(who)).map((s) => [s.drive, s.thread, s.lengthMm, s.headMm, s.count, s.note]),
  );
}
