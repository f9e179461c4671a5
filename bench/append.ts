import { type ChildProcess, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { Agent, request } from 'node:http';
import pg from 'pg';
import { figure, median } from './figures';

/** So many clients, each one thing after another; how long each took, ms. */
async function timed(
  clients: number,
  each: number,
  work: (client: number, k: number) => Promise<unknown>,
): Promise<number[]> {
  const times: number[] = [];
  await Promise.all(
    Array.from({ length: clients }, async (_, c) => {
      for (let k = 0; k < each; k++) {
        const t = performance.now();
        await work(c, k);
        times.push(performance.now() - t);
      }
    }),
  );
  return times;
}
/** A request over a connection that is kept; Node's own fetch alone takes longer than what is measured here. */
const agent = new Agent({ keepAlive: true });
function post(url: string, cookie: string, body: string): Promise<string> {
  return new Promise((done, failed) => {
    const r = request(
      url,
      {
        method: 'POST',
        agent,
        headers: { cookie, 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) },
      },
      (res) => {
        let text = '';
        res.setEncoding('utf8');
        res.on('data', (d: string) => {
          text += d;
        });
        res.on('end', () => done(text));
      },
    );
    r.on('error', failed);
    r.end(body);
  });
}

/** Bare fsynced commits of one row, by so many clients at once: the reference. */
async function bareCommits(url: string, clients: number, each: number): Promise<number[]> {
  const open = await Promise.all(
    Array.from({ length: clients }, async () => {
      const c = new pg.Client(url);
      await c.connect();
      return c;
    }),
  );
  await open[0]!.query('create table if not exists bare (n bigserial primary key, t text)');
  const times = await timed(clients, each, (c) =>
    open[c]!.query(`insert into bare (t) values ($1)`, ['x'.repeat(200)]),
  );
  await open[0]!.query('drop table bare');
  await Promise.all(open.map((c) => c.end()));
  return times;
}

/** A program that sends back what it gets: what HTTP alone takes on this machine. */
async function echo(): Promise<{ url: string; program: ChildProcess }> {
  const program = spawn(
    process.execPath,
    [
      '-e',
      `require('node:http').createServer((q, r) => { const parts = []; q.on('data', (d) => parts.push(d)); q.on('end', () => r.end(Buffer.concat(parts))); }).listen(0, '127.0.0.1', function () { console.log(this.address().port); })`,
    ],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  );
  const [port] = (await once(program.stdout!, 'data')) as [Buffer];
  return { url: `http://127.0.0.1:${port.toString().trim()}/`, program };
}

/**
 * One event appended through the endpoint, to any of all jobs and to the few that are worked at, beside a bare commit; and
 * beside them an echo over HTTP: with the commit, the least that such a request can take.
 */
export async function benchAppend(
  origin: string,
  superUrl: string,
  cookie: string,
  person: string,
  ids: readonly string[],
): Promise<void> {
  const note = (job: string) =>
    JSON.stringify({
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
    });
  const append = (few: number) => async (c: number, k: number) => {
    const answer = await post(`${origin}/commands`, cookie, note(ids[(c * 7919 + k * 104_729) % few]!));
    if (
      (JSON.parse(answer) as { answers: { outcome: { status: string } }[] }).answers[0]?.outcome.status !==
      'recorded'
    )
      throw new Error(answer);
  };
  const bareEcho = await echo();
  try {
    for (const clients of [1, 8]) {
      const name = `${clients} client${clients > 1 ? 's' : ''}`;
      await timed(clients, 30, append(ids.length));
      const bare = median(await bareCommits(superUrl, clients, 300));
      const reference = { what: 'a bare fsynced commit', value: bare };
      const any = median(await timed(clients, 300, append(ids.length)));
      figure({
        what: `append of one event through the endpoint, ${name}, p50`,
        value: any,
        unit: 'ms',
        aim: '< 3 bare commits',
        ok: any < 3 * bare,
        reference,
      });
      figure({
        what: 'the same to twenty jobs that are worked at',
        value: median(await timed(clients, 300, append(20))),
        unit: 'ms',
        reference,
      });
      const http = median(
        await timed(clients, 300, (c, k) => post(bareEcho.url, cookie, note(ids[(c + k) % ids.length]!))),
      );
      figure({
        what: 'an echo of the same request and a bare commit: the least',
        value: http + bare,
        unit: 'ms',
        reference,
      });
    }
  } finally {
    bareEcho.program.kill();
  }
}
