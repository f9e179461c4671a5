import { type IDBPDatabase, openDB } from 'idb';
import type { SentCommand } from '../../server/use-cases/send-commands';

/**
 * What this browser has *kept*: commands durable in IndexedDB until the server has *confirmed* them. It belongs to one
 * workshop and one person, survives reload and sign-out, and is never thrown away. It holds no names and no passcodes.
 */
export interface Kept { n: number; owner: string; command: SentCommand; schema: 1 }
export const ownerKey = (shopId: string, personId: string) => `${shopId}/${personId}`;

let opened: Promise<IDBPDatabase> | undefined;
const db = () =>
  (opened ??= openDB('snavek', 1, {
    upgrade(d) {
      d.createObjectStore('outbox', { keyPath: 'n', autoIncrement: true }).createIndex('owner', 'owner');
      d.createObjectStore('replica', { keyPath: 'job' });
    },
    // another tab with a newer app wants the database: let it, and open again when needed
    blocking(_o, _b, event) { (event.target as IDBDatabase).close(); opened = undefined; },
    terminated() { opened = undefined; },
  }));

/** Keeps a command; resolves when it is durable. */
export async function keep(owner: string, command: SentCommand): Promise<void> {
  await (await db()).add('outbox', { owner, command, schema: 1 });
}
/** Everything kept for an owner, in the order it was kept. */
export async function keptFor(owner: string): Promise<Kept[]> {
  const all = (await (await db()).getAllFromIndex('outbox', 'owner', owner)) as Kept[];
  return all.sort((a, b) => a.n - b.n);
}
export async function confirmed(n: number): Promise<void> { await (await db()).delete('outbox', n); }
/** How much other people have kept in this browser: it waits until they sign in. */
export async function keptByOthers(owner: string): Promise<number> {
  return ((await (await db()).getAll('outbox')) as Kept[]).filter((k) => k.owner !== owner).length;
}

/** The last known page of a job, so that switching to it works without the server. Wiped at sign-out. */
export async function rememberPage(job: string, owner: string, page: unknown): Promise<void> { await (await db()).put('replica', { job, owner, page }); }
export async function rememberedPage<T>(job: string): Promise<{ owner: string; page: T } | undefined> { return (await db()).get('replica', job); }
export async function wipeReplica(): Promise<void> { await (await db()).clear('replica'); }
