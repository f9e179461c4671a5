import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { randomUUID } from 'node:crypto';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { z } from 'zod';
import { people, shop } from '../demo/scenario';
import { endQueue } from './tasks/queue';
import { unzip } from './archive/zip';
import { readArchive } from './archive/read-archive';
import { writeArchive } from './archive/write-archive';
import { makeWorkshop } from './seed/seed';
import { cmd, eventsOf, makeWorld, openJob, type World } from './testing/world';
import { checkLogs } from './use-cases/check-logs';
import { jobPage } from './use-cases/job-page';
import { keepModelPhoto, modelPhotoOf, photosOfModel } from './use-cases/model-photos';
import { keepPhoto } from './use-cases/photos';
import { sendCommands } from './use-cases/send-commands';
import { changeStock } from './use-cases/stock';
import { archiveFile, archiveTasks, takeAlong, takeIn } from './use-cases/take-along';
import { workshopPage } from './use-cases/workshop';
import type { Who } from '../core/wire/who';

let world: World;
let owner: Who;
let tova: Who;
let job: string;
const folder = mkdtempSync(join(tmpdir(), 'snavek-archive-test-'));
const file = join(folder, 'all.zip');
const go = async () => {};
beforeAll(async () => {
  world = await makeWorld();
  owner = world.own.get('owner')!;
  tova = world.own.get('technician')!;
  job = await openJob(world, tova);
  const photo = randomUUID();
  const png = await sharp({ create: { width: 8, height: 6, channels: 3, background: '#888888' } })
    .png()
    .toBuffer();
  await keepPhoto(tova, job, photo, png);
  await keepModelPhoto(tova, 'mica-9', randomUUID(), { name: 'opened', face: 'front' }, png);
  await sendCommands(tova, [cmd(tova, job, { type: 'photographed', photo, thing: 'display' })]);
  const closed = await openJob(world, tova, {}, false);
  await sendCommands(owner, [
    cmd(owner, closed, { type: 'jobClosed', ending: 'declined', note: 'too dear' }),
  ]);
  await changeStock(owner, {
    do: 'add',
    part: { name: '=cell', model: 'mica-9', slot: 'cell', provenance: 'pulled', price: '12.50', lot: 'L1' },
  });
  await writeArchive(owner, file, go);
}, 120_000);
afterAll(async () => {
  await endQueue();
  rmSync(folder, { recursive: true, force: true });
});
/** A workshop of another name in which nothing has been done. */
async function another(): Promise<Who> {
  const tail = randomUUID().slice(0, 8);
  const staff = people.map((p) => ({ ...p, login: `${p.login}-in-${tail}` }));
  const made = await makeWorkshop({ ...shop, name: 'Another counter' }, staff, 'a-long-password', false);
  return [...made.values()].find((who) => who.role === 'owner')!;
}
const unpacked = () => unzipSync(readFileSync(file));
/** Takes in a file with some of it changed. */
async function takenIn(change: Record<string, string | Uint8Array | undefined>): Promise<string> {
  const files = Object.fromEntries(
    Object.entries({ ...unpacked(), ...change }).flatMap(([name, content]) =>
      content === undefined
        ? []
        : [[name, typeof content === 'string' ? strToU8(content) : content] as const],
    ),
  );
  const packed = join(folder, `${randomUUID()}.zip`);
  writeFileSync(packed, zipSync(files, { level: 1 }));
  const into = mkdtempSync(join(folder, 'in-'));
  try {
    const names = await unzip(packed, into, 50_000_000);
    await readArchive(await another(), into, names, go);
    return 'taken in';
  } catch (e) {
    return (e as Error).message;
  }
}

describe('everything of a workshop in one ZIP', () => {
  test('is open formats: lines that their own schemas take, CSV, JPEG, PDF, and a word about each', () => {
    const files = unpacked();
    const text = (name: string) => strFromU8(files[name]!);
    const lines = (name: string) =>
      text(name)
        .trim()
        .split('\n')
        .map((l) => JSON.parse(l) as Record<string, unknown>);
    expect(lines('jobs.jsonl')).toHaveLength(2);
    const schema = JSON.parse(text('schema/event.schema.json')) as { $schema: string; properties: object };
    expect(schema.$schema).toBe('https://json-schema.org/draft/2020-12/schema');
    expect(lines('events.jsonl').every((l) => typeof l.job === 'string' && typeof l.body === 'object')).toBe(
      true,
    );
    expect(z.fromJSONSchema).toBeTypeOf('function');
    const event = z.fromJSONSchema(schema as never);
    for (const l of lines('events.jsonl')) expect(event.safeParse(l).success).toBe(true);
    const names = Object.keys(files);
    const [photo] = names.filter((name) => name.startsWith('photographs/'));
    expect(Buffer.from(files[photo!]!).subarray(0, 2)).toEqual(Buffer.from([0xff, 0xd8]));
    const [report] = names.filter((name) => name.startsWith('reports/'));
    expect(strFromU8(files[report!]!.subarray(0, 5))).toBe('%PDF-');
    // a cell that a spreadsheet would take for a formula is none
    expect(text('stock.csv')).toContain("'=cell");
    expect(text('people.csv')).not.toMatch(/argon|password/i);
    for (const name of ['jobs.jsonl', 'events.jsonl', 'people.csv', 'stock.csv', 'spares.csv'])
      expect(text('README.txt')).toContain(name);
    expect(JSON.stringify(files['workshop.json'])).not.toContain(owner.login);
  });
  test('another workshop takes it in whole: every log, photograph, part and person, and works on', async () => {
    const into = mkdtempSync(join(folder, 'whole-'));
    const names = await unzip(file, into);
    const who = await another();
    const taken = await readArchive(who, into, names, go);
    expect(taken.jobs).toBe(2);
    const there = (await jobPage(who, job))!;
    const here = (await jobPage(owner, job))!;
    expect(there.state).toEqual(here.state);
    expect(there.owner).toBe(here.owner);
    expect(there.route!.hash).toBe(here.route!.hash);
    expect(there.number).toBe(here.number);
    expect((await eventsOf(who, job)).length).toBe((await eventsOf(owner, job)).length);
    const [under] = await photosOfModel(who, 'mica-9');
    expect(under).toMatchObject({ name: 'opened', face: 'front' });
    expect(await modelPhotoOf(who, 'mica-9', under!.id)).toEqual(
      await modelPhotoOf(owner, 'mica-9', under!.id),
    );
    const { people: staff } = await workshopPage(who);
    expect(staff.filter((p) => p.waits)).toHaveLength(people.length);
    const [answer] = await sendCommands(who, [cmd(who, job, { type: 'noted', text: 'goes on' })]);
    expect(answer!.outcome.status).toBe('recorded');
    expect((await checkLogs()).faults).toEqual([]);
    // where something has been done nothing is taken in over it
    await expect(readArchive(who, into, names, go)).rejects.toThrow(/has jobs or parts already/);
  }, 60_000);
  test('what is wrong is said with its place, and nothing of it is taken in', async () => {
    const files = unpacked();
    const events = strFromU8(files['events.jsonl']!).trim().split('\n');
    const without = (k: number) => events.filter((_, i) => i !== k).join('\n');
    expect(await takenIn({})).toBe('taken in');
    expect(await takenIn({ 'events.jsonl': without(1) })).toMatch(
      /events\.jsonl, line 2: entry 3 .* where 2 should/,
    );
    expect(await takenIn({ 'events.jsonl': `${events.join('\n')}\n{"job":` })).toMatch(/that is no JSON/);
    expect(
      await takenIn({
        'events.jsonl': events.map((l, k) => (k === 2 ? l.replace('"type":"', '"type":"un') : l)).join('\n'),
      }),
    ).toMatch(/events\.jsonl, line 3: body/);
    expect(await takenIn({ 'workshop.json': undefined })).toMatch(/workshop\.json is not in it/);
    expect(await takenIn({ 'workshop.json': '{"format":"another"}' })).toMatch(/workshop\.json: format/);
    expect(await takenIn({ '../app-secret': 'x' })).toMatch(/which no archive has/);
    expect(await takenIn({ 'models/../../x.json': 'x' })).toMatch(/which no archive has/);
    expect(await takenIn({ 'README.txt': new Uint8Array(60_000_000) })).toMatch(/unpacks to more than 50 MB/);
    const [model] = Object.keys(files).filter((name) => name.startsWith('models/'));
    expect(await takenIn({ [model!]: strFromU8(files[model!]!).replace('Mica 9', 'Mica X') })).toMatch(
      /its content is another than its name says/,
    );
    const [photo] = Object.keys(files).filter((name) => name.startsWith('photographs/'));
    expect(await takenIn({ [photo!]: 'no picture' })).toMatch(/is no JPEG/);
    const [under] = Object.keys(files).filter((name) => name.startsWith('model-photographs/'));
    expect(await takenIn({ [under!]: undefined })).toMatch(/line 2: model-photographs.*is not there/);
    expect(await takenIn({ 'jobs.jsonl': strFromU8(files['jobs.jsonl']!).split('\n')[0]! })).toMatch(
      /It says that it has 2 jobs/,
    );
  }, 120_000);
  test('a file that is no ZIP, or cut short, is refused', async () => {
    const into = mkdtempSync(join(folder, 'bad-'));
    const bad = join(folder, 'bad.zip');
    writeFileSync(bad, 'no zip at all');
    await expect(unzip(bad, into)).rejects.toThrow(/no archive|no ZIP/);
    writeFileSync(bad, readFileSync(file).subarray(0, 4000));
    await expect(unzip(bad, into)).rejects.toThrow(/cut short|no archive|damaged/);
  }, 60_000);
});

describe('written and taken in by itself', () => {
  test('an owner asks for it, is told how far it is, and takes the file away; nobody else does', async () => {
    expect(await takeAlong(tova)).toMatchObject({ status: 403 });
    expect(await takeAlong(owner)).toMatchObject({ ok: true });
    await expect
      .poll(async () => (await archiveTasks(owner)).map((task) => task.state), { timeout: 60_000 })
      .toEqual(['done']);
    const [task] = await archiveTasks(owner);
    expect(task!.said).toMatch(/^2 jobs, \d+ entries, \d+\.\d MB\.$/);
    const taken = (await archiveFile(owner, task!.file!))!;
    expect(taken.headers.get('content-type')).toBe('application/zip');
    const bytes = new Uint8Array(await taken.arrayBuffer());
    expect(Object.keys(unzipSync(bytes))).toContain('events.jsonl');
    expect(await archiveFile(tova, task!.file!)).toBeUndefined();
    expect(await archiveFile(world.other.get('owner')!, task!.file!)).toBeUndefined();
    expect(await archiveFile(owner, '../../app-secret')).toBeUndefined();

    const who = await another();
    const body = () => new Response(bytes).body;
    expect(await takeIn({ ...who, role: 'lead' }, body())).toMatchObject({ status: 403 });
    expect(await takeIn(who, body())).toMatchObject({ ok: true });
    const state = async () => (await archiveTasks(who)).find((t) => t.kind === 'import');
    await expect.poll(async () => (await state())?.state, { timeout: 60_000 }).toBe('done');
    expect((await state())!.said).toMatch(/^Taken in: 2 jobs/);
    expect(await takeIn(who, new Response('no zip').body)).toMatchObject({ ok: true });
    await expect.poll(async () => (await state())?.state, { timeout: 60_000 }).toBe('failed');
    expect((await state())!.said).toMatch(/no archive|no ZIP/);
  }, 120_000);
});
mkdirSync(folder, { recursive: true });
