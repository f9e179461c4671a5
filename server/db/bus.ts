import pg from 'pg';

export interface Change {
  shop: string;
  job: string;
  seq: number;
}
/** What processes hold of a session, or of a workshop and its people, has changed. */
export type WhoChange = { session: string } | { shop: string };
type Handler<T> = (change: T | 'resync') => void;

const channels = ['snavek_job', 'snavek_who'] as const;
type Channel = (typeof channels)[number];
interface Told {
  snavek_job: Change;
  snavek_who: WhoChange;
}

/** One LISTEN connection for each process, shared by all event streams; it comes back after a lost connection. */
class Bus {
  readonly #handlers: { [C in Channel]: Set<Handler<Told[C]>> } = {
    snavek_job: new Set(),
    snavek_who: new Set(),
  };
  #client: pg.Client | undefined;
  #closed = false;
  constructor(private readonly url: string) {
    void this.#connect();
  }
  /** Whether what changes is heard of now. */
  get hears(): boolean {
    return this.#client !== undefined;
  }
  #tellAll(): void {
    for (const channel of channels) for (const h of this.#handlers[channel]) h('resync');
  }
  async #connect(delay = 250): Promise<void> {
    if (this.#closed) return;
    const client = new pg.Client({
      connectionString: this.url,
      keepAlive: true,
      application_name: 'snavek-listen',
      connectionTimeoutMillis: 3000,
    });
    let over = false;
    const again = () => {
      if (over) return;
      over = true;
      this.#client = undefined;
      this.#tellAll();
      void client.end().catch(() => {});
      if (!this.#closed) setTimeout(() => void this.#connect(Math.min(delay * 2, 5000)), delay).unref();
    };
    client.on('error', again);
    client.on('end', again);
    client.on('notification', ({ channel, payload }) => {
      const handlers = this.#handlers[channel as Channel] as Set<Handler<unknown>>;
      const change: unknown = JSON.parse(payload ?? 'null');
      for (const handler of handlers) handler(change);
    });
    try {
      await client.connect();
      for (const channel of channels) await client.query(`listen ${channel}`);
      this.#client = client;
      // what was sent meanwhile is lost: clients ask for what they miss
      this.#tellAll();
    } catch {
      again();
    }
  }
  /** Hears of every entry in a log; `resync` when something may have been missed. @returns to be called to stop */
  subscribe(handler: Handler<Change>): () => void {
    this.#handlers.snavek_job.add(handler);
    return () => void this.#handlers.snavek_job.delete(handler);
  }
  /** Hears of sessions that end, and of changes in workshops and their people. */
  watchWho(handler: Handler<WhoChange>): () => void {
    this.#handlers.snavek_who.add(handler);
    return () => void this.#handlers.snavek_who.delete(handler);
  }
  async close(): Promise<void> {
    this.#closed = true;
    for (const channel of channels) this.#handlers[channel].clear();
    const client = this.#client;
    this.#client = undefined;
    await client?.end().catch(() => {});
  }
}
const g = globalThis as { __bus?: Bus };
export const getBus = (url: string) => (g.__bus ??= new Bus(url));
/** The bus of this process, if it has been started. */
export const busOf = (): Bus | undefined => g.__bus;
export async function closeBus(): Promise<void> {
  const bus = g.__bus;
  delete g.__bus;
  await bus?.close();
}
