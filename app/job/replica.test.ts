import fc from 'fast-check';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import type { Answer, SentCommand } from '../../core/wire/commands';
import type { JobPage } from '../../core/wire/job-page';
import type { Who } from '../../core/wire/who';
import { type Context, decide } from '../../core/rules/decide';
import type { Body, JobEvent } from '../../core/log/events';
import { evolve } from '../../core/log/evolve';
import { leastWaits } from '../../core/rules/interlock';
import type { JobState } from '../../core/log/state';
import { Bench } from '../../core/testing/bench';
import { indexed, mica9, route } from '../../core/testing/demo-models';
import { openDB } from 'idb';
import 'fake-indexeddb/auto';
import { tell } from './channel';
import { setServerTime } from './clock';
import { confirmed, type Kept, keep, keptFor, rememberedState } from './outbox';
import { Replica } from './replica';
import { Sender } from './sender';

const owners = ['s/p1', 's/p2'];
/** What the browser's store holds for everybody: commands that wait, and those that were put aside. */
const waiting = async () => (await Promise.all(owners.map(keptFor))).flat();
async function outboxIs(aside: boolean): Promise<Kept[]> {
  const db = await openDB('snavek');
  const all = (await db.getAll('outbox')) as Kept[];
  db.close();
  return all.filter((k) => !!k.aside === aside);
}

const deferred = () => {
  let resolve = () => {};
  const promise = new Promise<void>((r) => {
    resolve = r;
  });
  return { promise, resolve };
};
const index = indexed(mica9);
const plan = route(mica9);
const job = '00000000-0000-4000-8000-000000000001';
const who = (id: string): Who => ({
  shopId: 's',
  personId: id,
  name: id,
  login: id,
  role: 'technician',
  bench: '',
  shopName: '',
  demo: false,
  settings: { hourlyRateMinor: 6000, currency: 'EUR', waits: leastWaits, methods: {}, stations: [] },
});

/**
 * Lost on the way there; lost on the way back; answered; delivered twice, as a proxy may that saw no answer; answered late,
 * when later requests have been; taken in part before the server went down.
 */
const weathers = ['there', 'back', 'fine', 'twice', 'late', 'part'] as const;
type Weather = (typeof weathers)[number] | 'signed out';

/** A server that decides with the same core: one log, outcomes replayed, and a network that can be cut at either end. */
class FakeServer {
  state: JobState;
  log: JobEvent[];
  outcomes = new Map<string, Answer['outcome']>();
  /** What happens to the next requests. */
  weather: Weather[] = [];
  /** How often news were asked for. */
  asked = 0;
  constructor() {
    const b = new Bench(index, plan, 'opener').open();
    this.state = b.state;
    this.log = b.log;
  }
  context = (person: string): Context => ({
    index,
    route: plan,
    waits: leastWaits,
    person,
    role: 'technician',
  });
  take(c: SentCommand): Answer {
    const known = this.outcomes.get(c.id);
    if (known) return { id: c.id, outcome: known };
    const d = decide(this.context(c.person), this.state, c as never);
    for (const e of d.events) {
      this.state = evolve(this.state, e);
      this.log.push(e);
    }
    const outcome: Answer['outcome'] = d.refused
      ? { status: 'refused', seq: this.state.seq, refused: d.refused, findings: d.findings }
      : {
          status: d.already ? 'already' : 'recorded',
          seq: this.state.seq,
          events: d.events,
          findings: d.findings,
        };
    this.outcomes.set(c.id, outcome);
    return { id: c.id, outcome };
  }
  fetch = async (url: string, init?: RequestInit): Promise<Response> => {
    const now = this.weather.shift() ?? 'fine';
    if (url !== '/commands') this.asked++;
    if (now === 'there') throw new TypeError('fetch failed');
    if (now === 'signed out') return new Response('{}', { status: 401 });
    const commands =
      url === '/commands' ? (JSON.parse(String(init!.body)) as { commands: SentCommand[] }).commands : [];
    if (now === 'twice') for (const c of commands) this.take(c);
    if (now === 'part') {
      for (const c of commands.slice(0, Math.ceil(commands.length / 2))) this.take(c);
      return new Response('', { status: 503 });
    }
    const body =
      url === '/commands'
        ? { answers: commands.map((c) => this.take(c)) }
        : {
            events: this.log.filter(
              (e) => e.seq > Number(new URL(url, 'http://x').searchParams.get('after')),
            ),
          };
    if (now === 'back') throw new TypeError('fetch failed');
    if (now === 'late') await new Promise((r) => setTimeout(r, 60));
    return Response.json(JSON.parse(JSON.stringify(body)));
  };
}
/** As in a browser that has never been here. */
async function emptyStore(): Promise<void> {
  await keptFor('');
  const db = await openDB('snavek');
  await Promise.all([...db.objectStoreNames].map((name) => db.clear(name)));
  db.close();
}
let server: FakeServer;
beforeEach(async () => {
  vi.stubGlobal('navigator', {});
  await emptyStore();
  server = new FakeServer();
  vi.stubGlobal('fetch', server.fetch);
  setServerTime(Date.now());
});

function bench(person = 'p1') {
  const w = who(person);
  const sender = new Sender(`s/${person}`, person);
  const page: JobPage = {
    id: job,
    number: 1,
    modelHash: 'h',
    variant: 'standard',
    model: index.model,
    state: server.state,
    route: plan,
    owner: null,
    signers: {},
    people: {},
    mat: [],
    modelNotes: [],
    spares: [],
    simulated: true,
    testerSimulated: true,
    gaugeSimulated: true,
    openedAt: 0,
    now: Date.now(),
  };
  const replica = new Replica(page, w, sender);
  return { replica, sender, stop: replica.start() };
}
const out = (f: string): Body => ({ type: 'screwOut', fastener: f, piece: `${f}#1` });
const quiet = (b: ReturnType<typeof bench>) =>
  vi.waitFor(
    async () => {
      expect(await keptFor(b.sender.owner)).toEqual([]);
      expect(b.replica.view.kept).toBe(0);
      expect(b.replica.view.state.seq).toBe(server.state.seq);
    },
    { timeout: 15_000, interval: 20 },
  );

test('what another bench does while news are on their way is fetched right after, without waiting for the next word', async () => {
  const b = bench();
  await quiet(b);
  // an answer that was made before the other bench's press, and comes after the word of it
  const slow = deferred();
  const fetchNow = server.fetch;
  let asked = 0;
  vi.stubGlobal('fetch', async (url: string, init?: RequestInit) => {
    const answer = await fetchNow(url, init);
    if (++asked === 1) await slow.promise;
    return answer;
  });
  const first = b.replica.sync();
  await vi.waitFor(() => expect(asked).toBe(1));
  server.take({ id: 'other-bench-1', job, person: 'p2', body: out('A1'), at: Date.now(), clockKnown: true });
  const told = b.replica.sync();
  slow.resolve();
  await Promise.all([first, told]);
  expect(b.replica.view.state.seq).toBe(server.state.seq);
  expect(b.replica.view.lastForeign?.body).toEqual(out('A1'));
  b.stop();
});

test('news of which the word came and the answer did not are asked for again, without another word', async () => {
  const b = bench();
  await quiet(b);
  server.take({ id: 'other-bench-2', job, person: 'p2', body: out('A1'), at: Date.now(), clockKnown: true });
  server.weather = ['there', 'part', 'back'];
  await b.replica.sync();
  expect(b.replica.view.state.seq).toBeLessThan(server.state.seq);
  await quiet(b);
  expect(b.replica.view.lastForeign?.body).toEqual(out('A1'));
  b.stop();
});

/** A bench that has read its outbox and fetched what there was. */
async function begun() {
  const b = bench();
  await vi.waitFor(() => expect(server.asked).toBe(1));
  await quiet(b);
  await new Promise((r) => setTimeout(r, 20));
  return b;
}

describe('the word', () => {
  test('that this job has gone on has its news fetched; that it has not, or another one has, nothing', async () => {
    const b = await begun();
    const asked: string[] = [];
    const fetchNow = server.fetch;
    vi.stubGlobal('fetch', (url: string, init?: RequestInit) => {
      asked.push(url);
      return fetchNow(url, init);
    });
    const { seq } = b.replica.view.state;
    tell({ type: 'changed', job, seq });
    tell({ type: 'changed', job: 'another', seq: seq + 1 });
    expect(asked).toEqual([]);
    tell({ type: 'changed', job, seq: seq + 1 });
    expect(asked).toEqual([`/jobs/${job}/events?after=${seq}`]);
    b.stop();
  });
  test('of a press in another tab, or that entries of this job are settled, has the outbox read; of another job not', async () => {
    const b = await begun();
    server.weather = Array.from({ length: 200 }, () => 'there' as const);
    const press = (id: string) =>
      keep('s/p1', { id, job, person: 'p1', body: out(id), at: Date.now(), clockKnown: true });
    await press('A1');
    tell({ type: 'settled', job: 'another' });
    await new Promise((r) => setTimeout(r, 50));
    expect(b.replica.view.kept).toBe(0);
    tell({ type: 'settled', job });
    await vi.waitFor(() => expect(b.replica.view.kept).toBe(1));
    await press('A2');
    tell({ type: 'kept' });
    await vi.waitFor(() => expect(b.replica.view.kept).toBe(2));
    expect(b.replica.view.state.place).toMatchObject({ 'A1#1': 'mat/A1', 'A2#1': 'mat/A2' });
    b.stop();
  });
  test('is kept in this browser when it has come: another tab, or the next day, begins there', async () => {
    const b = await begun();
    server.take({
      id: 'other-bench-3',
      job,
      person: 'p2',
      body: out('A1'),
      at: Date.now(),
      clockKnown: true,
    });
    await b.replica.sync();
    await vi.waitFor(async () => expect((await rememberedState(job))?.state.seq).toBe(server.state.seq));
    b.stop();
  });
});

describe('a press', () => {
  test('brings its own entry with its answer: nothing is asked for besides', async () => {
    const b = await begun();
    await b.replica.report(out('A1'));
    await quiet(b);
    expect(server.asked).toBe(1);
    expect(b.replica.view.state.seq).toBe(server.state.seq);
    b.stop();
  });
  test('at a gate says what the copy knew when it was passed; a fact, and what is taken back, do not', async () => {
    const b = await begun();
    const said: Record<string, unknown>[] = [];
    const fetchNow = server.fetch;
    vi.stubGlobal('fetch', (url: string, init?: RequestInit) => {
      if (url === '/commands') said.push(...JSON.parse(String(init!.body)).commands);
      return fetchNow(url, init);
    });
    await b.replica.report(out('A1'));
    await quiet(b);
    await b.replica.report({ type: 'retracted', event: server.log.at(-1)!.id });
    const course = new Bench(index, plan).open();
    const from = course.commands.length;
    while (course.commands.at(-1)!.body.type !== 'heatStarted') course.next();
    for (const { body } of course.commands.slice(from)) await b.replica.report(body);
    await quiet(b);
    expect(said.map((c) => [(c.body as Body).type, c.passedAt !== undefined])).toEqual([
      ['screwOut', false],
      ['retracted', false],
      ['acted', false],
      ['screwOut', false],
      ['screwOut', false],
      ['heatStarted', true],
    ]);
    b.stop();
  });
  test('is answered from this tab’s copy at once, kept, and then confirmed', async () => {
    const b = bench();
    const pressed = b.replica.report(out('A1'));
    expect(b.replica.view.state.place['A1#1']).toBe('mat/A1');
    expect(b.replica.view.kept).toBe(1);
    await pressed;
    await quiet(b);
    expect(server.state.place['A1#1']).toBe('mat/A1');
    b.stop();
  });
  test('that the copy refuses is neither kept nor sent', async () => {
    const b = bench();
    const d = await b.replica.report({ type: 'sealApplied', bond: 'seal' });
    expect(d.refused).toMatchObject({ code: 'interlock' });
    expect(await waiting()).toEqual([]);
    b.stop();
  });
  test('that was taken back is not there again while its command still lies in the outbox', async () => {
    const b = bench();
    await b.replica.report(out('A1'));
    await quiet(b);
    const { id } = server.log.at(-1)!;
    await b.replica.report({ type: 'retracted', event: id });
    await quiet(b);
    await keep('s/p1', { id, job, person: 'p1', body: out('A1'), at: Date.now(), clockKnown: true });
    tell({ type: 'kept' });
    await new Promise((r) => setTimeout(r, 30));
    expect(b.replica.view.state.place['A1#1']).toBeUndefined();
    expect(b.replica.view.kept).toBe(0);
    b.stop();
  });
  test('that was recorded behind another bench’s is on the screen throughout, also while that is fetched', async () => {
    const b = bench();
    await quiet(b);
    // one that is there already, and one that makes an entry of its own
    for (const [others, own] of [
      [out('A1'), 'A1'],
      [{ type: 'noted', text: 'dust in the port' }, 'A2'],
    ] as [Body, string][]) {
      server.take({ id: `other-${own}`, job, person: 'p2', body: others, at: Date.now(), clockKnown: true });
      const seen: (string | undefined)[] = [];
      const end = b.replica.watch(() => seen.push(b.replica.view.state.place[`${own}#1`]));
      await b.replica.report(out(own));
      await quiet(b);
      end();
      expect(seen.length).toBeGreaterThan(1);
      expect([...new Set(seen)]).toEqual([`mat/${own}`]);
    }
    b.stop();
  });
  test('that another bench was quicker with makes no second event', async () => {
    const b = bench();
    server.take({ id: 'other-1', job, person: 'p2', body: out('A1'), at: Date.now(), clockKnown: true });
    await b.replica.report(out('A1'));
    await quiet(b);
    expect(server.log.filter((e) => e.body.type === 'screwOut')).toHaveLength(1);
    expect(b.replica.view.lastForeign?.by).toBe('p2');
    b.stop();
  });
});

describe('without a server', () => {
  test('presses are kept in order, told as such, and confirmed exactly once when it is back', async () => {
    const b = bench();
    server.weather = Array<'there'>(8).fill('there');
    for (const f of ['A1', 'A2', 'B1']) await b.replica.report(out(f));
    await vi.waitFor(() => expect(b.sender.state).toMatchObject({ kept: 3, link: 'no server' }));
    expect(b.replica.view.state.place).toMatchObject({
      'A1#1': 'mat/A1',
      'A2#1': 'mat/A2',
      'B1#1': 'mat/B1',
    });
    server.weather = [];
    await quiet(b);
    expect(server.log.slice(-3).map((e) => (e.body as { fastener: string }).fastener)).toEqual([
      'A1',
      'A2',
      'B1',
    ]);
    b.stop();
  });
  test('what needs the server says so and leaves nothing behind', async () => {
    const b = bench();
    await new Promise((r) => setTimeout(r, 30));
    server.weather = Array<'there'>(6).fill('there');
    expect((await b.replica.report({ type: 'jobClosed', ending: 'declined', note: '' })).refused).toEqual({
      code: 'needs the server',
    });
    expect(await waiting()).toEqual([]);
    b.stop();
  });
  test('a session that has ended keeps everything until somebody signs in', async () => {
    const b = bench();
    await new Promise((r) => setTimeout(r, 30));
    server.weather = ['signed out'];
    await b.replica.report(out('A1'));
    await vi.waitFor(() => expect(b.sender.state).toMatchObject({ kept: 1, link: 'signed out' }));
    b.sender.flush();
    await quiet(b);
    b.stop();
  });
  test('a gate passed on the copy is recorded with its breach when somebody has set a condition meanwhile', async () => {
    const b = bench();
    for (const f of ['A1', 'A2']) await b.replica.report(out(f));
    await quiet(b);
    server.weather = ['there', 'there', 'there'];
    await b.replica.report({ type: 'heatStarted', station: 'hot-plate', forS: 300 });
    server.take({
      id: 'other-2',
      job,
      person: 'p2',
      body: { type: 'conditionSet', condition: 'swollen', because: 'seen' },
      at: Date.now(),
      clockKnown: true,
    });
    await quiet(b);
    expect(server.log.at(-1)).toMatchObject({
      body: { type: 'heatStarted' },
      breach: [{ rule: 'no heat on this cell' }],
    });
    expect(Object.values(b.replica.view.state.question)).toHaveLength(1);
    b.stop();
  });
});

const screws = ['A1', 'A2', 'B1', 'B2', 'B3', 'B4', 'B5', 'B6'];
const reportedBy = (person: string) =>
  server.log
    .filter((e) => e.by === person && e.body.type === 'screwOut')
    .map((e) => (e.body as { fastener: string }).fastener);

test('whatever is cut, repeated or late, the log ends as if nothing had been', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.constantFrom(...weathers), { maxLength: 6 }),
      fc.shuffledSubarray(screws, { minLength: 1 }),
      async (weather, order) => {
        await emptyStore();
        server = new FakeServer();
        vi.stubGlobal('fetch', server.fetch);
        const b = bench();
        server.weather = [...weather];
        await Promise.all(order.map((f) => b.replica.report(out(f))));
        await quiet(b);
        expect(reportedBy('p1')).toEqual(order);
        expect(b.replica.view.state).toEqual(JSON.parse(JSON.stringify(server.state)));
        b.stop();
      },
    ),
    { numRuns: 20 },
  );
}, 90_000);
test('two benches in bad weather: each one’s presses come in its order, once, and both end at the same', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.constantFrom(...weathers), { maxLength: 8 }),
      fc.shuffledSubarray(screws, { minLength: 2 }),
      fc.nat({ max: 8 }),
      async (weather, order, cut) => {
        await emptyStore();
        server = new FakeServer();
        vi.stubGlobal('fetch', server.fetch);
        const benches = [bench('p1'), bench('p2')];
        const own = [order.slice(0, cut), order.slice(cut)];
        server.weather = [...weather];
        await Promise.all(own.flatMap((list, i) => list.map((f) => benches[i]!.replica.report(out(f)))));
        for (const b of benches) b.sender.flush();
        await vi.waitFor(async () => expect(await waiting()).toEqual([]), { timeout: 15_000 });
        // the stream asks again when the network is there
        server.weather = [];
        for (const b of benches) await b.replica.sync();
        expect([reportedBy('p1'), reportedBy('p2')]).toEqual(own);
        for (const b of benches) {
          expect(b.replica.view.state).toEqual(JSON.parse(JSON.stringify(server.state)));
          b.stop();
        }
      },
    ),
    { numRuns: 15 },
  );
}, 90_000);
test('a tab that is closed before it was answered: the next one finds what was kept, and sends it once', async () => {
  server.weather = Array<'there'>(20).fill('there');
  const first = bench();
  for (const f of ['A1', 'A2']) await first.replica.report(out(f));
  first.stop();
  expect(reportedBy('p1')).toEqual([]);
  // of the two the server has taken one, and its answer went down with the tab
  const [kept] = await keptFor('s/p1');
  server.take(kept!.command);
  server.weather = [];
  const next = bench();
  await quiet(next);
  expect(reportedBy('p1')).toEqual(['A1', 'A2']);
  expect(next.replica.view.state.place).toMatchObject({ 'A1#1': 'mat/A1', 'A2#1': 'mat/A2' });
  next.stop();
});
test('another version of the app clears its copies of jobs, and nothing that waits to be sent', async () => {
  const { IDBFactory } = await import('fake-indexeddb');
  vi.stubGlobal('indexedDB', new IDBFactory());
  const before = await openDB('snavek', 3, {
    upgrade(stores) {
      stores.createObjectStore('outbox', { keyPath: 'n', autoIncrement: true }).createIndex('owner', 'owner');
      for (const [name, keyPath] of [
        ['replica', 'job'],
        ['photos', 'id'],
        ['rung', 'id'],
        ['receipts', 'id'],
      ] as const)
        stores.createObjectStore(name, { keyPath });
    },
  });
  const command = { id: 'kept-0002', job, person: 'p1', body: out('A1'), at: Date.now(), clockKnown: true };
  await before.add('outbox', { owner: 's/p1', command, schema: 1 });
  await before.put('replica', { job, owner: 's/p1', page: { state: { fate: {} } } });
  before.close();
  vi.resetModules();
  const after = await import('./outbox');
  expect((await after.keptFor('s/p1')).map((k) => k.command)).toEqual([command]);
  expect(await after.rememberedPage(job)).toBeUndefined();
  vi.unstubAllGlobals();
});
test('what was kept under a name of before the upgrade is sent under its name of today', async () => {
  const old = { type: 'eased', kind: 'bad thread', thing: 'B1', how: 'holds now' } as unknown as Body;
  await keep('s/p1', { id: 'kept-0001', job, person: 'p1', body: old, at: Date.now(), clockKnown: true });
  const [kept] = await keptFor('s/p1');
  expect(kept!.command.body).toEqual({ ...old, type: 'troubleEnded' });
  await confirmed(kept!.n);
  expect(await waiting()).toEqual([]);
});

test('an entry that the server cannot read stays in this browser; those before and after it are confirmed', async () => {
  const b = bench();
  const take = server.take.bind(server);
  server.take = (c) =>
    c.body.type === 'noted'
      ? {
          id: c.id,
          outcome: {
            status: 'refused',
            seq: server.state.seq,
            refused: { code: 'not understood', problems: [] },
            findings: [],
          },
        }
      : take(c);
  await b.replica.report(out('A1'));
  await b.replica.report({ type: 'noted', text: 'of another version' });
  await b.replica.report(out('A2'));
  await vi.waitFor(() =>
    expect(server.log.slice(-2).map((e) => e.body.type)).toEqual(['screwOut', 'screwOut']),
  );
  await vi.waitFor(() =>
    expect(b.sender.state.refused).toMatchObject([{ outcome: { refused: { code: 'not understood' } } }]),
  );
  expect(await outboxIs(true)).toMatchObject([{ command: { body: { text: 'of another version' } } }]);
  b.stop();
});
