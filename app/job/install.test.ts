import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Who } from '../../core/wire/who';
import { forgetPages, install, isKept, keepPages } from './install';

const who = (personId: string) => ({ shopId: 's', personId }) as Who;
const kept = new Map<string, string>();
const deleted: string[] = [];
const posted: unknown[] = [];
let registered = 0;
beforeEach(() => {
  kept.clear();
  deleted.length = 0;
  posted.length = 0;
  registered = 0;
  vi.stubEnv('PROD', true);
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
    removeItem: (key: string) => kept.delete(key),
  });
  vi.stubGlobal('caches', {
    delete: async (name: string) => deleted.push(name) > 0,
    open: async () => ({ match: async (path: string) => (path === '/kept' ? new Response('') : undefined) }),
  });
  vi.stubGlobal('navigator', {
    serviceWorker: {
      register: async () => void registered++,
      controller: {},
      ready: Promise.resolve({ active: { postMessage: (message: unknown) => posted.push(message) } }),
    },
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.unstubAllEnvs();
});

test('pages are kept for one person: another one who signs in does not find them', async () => {
  await install(who('p1'));
  expect([deleted, registered]).toEqual([[], 1]);
  await install(who('p1'));
  expect(deleted).toEqual([]);
  await install(who('p2'));
  expect(deleted).toEqual(['snavek-pages']);
  await install(who('p2'));
  expect(deleted).toHaveLength(1);
});
test('signed out, they are forgotten, and it is nobody’s browser', async () => {
  await install(who('p1'));
  await forgetPages();
  expect(deleted).toEqual(['snavek-pages']);
  await install(who('p2'));
  expect(deleted).toHaveLength(1);
});
test('in development, and where there is no service worker, nothing is installed', async () => {
  vi.stubEnv('PROD', false);
  await install(who('p1'));
  vi.stubEnv('PROD', true);
  vi.stubGlobal('navigator', {});
  await install(who('p1'));
  await keepPages('j');
  expect([registered, kept.size, posted.length]).toEqual([0, 0, 0]);
});
test('a page is kept where it lies in the cache and a service worker would show it', async () => {
  expect([await isKept('/kept'), await isKept('/other')]).toEqual([true, false]);
  vi.stubGlobal('navigator', { serviceWorker: {} });
  expect(await isKept('/kept')).toBe(false);
});
test('the screens that one works on without the server are kept when a job is opened', async () => {
  await keepPages('j');
  expect(posted).toEqual([{ keep: expect.arrayContaining(['/', '/jobs/j/work', '/jobs/j/checks']) }]);
});
