import pg from 'pg';

export interface Change {
  shop: string;
  job: string;
  seq: number;
}
type Handler = (change: Change | 'resync') => void;

/** One LISTEN connection for each process, shared by all event streams; it comes back after a lost connection. */
class Bus {
  #handlers = new Set<Handler>();
  #client: pg.Client | undefined;
  #closed = false;
  constructor(private readonly url: string) {
    void this.#connect();
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
      void client.end().catch(() => {});
      if (!this.#closed) setTimeout(() => void this.#connect(Math.min(delay * 2, 5000)), delay).unref();
    };
    client.on('error', again);
    client.on('end', again);
    client.on('notification', (n) => {
      const change = JSON.parse(n.payload ?? 'null') as Change;
      for (const h of this.#handlers) h(change);
    });
    try {
      await client.connect();
      await client.query('listen snavek_job');
      this.#client = client;
      // what was sent meanwhile is lost: clients ask for what they miss
      for (const h of this.#handlers) h('resync');
    } catch {
      again();
    }
  }
  subscribe(h: Handler): () => void {
    this.#handlers.add(h);
    return () => void this.#handlers.delete(h);
  }
  async close(): Promise<void> {
    this.#closed = true;
    this.#handlers.clear();
    await this.#client?.end().catch(() => {});
  }
}
const g = globalThis as { __bus?: Bus };
export const getBus = (url: string) => (g.__bus ??= new Bus(url));
export async function closeBus(): Promise<void> {
  const b = g.__bus;
  delete g.__bus;
  await b?.close();
}
