import * as wording from '../../words/answers/library';
import type { EntityManager } from '@mikro-orm/postgresql';
import { group } from 'd3-array';
import { strToU8, zipSync } from 'fflate';
import { z } from 'zod';
import type { ModelsQuery } from '../../forms/models-query';
import { contentHash } from '../../core/model/canonical-json';
import { checkModel, modelRemarks } from '../../core/model/check-model';
import { type DeviceModel, deviceModelSchema } from '../../core/model/schema';
import {
  applyEdits,
  compareModels,
  type Difference,
  difference,
  type Edit,
  editKey,
} from '../../core/model/edit';
import { gradesOf } from '../../core/record/grades';
import { isBlank } from '../../core/record/blank-model';
import { learnLengths, lengthEdit } from '../../core/record/learn';
import { learnMinutes, minutesEdits, refutedBy, saidOtherwise } from '../../core/record/learn-ways';
import { needsOfModel, withoutNeeds } from '../../core/record/needs';
import { questionsOf } from '../../core/record/questions';
import { indexModel } from '../../core/model/index-model';
import type { JobEvent } from '../../core/log/events';
import type { LibraryLine, LibraryModel, ModelSaid } from '../../core/wire/library';
import type { Role } from '../../core/vocabulary/roles';
import type { Who } from '../../core/wire/who';
import { plural } from '../../words/things';
import { allModels, currentModels, keepOwnModel, maySeeModel, modelOf, offerOwnModel } from '../db/models';
import { learningLogs } from '../db/measures';
import { namesOf } from '../db/people';
import { inShop } from '../db/orm';
import { workshopOf } from '../db/workshop';
import { checkInThread } from '../planner';

/** Who brings models in and takes them away. */
export const mayModel = (role: Role) => role === 'owner' || role === 'lead';
/** More problems than this are counted, not listed. */
const mostProblems = 100;
/** A model of ten thousand things has some two megabytes. */
export const modelLimitBytes = 5_000_000;

/** A line for each model; the version of it that is offered stands for it, else the one with most jobs. */
async function linesOf(em: EntityManager): Promise<(LibraryLine & { hashes: string[] })[]> {
  const { settings, demo } = await workshopOf(em);
  const rows = await allModels(em);
  const offered = (row: (typeof rows)[number]) =>
    row.current && (row.own || settings.practiceModels === true || demo);
  const kinds = group(rows, (row) => `${row.own} ${row.modelId}`);
  return Promise.all(
    [...kinds.values()].map(async (versions) => {
      const shown = versions.find((row) => row.current) ?? versions.toSorted((a, b) => b.jobs - a.jobs)[0]!;
      const model = await modelOf(em, shown.hash);
      return {
        ...{ hash: shown.hash, id: shown.modelId, name: shown.name },
        own: shown.own,
        practice: !shown.own && !demo,
        offered: offered(shown),
        variants: model.variants.length,
        parts: model.slots.length,
        screws: model.fasteners.length,
        versions: versions.length,
        jobs: versions.reduce((sum, row) => sum + row.jobs, 0),
        hashes: versions.map((row) => row.hash),
      };
    }),
  );
}
/** The models of the workshop, and those that ship with the app: by name, maker or id. */
export const libraryPage = (who: Who, { q, from }: ModelsQuery): Promise<LibraryLine[]> =>
  inShop(who.shopId, async (em) => {
    const words = q.toLowerCase().split(/\s+/).filter(Boolean);
    return (await linesOf(em))
      .filter((line) => !from || (from === 'own') === !line.practice)
      .filter((line) => words.every((word) => `${line.name} ${line.id}`.toLowerCase().includes(word)))
      .map(({ hashes: _, ...line }) => line);
  });
/** One version of a model; undefined where this workshop has none of it. */
export const libraryModel = (who: Who, hash: string): Promise<LibraryModel | undefined> =>
  inShop(who.shopId, async (em) => {
    if (!(await maySeeModel(em, hash))) return undefined;
    const model = await modelOf(em, hash);
    const found = (await linesOf(em)).find(({ hashes }) => hashes.includes(hash))!;
    const { hashes, ...line } = found;
    const names = await namesOf(em);
    const versions = (await allModels(em))
      .filter((row) => hashes.includes(row.hash))
      .toSorted((a, b) => b.madeAt.getTime() - a.madeAt.getTime())
      .map((row) => ({
        ...{ hash: row.hash, jobs: row.jobs, offered: row.current && line.offered },
        madeAt: row.madeAt.toISOString(),
        madeBy: (row.madeBy && names.get(row.madeBy)) || '',
      }));
    const others = (await linesOf(em)).flatMap((other) =>
      other.hashes.map((h) => ({ hash: h, name: other.name })),
    );
    return {
      ...{ line, model, remarks: modelRemarks(model), versions },
      ...learntFrom(model, await learningLogs(em, hashes)),
      others: others.filter((other) => other.hash !== hash),
    };
  });
/** What jobs say of a model: lengths, needs that are none, minutes, what was said otherwise; and what is asked of it. */
function learntFrom(model: DeviceModel, logs: JobEvent[][]) {
  const index = indexModel(model);
  return {
    learnt: learnLengths(model, logs),
    refuted: refutedBy(index, logs),
    minutes: learnMinutes(index, logs),
    otherwise: saidOtherwise(logs),
    questions: questionsOf(index, logs),
    grades: gradesOf(index, logs),
  };
}
/** What differs between a model and another one, from the first to the second; undefined where one is not this workshop's. */
export const comparedWith = (who: Who, hash: string, other: string): Promise<Difference[] | undefined> =>
  inShop(who.shopId, async (em) =>
    (await maySeeModel(em, hash)) && (await maySeeModel(em, other))
      ? compareModels(await modelOf(em, hash), await modelOf(em, other))
      : undefined,
  );
/** A model as the file that it can be brought in as; undefined where this workshop has none of it. */
export const modelFile = (who: Who, hash: string): Promise<DeviceModel | undefined> =>
  inShop(who.shopId, async (em) => ((await maySeeModel(em, hash)) ? modelOf(em, hash) : undefined));
/** The models that devices are received of as one ZIP, a file each. */
export const modelsZip = (who: Who): Promise<Uint8Array<ArrayBuffer>> =>
  inShop(who.shopId, async (em) => {
    const files = (await currentModels(em)).map(({ model }) => [
      `${model.id}.json`,
      strToU8(`${JSON.stringify(model, null, 2)}\n`),
    ]);
    return zipSync(Object.fromEntries(files) as Record<string, Uint8Array>) as Uint8Array<ArrayBuffer>;
  });
/** The schema of such a file (JSON Schema 2020-12). */
export const modelSchema = () => ({
  ...z.toJSONSchema(deviceModelSchema, { io: 'input' }),
  title: 'snavek.model, version 1',
});

const refused = (status: 400 | 403 | 409, form: string): ModelSaid => ({
  ok: false,
  status,
  errors: { form },
});
/**
 * Brings a model in, whole or not at all: its shape, what it names, and that there is a way to everything in it and back.
 * @param text of the file
 * @param from the version that it was made of, where it is a next one
 */
export async function bringModel(
  who: Who,
  text: string,
  from: { baseHash?: string } = {},
): Promise<ModelSaid> {
  if (!mayModel(who.role)) return refused(403, wording.whoBringsIn);
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (e) {
    return refused(400, wording.noJson((e as Error).message));
  }
  const newer = z
    .looseObject({ format: z.literal('snavek.model'), version: z.number().gt(1) })
    .safeParse(json);
  if (newer.success) return refused(409, wording.newerVersion(newer.data.version));
  const checked = checkModel(json);
  const problems = checked.ok ? await checkInThread(checked.model) : checked.problems;
  if (!checked.ok || problems.length)
    return {
      ok: false,
      status: 400,
      errors: { form: wording.nothingTakenIn(plural(problems.length, 'problem')) },
      problems: problems.slice(0, mostProblems),
    };
  const hash = contentHash(checked.model);
  const { name } = checked.model;
  return inShop(who.shopId, async (em): Promise<ModelSaid> => {
    const there = (await allModels(em)).find((row) => row.hash === hash);
    if (there && !there.own) return refused(409, wording.shipsWithApp(name));
    if (!(await keepOwnModel(em, hash, checked.model, { madeBy: who.personId, ...from })))
      return refused(409, wording.anotherWorkshopHasIt);
    return {
      ok: true,
      said: there ? wording.wasHere(name) : wording.isIn(name),
      hash,
    };
  });
}
const hashField = z.string().max(64);
const answers = z.array(z.string().max(130)).max(2000).default([]);
const chosen = z.array(z.string().max(120)).min(1, wording.chooseChanges).max(2000);
const askSchema = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('offer'), hash: hashField, offered: z.boolean() }),
  // changes of another model, by their keys; lengths that jobs have measured, by their screws
  z.strictObject({ do: z.literal('take'), hash: hashField, from: hashField, keys: chosen }),
  z.strictObject({ do: z.literal('learn'), hash: hashField, screws: chosen }),
  // needs that are none, needs that are confirmed, and parts whose true minutes are taken over
  z.strictObject({
    ...{ do: z.literal('correct'), hash: hashField },
    ...{ no: answers, yes: answers, minutes: answers },
  }),
]);
type Ask = z.output<typeof askSchema>;
/** Says whether devices are received of a version; jobs that are open keep the one they were planned with. */
export async function changeLibrary(who: Who, json: unknown): Promise<ModelSaid> {
  const read = askSchema.safeParse(json);
  if (!read.success)
    return refused(
      400,
      read.error.issues.find((i) => i.message === wording.chooseChanges)?.message ?? wording.notAskedFor,
    );
  if (!mayModel(who.role)) return refused(403, wording.whoChanges);
  if (read.data.do !== 'offer') return takeOver(who, read.data);
  const { hash, offered } = read.data;
  const lacks = offered ? await lacking(who, hash) : undefined;
  if (lacks) return refused(409, lacks);
  return inShop(
    who.shopId,
    async (em): Promise<ModelSaid> =>
      (await offerOwnModel(em, hash, offered))
        ? {
            ok: true,
            said: offered ? wording.isOffered : wording.isTakenAway,
          }
        : refused(409, wording.onlyOwnModels),
  );
}

/** Why devices may not be received of a version: what was recorded may not be whole yet. One that is still blank is recorded further. */
async function lacking(who: Who, hash: string): Promise<string | undefined> {
  const model = await modelFile(who, hash);
  if (!model || isBlank(model)) return undefined;
  const checked = checkModel(model);
  const problems = checked.ok ? await checkInThread(checked.model) : checked.problems;
  const [first] = problems;
  return first && wording.notWhole(plural(problems.length, 'problem'), `${first.path}: ${first.text}`);
}
/** The changes that answers and evidence come to. */
function correctedBy(
  model: DeviceModel,
  { no, yes, minutes }: Extract<Ask, { do: 'correct' }>,
  logs: JobEvent[][],
): Edit[] {
  const index = indexModel(model);
  const needs = needsOfModel(index);
  const dropped = withoutNeeds(
    index,
    needs.filter((need) => no.includes(need.key)),
  );
  const confirmed = needs.filter((need) => yes.includes(need.key)).map((need) => need.key);
  const said = [...new Set([...(model.said ?? []), ...confirmed])];
  const after = indexModel(applyEdits(model, dropped));
  return [
    ...dropped,
    ...minutesEdits(
      after,
      learnMinutes(index, logs).filter((learnt) => minutes.includes(learnt.slot)),
    ),
    ...(confirmed.length ? [{ do: 'set' as const, field: 'said' as const, value: said }] : []),
  ];
}
/** Makes a next version of a model from changes that are worked out here anew: what is sent only names them. */
async function takeOver(who: Who, ask: Exclude<Ask, { do: 'offer' }>): Promise<ModelSaid> {
  const { hash } = ask;
  const base = await inShop(who.shopId, async (em) => {
    if (!(await maySeeModel(em, hash))) return undefined;
    const model = await modelOf(em, hash);
    const found = (await linesOf(em)).find(({ hashes }) => hashes.includes(hash))!;
    if (ask.do === 'learn') {
      const learnt = learnLengths(model, await learningLogs(em, found.hashes));
      const edits = learnt.filter((l) => ask.screws.includes(l.id)).map((l) => lengthEdit(model, l));
      return { model, own: found.own, edits: edits.filter((edit) => edit !== undefined) };
    }
    if (ask.do === 'correct')
      return { model, own: found.own, edits: correctedBy(model, ask, await learningLogs(em, found.hashes)) };
    if (!(await maySeeModel(em, ask.from))) return undefined;
    const edits = difference(model, await modelOf(em, ask.from));
    return { model, own: found.own, edits: edits.filter((edit) => ask.keys.includes(editKey(edit))) };
  });
  if (!base) return refused(409, wording.noSuchModel);
  if (!base.edits.length) return refused(409, wording.nothingToTake);
  // what ships with the app stays as it is: a copy of the workshop's own is changed
  const { model, own } = base;
  const copy = own
    ? model
    : { ...model, id: `own-${model.id}`.slice(0, 40), name: wording.ownCopy(model.name) };
  return bringModel(who, JSON.stringify(applyEdits(copy, base.edits)), { baseHash: hash });
}
