import { type ChildProcess, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { request as plainRequest } from 'node:http';
import { fold } from '../core/log/evolve';
import type { Body, JobEvent } from '../core/log/events';
import { empty } from '../core/log/state';
import { Chance, mutate, nastyNumbers, nastyTexts } from './generators';

/**
 * Thousands of broken, extreme and forged inputs against a throw-away server, from a seed: nothing but answers of class
 * 2xx, 3xx and 4xx, every page alive afterwards, every log whole and foldable.
 *   npm run attack [-- --n=4000 --seed=1]
 */
const option = (name: string, usual: number) =>
  Number(process.argv.find((a) => a.startsWith(`--${name}=`))?.split('=')[1] ?? usual);
const rounds = option('n', 4000);
const seed = option('seed', 20_261_128);
const port = Number(process.env.SNAVEK_ATTACK_PORT ?? 4391);
const origin = `http://127.0.0.1:${port}`;
const chance = new Chance(seed);

async function startServer(): Promise<ChildProcess> {
  const child = spawn(process.execPath, ['server.mjs'], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      PORT: String(port),
      HOST: '127.0.0.1',
      SNAVEK_DEMO: '1',
      LOG_LEVEL: 'silent',
    },
    stdio: ['ignore', 'ignore', process.argv.includes('--loud') ? 'inherit' : 'ignore'],
  });
  for (let k = 0; k < 400; k++) {
    const ok = await fetch(`${origin}/healthz`).then(
      (r) => r.ok,
      () => false,
    );
    if (ok) return child;
    await new Promise((r) => setTimeout(r, 250));
  }
  throw new Error('the server did not start');
}
async function signIn(login: string): Promise<string> {
  const res = await fetch(`${origin}/sign-in`, {
    method: 'POST',
    body: new URLSearchParams({ demo: login, to: '/' }),
    redirect: 'manual',
    headers: { origin },
  });
  return res.headers.get('set-cookie')!.split(';')[0]!;
}

interface Fault {
  what: string;
  status: number;
  sent: string;
}
const faults: Fault[] = [];
const seen = new Map<number, number>();
async function hit(
  what: string,
  path: string,
  init: RequestInit = {},
  sent = '',
): Promise<Response | undefined> {
  try {
    const res = await fetch(origin + path, {
      redirect: 'manual',
      signal: AbortSignal.timeout(20_000),
      ...init,
    });
    seen.set(res.status, (seen.get(res.status) ?? 0) + 1);
    if (res.status >= 500) faults.push({ what, status: res.status, sent: sent.slice(0, 400) });
    return res;
  } catch (e) {
    faults.push({ what, status: 0, sent: `${(e as Error).message} ${sent.slice(0, 400)}` });
    return undefined;
  }
}

/** A raw request, for what fetch would not send: a host that is none, a chunked body, an origin that is no address. */
function raw(path: string, headers: Record<string, string>, body?: Buffer, method = 'POST'): Promise<number> {
  return new Promise((resolve) => {
    const req = plainRequest({ host: '127.0.0.1', port, path, method, headers, setHost: false }, (res) => {
      res.resume();
      res.on('end', () => resolve(res.statusCode ?? 0));
    });
    req.on('error', () => resolve(400));
    if (body) for (let at = 0; at < body.length; at += 65_536) req.write(body.subarray(at, at + 65_536));
    req.end();
  });
}

const bodies: Body[] = [
  { type: 'screwOut', fastener: 'A1', piece: 'A1#1' },
  { type: 'screwIn', fastener: 'A1', piece: 'A1#1' },
  { type: 'screwMeasured', piece: 'A1#1', lengthMm: 2.1 },
  { type: 'spilled', pieces: ['A1#1'] },
  { type: 'sorted', screws: [{ piece: 'A1#1', lengthMm: 2 }] },
  { type: 'connectorOff', connector: 'K-cell' },
  { type: 'connectorOn', connector: 'K-panel', trial: 'display' },
  { type: 'pieceMoved', slot: 'display', pose: 'folded' },
  { type: 'pieceFitted', slot: 'cell', piece: 'cell#2', pose: 'in', with: [] },
  { type: 'pieceSetAside', piece: 'cell#1', to: 'recycling' },
  { type: 'heatStarted', station: 'hot-plate', forS: 300 },
  { type: 'heatEnded' },
  { type: 'promised', at: Date.now() + 3_600_000, as: 'sailing' },
  { type: 'enrolled', what: 'face' },
  { type: 'noted', text: 'seen', thing: 'cell' },
  { type: 'checked', round: 'mid', function: 'touch', result: 'works' },
  { type: 'consentGiven', effect: 'water', by: 'owner', signature: randomUUID() },
  { type: 'overridden', rule: 'cell first off', reason: 'forged', confirmedBy: randomUUID() },
  { type: 'truthNamed', question: 'x', about: 'connector K-cell', value: 'off' },
  { type: 'leakTested', holds: false, lost: { value: 2, unit: 'kPa' } },
  { type: 'dataWritten', slot: 'display', verified: true },
  { type: 'deviceClosed' },
  { type: 'jobClosed', ending: 'handed over', note: '' },
  { type: 'conditionCleared', condition: 'swollen', reason: 'because' },
  { type: 'routeAdopted', routeHash: 'none', modelHash: 'none', variant: 'standard' },
];

interface Target {
  cookie: string;
  person: string;
  jobs: string[];
}
async function attackCommands(t: Target): Promise<void> {
  const job = chance.one(t.jobs);
  const commands = Array.from({ length: 1 + chance.upTo(4) }, () => {
    const command: Record<string, unknown> = {
      id: randomUUID(),
      job,
      person: t.person,
      body: chance.upTo(4) ? mutate(chance, chance.one(bodies)) : chance.one(bodies),
      at: chance.upTo(5) ? Date.now() : chance.one(nastyNumbers),
      clockKnown: chance.upTo(6) > 0,
      ...(chance.upTo(5) ? {} : { passedAt: chance.upTo(200) }),
      ...(chance.upTo(5)
        ? {}
        : {
            override: {
              rules: [chance.one(nastyTexts)],
              reason: chance.one(nastyTexts),
              confirmedBy: randomUUID(),
            },
          }),
    };
    return chance.upTo(7) ? command : mutate(chance, command);
  });
  const text = JSON.stringify({ commands });
  await hit(
    'commands',
    '/commands',
    {
      method: 'POST',
      headers: { cookie: t.cookie, 'content-type': 'application/json', origin },
      body: text,
    },
    text,
  );
}
async function attackForms(t: Target): Promise<void> {
  const job = chance.one(t.jobs);
  const [path, like] = chance.one<[string, unknown]>([
    [
      `/receive/${randomUUID()}`,
      { modelHash: 'x', variant: 'standard', tag: 'T', complaint: 'c', tasks: [], before: {}, promisedAt: 1 },
    ],
    [`/drafts/${randomUUID()}`, { tag: 'T', complaint: 'c' }],
    ['/stock', { do: 'add', part: { model: 'mica-9', slot: 'cell', price: '1', serial: 's' } }],
    ['/stock/spares', { do: 'add', spare: {} }],
    ['/workshop', { do: 'rate', hourlyRateMinor: 6000 }],
    [`/jobs/${job}/route`, { command: randomUUID(), tasks: [{ slot: 'cell', action: 'reach' }] }],
    [`/jobs/${job}/signatures/${randomUUID()}`, { name: 'x', strokes: [[[0, 0]]] }],
    [
      `/jobs/${job}/identity`,
      { do: 'read', command: randomUUID(), slot: 'display', at: 1, clockKnown: true },
    ],
  ]);
  const text = JSON.stringify(mutate(chance, like));
  await hit(
    `form ${path.split('/')[1]}`,
    path,
    {
      method: 'POST',
      headers: { cookie: t.cookie, 'content-type': 'application/json', origin },
      body: text,
    },
    text,
  );
}
async function attackAddresses(t: Target): Promise<void> {
  const nasty = encodeURIComponent(chance.one(nastyTexts).replaceAll(/[\ud800-\udfff]/g, '') || 'x');
  const path = chance.one([
    `/jobs?q=${nasty}`,
    `/jobs?page=${nasty}`,
    `/jobs/${nasty}/work`,
    `/stock?q=${nasty}&page=-1`,
    `/jobs/${chance.one(t.jobs)}/events?after=${nasty}`,
    `/jobs/${chance.one(t.jobs)}/photos/${nasty}`,
    `/sign-in?to=${nasty}`,
    '/jobs?q=%00',
    '/jobs?q=%ed%a0%80',
    '/%',
    `/sign-in?to=${encodeURIComponent(chance.one(['/\t/evil.example', '//evil.example', '/\\evil.example', 'https://evil.example', '/%09/evil.example']))}`,
  ]);
  const res = await hit(`address ${path}`, path, { headers: { cookie: t.cookie } });
  const to = res?.headers.get('location');
  if (to && new URL(to, origin).origin !== origin)
    faults.push({ what: 'leaves the site', status: 302, sent: path });
}
async function attackDoors(t: Target): Promise<void> {
  const cookie = t.cookie;
  const host = `127.0.0.1:${port}`;
  const big = Buffer.alloc(3_000_000, 'x');
  const json = 'application/json';
  const cases: [string, Promise<number>, (status: number) => boolean][] = [
    ['host', raw('/jobs', { host: 'a b', cookie }, undefined, 'GET'), (s) => s === 400],
    [
      'origin',
      raw('/commands', { host, cookie, origin: '%%', 'content-type': json }, Buffer.from('{}')),
      (s) => s === 400 || s === 403,
    ],
    [
      'null origin',
      raw(
        '/sign-in',
        { host, origin: 'null', 'content-type': 'application/x-www-form-urlencoded' },
        Buffer.from('login=a'),
      ),
      (s) => s === 400 || s === 403,
    ],
    [
      'no origin',
      raw(
        '/sign-out',
        { host, cookie, 'content-type': 'application/x-www-form-urlencoded' },
        Buffer.from(''),
      ),
      (s) => s === 403,
    ],
    [
      'chunked',
      raw('/commands', { host, cookie, origin, 'content-type': json, 'transfer-encoding': 'chunked' }, big),
      (s) => s === 413 || s === 400,
    ],
    [
      'sign-in body',
      raw(
        '/sign-in',
        { host, origin, 'content-type': 'multipart/form-data; boundary=x' },
        Buffer.from('--x--'),
      ),
      (s) => s === 400,
    ],
    [
      'svg',
      raw(
        `/jobs/${chance.one(t.jobs)}/photos/${randomUUID()}`,
        { host, cookie, origin, 'content-type': 'image/svg+xml' },
        Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'),
        'PUT',
      ),
      (s) => s === 400,
    ],
  ];
  for (const [what, status, good] of cases) {
    const s = await status;
    seen.set(s, (seen.get(s) ?? 0) + 1);
    if (!good(s)) faults.push({ what: `door: ${what}`, status: s, sent: '' });
  }
}

async function aliveAfterwards(t: Target): Promise<void> {
  const pages = ['/', '/jobs', '/stock', '/stock/spares', '/workshop', '/receive'];
  const views = ['work', 'route', 'checks', 'log', 'report', 'offer', 'fault', 'hand-over'];
  for (const path of [...pages, ...t.jobs.flatMap((job) => views.map((v) => `/jobs/${job}/${v}`))]) {
    const res = await hit(`afterwards ${path.split('/').at(-1)}`, path, { headers: { cookie: t.cookie } });
    if (res && res.status >= 400) faults.push({ what: `afterwards ${path}`, status: res.status, sent: '' });
  }
  for (const job of t.jobs) {
    const log = (await (
      await fetch(`${origin}/jobs/${job}/log.json`, { headers: { cookie: t.cookie } })
    ).json()) as { events: JobEvent[] };
    const { events } = log;
    if (events.some((e, i) => e.seq !== i + 1))
      faults.push({ what: 'a log with a gap', status: 0, sent: job });
    fold(empty(), events);
    if (
      events.some((e) => e.body.type === 'overridden' && (e.body as { reason: string }).reason === 'forged')
    )
      faults.push({ what: 'a forged override', status: 0, sent: job });
  }
}

const server = await startServer();
try {
  const cookie = await signIn('tova');
  const bench = await (await fetch(`${origin}/open-jobs`, { headers: { cookie } })).json();
  const jobs = (bench as { id: string }[]).map((j) => j.id);
  const first = (await (
    await fetch(`${origin}/jobs/${jobs[0]}/log.json`, { headers: { cookie } })
  ).json()) as { events: JobEvent[] };
  const t: Target = { cookie, jobs, person: first.events[0]!.by };
  const kinds = [attackCommands, attackCommands, attackForms, attackAddresses];
  const began = Date.now();
  for (let k = 0; k < rounds; k += 4) {
    await Promise.all([0, 1, 2, 3].map((i) => kinds[i]!(t)));
    if (k % 200 === 0) await attackDoors(t);
  }
  await aliveAfterwards(t);
  const counts = [...seen].sort(([a], [b]) => a - b).map(([s, n]) => `${s}: ${n}`);
  console.log(`attack, seed ${seed}: ${counts.join(', ')} in ${Math.round((Date.now() - began) / 1000)} s`);
  for (const f of faults.slice(0, 20)) console.error(`  ${f.status} ${f.what}: ${f.sent}`);
  console.log(
    `${faults.length ? rounds - Math.min(rounds, faults.length) : rounds} passed, ${faults.length} failed`,
  );
  if (faults.length) process.exitCode = 1;
} finally {
  server.kill('SIGTERM');
}
