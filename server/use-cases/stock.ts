import { randomUUID } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import { z } from 'zod';
import { type PartOrder, type partPlaces, partsPerPage, type StockQuery } from '../../core/forms/stock-query';
import { partFields, proofField, releasedField } from '../../core/forms/part-fields';
import type { Provenance, Released } from '../../core/job/events';
import type { Role } from '../../core/job/interlocks';
import { amountText } from '../../core/quote/amount';
import { inShop } from '../db/orm';
import type { Who } from '../types';
import { plainCell, readCsv, writeCsv } from './csv';

/** A part in the drawer, or chosen for a job, or used up by one. */
export interface StockPart {
  id: string;
  name: string;
  kind: string;
  modelId: string;
  slot: string;
  provenance: Provenance;
  supplier: string;
  lot: string;
  serial: string;
  priceMinor: number;
  arrivesWith: string[];
  released: Released;
  proof: string;
  jobId: string | null;
  jobNumber: number | null;
  jobEnding: string | null;
}
export interface StockModel {
  id: string;
  name: string;
  slots: { id: string; name: string; kind: string; price: number }[];
  /** What a new part may bring fitted beside pieces. */
  seals: { id: string; name: string; holds: string[] }[];
}

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

const select = `select p.id, p.name, p.kind, p.model_id as "modelId", p.slot, p.provenance, p.supplier, p.lot, p.serial, p.price_minor as "priceMinor", p.arrives_with as "arrivesWith", p.released, p.proof, p.job_id as "jobId", j.number as "jobNumber", j.ending as "jobEnding"
  from part p left join job j on j.shop_id = p.shop_id and j.id = p.job_id`;

/** The models that parts can be for, with the places of each: what a drawer is named by. */
export async function stockModels(em: EntityManager): Promise<StockModel[]> {
  return em.execute<StockModel[]>(
    `select model_id as id, name, (select jsonb_agg(jsonb_build_object('id', s->'id', 'name', s->'name', 'kind', s->'kind', 'price', s->'price') order by s->>'name') from jsonb_array_elements(model->'slots') s) as slots, (select coalesce(jsonb_agg(jsonb_build_object('id', b->'id', 'name', b->'name', 'holds', b->'holds')), '[]') from jsonb_array_elements(model->'bonds') b where b->>'kind' in ('perimeter-seal', 'gasket')) as seals from device_model where current order by name`,
  );
}
const orders: Record<PartOrder, string> = {
  place: '(p.job_id is not null), p.model_id, p.slot, p.price_minor',
  name: 'p.name',
  provenance: 'p.provenance',
  price: 'p.price_minor',
  lot: 'p.lot, p.serial',
};
const places: Record<(typeof partPlaces)[number], string> = {
  free: 'p.job_id is null',
  chosen: 'p.job_id is not null and j.ending is null',
  used: 'j.ending is not null',
};
function conditionOf({ q, from, at }: StockQuery): { where: string; args: unknown[] } {
  const like = `%${q.replaceAll(/[\\%_]/g, (c) => `\\${c}`)}%`;
  const words = `concat_ws(' ', p.name, p.model_id, p.slot, p.kind, p.provenance, p.supplier, p.lot, p.serial) ilike ?`;
  const all: [sql: string, ...args: unknown[]][] = [['not p.gone']];
  if (q) all.push([words, like]);
  if (from) all.push(['p.provenance = ?', from]);
  if (at) all.push([places[at]]);
  return { where: all.map(([sql]) => `(${sql})`).join(' and '), args: all.flatMap(([, ...args]) => args) };
}
const ordered = ({ sort, dir }: StockQuery) =>
  `order by ${sort === 'place' ? orders.place : `${orders[sort]} ${dir === 'down' ? 'desc' : 'asc'}, p.id`}`;

/** Parts by name, model, place, supplier, lot or serial; what lies free first. 100 a page. */
export async function stockPage(
  who: Who,
  query: StockQuery,
): Promise<{ parts: StockPart[]; total: number; free: number; models: StockModel[] }> {
  return inShop(who.shopId, async (em) => {
    const { where, args } = conditionOf(query);
    const parts = await em.execute<StockPart[]>(
      `${select} where ${where} ${ordered(query)} limit ${partsPerPage} offset ?`,
      [...args, query.page * partsPerPage],
    );
    const [n] = await em.execute<{ n: string; free: string }[]>(
      `select count(*) as n, count(*) filter (where p.job_id is null) as free from part p left join job j on j.shop_id = p.shop_id and j.id = p.job_id where ${where}`,
      args,
    );
    return { parts, total: Number(n!.n), free: Number(n!.free), models: await stockModels(em) };
  });
}
/** The parts that fit the places of one model and are free, or are chosen for this job already. */
export async function partsFor(em: EntityManager, modelId: string, jobId: string): Promise<StockPart[]> {
  return em.execute<StockPart[]>(
    `${select} where not p.gone and p.model_id = ? and (p.job_id is null or p.job_id = ?) order by p.slot, p.price_minor limit 400`,
    [modelId, jobId],
  );
}

export async function changeStock(who: Who, json: unknown): Promise<StockSaid> {
  const read = askSchema.safeParse(json);
  if (!read.success) return { ok: false, status: 400, errors: problems(read.error) };
  if (!mayStock(who.role))
    return { ok: false, status: 403, errors: { form: 'An owner or a lead changes the stock.' } };
  const ask = read.data;
  return inShop(who.shopId, async (em): Promise<StockSaid> => {
    if (ask.do === 'add') {
      const one = judge(ask.part, await stockModels(em));
      if (!one.ok) return { ok: false, status: 400, errors: one.errors };
      await insert(em, [one.part]);
      return { ok: true, said: `${one.part.name} is in the stock.` };
    }
    if (ask.do === 'import') return importCsv(em, ask.csv);
    if (ask.do === 'remove') return removeParts(em, ask.ids);
    const [row] = await em.execute<{ name: string }[]>(
      `select name from part where id = ? and not gone for update`,
      [ask.id],
    );
    if (!row) return { ok: false, status: 409, errors: { form: 'This part is no longer in the stock.' } };
    if (ask.released === 'proof seen' && !ask.proof)
      return { ok: false, status: 400, errors: { proof: 'Say what the proof of release is.' } };
    await em.execute(`update part set released = ?, proof = ? where id = ?`, [
      ask.released,
      ask.proof,
      ask.id,
    ]);
    return { ok: true, said: 'Kept.' };
  });
}

/** Takes parts out of the stock: all of them, or none where one is chosen for a job. */
async function removeParts(em: EntityManager, ids: readonly string[]): Promise<StockSaid> {
  const rows = await em.execute<{ id: string; name: string; job_id: string | null }[]>(
    `select id, name, job_id from part where id = any(?::uuid[]) and not gone for update`,
    [`{${ids.join(',')}}`],
  );
  if (rows.length < new Set(ids).size)
    return { ok: false, status: 409, errors: { form: 'This part is no longer in the stock.' } };
  const taken = rows.find((r) => r.job_id);
  if (taken)
    return {
      ok: false,
      status: 409,
      errors: { form: `${taken.name} is chosen for a job: drop it there first.` },
    };
  await em.execute(`update part set gone = true where id = any(?::uuid[])`, [`{${ids.join(',')}}`]);
  return {
    ok: true,
    said:
      rows.length === 1
        ? `${rows[0]!.name} is taken out of the stock.`
        : `${rows.length} parts are taken out.`,
  };
}

type Judged = {
  name: string;
  kind: string;
  modelId: string;
  slot: string;
  provenance: string;
  supplier: string;
  lot: string;
  serial: string;
  priceMinor: number;
  arrivesWith: string[];
  released: string;
  proof: string;
};
/** Reads one part; what is wrong is said at its field. */
function judge(
  fields: Record<string, string>,
  models: readonly StockModel[],
): { ok: true; part: Judged } | { ok: false; errors: Record<string, string> } {
  const read = partFields.safeParse(
    Object.fromEntries(
      Object.entries(fields)
        .filter(([, v]) => v !== '')
        .map(([k, v]) => [k, plainCell(v)]),
    ),
  );
  if (!read.success) return { ok: false, errors: problems(read.error) };
  const f = read.data;
  const model = models.find((m) => m.id === f.model);
  if (!model)
    return {
      ok: false,
      errors: { model: `There is no model ${f.model}; known are ${models.map((m) => m.id).join(', ')}.` },
    };
  const slot = model.slots.find((s) => s.id === f.slot);
  if (!slot) return { ok: false, errors: { slot: `${model.name} has no place ${f.slot}.` } };
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
      errors: { arrives_with: `${model.name} has no place, and the ${slot.name} no seal, ${unknown}.` },
    };
  if (f.released === 'proof seen' && !f.proof)
    return { ok: false, errors: { proof: 'Say what the proof of release is.' } };
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
const problems = (e: z.ZodError): Record<string, string> => {
  const out: Record<string, string> = {};
  for (const i of e.issues) out[String(i.path.at(-1) ?? 'form')] ??= i.message;
  return out;
};

async function insert(em: EntityManager, parts: readonly Judged[]): Promise<void> {
  await em.execute(
    `insert into part (shop_id, id, name, kind, model_id, slot, provenance, supplier, lot, serial, price_minor, arrives_with, released, proof)
     select shop_now(), (x->>'id')::uuid, x->>'name', x->>'kind', x->>'modelId', x->>'slot', x->>'provenance', x->>'supplier', x->>'lot', x->>'serial', (x->>'priceMinor')::int, x->'arrivesWith', x->>'released', x->>'proof' from jsonb_array_elements(?::jsonb) x`,
    [JSON.stringify(parts.map((p) => ({ ...p, id: randomUUID() })))],
  );
}

/** Takes in a CSV file: all of it, or nothing and what is wrong in which line. */
async function importCsv(em: EntityManager, csv: string): Promise<StockSaid> {
  const models = await stockModels(em);
  const read = readCsv(csv, { all: columns, needed: ['model', 'slot', 'provenance', 'price'] }, (record) => {
    const one = judge(record, models);
    return one.ok ? { ok: true, value: one.part } : one;
  });
  if (!read.ok) return { ok: false, status: 400, errors: { csv: read.wrong } };
  await insert(em, read.values);
  return { ok: true, said: `${read.values.length} ${read.values.length === 1 ? 'part' : 'parts'} taken in.` };
}
/** The stock as CSV, in the columns that an import takes: what is asked for, or all that is free or chosen. */
export async function stockCsv(who: Who, query: StockQuery): Promise<string> {
  const { where, args } = conditionOf(query);
  const still = query.at === 'used' ? 'true' : 'p.job_id is null or j.ending is null';
  const parts = await inShop(who.shopId, (em) =>
    em.execute<StockPart[]>(`${select} where ${where} and (${still}) ${ordered(query)}`, args),
  );
  return writeCsv(
    columns,
    parts.map((p) => [
      p.name,
      p.modelId,
      p.slot,
      p.provenance,
      p.supplier,
      p.lot,
      p.serial,
      amountText(p.priceMinor),
      p.arrivesWith.join(';'),
      p.released,
      p.proof,
    ]),
  );
}
