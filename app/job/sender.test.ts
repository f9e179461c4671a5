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
  sent = [];
  outbox = await import('./outbox');
  sender = new (await import('./sender')).Sender(owner, 'p1');
});
afterEach(() => vi.unstubAllGlobals());
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
  test('nothing but a device that was received without the server: that it is away is said as well', async () => {
    answering(recorded);
    await outbox.keepReceipt({ id: 'r1', owner, tag: 'T1', body: {} });
    sender.flush();
    await until(() => expect(sender.state).toMatchObject({ link: 'no server', kept: 1 }));
    expect(sent).toEqual([]);
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
