import { randomUUID } from 'node:crypto';
import { beforeAll, describe, expect, test } from 'vitest';
import { applyEdits, difference, type Edit } from '../core/model/edit';
import { moveThings, takeOutThings } from '../core/model/editing';
import { indexModel } from '../core/model/index-model';
import type { DeviceModel } from '../core/model/schema';
import { mica9 } from '../core/testing/demo-models';
import type { Who } from '../core/wire/who';
import { makeWorld, type World } from './testing/world';
import { readScrews, saveModel, screwsTable } from './use-cases/edit-model';
import { libraryModel, libraryPage, modelFile } from './use-cases/library';
import { receivePage } from './use-cases/drafts';

let world: World;
let lead: Who;
let owner: Who;
let shipped: string;
beforeAll(async () => {
  world = await makeWorld();
  lead = world.own.get('lead')!;
  owner = world.own.get('owner')!;
  shipped = (await libraryPage(lead, { q: 'mica-9', from: '' })).find((line) => line.id === 'mica-9')!.hash;
}, 120_000);

const moved = (x: number, id = 'vibration', model: DeviceModel = mica9): Edit[] =>
  moveThings(indexModel(model), [id], { x, y: 0 });
const save = (who: Who, hash: string, edits: Edit[], more: Record<string, unknown> = {}) =>
  saveModel(who, { hash, edits, offer: false, ...more });
const kept = async (who: Who, hash: string, edits: Edit[], more: Record<string, unknown> = {}) => {
  const said = await save(who, hash, edits, more);
  expect(said).toMatchObject({ ok: true, hash: expect.any(String) });
  return (said as { hash: string }).hash;
};

describe('a model that is changed on its map', () => {
  test('that ships with the app becomes a copy of the workshop’s own; who made it and when is known', async () => {
    const hash = await kept(lead, shipped, moved(1.5));
    const model = (await modelFile(lead, hash))!;
    expect(model).toMatchObject({ id: 'own-mica-9', name: 'Mica 9, own' });
    const x = (m: DeviceModel) => m.slots.find((s) => s.id === 'vibration')!.shape.x;
    expect(x(model)).toBe(x(mica9) + 1.5);
    expect((await modelFile(lead, shipped))!.name).toBe('Mica 9');
    const seen = (await libraryModel(lead, hash))!;
    expect(seen.versions[0]).toMatchObject({ hash, offered: false, madeBy: lead.name });
    expect(Date.parse(seen.versions[0]!.madeAt)).toBeGreaterThan(Date.now() - 60_000);
    // it is received of only once somebody says so
    const offered = async () => (await receivePage(lead, randomUUID())).models.map((m) => m.hash);
    expect(await offered()).not.toContain(hash);
    expect(await save(lead, hash, [], { offer: true })).toMatchObject({ ok: true, hash });
    expect(await offered()).toContain(hash);
  });
  test('that is not whole is kept, with what is wrong, and is not received of', async () => {
    const base = await kept(lead, shipped, moved(-2), { beside: true });
    const model = (await modelFile(lead, base))!;
    const edits = takeOutThings(indexModel(model), ['cell']);
    const said = await save(lead, base, edits, { offer: true });
    expect(said).toMatchObject({ ok: true, problems: expect.arrayContaining([expect.anything()]) });
    const { hash } = said as { hash: string };
    expect((await modelFile(lead, hash))!.slots.some((s) => s.id === 'cell')).toBe(false);
    expect((await receivePage(lead, randomUUID())).models.map((m) => m.hash)).not.toContain(hash);
  });
  test('by two people at once: the second is told whose version is there, puts the own changes on it, and nothing is lost', async () => {
    const base = await kept(lead, shipped, moved(0.5), { copyAs: 'For two' });
    const model = (await modelFile(lead, base))!;
    const first = await kept(owner, base, moved(1, 'loudspeaker', model));
    const mine = moved(-1, 'vibration', model);
    expect(await save(lead, base, mine)).toMatchObject({
      ok: false,
      status: 409,
      newer: { hash: first, by: owner.name },
    });
    const both = await kept(lead, first, mine);
    const theirs = (await modelFile(owner, first))!;
    expect(difference(theirs, (await modelFile(lead, both))!)).toEqual(
      difference(theirs, applyEdits(theirs, mine)),
    );
    // or it is kept beside
    expect(await save(lead, base, mine, { beside: true })).toMatchObject({ ok: true });
  });
  test('by nobody who may not, of no other workshop’s, and not what is no model any more', async () => {
    expect(await save(world.own.get('technician')!, shipped, moved(1))).toMatchObject({ status: 403 });
    const hash = await kept(lead, shipped, moved(3), { copyAs: 'Ours' });
    expect(await save(world.other.get('owner')!, hash, moved(1))).toMatchObject({ status: 409 });
    const bad = [{ do: 'put', list: 'slots', id: 'cell', thing: { id: 'cell' } }] as unknown as Edit[];
    expect(await save(lead, shipped, bad)).toMatchObject({ status: 400, problems: expect.any(Array) });
    expect(await saveModel(lead, { hash: shipped, edits: 'all', offer: true })).toMatchObject({
      status: 400,
    });
    expect(await save(lead, shipped, [], { copyAs: '  ' })).toMatchObject({ status: 400 });
  });
});

describe('screws as a file', () => {
  test('go out and come back as they were; what is wrong is said by line and column, and nothing is taken', async () => {
    const csv = (await screwsTable(lead, shipped))!;
    const screws = mica9.fasteners;
    expect(readScrews({ csv, screws })).toEqual({ ok: true, screws });
    // as a spreadsheet of a country with decimal commas writes it
    const own = csv.replaceAll(',', ';').replace(/(?<!M)(\d)\.(\d)/g, '$1,$2');
    expect(readScrews({ csv: own, screws })).toMatchObject({ ok: true });
    const bad = csv.replace(/^(B1,.*?),(\d)/m, '$1,x$2');
    expect(readScrews({ csv: bad, screws })).toMatchObject({
      ok: false,
      wrong: expect.stringMatching(/line \d+/),
    });
    expect(readScrews({ csv: 'id,x_mm\nS1,2', screws })).toMatchObject({
      ok: false,
      wrong: expect.stringContaining('length_mm'),
    });
    expect(readScrews({ csv: 7 })).toMatchObject({ ok: false });
    expect(await screwsTable(world.other.get('owner')!, shipped)).toBeDefined();
    expect(await screwsTable(lead, 'none')).toBeUndefined();
  });
});
