import { randomUUID } from 'node:crypto';
import { beforeAll, describe, expect, test } from 'vitest';
import type { Met } from '../core/log/met-schema';
import type { Body } from '../core/log/events';
import { makeWorld, receipt, type World } from './testing/world';
import { receivePage } from './use-cases/drafts';
import { jobsPage } from './use-cases/find-jobs';
import { jobsQuery } from '../forms/jobs-query';
import { blankModel } from '../core/record/blank-model';
import { jobPage } from './use-cases/job-page';
import { changeLibrary, libraryModel, libraryPage } from './use-cases/library';
import { adoptRoute } from './use-cases/plan-route';
import { receiveJob } from './use-cases/receive-job';
import { beginRecording } from './use-cases/record';
import { sendCommands } from './use-cases/send-commands';
import type { Who } from '../core/wire/who';

let world: World;
let lead: Who;
let tova: Who;
beforeAll(async () => {
  world = await makeWorld();
  lead = world.own.get('lead')!;
  tova = world.own.get('technician')!;
}, 120_000);
const tail = randomUUID().slice(0, 6);
const size = { maker: 'Alder', name: `Nine ${tail}`, widthMm: 71.4, heightMm: 146.8, thicknessMm: 7.8 };

const common = (id: string, name = id) => ({ id, name, face: 'front' as const });
const screw = (id: string, x: number, y: number): Met => ({
  kind: 'fastener',
  ...common(id),
  at: { x, y },
  ...{ drive: 'P2', lengthMm: 6.7, headMm: 1.8, thread: 'M1.4' },
});
const display: Met = {
  kind: 'part',
  ...common('P1', 'display'),
  shape: { x: 1, y: 1, w: 69, h: 144 },
  part: 'display',
  functions: ['picture', 'touch'],
  ...{ first: 'folded', towards: 'right', needed: ['S1', 'S2'] },
};
const plug: Met = {
  kind: 'connector',
  ...common('K1', 'cell'),
  ...{ at: { x: 30, y: 60 }, widthMm: 5, carries: 'power', functions: ['battery'] },
};
const cell: Met = {
  kind: 'part',
  ...common('P2', 'cell'),
  shape: { x: 10, y: 40, w: 40, h: 60 },
  part: 'cell',
  ...{ functions: ['battery'], needed: ['K1'] },
};
const { shortList } = blankModel({ id: 'own-x', ...size });
const received = (hash: string, tag: string, more = {}) => ({
  ...receipt(hash),
  ...{ tag, tasks: [], before: Object.fromEntries(shortList.map((f) => [f, { result: 'works' }])) },
  ...more,
});
async function report(who: Who, job: string, ...bodies: Body[]) {
  const answers = await sendCommands(
    who,
    bodies.map((body) => ({
      ...{ id: randomUUID(), job, person: who.personId, body },
      ...{ at: Date.now(), clockKnown: true },
    })),
  );
  expect(answers.map((a) => a.outcome.status)).toEqual(bodies.map(() => 'recorded'));
}

describe('a device of one’s own', () => {
  test('is put in by its size, received, recorded, put together by its route, and becomes a version that is offered', async () => {
    const said = await beginRecording(tova, size);
    expect(said).toMatchObject({ ok: true, hash: expect.any(String) });
    const { hash } = said as { hash: string };
    expect((await receivePage(tova, randomUUID())).models.map((m) => m.hash)).toContain(hash);
    const job = randomUUID();
    expect(await receiveJob(tova, job, received(hash, `A-${tail}`), Date.now())).toMatchObject({ ok: true });
    const off = (thing: Met): Body => ({ type: 'met', thing, off: true });
    await report(tova, job, ...[screw('S1', 28, 144), screw('S2', 43, 144), display, plug, cell].map(off));

    const [line] = (await jobsPage(tova, jobsQuery.parse({ q: `A-${tail}` }))).jobs;
    expect(line).toMatchObject({ stage: 'Strip', summary: { waits: 'recording' } });
    const adopted = await adoptRoute(tova, job, randomUUID());
    expect(adopted).toMatchObject({ ok: true, outcome: { status: 'recorded' } });
    const page = (await jobPage(tova, job))!;
    expect(page.modelHash).not.toBe(hash);
    expect(page.model.slots.map((s) => s.name)).toEqual(['display', 'cell']);
    expect(page.route!.steps.flatMap((s) => s.targets)).toEqual(
      expect.arrayContaining(['P2', 'K1', 'S1', 'S2']),
    );
    expect(page.mat.map((c) => c.id).toSorted()).toEqual(['S1', 'S2']);

    // it is in the library, and nobody receives of it before somebody who may says so
    const kept = (await libraryModel(lead, page.modelHash))!;
    expect(kept.versions.find((v) => v.hash === page.modelHash)).toMatchObject({ offered: false });
    expect(await changeLibrary(lead, { do: 'offer', hash: page.modelHash, offered: true })).toMatchObject({
      ok: true,
    });
    const offered = (await receivePage(tova, randomUUID())).models.map((m) => m.hash);
    expect(offered).toContain(page.modelHash);
    expect(offered).not.toContain(hash);
    // the next one of its kind has a route
    const next = randomUUID();
    const cellTask = { tasks: [{ slot: 'P2', action: 'replace' }] };
    expect(
      await receiveJob(tova, next, received(page.modelHash, `B-${tail}`, cellTask), Date.now()),
    ).toMatchObject({ ok: true });
  });
  test('of which not all is recorded is not received of: what it lacks is said', async () => {
    const begun = (await beginRecording(tova, { ...size, name: `Half ${tail}` })) as { hash: string };
    const job = randomUUID();
    await receiveJob(tova, job, received(begun.hash, `C-${tail}`), Date.now());
    await report(tova, job, { type: 'met', thing: screw('S1', 28, 144), off: true });
    await report(tova, job, { type: 'met', thing: { ...display, needed: ['S1'] } as Met, off: true });
    await adoptRoute(tova, job, randomUUID());
    const { modelHash } = (await jobPage(tova, job))!;
    expect(await changeLibrary(lead, { do: 'offer', hash: modelHash, offered: true })).toMatchObject({
      ok: false,
      status: 409,
      errors: { form: expect.stringContaining('expected one connector of power that joins the cell') },
    });
    // as it came, to be recorded from the beginning, it goes on being received of
    expect(await changeLibrary(lead, { do: 'offer', hash: begun.hash, offered: true })).toMatchObject({
      ok: true,
    });
  });
  test('of a name that is there already, or of a size that no phone has, is refused with the field', async () => {
    expect(await beginRecording(tova, size)).toMatchObject({
      ok: false,
      status: 409,
      errors: { name: expect.any(String) },
    });
    const wrong = { ...size, name: ' ', widthMm: 2000, thicknessMm: Number.NaN };
    expect(await beginRecording(tova, wrong)).toMatchObject({
      ok: false,
      status: 400,
      errors: { name: expect.any(String), widthMm: 'From 30 to 200 mm.', thicknessMm: expect.any(String) },
    });
  });
  test('is nobody else’s: another workshop sees nothing of it, and may record one of the same name', async () => {
    const other = world.other.get('owner')!;
    const names = (await libraryPage(other, { q: '', from: '' })).map((l) => l.name);
    expect(names).not.toContain(`Alder Nine ${tail}`);
    expect(await beginRecording(other, size)).toMatchObject({ ok: true });
  });
  test('much like a known one begins as that, in its own outline; what does not fit keeps it from being received', async () => {
    const sister = (await libraryPage(lead, { q: '', from: '' })).find((line) => line.id === 'mica-9')!;
    const like = { ...size, name: `Sister ${tail}`, like: sister.hash };
    const said = await beginRecording(tova, { ...like, widthMm: 75, heightMm: 150 });
    expect(said).toMatchObject({ ok: true, said: expect.stringContaining('Mica 9') });
    const made = (await libraryModel(lead, (said as { hash: string }).hash))!;
    expect(made.model).toMatchObject({ name: like.name, outline: { widthMm: 75, heightMm: 150 } });
    expect(made.model.fasteners).toHaveLength(sister.screws);
    expect(made.line.offered).toBe(true);
    const small = await beginRecording(tova, { ...like, name: `Small ${tail}`, widthMm: 40 });
    expect(small).toMatchObject({ ok: true, said: expect.stringContaining('outside') });
    const { hash } = small as { hash: string };
    expect((await libraryModel(lead, hash))!.line.offered).toBe(false);
    expect(await beginRecording(tova, { ...like, name: 'x', like: 'none' })).toMatchObject({
      ok: false,
      errors: { like: expect.any(String) },
    });
  });
});
