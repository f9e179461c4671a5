import { randomUUID } from 'node:crypto';
import { createServer, type ServerResponse } from 'node:http';
import { figure, median, percentile } from './figures';

/** One bench's event stream: tells each change as it comes in. */
async function stream(
  origin: string,
  path: string,
  cookie: string,
  heard: (data: string, at: number) => void,
): Promise<() => void> {
  const stop = new AbortController();
  const res = await fetch(origin + path, {
    headers: { cookie, accept: 'text/event-stream' },
    signal: stop.signal,
  });
  const reader = res.body!.pipeThrough(new TextDecoderStream()).getReader();
  let open = () => {};
  const ready = new Promise<void>((r) => {
    open = r;
  });
  void (async () => {
    let text = '';
    try {
      for (;;) {
        const { value, done } = await reader.read();
        if (done) return;
        const at = performance.now();
        text += value;
        for (let i = text.indexOf('\n\n'); i >= 0; i = text.indexOf('\n\n')) {
          const block = text.slice(0, i);
          text = text.slice(i + 2);
          if (block.includes('event: hello')) open();
          const data = /^data: (.*)$/m.exec(block)?.[1];
          if (data && block.includes('event: change')) heard(data, at);
        }
      }
    } catch {
      /* ended */
    }
  })();
  await ready;
  return () => stop.abort();
}

/**
 * Twenty benches, each with one event a second on a job of its own, and every one listening: the delay from an entry's
 * being sent to its word at another bench.
 */
async function delays(
  origins: readonly string[],
  path: string,
  cookies: readonly string[],
  post: (origin: string, key: string, n: number, bench: number) => Promise<unknown>,
  keys: readonly string[],
  seconds: number,
): Promise<number[]> {
  const sent = new Map<string, number>();
  const out: number[] = [];
  const stops = await Promise.all(
    keys.map((own, b) =>
      stream(origins[b % origins.length]!, path, cookies[b % cookies.length]!, (data, at) => {
        const { job, seq } = JSON.parse(data) as { job: string; seq: number };
        const when = sent.get(`${job} ${seq}`) ?? sent.get(job);
        if (job !== own && when !== undefined) out.push(at - when);
      }),
    ),
  );
  await Promise.all(
    keys.map(async (key, b) => {
      await new Promise((r) => setTimeout(r, (b * 1000) / keys.length));
      for (let n = 0; n < seconds; n++) {
        const began = performance.now();
        sent.set(key, began);
        await post(origins[b % origins.length]!, key, n, b);
        await new Promise((r) => setTimeout(r, Math.max(0, 1000 - (performance.now() - began))));
      }
    }),
  );
  await new Promise((r) => setTimeout(r, 300));
  for (const s of stops) s();
  return out;
}

/** The same payload through a program that does nothing else. */
async function bareEcho(seconds: number): Promise<number> {
  const streams = new Set<ServerResponse>();
  const server = createServer((req, res) => {
    if (req.method === 'GET') {
      res.writeHead(200, { 'content-type': 'text/event-stream' });
      res.write('event: hello\ndata: {}\n\n');
      streams.add(res);
      return;
    }
    let body = '';
    req.on('data', (d: Buffer) => {
      body += d.toString();
    });
    req.on('end', () => {
      const { job, seq } = JSON.parse(body) as { job: string; seq: number };
      for (const s of streams) s.write(`event: change\ndata: ${JSON.stringify({ job, seq })}\n\n`);
      res.end('{}');
    });
  });
  await new Promise<void>((r) => server.listen(0, '127.0.0.1', r));
  const origin = `http://127.0.0.1:${(server.address() as { port: number }).port}`;
  const keys = Array.from({ length: 20 }, () => randomUUID());
  const all = await delays(
    [origin],
    '/live',
    [''],
    (o, job, seq) => fetch(o, { method: 'POST', body: JSON.stringify({ job, seq }) }).then((r) => r.text()),
    keys,
    seconds,
  );
  for (const s of streams) s.end();
  server.close();
  return median(all);
}

/** @param origins one server process, or several on the same database */
export async function benchLive(
  origins: readonly string[],
  /** One session for each bench, as each browser has its own. */
  cookies: readonly string[],
  person: string,
  jobs: readonly string[],
  echo?: number,
): Promise<number> {
  const seconds = 8;
  const bare = echo ?? (await bareEcho(seconds));
  const all = await delays(
    origins,
    '/live',
    cookies,
    async (origin, job, _n, bench) => {
      const res = await fetch(`${origin}/commands`, {
        method: 'POST',
        headers: { cookie: cookies[bench % cookies.length]!, 'content-type': 'application/json' },
        body: JSON.stringify({
          commands: [
            {
              id: randomUUID(),
              job,
              person,
              body: { type: 'noted', text: 'bench' },
              at: Date.now(),
              clockKnown: true,
            },
          ],
        }),
      });
      if (!res.ok) throw new Error(`status ${res.status}`);
    },
    jobs.slice(0, 20),
    seconds,
  );
  const ms = median(all);
  const where = origins.length > 1 ? `${origins.length} server processes` : 'one server process';
  figure({
    what: `20 benches, ${where}: entry to another bench, median`,
    value: ms,
    unit: 'ms',
    aim: '< 100',
    ok: ms < 100,
    reference: { what: 'a bare echo', value: bare },
  });
  figure({ what: `20 benches, ${where}: the same, 95 %`, value: percentile(all, 0.95), unit: 'ms' });
  return bare;
}
