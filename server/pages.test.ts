import { stockQuery } from '../forms/stock-query';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, test, vi } from 'vitest';
import { loader as live } from '../app/routes/work/live';
import { loader as jobs } from '../app/routes/jobs/jobs';
import { Bench } from '../core/testing/bench';
import { indexed, mica9 } from '../core/testing/demo-models';
import type { Body } from '../core/log/events';
import { fold } from '../core/log/evolve';
import { flag } from '../core/log/state';
import { appUrl } from './db/app-role';
import { closeBus, getBus } from './db/bus';
import { asOwner, inShop, migrate } from './db/orm';
import { reportData } from './report/report-data';
import { seedDemo } from './seed/seed';
import { closedJobs } from '../demo/scenario';
import { agreeAll, call, makeWorld, openJob, type World } from './testing/world';
import type { Who } from '../core/wire/who';
import { benchPage, openJobsFor } from './use-cases/bench-page';
import { jobsQuery } from '../forms/jobs-query';
import { jobsCsv, jobsPage } from './use-cases/find-jobs';
import { receivePage, saveDraft } from './use-cases/drafts';
import { jobEvents, jobPage } from './use-cases/job-page';
import { adoptRoute } from './use-cases/plan-route';
import { changeStock, stockPage } from './use-cases/stock';
import { sendCommands } from './use-cases/send-commands';

let world: World;
let tova: Who;
let marek: Who;
beforeAll(async () => {
  world = await makeWorld();
  tova = world.own.get('technician')!;
  marek = world.own.get('lead')!;
}, 120_000);
afterAll(async () => {
  await closeBus();
});

const send = async (who: Who, job: string, ...bodies: Body[]) =>
  (
    await sendCommands(
      who,
      bodies.map((body) => ({
        id: randomUUID(),
        job,
        person: who.personId,
        body,
        at: Date.now(),
        clockKnown: true,
      })),
    )
  ).map((a) => a.outcome);

describe('the bench', () => {
  test('lists open jobs, the soonest promised first, with what each waits for', async () => {
    const late = await openJob(world, tova, { tag: 'LATE', promisedAt: Date.now() + 9 * 3600_000 });
    const soon = await openJob(world, tova, { tag: 'SOON', promisedAt: Date.now() + 600_000 });
    const fresh = await openJob(world, tova, { tag: 'FRESH', promisedAt: Date.now() + 700_000 }, false);
    const list = await openJobsFor(tova);
    const at = (id: string) => list.findIndex((j) => j.id === id);
    expect(at(soon)).toBeLessThan(at(late));
    expect(list[at(soon)]).toMatchObject({
      stage: 'Open',
      owner: 'Runa',
      summary: { waits: 'hands', total: 54, done: 0, model: 'Tarnwick Mica 9' },
    });
    expect(list[at(fresh)]).toMatchObject({ stage: 'Receive', summary: { waits: 'agreement' } });
  });
  test('shows what runs by itself until it ends, and a condition that stands', async () => {
    const job = await openJob(world, tova, { tag: 'WARM' });
    await send(
      tova,
      job,
      { type: 'acted', act: 'switch off', target: 'device' },
      { type: 'screwOut', fastener: 'A1', piece: 'A1#1' },
      { type: 'screwOut', fastener: 'A2', piece: 'A2#1' },
      { type: 'heatStarted', station: 'hot-plate', forS: 180, hot: 'said' },
    );
    const line = async () => (await openJobsFor(tova)).find((j) => j.id === job)!.summary;
    expect((await line()).running).toMatchObject({ what: 'heat' });
    expect((await line()).waits).toBe('time');
    await send(
      tova,
      job,
      { type: 'heatEnded' },
      { type: 'conditionSet', condition: 'swollen', because: 'seen' },
    );
    expect(await line()).toMatchObject({ running: null, conditions: ['swollen'] });
  });
  test('a closed job leaves it and is found again by number, tag, model and owner', async () => {
    const job = await openJob(world, tova, { tag: 'ODD_100%', owner: 'Yrsa' });
    await send(tova, job, { type: 'jobClosed', ending: 'declined', note: '' });
    expect((await openJobsFor(tova)).some((j) => j.id === job)).toBe(false);
    const number = (await jobPage(tova, job))!.number;
    for (const words of ['ODD_100%', 'Yrsa', String(number)])
      expect(
        (await jobsPage(tova, jobsQuery.parse({ q: words }))).jobs.map((j) => j.id),
        words,
      ).toContain(job);
    // what has a meaning in a pattern is taken as it is written
    expect((await jobsPage(tova, jobsQuery.parse({ q: '%' }))).jobs.map((j) => j.tag)).toEqual(['ODD_100%']);
    expect((await jobsPage(tova, jobsQuery.parse({ q: "'; drop table job; --" }))).total).toBe(0);
    const page = await call(jobs as never, tova, '/jobs?page=banana&q=Yrsa', {});
    expect(page.body).toMatchObject({ query: { page: 0 }, total: 1 });
  });
});

describe('jobs are found', () => {
  let cracked: string;
  let flat: string;
  const found = async (query: Record<string, unknown>) =>
    (await jobsPage(tova, jobsQuery.parse(query))).jobs.map((j) => j.id);
  beforeAll(async () => {
    cracked = await openJob(world, tova, { tag: 'FIND-1', complaint: 'quarrel with a cobblestone' });
    flat = await openJob(world, tova, { tag: 'FIND-2', complaint: 'flat by elevenses' });
    await changeStock(marek, {
      do: 'add',
      part: {
        model: mica9.id,
        slot: 'cell',
        provenance: 'new original',
        price: '42.50',
        serial: 'ZQ-77-1',
        lot: 'LOT-BAD-9',
        supplier: 'Grebe Parts',
      },
    });
    const part = (await stockPage(marek, stockQuery.parse({ q: 'ZQ-77-1' }))).parts[0]!;
    await send(tova, flat, {
      type: 'partChosen',
      slot: 'cell',
      part: part.id,
      name: part.name,
      provenance: part.provenance,
      supplier: part.supplier,
      lot: part.lot,
      serial: part.serial,
      priceMinor: part.priceMinor,
      arrivesWith: part.arrivesWith,
      released: part.released,
      proof: part.proof,
    });
    await send(marek, cracked, { type: 'takenOver', bench: 'Quay bench' });
  });
  test('by words of the complaint, by serial, lot and supplier of a part', async () => {
    expect(await found({ q: 'cobblestone' })).toEqual([cracked]);
    for (const q of ['ZQ-77-1', 'lot-bad', 'grebe']) expect(await found({ q }), q).toEqual([flat]);
    expect(await found({ q: 'lot-bad', at: 'declined' })).toEqual([]);
  });
  test('by stage, model, who works on it and when it was received; all of it holds at once', async () => {
    expect(await found({ q: 'FIND', person: marek.personId })).toEqual([cracked]);
    expect(await found({ q: 'FIND', at: 'open' })).toEqual([flat, cracked]);
    const { model } = (await jobsPage(tova, jobsQuery.parse({ q: 'FIND-1' }))).jobs[0]!.summary;
    expect(await found({ q: 'FIND', model })).toEqual([flat, cracked]);
    expect(await found({ q: 'FIND', model: 'no such model' })).toEqual([]);
    const today = new Date().toISOString().slice(0, 10);
    expect(await found({ q: 'FIND', to: '2001-01-01' })).toEqual([]);
    expect(await found({ q: 'FIND', from: '2001-01-01', to: today })).toEqual([flat, cracked]);
  });
  test('in the order that is asked for, and what cannot be read is left out', async () => {
    expect(await found({ q: 'FIND', sort: 'received', dir: 'up' })).toEqual([cracked, flat]);
    expect(await found({ q: 'FIND', sort: 'stage; drop table job', dir: 'sideways', page: '-1' })).toEqual([
      flat,
      cracked,
    ]);
  });
  test('the same as a file', async () => {
    const csv = await jobsCsv(tova, jobsQuery.parse({ q: 'FIND' }));
    const [head, ...lines] = csv.trim().split(/\r?\n/);
    expect(head).toMatch(/^job,tag,model,owner/);
    expect(lines.map((l) => l.split(',')[1])).toEqual(['FIND-2', 'FIND-1']);
  });
});

describe('drafts', () => {
  test('are kept for the workshop, offered to the one who wrote them, and gone when the job is open', async () => {
    const id = randomUUID();
    await saveDraft(tova, id, { tag: 'half' });
    await saveDraft(tova, id, { tag: 'half done', complaint: 'flat' });
    expect((await receivePage(marek, id)).draft).toEqual({ tag: 'half done', complaint: 'flat' });
    expect((await benchPage(tova, Date.now())).drafts).toContainEqual(
      expect.objectContaining({ id, tag: 'half done' }),
    );
    expect((await benchPage(marek, Date.now())).drafts).toEqual([]);
    expect((await receivePage(world.other.get('technician')!, id)).draft).toEqual({});
  });
  test('a job that is already open takes no draft', async () => {
    const job = await openJob(world, tova);
    await saveDraft(tova, job, { tag: 'too late' });
    expect(await receivePage(tova, job)).toMatchObject({ opened: true, draft: {} });
  });
  test('Receive offers the shipped models with their variants, outlines and parts', async () => {
    const { models } = await receivePage(tova, randomUUID());
    expect(models.map((m) => m.name)).toEqual(expect.arrayContaining(['Mica 9', 'Sprig']));
    expect(models.find((m) => m.name === 'Mica 9')).toMatchObject({
      outline: { widthMm: 71.5 },
      parts: expect.arrayContaining([
        { id: 'cell', name: 'cell', kind: 'cell' },
        { id: 'display', name: 'display', kind: 'display' },
      ]),
      variants: [{ id: 'standard' }, { id: 'traceless' }],
    });
  });
});

describe('a job’s own page', () => {
  test('gives all that is needed to work on without the server, and only what is missing afterwards', async () => {
    const job = await openJob(world, tova);
    const page = (await jobPage(tova, job))!;
    expect(page.route!.hash).toBe(flag(page.state, 'routeHash'));
    expect(page.people[tova.personId]).toBe('Tova');
    await send(marek, job, { type: 'screwOut', fastener: 'A1', piece: 'A1#1' });
    const news = (await jobEvents(tova, job, page.state.seq))!;
    expect(news.events.map((e) => e.body.type)).toEqual(['screwOut']);
    expect(news.route).toBeUndefined();
    expect(fold(page.state, news.events)).toEqual((await jobPage(tova, job))!.state);
  });
  test('brings the new route along when another bench has planned again', async () => {
    const job = await openJob(world, tova);
    const before = (await jobPage(tova, job))!;
    await send(marek, job, { type: 'conditionSet', condition: 'swollen', because: 'seen' });
    await adoptRoute(marek, job, randomUUID());
    const news = (await jobEvents(tova, job, before.state.seq))!;
    expect(news.route!.hash).not.toBe(before.route!.hash);
    expect(news.route!.steps.some((s) => s.action === 'heat')).toBe(false);
  });
  test('a route that is asked for twice with one command is adopted once', async () => {
    const job = await openJob(world, tova, {}, false);
    await agreeAll(tova, job);
    const command = randomUUID();
    await adoptRoute(tova, job, command);
    await adoptRoute(tova, job, command);
    expect(
      (await jobEvents(tova, job, 0))!.events.filter((e) => e.body.type === 'routeAdopted'),
    ).toHaveLength(1);
  });
});

describe('the report', () => {
  test('tells marks, checks that changed, what was replaced, overrides with reason and person, and leaves out what was taken back', async () => {
    const job = await openJob(world, marek, {
      marks: [{ id: 'm1', side: 'back', x: 10, y: 20, kind: 'earlier repair', note: 'foreign glue' }],
      complaint: 'flat',
      before: {
        ...Object.fromEntries(
          mica9.shortList.map((f) => [f, { result: f === 'charging' ? 'fails' : 'works' }]),
        ),
      },
    });
    await send(marek, job, { type: 'noted', text: 'kept note' }, { type: 'noted', text: 'wrong note' });
    const last = (await jobEvents(marek, job, 0))!.events.at(-1)!;
    await send(marek, job, { type: 'retracted', event: last.id });
    // the whole repair, driven by the core's own technician from where the log stands
    const page = (await jobPage(marek, job))!;
    const bench = new Bench(indexed(mica9), page.route!, marek.personId, 'lead', randomUUID());
    bench.state = page.state;
    bench.at = Date.now();
    bench.finish();
    bench.commands.push({
      ...bench.commands.at(-1)!,
      body: {
        type: 'quoted',
        p10Minor: 1,
        p50Minor: 2,
        p90Minor: 3,
        meanMinor: 2,
        limitMinor: null,
        chance: null,
        replacementMinor: null,
        advice: 'repair',
      },
    });
    const commands = bench.commands.map((c) => ({
      id: randomUUID(),
      job,
      person: marek.personId,
      body: c.body,
      at: c.at,
      clockKnown: true,
    }));
    // as long as the work took: what comes from a clock ahead of the server's would count as a clock that is not known
    const later = vi.spyOn(Date, 'now').mockReturnValue(bench.at + 5000);
    await sendCommands(marek, commands);
    await send(marek, job, { type: 'checked', round: 'after', function: 'charging', result: 'works' });
    await sendCommands(marek, [
      {
        id: randomUUID(),
        job,
        person: marek.personId,
        body: { type: 'jobClosed', ending: 'handed over', note: 'grilles cleaned' },
        at: bench.at + 5000,
        clockKnown: true,
        override: { rules: ['consent open'], reason: 'owner in a hurry' },
      },
    ]);
    later.mockRestore();
    const d = (await reportData(marek, job))!;
    expect(d).toMatchObject({
      ending: 'handed over',
      complaint: 'flat',
      closingNote: 'grilles cleaned',
      water: 'sealed, test held',
      adrift: [],
      marks: [{ kind: 'earlier repair', note: 'foreign glue' }],
    });
    expect(d.done).toEqual([{ slot: 'cell', old: 'aside/recycling' }]);
    expect(d.checks.find((c) => c.function === 'charging')).toMatchObject({
      before: 'fails',
      after: 'works',
      changed: true,
    });
    expect(d.notes.map((n) => n.text)).toEqual(['kept note']);
    expect(d.effects.map((e) => e.agreed)).toEqual(['owner', 'owner']);
    expect(d.overrides).toMatchObject([{ rule: 'consent open', reason: 'owner in a hurry', by: 'Marek' }]);
  });
});

test('the event stream carries job and number of the own workshop only', async () => {
  getBus(appUrl(process.env.DATABASE_URL!));
  await new Promise((r) => setTimeout(r, 400));
  const own = await openJob(world, tova);
  const others = await openJob(world, world.other.get('technician')!);
  const abort = new AbortController();
  const answer = await call(live as never, tova, '/live', {}, { signal: abort.signal });
  const reader = answer.response!.body!.getReader();
  await send(world.other.get('technician')!, others, { type: 'noted', text: 'x' });
  await send(tova, own, { type: 'noted', text: 'y' });
  let text = '';
  for (let k = 0; k < 20 && !text.includes('event: change'); k++) {
    const { value, done } = await reader.read();
    if (done) break;
    text += new TextDecoder().decode(value);
  }
  abort.abort();
  expect(text).toContain('event: hello');
  expect(text).toContain(`"job":"${own}"`);
  expect(text).not.toContain(others);
  expect(text).not.toContain(tova.shopId);
});

describe('the demo data', () => {
  test('is made once: open jobs at different stages and closed ones, each log one that the app could write', async () => {
    expect(await seedDemo(Date.now())).toBe(false);
    const [w] = await asOwner((orm) =>
      orm.em.getConnection().execute<{ id: string }[]>(`select id from workshop where demo`),
    );
    const rows = await inShop(w!.id, (em) =>
      em.execute<{ stage: string; ending: string | null; seq: number; n: string }[]>(
        `select j.stage, j.ending, j.seq, (select count(*) from job_event e where e.job_id = j.id) as n from job j`,
      ),
    );
    expect(
      rows
        .filter((r) => r.ending === null)
        .map((r) => r.stage)
        .toSorted(),
    ).toEqual(['Open', 'Open', 'Prove', 'Receive', 'Receive', 'Strip']);
    expect(rows.filter((r) => r.ending !== null)).toHaveLength(closedJobs.length);
    for (const r of rows) expect(Number(r.n)).toBe(r.seq);
  });
  test('migrating again, twice at once, changes nothing', async () => {
    await Promise.all([asOwner(migrate), asOwner(migrate)]);
    expect(await asOwner((orm) => orm.migrator.getPendingMigrations())).toEqual([]);
  });
});
