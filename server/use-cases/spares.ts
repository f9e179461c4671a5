import * as common from '../../words/answers/common';
import * as wording from '../../words/answers/spares';
import type { EntityManager } from '@mikro-orm/postgresql';
import { z } from 'zod';
import { screwFields } from '../../forms/screw-fields';
import { inShop } from '../db/orm';
import { countSpares, putSpares, removeSpare, sparesOf } from '../db/spares';
import type { SpareRow } from '../../core/wire/stock';
import type { Who } from '../../core/wire/who';
import { readCsv, writeCsv } from './csv';
import { mayStock } from './stock';
import { givenFields, problemsByField } from './typed-record';

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

/** All of the box. */
export const sparesPage = (who: Who): Promise<SpareRow[]> => inShop(who.shopId, sparesOf);

export async function changeSpares(who: Who, json: unknown): Promise<SparesSaid> {
  const read = askSchema.safeParse(json);
  if (!read.success) return { ok: false, status: 400, errors: problemsByField(read.error) };
  if (!mayStock(who.role)) return { ok: false, status: 403, errors: { form: wording.whoChanges } };
  const ask = read.data;
  return inShop(who.shopId, async (em): Promise<SparesSaid> => {
    if (ask.do === 'add') {
      const one = screwFields.safeParse(givenFields(ask.screw));
      if (!one.success) return { ok: false, status: 400, errors: problemsByField(one.error) };
      await putSpares(em, [rowOf(one.data)]);
      return {
        ok: true,
        said: wording.inTheBox(one.data.count, one.data.drive, one.data.thread, one.data.length_mm),
      };
    }
    if (ask.do === 'import') return importCsv(em, ask.csv);
    const there = ask.do === 'remove' ? await removeSpare(em, ask.id) : await countSpares(em, ask.id, ask.by);
    return there
      ? { ok: true, said: ask.do === 'remove' ? wording.takenOut : common.kept }
      : { ok: false, status: 409, errors: { form: wording.goneAlready } };
  });
}

const rowOf = ({ length_mm: lengthMm, head_mm: headMm, ...rest }: z.output<typeof screwFields>) => ({
  ...rest,
  lengthMm,
  headMm,
});
async function importCsv(em: EntityManager, csv: string): Promise<SparesSaid> {
  const read = readCsv(csv, { all: columns, needed: columns.slice(0, 4) }, (record) => {
    const one = screwFields.safeParse(givenFields(record));
    return one.success ? { ok: true, value: one.data } : { ok: false, errors: problemsByField(one.error) };
  });
  if (!read.ok) return { ok: false, status: 400, errors: { csv: read.wrong } };
  await putSpares(em, read.values.map(rowOf));
  return {
    ok: true,
    said: wording.takenIn(read.values.length, read.values.length === 1 ? 'kind' : 'kinds'),
  };
}
/** The spares box as CSV, in the columns that an import takes. */
export async function sparesCsv(who: Who): Promise<string> {
  return writeCsv(
    columns,
    (await sparesPage(who)).map((s) => [s.drive, s.thread, s.lengthMm, s.headMm, s.count, s.note]),
  );
}
