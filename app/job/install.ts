import type { Who } from '../../core/wire/who';
import { aloneOfJob } from '../screens';
import { ownerKey } from './outbox';

/** The cache of pages that the service worker keeps; see app/sw. */
const pages = 'snavek-pages';
const ownerOfPages = 'snavek-pages-of';

/** Forgets the kept pages: whoever comes next must not see them. */
export async function forgetPages(): Promise<void> {
  try {
    localStorage.removeItem(ownerOfPages);
  } catch {
    /* private window */
  }
  if (typeof caches !== 'undefined') await caches.delete(pages).catch(() => false);
}

/** Starts the service worker where the browser has one, and keeps pages for one person only. */
export async function install(who: Who): Promise<void> {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
  const owner = ownerKey(who.shopId, who.personId);
  const before = localStorage.getItem(ownerOfPages);
  if (before !== owner) {
    if (before) await forgetPages();
    localStorage.setItem(ownerOfPages, owner);
  }
  await navigator.serviceWorker.register('/sw.js').catch(() => undefined);
}

/** Whether this browser has kept a page, and would show it without a network. */
export async function isKept(path: string): Promise<boolean> {
  if (typeof caches === 'undefined' || !navigator.serviceWorker?.controller) return false;
  return (await (await caches.open(pages)).match(path)) !== undefined;
}

/** Has the screens of a job kept on which one works without the server. */
export async function keepPages(job: string): Promise<void> {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
  const ready = await navigator.serviceWorker.ready.catch(() => undefined);
  ready?.active?.postMessage({
    keep: ['/', ...aloneOfJob.map((s) => `/jobs/${job}/${s}`)],
  });
}
