import { reportedBefore } from '../../core/log/upcast';
import { type IDBPDatabase, openDB } from 'idb';
import type { JobState } from '../../core/log/state';
import type { SentCommand } from '../../core/wire/commands';

/**
 * What this browser has *kept*: commands durable in IndexedDB until the server has *confirmed* them. It belongs to one
 * workshop and one person, survives reload and sign-out, and is never thrown away. Commands hold no names; nothing holds a passcode.
 */
export interface Kept {
  n: number;
  owner: string;
  command: SentCommand;
  schema: 1;
  aside?: true;
}
export const ownerKey = (shopId: string, personId: string) => `${shopId}/${personId}`;

let opened: Promise<IDBPDatabase> | undefined;
const db = () =>
  (opened ??= openDB('snavek', 9, {
    upgrade(stores, from, _to, tx) {
      if (from < 1) {
        stores
          .createObjectStore('outbox', { keyPath: 'n', autoIncrement: true })
          .createIndex('owner', 'owner');
        stores.createObjectStore('replica', { keyPath: 'job' });
      }
      if (from < 2) {
        stores.createObjectStore('photos', { keyPath: 'id' }).createIndex('owner', 'owner');
        stores.createObjectStore('rung', { keyPath: 'id' });
      }
      if (from < 3) stores.createObjectStore('receipts', { keyPath: 'id' }).createIndex('owner', 'owner');
      // copies of jobs as an earlier core folded them: the server has them all; what waits to be sent stays
      if (from > 0 && from < 9) void tx.objectStore('replica').clear();
    },
    // another tab with a newer app wants the database: let it, and open again when needed
    blocking(_o, _b, event) {
      (event.target as IDBDatabase).close();
      opened = undefined;
    },
    terminated() {
      opened = undefined;
    },
  }));

/** Keeps a command; resolves when it is durable. */
export async function keep(owner: string, command: SentCommand): Promise<void> {
  await (await db()).add('outbox', { owner, command, schema: 1 });
}
/** Everything kept for an owner, in the order it was kept. */
export async function keptFor(owner: string): Promise<Kept[]> {
  const kept = (await (await db()).getAllFromIndex('outbox', 'owner', owner)) as Kept[];
  // what was pressed before an upgrade is the same fact under its name of today
  const all = kept.map((k) => ({
    ...k,
    command: { ...k.command, body: reportedBefore(k.command.body) as Kept['command']['body'] },
  }));
  return all.filter((k) => !k.aside).sort((a, b) => a.n - b.n);
}
/** Puts an entry aside that the server could not read: it stays in this browser and is tried again by a newer app. */
export async function setAside(kept: Kept): Promise<void> {
  await (await db()).put('outbox', { ...kept, aside: true });
}
export async function confirmed(n: number): Promise<void> {
  await (await db()).delete('outbox', n);
}
interface Remembered<T> {
  owner: string;
  page: T;
}
interface Head {
  owner: string;
  state: JobState;
}
const headKey = (job: string) => `${job} state`;
/**
 * The last known page of a job, so that switching to it works without the server, and apart from it the job's state: the
 * model and the route are large and hardly change, the state changes with every entry. Wiped at sign-out.
 */
export async function rememberPage<T extends { state: JobState }>(
  job: string,
  owner: string,
  page: T,
): Promise<void> {
  const store = (await db()).transaction('replica', 'readwrite').objectStore('replica');
  await Promise.all([
    store.put({ job, owner, page }),
    store.put({ job: headKey(job), owner, state: page.state }),
  ]);
}
export async function rememberState(job: string, owner: string, state: JobState): Promise<void> {
  await (await db()).put('replica', { job: headKey(job), owner, state });
}
export async function rememberedState(job: string): Promise<Head | undefined> {
  return (await db()).get('replica', headKey(job));
}
export async function rememberedPage<T extends { state: JobState }>(
  job: string,
): Promise<Remembered<T> | undefined> {
  const [known, head] = await Promise.all([
    (await db()).get('replica', job) as Promise<Remembered<T> | undefined>,
    rememberedState(job),
  ]);
  return known && head && head.owner === known.owner && head.state.seq > known.page.state.seq
    ? { owner: known.owner, page: { ...known.page, state: head.state } }
    : known;
}
export async function wipeReplica(): Promise<void> {
  await (await db()).clear('replica');
}

/**
 * A photograph that waits to be sent, with what it shows. `error`: the server will not have it, and says why. One of a
 * `draft` belongs to the form at the counter, which sends it itself.
 */
export interface KeptPhoto {
  id: string;
  owner: string;
  job: string;
  thing?: string;
  mark?: string;
  draft?: true;
  picture: Blob;
  error?: string;
}
export async function keepPhoto(keptPhoto: KeptPhoto): Promise<void> {
  await (await db()).put('photos', keptPhoto);
}
export async function keptPhotos(owner: string): Promise<KeptPhoto[]> {
  return (await db()).getAllFromIndex('photos', 'owner', owner) as Promise<KeptPhoto[]>;
}
export async function dropPhoto(id: string): Promise<void> {
  await (await db()).delete('photos', id);
}
/**
 * A device that was received without the server, as its form was filled in; its id becomes the job's. A passcode is never
 * kept. `error`: the server will not have it, and says why at which field.
 */
export interface KeptReceipt {
  id: string;
  owner: string;
  tag: string;
  body: object;
  error?: string;
}
export async function keepReceipt(keptReceipt: KeptReceipt): Promise<void> {
  await (await db()).put('receipts', keptReceipt);
}
export async function keptReceipts(owner: string): Promise<KeptReceipt[]> {
  return (await db()).getAllFromIndex('receipts', 'owner', owner) as Promise<KeptReceipt[]>;
}
export async function dropReceipt(id: string): Promise<void> {
  await (await db()).delete('receipts', id);
}

/** Something of a page that is kept for when there is no server, until sign-out. */
export async function rememberData(name: string, owner: string, data: unknown): Promise<void> {
  await (await db()).put('replica', { job: name, owner, data });
}
export async function rememberedData(name: string, owner: string): Promise<unknown> {
  const known = (await (await db()).get('replica', name)) as { owner: string; data: unknown } | undefined;
  return known?.owner === owner ? known.data : undefined;
}

/** Takes something that only one tab of this browser may have, once: true for the first that asks. Of a browser without a store everybody is the first. */
export async function takeOnce(id: string, at: number): Promise<boolean> {
  try {
    const store = (await db()).transaction('rung', 'readwrite').objectStore('rung');
    if (await store.get(id)) return false;
    for (const r of (await store.getAll()) as { id: string; at: number }[])
      if (r.at < at - 86_400_000) await store.delete(r.id);
    await store.add({ id, at });
    return true;
  } catch {
    return true;
  }
}
