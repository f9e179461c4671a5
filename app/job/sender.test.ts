import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { openDB } from 'idb';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import type { SentCommand } from '../../core/wire/commands';

const owner = 's/p1';
const command = (id: string): SentCommand =>
  ({ id, job: 'j', person: 'p1', body: { type: 'noted', text: id }, at: 0, clockKnown: true }) as SentCommand;
/** As in a browser that has never been here, with its modules loaded anew. */
let outbox: typeof import('./outbox');
let sender: InstanceType<typeof import('./sender')['Sender']>;
/** What was sent, batch by batch. */
let sent: string[][];
beforeEach(async () => {
  vi.resetModules();
  vi.stubGlobal('indexedDB', new IDBFactory());
  vi.stubGlobal('navigator', {});
  const real = setTimeout;
  vi.stubGlobal('setTimeout', (...given: Parameters<typeof setTimeout>) => {
    const timer = real(...given);
    waiting.add(timer);
    return timer;
  });
  sent = [];
  outbox = await import('./outbox');
  sender = new (await import('./sender')).Sender(owner, 'p1');
});
/** Later tries that still wait when a test is over would run without what it stood in for. */
const waiting = new Set<ReturnType<typeof setTimeout>>();
afterEach(() => {
  for (const timer of waiting) clearTimeout(timer);
  waiting.clear();
  vi.unstubAllGlobals();
});
const idsOf = (init: RequestInit): string[] =>
  (JSON.parse(String(init.body)) as { commands: { id: string }[] }).commands.map((c) => c.id);
const recorded = (ids: string[]) =>
  Response.json({
    answers: ids.map((id) => ({ id, outcome: { status: 'recorded', seq: 1, events: [], findings: [] } })),
  });
/** A server of which each batch is answered so. */
const answering = (answer: (ids: string[]) => Response | Promise<Response>) =>
  vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
    if (url !== '/commands') return new Response('', { status: 503 });
    sent.push(idsOf(init));
    return answer(idsOf(init));
  });
const until = (check: () => void) => vi.waitFor(check, { timeout: 8000, interval: 10 });

describe('what is kept', () => {
  test('goes out in its order, fifty at a time, and says how much is behind it', async () => {
    const behind: string[] = [];
    vi.stubGlobal('fetch', async (_url: string, init: RequestInit) => {
      behind.push(new Headers(init.headers).get('x-snavek-kept')!);
      sent.push(idsOf(init));
      return recorded(idsOf(init));
    });
    const ids = Array.from({ length: 120 }, (_, k) => `c${k}`);
    for (const id of ids) await outbox.keep(owner, command(id));
    sender.flush();
    await until(() => expect(sender.state).toMatchObject({ kept: 0, counted: true, link: 'ok' }));
    expect(sent.flat()).toEqual(ids);
    expect(sent.map((batch) => batch.length)).toEqual([50, 50, 20]);
    expect(behind).toEqual(['70', '20', '0']);
  });
  test('waits while the server is ill or has too much to do, and goes by itself when it is well', async () => {
    const ill = [503, 429];
    answering((ids) => {
      const status = ill.shift();
      return status ? new Response('', { status }) : recorded(ids);
    });
    await outbox.keep(owner, command('c1'));
    sender.flush();
    await until(() => expect(sender.state.link).toBe('no server'));
    await until(() => expect(sender.state).toMatchObject({ kept: 0, link: 'ok' }));
    expect(sent).toEqual([['c1'], ['c1'], ['c1']]);
  });
  test('stays while nobody is signed in, and is not asked about again until somebody is', async () => {
    answering(() => new Response('{}', { status: 401 }));
    await outbox.keep(owner, command('c1'));
    sender.flush();
    await until(() => expect(sender.state).toMatchObject({ kept: 1, link: 'signed out' }));
    await new Promise((r) => setTimeout(r, 900));
    expect(sent).toHaveLength(1);
  });
  test('and cannot be taken by the server is found one by one and put aside; the others go on', async () => {
    answering((ids) => (ids.includes('bad') ? new Response('', { status: 400 }) : recorded(ids)));
    for (const id of ['c1', 'bad', 'c2']) await outbox.keep(owner, command(id));
    sender.flush();
    await until(() =>
      expect(sender.state).toMatchObject({ kept: 0, counted: true, refused: [{ id: 'bad' }] }),
    );
    await until(() => expect(sent).toHaveLength(5));
    expect(sent).toEqual([['c1', 'bad', 'c2'], ['c1'], ['bad', 'c2'], ['bad'], ['c2']]);
    expect(sender.state.refused.map((r) => r.id)).toEqual(['bad']);
    sender.dismiss('bad');
    expect(sender.state.refused).toEqual([]);
  });
  test('a picture alone: while it does not go, the server is said to be away', async () => {
    answering(recorded);
    await outbox.keepPhoto({ id: 'p1', owner, job: 'j', picture: new Blob(['x']) });
    sender.flush();
    await until(() => expect(sender.state).toMatchObject({ link: 'no server', kept: 1 }));
    expect(sent).toEqual([]);
  });
  test('nothing but a device that was received without the server: that it is away is said as well', async () => {
    answering(recorded);
    await outbox.keepReceipt({ id: 'r1', owner, tag: 'T1', body: {} });
    sender.flush();
    await until(() => expect(sender.state).toMatchObject({ link: 'no server', kept: 1 }));
    expect(sent).toEqual([]);
  });
});

describe('how it is sent', () => {
  /** Runs what waits until nothing is left to do at this moment. */
  const pass = (ms: number) => vi.advanceTimersByTimeAsync(ms);
  test('is tried again later each time, up to four seconds, and soon again after it has once gone through', async () => {
    let away = true;
    const tries: number[] = [];
    vi.stubGlobal('fetch', async (_url: string, init: RequestInit) => {
      tries.push(performance.now());
      if (away) throw new TypeError('fetch failed');
      return recorded(idsOf(init));
    });
    await outbox.keep(owner, command('c1'));
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'performance'] });
    try {
      sender.flush();
      const waits = async (n: number) => {
        const from = tries.length;
        for (let k = 0; tries.length < from + n && k < 4000; k++) {
          await new Promise((r) => setImmediate(r));
          await pass(10);
        }
        return tries.slice(1).map((t, k) => t - tries[k]!);
      };
      const gaps = await waits(8);
      // 400 ms, each 1.7 times the one before it; some of it is the time of the store itself
      for (const [k, want] of [400, 680, 1156, 1965, 3341, 4000, 4000].entries()) {
        expect(gaps[k]!, `try ${k + 2}`).toBeGreaterThanOrEqual(want - 11);
        expect(gaps[k]!, `try ${k + 2}`).toBeLessThan(want + 300);
      }
      away = false;
      await waits(1);
      for (let k = 0; sender.state.kept > 0 && k < 500; k++) await new Promise((r) => setImmediate(r));
      expect(sender.state).toMatchObject({ kept: 0, link: 'ok' });
      away = true;
      await outbox.keep(owner, command('c2'));
      sender.flush();
      tries.length = 0;
      expect((await waits(2))[0]).toBeLessThan(700);
    } finally {
      vi.useRealTimers();
    }
  });
  test('what is pressed while it is being sent goes right behind it', async () => {
    let release = () => {};
    const held = new Promise<void>((r) => {
      release = r;
    });
    let first = true;
    answering(async (ids) => {
      if (first) {
        first = false;
        await held;
      }
      return recorded(ids);
    });
    await outbox.keep(owner, command('c1'));
    sender.flush();
    await until(() => expect(sent).toHaveLength(1));
    await outbox.keep(owner, command('c2'));
    sender.flush();
    sender.flush();
    release();
    await until(() => expect(sender.state).toMatchObject({ kept: 0, link: 'ok' }));
    expect(sent).toEqual([['c1'], ['c2']]);
  });
  test('one tab at a time where the browser has locks', async () => {
    const asked: string[] = [];
    vi.stubGlobal('navigator', {
      locks: {
        request: (name: string, work: () => Promise<void>) => {
          asked.push(name);
          return work();
        },
      },
    });
    answering(recorded);
    await outbox.keep(owner, command('c1'));
    sender.flush();
    await until(() => expect(sender.state).toMatchObject({ kept: 0, counted: true, link: 'ok' }));
    expect(asked).toEqual(['snavek-send']);
  });
  test('each answer is handed on while its entry is still kept, and the tabs are told which jobs are settled', async () => {
    const { listen } = await import('./channel');
    const settled: string[] = [];
    listen((m) => m.type === 'settled' && settled.push(m.job));
    const keptThen: string[][] = [];
    sender.onAnswer = (kept) =>
      void outbox.keptFor(owner).then((all) => {
        keptThen.push([kept.command.id, ...all.map((k) => k.command.id)]);
      });
    answering(recorded);
    for (const id of ['c1', 'c2']) await outbox.keep(owner, command(id));
    sender.flush();
    await until(() => expect(settled).toEqual(['j']));
    await until(() => expect(keptThen).toHaveLength(2));
    expect(keptThen[0]).toEqual(['c1', 'c1', 'c2']);
    expect(keptThen[1]).toEqual(['c2', 'c2']);
  });
  test('what was pressed by another person stays until they sign in; the others behind it wait, too', async () => {
    const refusedAs = (code: string) => (ids: string[]) =>
      Response.json({
        answers: ids.map((id) => ({
          id,
          outcome: { status: 'refused', seq: 1, refused: { code }, findings: [] },
        })),
      });
    answering(refusedAs('another person'));
    for (const id of ['c1', 'c2']) await outbox.keep(owner, command(id));
    sender.flush();
    await until(() => expect(sender.state.link).toBe('signed out'));
    expect((await outbox.keptFor(owner)).map((k) => k.command.id)).toEqual(['c1', 'c2']);
    expect(sender.state.refused).toEqual([]);
  });
  test('what a rule refuses is shown and leaves the queue; what cannot be read stays in this browser, aside', async () => {
    const code: Record<string, string> = { rule: 'rule', odd: 'not understood' };
    answering((ids) =>
      Response.json({
        answers: ids.map((id) => ({
          id,
          outcome: { status: 'refused', seq: 1, refused: { code: code[id] }, findings: [] },
        })),
      }),
    );
    for (const id of ['rule', 'odd']) await outbox.keep(owner, command(id));
    sender.flush();
    await until(() => expect(sender.state.refused.map((r) => r.id).sort()).toEqual(['odd', 'rule']));
    await until(() => expect(sender.state).toMatchObject({ kept: 0, link: 'ok' }));
    const db = await openDB('snavek');
    expect(
      ((await db.getAll('outbox')) as { command: { id: string }; aside?: true }[]).map((k) => [
        k.command.id,
        k.aside,
      ]),
    ).toEqual([['odd', true]]);
    db.close();
    sender.dismiss('rule');
    expect(sender.state.refused.map((r) => r.id)).toEqual(['odd']);
  });
  test('sent on the word that the server is back, and counted on the word of another tab', async () => {
    const { tell } = await import('./channel');
    answering(recorded);
    await outbox.keep(owner, command('c1'));
    tell({ type: 'kept' });
    await until(() => expect(sender.state).toMatchObject({ kept: 1, counted: true }));
    tell({ type: 'online', online: false });
    await new Promise((r) => setTimeout(r, 50));
    expect(sent).toEqual([]);
    tell({ type: 'online', online: true });
    await until(() => expect(sent).toEqual([['c1']]));
  });
  test('pictures that wait are counted, one that the server will not have is shown and can be let go of', async () => {
    const picture = new Blob(['x']);
    await outbox.keepPhoto({ id: 'p1', owner, job: 'j', picture });
    await outbox.keepPhoto({ id: 'p2', owner, job: 'j', picture, error: 'no' });
    await outbox.keepPhoto({ id: 'p3', owner, job: 'j', picture, draft: true });
    await outbox.keepReceipt({ id: 'r1', owner, tag: 'T', body: {} });
    await outbox.keepReceipt({ id: 'r2', owner, tag: 'U', body: {}, error: 'taken' });
    await sender.count();
    expect(sender.state).toMatchObject({
      kept: 2,
      counted: true,
      photos: [{ id: 'p2', job: 'j', error: 'no' }],
    });
    expect(sender.state.receipts.map((r) => r.id)).toEqual(['r1', 'r2']);
    await sender.forgetPhoto('p2');
    expect(sender.state.photos).toEqual([]);
    await outbox.dropReceipt('r2');
    await sender.count();
    expect(sender.state.receipts.map((r) => r.id)).toEqual(['r1']);
  });
  test('who watches is told of each change and of no count that says the same; one sender for each owner', async () => {
    const { senderFor } = await import('./sender');
    expect(senderFor('a', 'p')).toBe(senderFor('a', 'p'));
    expect(senderFor('a', 'p')).not.toBe(senderFor('b', 'p'));
    const seen: number[] = [];
    const stop = sender.watch(() => seen.push(sender.state.kept));
    await sender.count();
    await sender.count();
    expect(seen).toEqual([0]);
    await outbox.keep(owner, command('c1'));
    await sender.count();
    expect(seen).toEqual([0, 1]);
    stop();
    await outbox.keep(owner, command('c2'));
    await sender.count();
    expect(seen).toEqual([0, 1]);
    expect(sender.snapshot().kept).toBe(2);
  });
});

describe('a browser that was here with an earlier version', () => {
  test.each([1, 2, 3])('%i keeps what it had, and has a place for all that is newer', async (version) => {
    const old = await openDB('snavek', version, {
      upgrade(db) {
        db.createObjectStore('outbox', { keyPath: 'n', autoIncrement: true }).createIndex('owner', 'owner');
        db.createObjectStore('replica', { keyPath: 'job' });
        if (version >= 2) {
          db.createObjectStore('photos', { keyPath: 'id' }).createIndex('owner', 'owner');
          db.createObjectStore('rung', { keyPath: 'id' });
        }
        if (version >= 3) db.createObjectStore('receipts', { keyPath: 'id' }).createIndex('owner', 'owner');
      },
    });
    await old.add('outbox', { owner, command: command('c1'), schema: 1 });
    await old.put('replica', { job: 'j', owner, page: { state: { seq: 1 } } });
    old.close();
    expect((await outbox.keptFor(owner)).map((kept) => kept.command.id)).toEqual(['c1']);
    // as an earlier core folded it: the server has it
    expect(await outbox.rememberedPage('j')).toBeUndefined();
    expect(await outbox.keptPhotos(owner)).toEqual([]);
    expect(await outbox.keptReceipts(owner)).toEqual([]);
  });
});
