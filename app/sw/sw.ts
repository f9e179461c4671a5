import { cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching';
import { registerRoute } from 'workbox-routing';
import { worksAlone } from '../screens';

/**
 * The app starts without a network: its own files are kept when it is installed, and the pages of the bench and of every
 * job that was opened on it as they were last answered. What has happened since is in the browser's own copy of the job;
 * the page takes that up by itself.
 */
interface Worker {
  __WB_MANIFEST: { url: string; revision: string | null }[];
  skipWaiting: () => Promise<void>;
  clients: { claim: () => Promise<void> };
  addEventListener: (
    type: string,
    listener: (e: Event & { waitUntil: (p: Promise<unknown>) => void; data?: { keep?: string[] } }) => void,
  ) => void;
}
declare const self: Worker;

const pages = 'snavek-pages';
/** A server that takes longer than this is treated as away, where a page is kept, ms. */
const patienceMs = 8000;

precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();

/** Keeps a page as the server answers it; a redirect (to sign in) and an error are not kept. */
async function keep(url: string): Promise<void> {
  const answer = await fetch(url, { credentials: 'same-origin', headers: { accept: 'text/html' } });
  if (!answer.ok || answer.redirected) return;
  const cache = await caches.open(pages);
  const html = await answer.clone().text();
  await cache.put(url, answer);
  // what the page needs beside itself
  for (const [, at] of html.matchAll(/href="(\/fixed\/[^"]+)"/g))
    if (!(await cache.match(at!))) await cache.add(at!);
}

/** What never changes under its address is asked for once. */
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/fixed/'),
  async ({ request }) => {
    const cache = await caches.open(pages);
    const known = await cache.match(request.url);
    if (known) return known;
    const answer = await fetch(request);
    if (answer.ok) await cache.put(request.url, answer.clone());
    return answer;
  },
);

registerRoute(
  ({ request, url }) => request.mode === 'navigate' && worksAlone.test(url.pathname),
  async ({ request, url }) => {
    const cache = await caches.open(pages);
    const known = await cache.match(url.pathname);
    try {
      const answer = await fetch(request, known ? { signal: AbortSignal.timeout(patienceMs) } : {});
      if (answer.ok && !answer.redirected) await cache.put(url.pathname, answer.clone());
      return known && answer.status >= 500 ? known : answer;
    } catch (e) {
      if (known) return known;
      throw e;
    }
  },
);

self.addEventListener('install', () => {
  void self.skipWaiting();
});
self.addEventListener('activate', (e) =>
  e.waitUntil(
    (async () => {
      await self.clients.claim();
      // kept pages name the files of the app that answered them: ask for them anew
      const cache = await caches.open(pages);
      for (const r of await cache.keys()) {
        const { pathname } = new URL(r.url);
        if (worksAlone.test(pathname)) await keep(pathname).catch(() => {});
      }
    })(),
  ),
);
self.addEventListener('message', (e) => {
  // one after another: whoever works on a device comes before its copies
  e.waitUntil(
    (async () => {
      for (const url of e.data?.keep ?? []) if (worksAlone.test(url)) await keep(url).catch(() => {});
    })(),
  );
});
