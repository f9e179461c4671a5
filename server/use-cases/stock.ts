import * as common from '../../words/answers/common';
import * as wording from '../../words/answers/stock';
import { practiceName } from '../../words/things';
import type { StockModel } from '../../core/wire/stock';
import type { EntityManager } from '@mikro-orm/postgresql';
import { z } from 'zod';
import type { StockQuery } from '../../forms/stock-query';
import { partFieldsIn, proofField, releasedField } from '../../forms/part-fields';
import type { Role } from '../../core/vocabulary/roles';
import { type AmountStyle, amountText } from '../../core/quote/amount';
import { formatsOf } from '../../words/formats';
import { currentModels } from '../db/models';
import { inShop } from '../db/orm';
import { addParts, allParts, partsFound, partsToChange } from '../db/stock';
import type { NewPart, StockPart } from '../../core/wire/stock';
import type { Who } from '../../core/wire/who';
import { plainCell, readCsv, writeCsv } from './csv';
import { problemsByField } from './typed-record';

/** Who may change the stock; choosing from it for a job is everybody's work. */
export const mayStock = (role: Role) => role === 'owner' || role === 'lead';

const columns = [
  'name',
  'model',
  'slot',
  'provenance',
  'supplier',
  'lot',
  'serial',
  'price',
  'arrives_with',
  'released',
  'proof',
] as const;

const askSchema = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('add'), part: z.record(z.string(), z.string().max(2000)) }),
  z.strictObject({ do: z.literal('change'), id: z.uuid(), released: releasedField, proof: proofField }),
  z.strictObject({ do: z.literal('remove'), ids: z.array(z.uuid()).min(1).max(200) }),
  z.strictObject({ do: z.literal('import'), csv: z.string() }),
]);
export type StockSaid =
  | { ok: true; said: string }
  | { ok: false; status: 400 | 403 | 409; errors: Record<string, string> };

/** The models that parts can be for, with the places of each by name. */
async function stockModels(em: EntityManager): Promise<StockModel[]> {
  return (await currentModels(em)).map(({ id, name, practice, model }) => ({
    id,
    name: practice ? practiceName(name) : name,
    slots: model.slots
      .map((slot) => ({ id: slot.id, name: slot.name, kind: slot.kind, price: slot.price }))
      .sort((a, b) => (a.name < b.name ? -1 : 1)),
    seals: model.bonds
      .filter((bond) => bond.kind === 'perimeter-seal' || bond.kind === 'gasket')
      .map((bond) => ({ id: bond.id, name: bond.name, holds: [...bond.holds] })),
  }));
}
/** Parts by name, model, place, supplier, lot or serial; what lies free first. 100 a page. */
export async function stockPage(
  who: Who,
  query: StockQuery,
): Promise<{ parts: StockPart[]; total: number; free: number; models: StockModel[] }> {
  return inShop(who.shopId, async (em) => ({
    ...(await partsFound(em, query)),
    models: await stockModels(em),
  }));
}

/** Changes one thing of the stock, by whoever may. */
export async function changeStock(who: Who, json: unknown): Promise<StockSaid> {
  const read = askSchema.safeParse(json);
  if (!read.success) return { ok: false, status: 400, errors: problemsByField(read.error) };
  if (!mayStock(who.role)) return { ok: false, status: 403, errors: { form: wording.whoChanges } };
  const ask = read.data;
  const style = formatsOf(who.settings);
  return inShop(who.shopId, async (em): Promise<StockSaid> => {
    if (ask.do === 'add') {
      const one = judge(ask.part, await stockModels(em), style);
      if (!one.ok) return { ok: false, status: 400, errors: one.errors };
      await addParts(em, [one.part]);
      return { ok: true, said: wording.isInStock(one.part.name) };
    }
    if (ask.do === 'import') return importCsv(em, ask.csv, style);
    if (ask.do === 'remove') return removeParts(em, ask.ids);
    const [row] = await partsToChange(em, [ask.id]);
    if (!row) return { ok: false, status: 409, errors: { form: wording.goneAlready } };
    if (ask.released === 'proof seen' && !ask.proof)
      return { ok: false, status: 400, errors: { proof: wording.giveProof } };
    row.released = ask.released;
    row.proof = ask.proof;
    return { ok: true, said: common.kept };
  });
}

/** Takes parts out of the stock: all of them, or none where one is chosen for a job. */
async function removeParts(em: EntityManager, ids: readonly string[]): Promise<StockSaid> {
  const rows = await partsToChange(em, ids);
  if (rows.length < new Set(ids).size)
    return { ok: false, status: 409, errors: { form: wording.goneAlready } };
  const taken = rows.find((r) => r.jobId);
  if (taken)
    return {
      ok: false,
      status: 409,
      errors: { form: wording.chosenForJob(taken.name) },
    };
  for (const row of rows) row.gone = true;
  return {
    ok: true,
    said: rows.length === 1 ? wording.takenOut(rows[0]!.name) : wording.severalTakenOut(rows.length),
  };
}

/** Reads one part; what is wrong is said at its field. */
function judge(
  fields: Record<string, string>,
  models: readonly StockModel[],
  style: AmountStyle,
): { ok: true; part: NewPart } | { ok: false; errors: Record<string, string> } {
  const read = partFieldsIn(style).safeParse(
    Object.fromEntries(
      Object.entries(fields)
        .filter(([, v]) => v !== '')
        .map(([k, v]) => [k, plainCell(v)]),
    ),
  );
  if (!read.success) return { ok: false, errors: problemsByField(read.error) };
  const f = read.data;
  const model = models.find((m) => m.id === f.model);
  if (!model)
    return {
      ok: false,
      errors: {
        model: wording.noSuchModel(
          f.model,
          models.map((m) => m.id),
        ),
      },
    };
  const slot = model.slots.find((s) => s.id === f.slot);
  if (!slot) return { ok: false, errors: { slot: wording.noSuchPlace(model.name, f.slot) } };
  const arrivesWith = f.arrives_with
    .split(/[;|]/)
    .map((s) => s.trim())
    .filter(Boolean);
  const unknown = arrivesWith.find(
    (s) =>
      !model.slots.some((x) => x.id === s) &&
      !model.seals.some((x) => x.id === s && x.holds.includes(f.slot)),
  );
  if (unknown)
    return {
      ok: false,
      errors: { arrives_with: wording.noSuchPlaceOrSeal(model.name, slot.name, unknown) },
    };
  if (f.released === 'proof seen' && !f.proof) return { ok: false, errors: { proof: wording.giveProof } };
  return {
    ok: true,
    part: {
      name: f.name || slot.name,
      kind: slot.kind,
      modelId: f.model,
      slot: f.slot,
      provenance: f.provenance,
      supplier: f.supplier,
      lot: f.lot,
      serial: f.serial,
      priceMinor: f.price,
      arrivesWith,
      released: f.released,
      proof: f.proof,
    },
  };
}

/** Takes in a CSV file: all of it, or nothing and what is wrong in which line. */
async function importCsv(em: EntityManager, csv: string, style: AmountStyle): Promise<StockSaid> {
  const models = await stockModels(em);
  const read = readCsv(csv, { all: columns, needed: ['model', 'slot', 'provenance', 'price'] }, (record) => {
    const one = judge(record, models, style);
    return one.ok ? { ok: true, value: one.part } : one;
  });
  if (!read.ok) return { ok: false, status: 400, errors: { csv: read.wrong } };
  await addParts(em, read.values);
  return { ok: true, said: wording.takenIn(read.values.length, read.values.length === 1 ? 'part' : 'parts') };
}
/** The stock as CSV, in the columns that an import takes: what is asked for, or all that is free or chosen. */
export async function stockCsv(who: Who, query: StockQuery): Promise<string> {
  const { digits } = formatsOf(who.settings);
  const parts = await inShop(who.shopId, (em) => allParts(em, query));
  return writeCsv(
    columns,
    parts.map((stockPart) => [
      stockPart.name,
      stockPart.modelId,
      stockPart.slot,
      stockPart.provenance,
      stockPart.supplier,
      stockPart.lot,
      stockPart.serial,
      amountText(stockPart.priceMinor, digits),
      stockPart.arrivesWith.join(';'),
      stockPart.released,
      stockPart.proof,
    ]),
  );
}
