import { z } from 'zod';
import { stencilFields, stencilShape } from '../../forms/stencil-fields';
import type { ChipChoice, StencilRow } from '../../core/wire/stencils';
import type { Who } from '../../core/wire/who';
import * as wording from '../../words/answers/stencils';
import { currentModels } from '../db/models';
import { inShop } from '../db/orm';
import { mostStencils, putStencils, removeStencil, stencilsOf } from '../db/stencils';
import { readCsv, writeCsv } from './csv';
import { mayStock } from './stock';
import { givenFields, problemsByField } from './typed-record';

const columns = ['name', 'pitch_mm', 'pattern', 'shape', 'aperture_mm', 'thickness_mm'] as const;
const askSchema = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('add'), stencil: z.record(z.string(), z.string().max(5000)) }),
  z.strictObject({ do: z.literal('remove'), id: z.uuid() }),
  z.strictObject({ do: z.literal('import'), csv: z.string() }),
]);
export type StencilsSaid =
  | { ok: true; said: string }
  | { ok: false; status: 400 | 403 | 409; errors: Record<string, string> };

/** The list, and the chips of the models that devices are received of. */
export const stencilsPage = (who: Who): Promise<{ stencils: StencilRow[]; chips: ChipChoice[] }> =>
  inShop(who.shopId, async (em) => ({
    stencils: await stencilsOf(em),
    chips: (await currentModels(em)).flatMap(({ hash, name, model }) =>
      (model.chips ?? []).map(({ id, name: chip, pitchMm, ballMm, pattern }) => ({
        ...{ id: `${hash} ${id}`, name: `${name}: ${chip}`, pitchMm, ballMm, pattern },
      })),
    ),
  }));

export async function changeStencils(who: Who, json: unknown): Promise<StencilsSaid> {
  const read = askSchema.safeParse(json);
  if (!read.success) return { ok: false, status: 400, errors: problemsByField(read.error) };
  if (!mayStock(who.role)) return { ok: false, status: 403, errors: { form: wording.whoChanges } };
  const ask = read.data;
  if (ask.do === 'import') return importList(who, ask.csv);
  return inShop(who.shopId, async (em): Promise<StencilsSaid> => {
    if (ask.do === 'remove')
      return (await removeStencil(em, ask.id))
        ? { ok: true, said: wording.takenOut }
        : { ok: false, status: 409, errors: { form: wording.goneAlready } };
    const one = stencilFields.safeParse(givenFields(ask.stencil));
    if (!one.success) return { ok: false, status: 400, errors: problemsByField(one.error) };
    await putStencils(em, [rowOf(one.data)]);
    return { ok: true, said: wording.isIn(one.data.name) };
  });
}
const rowOf = (s: z.output<typeof stencilFields>): Omit<StencilRow, 'id'> => ({
  ...{ name: s.name, pitchMm: s.pitch_mm, pattern: s.pattern, shape: s.shape },
  ...{ apertureMm: s.aperture_mm, thicknessMm: s.thickness_mm },
});
/** As it leaves here, and as the command line takes it. */
const listSchema = z.object({
  stencils: z
    .array(
      z.object({
        ...{ id: z.string().optional(), name: z.string().optional() },
        ...{ pitchMm: z.number(), pattern: z.array(z.string()) },
        shape: stencilShape.shape.optional(),
        apertureMm: z.number().nullish(),
        thicknessMm: z.number().nullish(),
      }),
    )
    .max(mostStencils, wording.atMost(mostStencils)),
});
/** A list as CSV, or as JSON: whole or not at all. */
async function importList(who: Who, text: string): Promise<StencilsSaid> {
  const read = /^\s*[{[]/.test(text)
    ? readJson(text)
    : readCsv(text, { all: columns, needed: columns.slice(0, 3) }, (record) => {
        const one = stencilFields.safeParse(givenFields(record));
        return one.success
          ? { ok: true, value: one.data }
          : { ok: false, errors: problemsByField(one.error) };
      });
  if (!read.ok) return { ok: false, status: 400, errors: { csv: read.wrong } };
  await inShop(who.shopId, (em) => putStencils(em, read.values.map(rowOf)));
  return { ok: true, said: wording.takenIn(read.values.length) };
}
type Values = { ok: true; values: z.output<typeof stencilFields>[] } | { ok: false; wrong: string };
function readJson(text: string): Values {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (e) {
    return { ok: false, wrong: `${wording.noList} ${(e as Error).message}` };
  }
  const list = listSchema.safeParse(json);
  if (!list.success)
    return {
      ok: false,
      wrong: `${wording.noList} ${list.error.issues[0]!.path.join('.')}: ${list.error.issues[0]!.message}`,
    };
  const values: z.output<typeof stencilFields>[] = [];
  for (const [k, row] of list.data.stencils.entries()) {
    const one = stencilFields.safeParse({
      ...{ name: row.name ?? row.id ?? '', pitch_mm: String(row.pitchMm), pattern: row.pattern.join('/') },
      ...(row.shape ? { shape: row.shape } : {}),
      ...{ aperture_mm: String(row.apertureMm ?? ''), thickness_mm: String(row.thicknessMm ?? '') },
    });
    if (!one.success)
      return {
        ok: false,
        wrong: `stencils.${k}: ${Object.entries(problemsByField(one.error))
          .map(([field, said]) => `${field}: ${said}`)
          .join(' ')}`,
      };
    values.push(one.data);
  }
  return { ok: true, values };
}
/** The list as CSV, in the columns that an import takes. */
export const stencilsCsv = async (who: Who): Promise<string> =>
  writeCsv(
    columns,
    (await inShop(who.shopId, stencilsOf)).map((s) => [
      ...[s.name, s.pitchMm, s.pattern.join('/'), s.shape, s.apertureMm ?? '', s.thicknessMm ?? ''],
    ]),
  );
/** The list as JSON: what the command line's search takes, too. */
export const stencilsJson = async (who: Who): Promise<{ stencils: Omit<StencilRow, never>[] }> => ({
  stencils: (await inShop(who.shopId, stencilsOf)).map(({ id: _, name, ...rest }) => ({
    id: name,
    name,
    ...rest,
  })),
});
