import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { openDB } from 'idb';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import type { JobState } from '../../core/log/state';
import type { SentCommand } from '../../core/wire/commands';

let outbox: typeof import('./outbox');
beforeEach(async () => {
  vi.resetModules();
  vi.stubGlobal('indexedDB', new IDBFactory());
  outbox = await import('./outbox');
});
afterEach(() => vi.unstubAllGlobals());
const day = 86_400_000;

describe('what only one tab may have', () => {
  test('is had by the first that asks, also after a reload', async () => {
    expect(await outbox.takeOnce('a', 1000)).toBe(true);
    expect(await outbox.takeOnce('a', 1001)).toBe(false);
    vi.resetModules();
    expect(await (await import('./outbox')).takeOnce('a', 1002)).toBe(false);
    expect(await outbox.takeOnce('b', 1002)).toBe(true);
  });
  test('is remembered for a day, and no longer', async () => {
    await outbox.takeOnce('a', 0);
    await outbox.takeOnce('b', day);
    expect(await outbox.takeOnce('a', day)).toBe(false);
    await outbox.takeOnce('c', day + 1);
    expect(await outbox.takeOnce('a', day + 1)).toBe(true);
    expect(await outbox.takeOnce('b', day + 1)).toBe(false);
  });
  test('in a browser without a store everybody is the first', async () => {
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new Error('not here');
      },
    });
    vi.resetModules();
    const without = await import('./outbox');
    expect(await without.takeOnce('a', 1)).toBe(true);
    expect(await without.takeOnce('a', 1)).toBe(true);
  });
});

describe('what is remembered for when there is no server', () => {
  test('is shown to the person it belongs to, and to nobody after sign-out', async () => {
    await outbox.rememberData('bench', 's/p1', { jobs: 3 });
    expect(await outbox.rememberedData('bench', 's/p1')).toEqual({ jobs: 3 });
    expect(await outbox.rememberedData('bench', 's/p2')).toBeUndefined();
    expect(await outbox.rememberedData('other', 's/p1')).toBeUndefined();
    await outbox.wipeReplica();
    expect(await outbox.rememberedData('bench', 's/p1')).toBeUndefined();
  });
  const page = (seq: number) => ({ model: 'm', state: { seq } as JobState });
  test('a job is its page with the newer of the two states, unless they are of two people', async () => {
    await outbox.rememberPage('j', 's/p1', page(4));
    expect(await outbox.rememberedPage('j')).toMatchObject({ owner: 's/p1', page: page(4) });
    await outbox.rememberState('j', 's/p1', { seq: 6 } as JobState);
    expect((await outbox.rememberedPage('j'))?.page).toEqual(page(6));
    await outbox.rememberState('j', 's/p1', { seq: 3 } as JobState);
    expect((await outbox.rememberedPage('j'))?.page).toEqual(page(4));
    await outbox.rememberState('j', 's/p2', { seq: 9 } as JobState);
    expect(await outbox.rememberedPage('j')).toMatchObject({ owner: 's/p1', page: page(4) });
  });
});

describe('what is kept', () => {
  const command = (id: string) => ({ id, job: 'j', person: 'p1', body: { type: 'noted', text: id } });
  test('is each person’s own, in order, and what was put aside is in no queue', async () => {
    for (const id of ['a', 'b', 'c']) await outbox.keep('s/p1', command(id) as SentCommand);
    await outbox.keep('s/p2', command('other') as SentCommand);
    const [first] = await outbox.keptFor('s/p1');
    await outbox.setAside(first!);
    expect((await outbox.keptFor('s/p1')).map((k) => k.command.id)).toEqual(['b', 'c']);
    await outbox.confirmed((await outbox.keptFor('s/p1'))[0]!.n);
    expect((await outbox.keptFor('s/p1')).map((k) => k.command.id)).toEqual(['c']);
    expect((await outbox.keptFor('s/p2')).map((k) => k.command.id)).toEqual(['other']);
  });
  test('outlives another version of the app, which clears its copies of jobs', async () => {
    const before = await openDB('snavek', 3, {
      upgrade(stores) {
        stores
          .createObjectStore('outbox', { keyPath: 'n', autoIncrement: true })
          .createIndex('owner', 'owner');
        for (const [name, keyPath] of [
          ['replica', 'job'],
          ['photos', 'id'],
          ['rung', 'id'],
          ['receipts', 'id'],
        ] as const)
          stores.createObjectStore(name, { keyPath });
      },
    });
    await before.add('outbox', { owner: 's/p1', command: command('kept-0002'), schema: 1 });
    await before.put('replica', { job: 'j', owner: 's/p1', page: { state: { fate: {} } } });
    before.close();
    expect((await outbox.keptFor('s/p1')).map((k) => k.command)).toEqual([command('kept-0002')]);
    expect(await outbox.rememberedPage('j')).toBeUndefined();
  });
  test('under a name of before the upgrade is sent under its name of today', async () => {
    const old = { type: 'eased', kind: 'bad thread', thing: 'B1', how: 'holds now' };
    await outbox.keep('s/p1', { ...command('kept-0001'), body: old } as unknown as SentCommand);
    const [kept] = await outbox.keptFor('s/p1');
    expect(kept!.command.body).toEqual({ ...old, type: 'troubleEnded' });
    await outbox.confirmed(kept!.n);
    expect(await outbox.keptFor('s/p1')).toEqual([]);
  });
});
