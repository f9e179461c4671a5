import { z } from 'zod';
import { eventSchema } from '../../core/log/event-line';
import { deviceModelSchema } from '../../core/model/schema';
import type { Who } from '../../core/wire/who';
import { plural } from '../../words/things';
import { eventsAfter } from '../db/job-log';
import { namedOf } from '../db/job-private';
import { modelOf } from '../db/models';
import { inShop } from '../db/orm';
import { measurementsOf } from '../db/measurements';
import { allModelPhotos, modelPicture } from '../db/model-photos';
import { picturesOf } from '../db/photos';
import { routeOf } from '../db/routes';
import { sparesOf } from '../db/spares';
import { stencilsCsv } from '../use-cases/stencils';
import { allPartsEver, allPeople, countAll, identityOf, jobsAfter, routeHashes } from '../db/whole';
import { reportData } from '../report/report-data';
import { reportPdf } from '../report/report-pdf';
import { writeCsv } from '../use-cases/csv';
import {
  jobSchema,
  modelPhotoColumns,
  type measurementSchema,
  peopleColumns,
  spareColumns,
  stockColumns,
  type workshopSchema,
} from './layout';
import { ZipWriter } from './zip';

type JobRead = Awaited<ReturnType<typeof jobsAfter>>[number];
/** So many jobs are read at a time. */
const page = 50;

/**
 * Writes all that a workshop has into a ZIP, while it is worked in. Each job comes as it is when it is read.
 * @param go told how far it is, 0 to 1; it throws where it is to end
 * @returns size of the file, bytes, and what is in it
 */
export async function writeArchive(
  who: Who,
  file: string,
  go: (done: number, said: string) => Promise<void>,
): Promise<{ bytes: number; jobs: number; events: number }> {
  const zip = new ZipWriter(file);
  try {
    const counts = await inShop(who.shopId, countAll);
    await zip.add('README.txt', readme(who, counts));
    await zip.add('workshop.json', json(aboutWorkshop(who, counts)));
    await zip.add('schema/job.schema.json', json(z.toJSONSchema(jobSchema)));
    await zip.add('schema/event.schema.json', json(z.toJSONSchema(eventSchema, { io: 'input' })));
    await zip.add('schema/model.schema.json', json(z.toJSONSchema(deviceModelSchema, { io: 'input' })));
    await zip.add('people.csv', await peopleCsv(who));
    await zip.add('stock.csv', await stockCsv(who));
    await zip.add('spares.csv', await sparesCsv(who));
    await zip.add('stencils.csv', await stencilsCsv(who));
    await addModelPhotos(who, zip);
    const seen = { jobs: 0, events: 0, models: new Set<string>() };
    const told = (of: number, what: string) => go((of * seen.jobs) / Math.max(1, counts.jobs), what);
    await zip.add('jobs.jsonl', jobLines(who, seen));
    await zip.add(
      'events.jsonl',
      eventLines(who, seen, () => told(0, 'logs')),
    );
    await zip.add('routes.jsonl', routeLines(who));
    await zip.add('identity.jsonl', identityLines(who));
    await zip.add('measurements.jsonl', measurementLines(who));
    for (const hash of seen.models)
      await zip.add(`models/${hash}.json`, json(await inShop(who.shopId, (em) => modelOf(em, hash))));
    await addPapers(who, zip, counts.jobs, go);
    return { bytes: await zip.end(), jobs: seen.jobs, events: seen.events };
  } catch (e) {
    await zip.abandon();
    throw e;
  }
}
const json = (value: unknown) => `${JSON.stringify(value, null, 2)}\n`;
const line = (value: unknown) => `${JSON.stringify(value)}\n`;

async function* everyJob(who: Who): AsyncGenerator<JobRead> {
  for (let number = 0; ; ) {
    const jobs = await inShop(who.shopId, (em) => jobsAfter(em, number, page));
    yield* jobs;
    if (jobs.length < page) return;
    number = jobs.at(-1)!.number;
  }
}
async function* jobLines(who: Who, seen: { jobs: number; models: Set<string> }): AsyncGenerator<string> {
  for await (const job of everyJob(who)) {
    const { owner, signatures } = await inShop(who.shopId, (em) => namedOf(em, job.id));
    seen.jobs++;
    seen.models.add(job.modelHash);
    yield line({
      id: job.id,
      number: job.number,
      tag: job.tag,
      model: job.modelHash,
      variant: job.variant,
      receivedAt: job.openedAt.toISOString(),
      changedAt: job.updatedAt.toISOString(),
      owner,
      signatures: Object.fromEntries([...signatures].map(([id, kept]) => [id, JSON.parse(kept)])),
    } satisfies z.input<typeof jobSchema>);
  }
}
async function* eventLines(
  who: Who,
  seen: { events: number },
  each: () => Promise<void>,
): AsyncGenerator<string> {
  for await (const { id } of everyJob(who)) {
    const events = await inShop(who.shopId, (em) => eventsAfter(em, id, 0));
    seen.events += events.length;
    yield events.map((event) => line({ job: id, ...event })).join('');
    await each();
  }
}
async function* routeLines(who: Who): AsyncGenerator<string> {
  for (const hash of await inShop(who.shopId, routeHashes))
    yield line(await inShop(who.shopId, (em) => routeOf(em, hash)));
}
async function* identityLines(who: Who): AsyncGenerator<string> {
  for await (const { id } of everyJob(who))
    for (const row of await inShop(who.shopId, (em) => identityOf(em, id)))
      yield line({
        job: id,
        digest: row.digest,
        slot: row.slot,
        partModel: row.partModel,
        serial: row.serial,
        hex: row.hex,
        person: row.personId,
        readAt: row.readAt.toISOString(),
      });
}
async function* measurementLines(who: Who): AsyncGenerator<string> {
  for await (const { id: job } of everyJob(who))
    for (const row of await inShop(who.shopId, (em) => measurementsOf(em, job))) {
      const { id, kind, unit, instrument, settings, samples, result, personId, takenAt } = row;
      yield line({
        ...{ job, id, kind, unit, instrument, settings, samples, result, person: personId },
        takenAt: takenAt.toISOString(),
      } satisfies z.input<typeof measurementSchema>);
    }
}
/** What lies under the maps of models: which, and each picture. */
async function addModelPhotos(who: Who, zip: ZipWriter): Promise<void> {
  const photos = await inShop(who.shopId, allModelPhotos);
  await zip.add(
    'model-photographs.csv',
    writeCsv(
      modelPhotoColumns,
      photos.map(({ id, modelId, face, name, personId }) => [id, modelId, face, name, personId]),
    ),
  );
  for (const { id, modelId } of photos) {
    const jpeg = await inShop(who.shopId, (em) => modelPicture(em, modelId, id));
    if (jpeg) await zip.add(`model-photographs/${id}.jpg`, new Uint8Array(jpeg));
  }
}
/** Photographs, and the report of each job that is closed. */
async function addPapers(
  who: Who,
  zip: ZipWriter,
  jobs: number,
  go: (done: number, said: string) => Promise<void>,
): Promise<void> {
  let done = 0;
  for await (const job of everyJob(who)) {
    for (const photo of await inShop(who.shopId, (em) => picturesOf(em, job.id)))
      await zip.add(`photographs/${job.id}/${photo.id}.jpg`, new Uint8Array(photo.jpeg));
    const data = job.ending === null ? undefined : await reportData(who, job.id);
    if (data) await zip.add(`reports/job-${job.number}.pdf`, new Uint8Array(await reportPdf(data)));
    await go(++done / Math.max(1, jobs), `${done} of ${plural(jobs, 'job')}`);
  }
}

const peopleCsv = (who: Who) =>
  inShop(who.shopId, async (em) =>
    writeCsv(
      peopleColumns,
      (await allPeople(em)).map(({ id, name, login, role, bench, leftAt }) => [
        ...[id, name, leftAt ? login.split(' ')[0]! : login, role, bench],
        leftAt ? leftAt.toISOString() : '',
      ]),
    ),
  );
const stockCsv = (who: Who) =>
  inShop(who.shopId, async (em) =>
    writeCsv(
      stockColumns,
      (await allPartsEver(em)).map((part) => [
        ...[part.id, part.name, part.modelId, part.slot, part.kind, part.provenance, part.supplier],
        ...[part.lot, part.serial, part.priceMinor, part.arrivesWith.join(';'), part.released, part.proof],
        ...[part.jobId ?? '', part.gone ? 'yes' : ''],
      ]),
    ),
  );
const sparesCsv = (who: Who) =>
  inShop(who.shopId, async (em) =>
    writeCsv(
      spareColumns,
      (await sparesOf(em)).map(({ drive, thread, lengthMm, headMm, count, note }) => [
        ...[drive, thread, lengthMm, headMm, count, note],
      ]),
    ),
  );
function aboutWorkshop(
  { shopName, settings }: Who,
  counts: { jobs: number; events: number; photographs: number },
): z.input<typeof workshopSchema> {
  const { backups: _backups, erasing: _erasing, hands: _hands, ...rest } = settings;
  return {
    format: 'snavek.archive',
    version: 1,
    madeAt: new Date().toISOString(),
    name: shopName,
    settings: rest as z.input<typeof workshopSchema>['settings'],
    counts,
  };
}
const readme = ({ shopName }: Who, { jobs, events, photographs }: Record<string, number>) => `${shopName}

All that this workshop has: ${jobs} jobs, ${events} entries of their logs, ${photographs} photographs.

workshop.json      how it works: currency, rate, waits, methods, stations
people.csv         who works here, or did; no passwords
jobs.jsonl         a job a line (schema/job.schema.json): device, owner, signatures
events.jsonl       what happened, an entry a line (schema/event.schema.json), in the order of each job's log
routes.jsonl       the computed routes that jobs followed, by their hash
identity.jsonl     identity data that were read from parts
measurements.jsonl curves of instruments, named by the events that rest on them
models/            the models of the devices (schema/model.schema.json), under the hash of their content
stock.csv          parts, prices in minor units of the currency
spares.csv         loose screws
stencils.csv       stencils of the rework bench
photographs/       as taken, a folder for each job
model-photographs.csv, model-photographs/  what lies under the maps of models, put straight
reports/           the report of each closed job as PDF

CSV as in RFC 4180, JSON Schema 2020-12, times in UTC (ISO 8601), times within entries in ms since 1970.
Passcodes are not in it. Whoever has this file has the names and signatures of owners: keep it so.
`;
