import { mayGo, needsOfModel } from '../core/record/needs';
import { indexModel } from '../core/model/index-model';
import { ofVariant } from '../core/model/variant';
import { strFromU8, unzipSync } from 'fflate';
import { contentHash } from '../core/model/canonical-json';
import { randomUUID } from 'node:crypto';
import { beforeAll, describe, expect, test } from 'vitest';
import { z } from 'zod';
import type { DeviceModel } from '../core/model/schema';
import { mica9 } from '../core/testing/demo-models';
import { cmd, makeWorld, openJob, receipt, type World } from './testing/world';
import { sendCommands } from './use-cases/send-commands';
import { receivePage } from './use-cases/drafts';
import { jobPage } from './use-cases/job-page';
import {
  bringModel,
  changeLibrary,
  comparedWith,
  libraryModel,
  libraryPage,
  modelFile,
  modelSchema,
  modelsZip,
} from './use-cases/library';
import { receiveJob } from './use-cases/receive-job';
import type { Who } from '../core/wire/who';

let world: World;
let lead: Who;
let tova: Who;
beforeAll(async () => {
  world = await makeWorld();
  lead = world.own.get('lead')!;
  tova = world.own.get('technician')!;
}, 120_000);
const all = { q: '', from: '' } as const;
const tail = randomUUID().slice(0, 6);
/** A model of the workshop's own, after one that is known to be good. */
const own = (change: Partial<DeviceModel> = {}): DeviceModel => ({
  ...mica9,
  id: `own-${tail}`,
  maker: 'Own bench',
  name: `Nine ${tail}`,
  ...change,
});
const lineOf = async (who: Who, id: string) => (await libraryPage(who, all)).find((line) => line.id === id);

describe('a model that is brought in', () => {
  test('is checked, kept, listed and received of; it comes back as the same file', async () => {
    expect(await bringModel(tova, JSON.stringify(own()))).toMatchObject({ status: 403 });
    const said = await bringModel(lead, JSON.stringify(own()));
    expect(said).toMatchObject({ ok: true, hash: expect.any(String) });
    const hash = (said as { hash: string }).hash;
    expect(await lineOf(lead, `own-${tail}`)).toMatchObject({
      offered: true,
      practice: false,
      versions: 1,
      jobs: 0,
    });
    expect((await receivePage(tova, randomUUID())).models.map((m) => m.hash)).toContain(hash);
    const job = randomUUID();
    expect(await receiveJob(tova, job, receipt(hash), Date.now())).toMatchObject({ ok: true });
    expect((await jobPage(tova, job))!.model.name).toBe(`Nine ${tail}`);
    expect(await lineOf(lead, `own-${tail}`)).toMatchObject({ jobs: 1 });
    expect(await bringModel(lead, JSON.stringify(await modelFile(lead, hash)))).toMatchObject({
      ok: true,
      hash,
      said: expect.stringContaining('was here already'),
    });
    // another workshop sees nothing of it, and is told nothing of it
    const other = world.other.get('owner')!;
    expect(await lineOf(other, `own-${tail}`)).toBeUndefined();
    expect(await modelFile(other, hash)).toBeUndefined();
    expect(await libraryModel(other, hash)).toBeUndefined();
  });
  test('in a newer file is its next version; open jobs keep theirs, and an earlier one can be offered again', async () => {
    const first = (await lineOf(lead, `own-${tail}`))!.hash;
    const job = randomUUID();
    await receiveJob(tova, job, receipt(first), Date.now());
    const said = await bringModel(lead, JSON.stringify(own({ pickDepthMm: mica9.pickDepthMm - 0.1 })));
    const second = (said as { hash: string }).hash;
    expect(second).not.toBe(first);
    expect(await lineOf(lead, `own-${tail}`)).toMatchObject({ hash: second, versions: 2, jobs: 2 });
    expect((await jobPage(tova, job))!.modelHash).toBe(first);
    const hashes = async () => (await receivePage(tova, randomUUID())).models.map((m) => m.hash);
    expect(await hashes()).toContain(second);
    expect(await hashes()).not.toContain(first);
    const offer = (hash: string, offered: boolean, who = lead) =>
      changeLibrary(who, { do: 'offer', hash, offered });
    expect(await offer(first, true, tova)).toMatchObject({ status: 403 });
    expect(await offer(first, true)).toMatchObject({ ok: true });
    expect(await hashes()).toContain(first);
    expect(await hashes()).not.toContain(second);
    expect(await offer(first, false)).toMatchObject({ ok: true });
    expect(await lineOf(lead, `own-${tail}`)).toMatchObject({ offered: false });
    expect((await libraryModel(lead, first))!.versions).toHaveLength(2);
    // what ships with the app, and what is another workshop's, is not for it to take away
    expect(await offer(world.models.get('mica-9')!, false)).toMatchObject({ status: 409 });
    expect(
      await changeLibrary(world.other.get('owner')!, { do: 'offer', hash: second, offered: true }),
    ).toMatchObject({
      status: 409,
    });
  });
  test.each([
    ['no JSON', '{"format":', /no JSON/],
    ['of a newer format', JSON.stringify({ ...own(), version: 2 }), /version 2 of the format/],
    ['another program’s', '{"a":1}', /problem/],
  ])('that is %s is refused', async (_, text, says) => {
    expect(await bringModel(lead, text)).toMatchObject({
      ok: false,
      errors: { form: expect.stringMatching(says) },
    });
  });
  test('with faults is refused with each of them at its path, and one without a way to a part as well', async () => {
    const id = `bad-${tail}`;
    const bad = own({
      id,
      fasteners: mica9.fasteners.map((fastener) => ({ ...fastener, at: { x: 390, y: 390 } })),
    });
    const said = await bringModel(lead, JSON.stringify(bad));
    expect(said).toMatchObject({
      ok: false,
      status: 400,
      errors: { form: expect.stringContaining('Nothing was taken in') },
    });
    const { problems } = said as { problems: { path: string; text: string }[] };
    expect(problems.length).toBeGreaterThan(3);
    expect(problems[0]!.path).toMatch(/^[a-z]+\[\d+\]/);
    // a circle of needs: each must be out before the other
    const circle = own({
      id,
      slots: mica9.slots.map((slot, _i, slots) => ({
        ...slot,
        ways: slot.ways.map((way) => ({
          ...way,
          needs: [...way.needs, { slot: slots.find((s) => s.id !== slot.id)!.id, pose: 'out' as const }],
        })),
      })),
    });
    const round = await bringModel(lead, JSON.stringify(circle));
    expect(round).toMatchObject({ ok: false, problems: expect.any(Array) });
    expect((round as { problems: { text: string }[] }).problems.map((p) => p.text).join()).toMatch(
      /no way to replace it/,
    );
    expect(await lineOf(lead, id)).toBeUndefined();
  }, 60_000);
});

test('models are found by maker, name and id, and by whose they are', async () => {
  const names = async (query: Parameters<typeof libraryPage>[1]) =>
    (await libraryPage(lead, query)).map((m) => m.id);
  expect(await names({ q: `nine ${tail}`, from: '' })).toEqual([`own-${tail}`]);
  expect(await names({ q: 'OWN BENCH', from: 'own' })).toEqual([`own-${tail}`]);
  expect(await names({ q: 'nothing is called so', from: '' })).toEqual([]);
  expect(await names({ q: '', from: 'practice' })).toContain('mica-9');
});
test('the schema of a file is the one that it is read by (JSON Schema 2020-12)', async () => {
  const schema = modelSchema();
  expect(schema.$schema).toBe('https://json-schema.org/draft/2020-12/schema');
  const read = z.fromJSONSchema(JSON.parse(JSON.stringify(schema)) as never);
  const hash = world.models.get('mica-9')!;
  expect(read.safeParse(await modelFile(lead, hash)).success).toBe(true);
  expect(read.safeParse({ ...(await modelFile(lead, hash)), format: 'another' }).success).toBe(false);
});
test('a job of a practice model counts for it', async () => {
  const before = (await lineOf(lead, 'mica-9'))!.jobs;
  await openJob(world, tova, {}, false);
  expect((await lineOf(lead, 'mica-9'))!.jobs).toBe(before + 1);
});

describe('a model that is compared, and learns', () => {
  test('what differs is said, and single changes of the other one make a next version; nothing but what differs is taken', async () => {
    const id = `cmp-${tail}`;
    const longer = mica9.fasteners.map((f) => (f.id === 'C1' ? { ...f, lengthMm: f.lengthMm + 0.1 } : f));
    const hashOf = async (more: Partial<DeviceModel>) =>
      (
        (await bringModel(lead, JSON.stringify(own({ id, name: `Cmp ${tail}`, ...more })))) as {
          hash: string;
        }
      ).hash;
    const first = await hashOf({});
    const moved = longer.map((f) => (f.id === 'C2' ? { ...f, at: { x: f.at.x + 1, y: f.at.y } } : f));
    const second = await hashOf({ fasteners: moved });
    const found = (await comparedWith(tova, first, second))!;
    expect(found.map((d) => [d.id, d.what])).toEqual([
      ['C1', 'other'],
      ['C2', 'other'],
    ]);
    const take = (who: Who, keys: string[]) =>
      changeLibrary(who, { do: 'take', hash: first, from: second, keys });
    expect(await take(tova, ['put fasteners C1'])).toMatchObject({ status: 403 });
    expect(await take(lead, [])).toMatchObject({
      status: 400,
      errors: { form: expect.stringContaining('Choose') },
    });
    expect(await take(lead, ['put fasteners C9'])).toMatchObject({ status: 409 });
    const said = await take(lead, ['put fasteners C1']);
    expect(said).toMatchObject({ ok: true });
    const third = (await modelFile(lead, (said as { hash: string }).hash))!;
    const of = (hole: string) => third.fasteners.find((f) => f.id === hole);
    expect([of('C1')!.lengthMm, of('C2')!.at]).toEqual([
      longer.find((f) => f.id === 'C1')!.lengthMm,
      mica9.fasteners.find((f) => f.id === 'C2')!.at,
    ]);
    // another workshop is told nothing of either
    expect(await comparedWith(world.other.get('owner')!, first, second)).toBeUndefined();
  }, 60_000);
  test('what three jobs measured otherwise is proposed with its evidence; taken over from a practice model, it is a copy of one’s own', async () => {
    const hash = world.models.get('mica-9')!;
    for (let k = 0; k < 3; k++) {
      const job = await openJob(world, tova);
      const piece = 'C1#1';
      const wrong = cmd(tova, job, { type: 'screwMeasured', piece, lengthMm: 9 });
      await sendCommands(tova, [wrong]);
      // what was taken back was not measured
      await sendCommands(tova, [cmd(tova, job, { type: 'retracted', event: wrong.id })]);
      await sendCommands(tova, [cmd(tova, job, { type: 'screwMeasured', piece, lengthMm: 2.5 + k / 100 })]);
    }
    const { learnt } = (await libraryModel(tova, hash))!;
    expect(learnt.find((l) => l.id === 'C1')).toMatchObject({
      jobs: 3,
      meanMm: expect.closeTo(2.51, 5),
      proposedMm: 2.5,
    });
    expect(await changeLibrary(lead, { do: 'learn', hash, screws: ['C2'] })).toMatchObject({ status: 409 });
    const said = await changeLibrary(lead, { do: 'learn', hash, screws: ['C1'] });
    expect(said).toMatchObject({ ok: true });
    const copy = (await modelFile(lead, (said as { hash: string }).hash))!;
    expect([copy.id, copy.fasteners.find((f) => f.id === 'C1')!.lengthMm]).toEqual(['own-mica-9', 2.5]);
    expect((await modelFile(lead, hash))!.fasteners.find((f) => f.id === 'C1')!.lengthMm).not.toBe(2.5);
  }, 60_000);
  test('needs that are answered with no go, those with yes are confirmed, in one next version; all models go out as one ZIP and come in again', async () => {
    const hash = world.models.get('mica-9')!;
    const index = indexModel(ofVariant(mica9, mica9.variants[0]!.id));
    const [first, second] = needsOfModel(index).filter((need) => mayGo(index, need));
    const ask = { do: 'correct', hash, no: [first!.key], yes: [second!.key] };
    expect(await changeLibrary(tova, ask)).toMatchObject({ status: 403 });
    expect(await changeLibrary(lead, { ...ask, no: ['nothing'], yes: [] })).toMatchObject({ status: 409 });
    const said = (await changeLibrary(lead, ask)) as { ok: true; hash: string };
    expect(said).toMatchObject({ ok: true });
    const next = (await libraryModel(lead, said.hash))!;
    expect(next.model.said).toEqual([second!.key]);
    // of what was written nothing is asked
    expect(next.questions).toEqual([]);
    expect(needsOfModel(indexModel(next.model)).map((need) => need.key)).not.toContain(first!.key);
    const files = Object.entries(unzipSync(await modelsZip(lead)));
    const [, bytes] = files.find(([name]) => name === 'own-mica-9.json')!;
    expect(contentHash(JSON.parse(strFromU8(bytes)))).toBe(said.hash);
    expect(await bringModel(lead, strFromU8(bytes))).toMatchObject({ ok: true, hash: said.hash });
  }, 60_000);
});
