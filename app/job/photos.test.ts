import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';

const owner = 's/p1';
let outbox: typeof import('./outbox');
let photos: typeof import('./photos');
/** What was put, where, and as what. */
let put: { url: string; type: string | null }[];
const answering = (answer: (url: string) => Response | Promise<Response>) =>
  vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
    put.push({ url, type: new Headers(init.headers).get('content-type') });
    return answer(url);
  });
beforeEach(async () => {
  vi.resetModules();
  vi.stubGlobal('indexedDB', new IDBFactory());
  put = [];
  outbox = await import('./outbox');
  photos = await import('./photos');
});
afterEach(() => vi.unstubAllGlobals());
const picture = new Blob(['x'], { type: 'image/jpeg' });

test('the picture goes first, then the word of it and of what it shows; then it is let go of here', async () => {
  answering(async () => {
    // nothing of it is in the log before the server has it
    expect(await outbox.keptFor(owner)).toEqual([]);
    return new Response('', { status: 201 });
  });
  await photos.takePhoto(owner, 'j', picture, 'screw-3');
  const [kept] = await outbox.keptPhotos(owner);
  expect(await photos.sendPhotos(owner, 'p1')).toBe(true);
  expect(put).toEqual([{ url: `/jobs/j/photos/${kept!.id}`, type: 'image/jpeg' }]);
  expect((await outbox.keptFor(owner)).map((k) => k.command)).toMatchObject([
    {
      id: `photo-${kept!.id}`,
      job: 'j',
      person: 'p1',
      body: { type: 'photographed', photo: kept!.id, thing: 'screw-3' },
    },
  ]);
  expect(await outbox.keptPhotos(owner)).toEqual([]);
});
test('a picture of nothing in particular says so, and one of an unknown kind is sent as bytes', async () => {
  answering(() => new Response('', { status: 201 }));
  await photos.takePhoto(owner, 'j', new Blob(['x']));
  await photos.sendPhotos(owner, 'p1');
  expect(put[0]!.type).toBe('application/octet-stream');
  expect((await outbox.keptFor(owner))[0]!.command.body).not.toHaveProperty('thing');
});
test.each([
  ['away', () => Promise.reject(new TypeError('fetch failed'))],
  ['ill', () => new Response('', { status: 500 })],
  ['asked by nobody who is signed in', () => new Response('', { status: 401 })],
] as const)('while the server is %s, it stays as it is', async (_when, answer) => {
  answering(answer as () => Response);
  await photos.takePhoto(owner, 'j', picture);
  expect(await photos.sendPhotos(owner, 'p1')).toBe(false);
  expect(await outbox.keptPhotos(owner)).toMatchObject([{ job: 'j' }]);
  expect((await outbox.keptPhotos(owner))[0]!.error).toBeUndefined();
  expect(await outbox.keptFor(owner)).toEqual([]);
});
test('what the server will not have stays with what it said, holds nothing up, and is not sent again by itself', async () => {
  const bad = await Promise.all(['b1', 'b2'].map(async (id) => ({ id, owner, job: 'j', picture })));
  for (const b of bad) await outbox.keepPhoto(b);
  await outbox.keepPhoto({ id: 'good', owner, job: 'j', picture });
  answering((url) =>
    url.endsWith('b1')
      ? Response.json({ error: 'No picture.' }, { status: 415 })
      : new Response('', { status: url.endsWith('b2') ? 413 : 201 }),
  );
  expect(await photos.sendPhotos(owner, 'p1')).toBe(true);
  const kept = await outbox.keptPhotos(owner);
  expect(kept.map((p) => p.id).sort()).toEqual(['b1', 'b2']);
  expect(kept.find((p) => p.id === 'b1')!.error).toBe('No picture.');
  expect(kept.find((p) => p.id === 'b2')!.error).toContain('413');
  put.length = 0;
  await photos.sendPhotos(owner, 'p1');
  expect(put).toEqual([]);
});
test('one of a form at the counter is sent by the form, and somebody else’s by them', async () => {
  await outbox.keepPhoto({ id: 'd', owner, job: 'j', picture, draft: true });
  await outbox.keepPhoto({ id: 'o', owner: 's/p2', job: 'j', picture });
  answering(() => new Response('', { status: 201 }));
  expect(await photos.sendPhotos(owner, 'p1')).toBe(true);
  expect(put).toEqual([]);
});
