import * as wording from '../../words/answers/read-archive';
import { createReadStream } from 'node:fs';
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import type { EntityManager } from '@mikro-orm/postgresql';
import { parse } from 'csv-parse/sync';
import { z } from 'zod';
import { eventSchema } from '../../core/log/event-line';
import type { JobEvent } from '../../core/log/events';
import { fold } from '../../core/log/evolve';
import { empty, flag } from '../../core/log/state';
import { upcast } from '../../core/log/upcast';
import { contentHash } from '../../core/model/canonical-json';
import { checkModel, pathText } from '../../core/model/check-model';
import type { Route } from '../../core/steps/route';
import { faces } from '../../core/vocabulary/trade';
import { roles } from '../../core/vocabulary/roles';
import type { ShopSettings, Who } from '../../core/wire/who';
import { afterOf, contextFor } from '../decide-command';
import { indexOf } from '../db/models';
import { alone, inShop } from '../db/orm';
import { keepMeasurement } from '../db/measurements';
import { addModelPhoto } from '../db/model-photos';
import { addPhoto } from '../db/photos';
import { routeOf } from '../db/routes';
import { personOfLogin } from '../db/sessions';
import { putSpares } from '../db/spares';
import { putStencils } from '../db/stencils';
import { stencilFields } from '../../forms/stencil-fields';
import { isUnused, putIdentity, putJob, putModel, putPart, putPeople, putRoute } from '../db/whole';
import { workshopToChange } from '../db/workshop';
import { plainCell } from '../use-cases/csv';
import { identitySchema, jobSchema, measurementSchema, workshopSchema } from './layout';
import { NoArchive } from './zip';

type Go = (done: number, said: string) => Promise<void>;
/**
 * Takes an unpacked archive into a workshop in which nothing has been done yet: whole, or nothing of it. Every line is
 * checked, every log is folded, and what its row says is computed from it.
 * @param folder that it was unpacked into
 * @param names of the files in it
 * @throws NoArchive with what is wrong and where
 */
export async function readArchive(
  who: Who,
  folder: string,
  names: readonly string[],
  go: Go,
): Promise<{ jobs: number; events: number }> {
  const has = new Set(names);
  const about = read(workshopSchema, await jsonOf(folder, 'workshop.json'), 'workshop.json');
  const logs = has.has('events.jsonl') ? await logsOf(folder) : new Map<string, JobEvent[]>();
  return inShop(who.shopId, async (em) => {
    await alone(em, `archive ${who.shopId}`);
    if (!(await isUnused(em))) throw new NoArchive(wording.notEmpty);
    const shop = await workshopToChange(em);
    shop.settings = { ...shop.settings, ...(about.settings as Partial<ShopSettings>) };
    await takePeople(em, folder, has);
    for (const name of names.filter((n) => n.startsWith('models/'))) await takeModel(em, folder, name);
    if (has.has('routes.jsonl'))
      for await (const { value } of linesOf(folder, 'routes.jsonl')) await takeRoute(em, value);
    const counted = await takeJobs(
      { ...who, settings: shop.settings },
      em,
      folder,
      logs,
      about.counts.jobs,
      go,
    );
    if (has.has('identity.jsonl'))
      for await (const { value, at } of linesOf(folder, 'identity.jsonl')) {
        const { job, person, readAt, ...row } = read(identitySchema, value, at);
        await putIdentity(em, { ...row, jobId: job, personId: person, readAt: new Date(readAt) });
      }
    if (has.has('measurements.jsonl'))
      for await (const { value, at } of linesOf(folder, 'measurements.jsonl')) {
        const { job, person, takenAt, ...row } = read(measurementSchema, value, at);
        const kept = { ...row, jobId: job, personId: person, takenAt: new Date(takenAt) };
        await keepMeasurement(em, kept);
      }
    await takeStock(em, folder, has);
    await takePhotos(em, folder, logs);
    await takeModelPhotos(em, folder, has);
    if (counted.jobs !== about.counts.jobs || counted.events < about.counts.events)
      throw new NoArchive(
        wording.countsDiffer(about.counts.jobs, about.counts.events, counted.jobs, counted.events),
      );
    return counted;
  });
}
function read<T extends z.ZodType>(schema: T, value: unknown, at: string): z.output<T> {
  const done = schema.safeParse(value);
  if (done.success) return done.data;
  const [issue] = done.error.issues;
  throw new NoArchive(`${at}: ${pathText(issue!.path)}: ${issue!.message}`);
}
async function jsonOf(folder: string, name: string): Promise<unknown> {
  try {
    return JSON.parse(await readFile(join(folder, name), 'utf8'));
  } catch {
    throw new NoArchive(wording.cannotRead(name));
  }
}
async function* linesOf(folder: string, name: string): AsyncGenerator<{ value: unknown; at: string }> {
  let n = 0;
  for await (const text of createInterface({ input: createReadStream(join(folder, name)) })) {
    n++;
    if (!text.trim()) continue;
    const at = `${name}, line ${n}`;
    let value: unknown;
    try {
      value = JSON.parse(text);
    } catch {
      throw new NoArchive(wording.noJson(at));
    }
    yield { value, at };
  }
}
async function csvOf(folder: string, name: string): Promise<Record<string, string>[]> {
  const options = { columns: true, bom: true, skip_empty_lines: true };
  const rows = parse(await readFile(join(folder, name), 'utf8'), options) as unknown as Record<
    string,
    string
  >[];
  return rows.map((row) =>
    Object.fromEntries(Object.entries(row).map(([column, cell]) => [column, plainCell(cell)])),
  );
}

/** The events of each job in their order, in the words of today. */
async function logsOf(folder: string): Promise<Map<string, JobEvent[]>> {
  const logs = new Map<string, JobEvent[]>();
  for await (const { value, at } of linesOf(folder, 'events.jsonl')) {
    const { job, ...event } = read(z.looseObject({ job: z.uuid() }), value, at);
    const lifted = upcast(event as unknown as JobEvent);
    read(eventSchema, lifted, at);
    const log = logs.get(job) ?? [];
    if (lifted.seq !== log.length + 1)
      throw new NoArchive(wording.outOfOrder(at, lifted.seq, log.length + 1));
    log.push(lifted);
    logs.set(job, log);
  }
  return logs;
}
const personSchema = z.object({
  id: z.uuid(),
  name: z.string().min(1).max(60),
  login: z.string().min(1).max(80),
  role: z.enum(roles),
  bench: z.string().max(60),
  left: z.string(),
});
async function takePeople(em: EntityManager, folder: string, has: ReadonlySet<string>): Promise<void> {
  if (!has.has('people.csv')) return;
  const people = (await csvOf(folder, 'people.csv')).map((row, k) => {
    const { left, ...person } = read(personSchema, row, `people.csv, line ${k + 2}`);
    return { ...person, left: left !== '' };
  });
  await putPeople(em, people, async (login) => (await personOfLogin(login)) !== undefined);
}
async function takeModel(em: EntityManager, folder: string, name: string): Promise<void> {
  const checked = checkModel(await jsonOf(folder, name));
  if (!checked.ok) throw new NoArchive(`${name}: ${checked.problems[0]!.path}: ${checked.problems[0]!.text}`);
  const hash = contentHash(checked.model);
  if (name !== `models/${hash}.json`) throw new NoArchive(wording.contentDiffers(name));
  if (!(await putModel(em, hash, checked.model)))
    throw new NoArchive(wording.belongsToAnother(checked.model.name));
}
async function takeRoute(em: EntityManager, value: unknown): Promise<void> {
  const { hash } = read(
    z.looseObject({ hash: z.string().regex(/^[0-9a-f]{16,64}$/) }),
    value,
    'routes.jsonl',
  );
  await putRoute(em, hash, value as Route);
}
async function takeJobs(
  who: Who,
  em: EntityManager,
  folder: string,
  logs: ReadonlyMap<string, JobEvent[]>,
  of: number,
  go: Go,
): Promise<{ jobs: number; events: number }> {
  const counted = { jobs: 0, events: 0 };
  for await (const { value, at } of linesOf(folder, 'jobs.jsonl')) {
    const job = read(jobSchema, value, at);
    const events = logs.get(job.id) ?? [];
    if (!events.length) throw new NoArchive(wording.noEntries(at));
    const state = fold(empty(), events);
    const index = await indexOf(
      em,
      flag(state, 'modelHash') ?? job.model,
      flag(state, 'variant') ?? job.variant,
    ).catch(() => {
      throw new NoArchive(wording.noModel(at));
    });
    const route = await routeOf(em, flag(state, 'routeHash'));
    const { stage, summary, ending, promisedAt } = afterOf(
      contextFor(who, { index, route }),
      state,
      events.at(-1)!.at,
    );
    await putJob(
      em,
      {
        id: job.id,
        number: job.number,
        tag: job.tag,
        modelHash: job.model,
        variant: job.variant,
        seq: events.length,
        ...{ stage, summary, ending },
        promisedAt: promisedAt === null ? null : new Date(promisedAt),
        openedAt: new Date(job.receivedAt),
        updatedAt: new Date(job.changedAt),
      },
      events,
      {
        ...(job.owner === null ? {} : { owner: job.owner }),
        ...Object.fromEntries(
          Object.entries(job.signatures).map(([id, kept]) => [`signature ${id}`, JSON.stringify(kept)]),
        ),
      },
    );
    counted.jobs++;
    counted.events += events.length;
    await go(counted.jobs / Math.max(1, of), `${counted.jobs} of ${of} jobs`);
  }
  return counted;
}
const partSchema = z.object({
  id: z.uuid(),
  name: z.string().max(120),
  model: z.string().max(100),
  slot: z.string().max(100),
  kind: z.string().max(100),
  provenance: z.string().max(40),
  supplier: z.string().max(120),
  lot: z.string().max(60),
  serial: z.string().max(60),
  price_minor: z.coerce.number().int().min(0).max(10_000_000),
  arrives_with: z.string().max(600),
  released: z.string().max(40),
  proof: z.string().max(200),
  job: z.union([z.uuid(), z.literal('')]),
  gone: z.enum(['yes', '']),
});
const spareSchema = z.object({
  drive: z.string().min(1).max(20),
  thread: z.string().min(1).max(20),
  length_mm: z.coerce.number().positive().max(100),
  head_mm: z.coerce.number().positive().max(100),
  count: z.coerce.number().int().min(0).max(100_000),
  note: z.string().max(300),
});
async function takeStock(em: EntityManager, folder: string, has: ReadonlySet<string>): Promise<void> {
  for (const [k, row] of (has.has('stock.csv') ? await csvOf(folder, 'stock.csv') : []).entries()) {
    const { model, price_minor, arrives_with, job, gone, ...part } = read(
      partSchema,
      row,
      `stock.csv, line ${k + 2}`,
    );
    await putPart(em, {
      ...part,
      modelId: model,
      priceMinor: price_minor,
      arrivesWith: arrives_with.split(';').filter(Boolean),
      jobId: job || null,
      gone: gone === 'yes',
    });
  }
  const spares = (has.has('spares.csv') ? await csvOf(folder, 'spares.csv') : []).map((row, k) => {
    const { length_mm, head_mm, ...rest } = read(spareSchema, row, `spares.csv, line ${k + 2}`);
    return { ...rest, lengthMm: length_mm, headMm: head_mm };
  });
  if (spares.length) await putSpares(em, spares);
  const stencils = (has.has('stencils.csv') ? await csvOf(folder, 'stencils.csv') : []).map((row, k) => {
    const { pitch_mm, aperture_mm, thickness_mm, ...rest } = read(
      stencilFields,
      row,
      `stencils.csv, line ${k + 2}`,
    );
    return { ...rest, pitchMm: pitch_mm, apertureMm: aperture_mm, thicknessMm: thickness_mm };
  });
  if (stencils.length) await putStencils(em, stencils);
}
/** Pictures that a log names; of one that no log names nobody would know what it is. */
async function takePhotos(
  em: EntityManager,
  folder: string,
  logs: ReadonlyMap<string, JobEvent[]>,
): Promise<void> {
  for (const [job, events] of logs)
    for (const name of await readdir(join(folder, 'photographs', job)).catch(() => [])) {
      const id = name.slice(0, -'.jpg'.length);
      const taken = events.find((event) => event.body.type === 'photographed' && event.body.photo === id);
      if (!taken) continue;
      addPhoto(em, {
        id,
        jobId: job,
        personId: taken.by,
        ...(await jpegAt(folder, `photographs/${job}/${name}`)),
      });
    }
  await em.flush();
}
async function jpegAt(
  folder: string,
  name: string,
): Promise<{ jpeg: Buffer; width: number; height: number }> {
  const sharp = (await import('sharp')).default;
  const jpeg = await readFile(join(folder, name));
  const { width, height, format } = await sharp(jpeg)
    .metadata()
    .catch(() => ({ width: 0, height: 0, format: '' }));
  if (format !== 'jpeg' || !width || !height) throw new NoArchive(`${name} is no JPEG.`);
  return { jpeg, width, height };
}
const modelPhotoSchema = z.object({
  id: z.uuid(),
  model: z.string().min(1).max(64),
  face: z.enum(faces),
  name: z.string().min(1).max(120),
  person: z.uuid(),
});
/** Pictures that lie under the maps of models. */
async function takeModelPhotos(em: EntityManager, folder: string, has: ReadonlySet<string>): Promise<void> {
  const list = 'model-photographs.csv';
  for (const [k, row] of (has.has(list) ? await csvOf(folder, list) : []).entries()) {
    const { id, model, face, name, person } = read(modelPhotoSchema, row, `${list}, line ${k + 2}`);
    const file = `model-photographs/${id}.jpg`;
    if (!has.has(file)) throw new NoArchive(`${list}, line ${k + 2}: ${file} is not there.`);
    const { jpeg } = await jpegAt(folder, file);
    addModelPhoto(em, { id, modelId: model, face, name, personId: person, jpeg });
  }
  await em.flush();
}
