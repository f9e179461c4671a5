import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { contentHash } from '../../core/model/canonical-json';
import { checkModel } from '../../core/model/check-model';
import { applyEdits, type Edit, editFields, editLists } from '../../core/model/edit';
import { type DeviceModel, deviceModelSchema, type Fastener, thingSchemas } from '../../core/model/schema';
import { neededColumns, screwColumns, screwOfRow, screwRows } from '../../core/model/screws-table';
import type { ModelSaid } from '../../core/wire/library';
import type { Who } from '../../core/wire/who';
import * as library from '../../words/answers/library';
import * as wording from '../../words/answers/edit-model';
import { plural } from '../../words/things';
import { allModels, keepVersion, keepOwnModel, maySeeModel, modelOf, newestFrom } from '../db/models';
import { inShop } from '../db/orm';
import { namesOf } from '../db/people';
import { checkInThread } from '../planner';
import { readCsv, writeCsv } from './csv';
import { mayModel } from './library';

const id = z.string().max(64);
/** Changes as they are sent; what they come to is judged as a whole model. */
const editSchema = z.discriminatedUnion('do', [
  z.strictObject({
    do: z.literal('put'),
    list: z.enum(editLists),
    id,
    thing: z.looseObject({ id }),
    at: z.int().min(0).optional(),
  }),
  z.strictObject({ do: z.literal('remove'), list: z.enum(editLists), id }),
  z.strictObject({ do: z.literal('set'), field: z.enum(editFields), value: z.unknown() }),
]);
const askSchema = z.strictObject({
  hash: id,
  edits: z.array(editSchema).max(3000),
  /** Devices are received of it from then on: only of one that is whole. */
  offer: z.boolean(),
  /** As a model of its own, under another name. */
  copyAs: z.string().trim().min(1, wording.nameCopy).max(60).optional(),
  /** Beside a version that somebody has made of the same one meanwhile. */
  beside: z.boolean().default(false),
});
/** The most problems that are sent back. */
const mostProblems = 100;
const refused = (status: 400 | 403 | 409, form: string): ModelSaid => ({
  ok: false,
  status,
  errors: { form },
});

/** A model as it is edited: one that ships with the app, or another workshop's, becomes a copy of one's own. */
export const editableModel = (
  who: Who,
  hash: string,
): Promise<{ model: DeviceModel; own: boolean } | undefined> =>
  inShop(who.shopId, async (em) => {
    if (!(await maySeeModel(em, hash))) return undefined;
    const own = (await allModels(em)).some((row) => row.hash === hash && row.own);
    return { model: await modelOf(em, hash), own };
  });

/**
 * Keeps a model with changes made as its next version. One that is not whole is kept, too, and is not received of; where
 * somebody else has made a version of the same one meanwhile, nothing is kept and theirs is named.
 */
export async function saveModel(who: Who, json: unknown): Promise<ModelSaid> {
  const read = askSchema.safeParse(json);
  if (!read.success)
    return refused(
      400,
      read.error.issues.find((i) => i.message === wording.nameCopy)?.message ?? library.notAskedFor,
    );
  if (!mayModel(who.role)) return refused(403, library.whoChanges);
  const ask = read.data;
  const base = await editableModel(who, ask.hash);
  if (!base) return refused(409, library.noSuchModel);
  const changed = named(applyEdits(base.model, ask.edits as unknown as Edit[]), base.own, ask.copyAs);
  const shaped = deviceModelSchema.safeParse(changed);
  const checked = checkModel(changed);
  if (!shaped.success)
    return {
      ...(refused(400, wording.cannotBeKept) as Extract<ModelSaid, { ok: false }>),
      problems: checked.problems.slice(0, mostProblems),
    };
  const problems = checked.ok ? await checkInThread(checked.model) : checked.problems;
  const model = shaped.data;
  const hash = contentHash(model);
  if (hash === ask.hash && !ask.offer) return { ok: true, said: wording.asItWas, hash };
  const made = { baseHash: ask.copyAs ? '' : ask.hash, madeBy: who.personId };
  return inShop(who.shopId, async (em): Promise<ModelSaid> => {
    const newer = ask.beside || ask.copyAs ? undefined : await newestFrom(em, ask.hash);
    if (newer && newer !== hash) {
      const row = (await allModels(em)).find((r) => r.hash === newer);
      const by = (await namesOf(em)).get(row?.madeBy ?? '') ?? wording.somebody;
      return { ok: false, status: 409, errors: { form: wording.newerThere(by) }, newer: { hash: newer, by } };
    }
    const offered = ask.offer && problems.length === 0;
    const keep = offered ? keepOwnModel : keepVersion;
    if (!(await keep(em, hash, model, made))) return refused(409, library.anotherWorkshopHasIt);
    return {
      ok: true,
      said: problems.length
        ? wording.keptUnwhole(plural(problems.length, 'problem'))
        : offered
          ? wording.keptAndOffered(model.name)
          : wording.kept(model.name),
      hash,
      ...(problems.length ? { problems: problems.slice(0, mostProblems) } : {}),
    };
  });
}
const screwsSchema = z.strictObject({
  csv: z.string().max(2_000_000),
  screws: z.array(thingSchemas.fasteners).max(400),
});
/** Reads a table of screws for a model that is being edited: whole, or what is wrong with it by line and column. */
export function readScrews(json: unknown): { ok: true; screws: Fastener[] } | { ok: false; wrong: string } {
  const ask = screwsSchema.safeParse(json);
  if (!ask.success) return { ok: false, wrong: library.notAskedFor };
  const known = new Map(ask.data.screws.map((f) => [f.id, f]));
  const read = readCsv(ask.data.csv, { all: screwColumns, needed: neededColumns }, (row) =>
    screwOfRow(row, known.get(row.id?.trim() ?? '')),
  );
  return read.ok ? { ok: true, screws: read.values } : read;
}
/** The screws of a model as a table; undefined where this workshop has none of it. */
export async function screwsTable(who: Who, hash: string): Promise<string | undefined> {
  const found = await editableModel(who, hash);
  if (!found) return undefined;
  const { columns, rows } = screwRows(found.model);
  return writeCsv(columns, rows);
}
/** The model under the name that it is kept as: of what ships with the app it is a copy of the workshop's own. */
function named(model: DeviceModel, own: boolean, copyAs: string | undefined): DeviceModel {
  if (copyAs) return { ...model, name: copyAs, id: `own-${randomUUID().slice(0, 8)}` };
  if (own) return model;
  return { ...model, id: `own-${model.id}`.slice(0, 40), name: library.ownCopy(model.name) };
}
