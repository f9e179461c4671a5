// @vitest-environment jsdom
import 'fake-indexeddb/auto';
import { act, cleanup, renderHook } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { photoLimitBytes } from '../../../core/log/photo-limit';

const [draft, owner] = ['draft-1', 's/p1'];
/** What was sent, by address, and how the server answers to each. */
let sent: string[];
let answer: (url: string) => Response | Promise<Response>;
let told: { id: string; mark?: string }[];
const onKept = (photo: { id: string; mark?: string }) => void told.push(photo);
/** As a page that has just been opened, over the store that there is. */
async function page(of = draft, by = owner) {
  vi.resetModules();
  const { usePhotoUpload } = await import('./photo-upload');
  const store = await import('../../job/outbox');
  const { tell } = await import('../../job/channel');
  const view = renderHook(() => usePhotoUpload(of, by, onKept));
  return { view, store, tell, uploads: () => view.result.current.uploads };
}
beforeEach(() => {
  vi.stubGlobal('indexedDB', new IDBFactory());
  sent = [];
  told = [];
  answer = () => new Response(null, { status: 204 });
  vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
    expect(init.method).toBe('PUT');
    sent.push(url);
    return answer(url);
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
const picture = (name = 'a.jpg', bytes = 8) =>
  new File([new Uint8Array(bytes)], name, { type: 'image/jpeg' });
const until = (check: () => void | Promise<void>) => vi.waitFor(check, { timeout: 5000, interval: 10 });
const take = (b: Awaited<ReturnType<typeof page>>, mark?: string, file = picture()) =>
  act(async () => b.view.result.current.add([file], mark));
const away = () => Promise.reject(new TypeError('fetch failed'));

test('what is taken is sent, told of with the mark that it shows, and kept here no longer', async () => {
  const b = await page();
  await take(b, 'crack 1');
  await until(() => expect(told).toEqual([{ id: expect.any(String), mark: 'crack 1' }]));
  expect(sent).toEqual([`/jobs/${draft}/photos/${told[0]!.id}`]);
  await until(async () => expect(await b.store.keptPhotos(owner)).toEqual([]));
  expect(b.uploads()).toEqual([]);
});
test('while the server is away it is kept and says so, and goes by itself when it is back', async () => {
  answer = away;
  const b = await page();
  await take(b);
  await until(() =>
    expect(b.uploads()).toMatchObject([{ state: 'failed', error: expect.stringMatching(/away/) }]),
  );
  expect(await b.store.keptPhotos(owner)).toMatchObject([{ job: draft, draft: true }]);
  answer = () => new Response(null, { status: 204 });
  act(() => b.tell({ type: 'online', online: false }));
  expect(sent).toHaveLength(1);
  act(() => b.tell({ type: 'online', online: true }));
  await until(() => expect(told).toHaveLength(1));
  expect(new Set(sent).size).toBe(1);
  expect(b.uploads()).toEqual([]);
});
test('what the server will not have says why, is not tried by itself, and can be tried again or let go of', async () => {
  answer = () => Response.json({ error: 'this is no picture' }, { status: 400 });
  const b = await page();
  await take(b);
  await until(() => expect(b.uploads()).toMatchObject([{ state: 'failed', error: 'this is no picture' }]));
  act(() => b.tell({ type: 'online', online: true }));
  expect(sent).toHaveLength(1);
  await act(async () => b.view.result.current.again(b.uploads()[0]!.id));
  await until(() => expect(sent).toHaveLength(2));
  await until(() => expect(b.uploads()[0]!.state).toBe('failed'));
  act(() => b.view.result.current.drop(b.uploads()[0]!.id));
  expect(b.uploads()).toEqual([]);
  await until(async () => expect(await b.store.keptPhotos(owner)).toEqual([]));
  expect(told).toEqual([]);
});
test('a server that answers without a word is named by what it answered', async () => {
  answer = () => new Response('', { status: 507 });
  const b = await page();
  await take(b);
  await until(() => expect(b.uploads()[0]?.error).toMatch(/507/));
});
test('too large a one is not sent at all, and says how large it may be', async () => {
  const b = await page();
  const huge = picture('huge.jpg');
  Object.defineProperty(huge, 'size', { value: photoLimitBytes + 1 });
  await take(b, undefined, huge);
  await until(() => expect(b.uploads()[0]?.error).toMatch(`huge.jpg`));
  expect(b.uploads()[0]!.error).toMatch(`${photoLimitBytes / 1e6} MB`);
  expect(sent).toEqual([]);
  // exactly so large it goes
  const limit = picture('limit.jpg');
  Object.defineProperty(limit, 'size', { value: photoLimitBytes });
  await take(b, undefined, limit);
  await until(() => expect(told).toHaveLength(1));
});
test('what a closed page had not sent is sent by the next one: this device’s alone, this person’s alone, and no work’s', async () => {
  answer = away;
  const first = await page();
  await take(first, 'crack 2');
  await until(() => expect(first.uploads()[0]?.state).toBe('failed'));
  first.view.unmount();
  const [waiting] = await first.store.keptPhotos(owner);
  await first.store.keepPhoto({ ...waiting!, id: 'of another device', job: 'draft-2' });
  await first.store.keepPhoto({ ...waiting!, id: 'of another person', owner: 's/p2' });
  await first.store.keepPhoto({ ...waiting!, id: 'of the work', draft: undefined });
  answer = () => new Response(null, { status: 204 });
  sent = [];
  await page();
  await until(() => expect(told).toEqual([{ id: waiting!.id, mark: 'crack 2' }]));
  expect(sent).toEqual([`/jobs/${draft}/photos/${waiting!.id}`]);
});
test('in a browser without a store it is sent all the same', async () => {
  vi.stubGlobal('indexedDB', {
    open: () => {
      throw new Error('not here');
    },
  });
  const b = await page();
  await take(b);
  await until(() => expect(told).toHaveLength(1));
});
