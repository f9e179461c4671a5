import { type ChildProcess, execFile, execFileSync, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { chromium } from '@playwright/test';
import pg from 'pg';
import { tools } from '../scripts/tools.mjs';
import { makeBackup } from '../server/db/backup/backup';
import { programOf } from '../server/db/backup/programs';
import { restoreBackup } from '../server/db/backup/restore';
import { figure, median, percentile } from './figures';

const run = promisify(execFile);
const port = 4396;
const origin = `http://127.0.0.1:${port}`;

interface Given {
  /** The migrating owner's address of the database, and a superuser's. */
  url: string;
  superUrl: string;
  person: string;
  jobs: readonly string[];
}
/** Starts the built app with so many processes. @returns it, and how long it took to be ready, ms */
async function started(processes: number): Promise<{ app: ChildProcess; ms: number }> {
  const began = performance.now();
  const app = spawn(process.execPath, ['server.mjs'], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      PORT: String(port),
      HOST: '127.0.0.1',
      SNAVEK_DEMO: '1',
      SNAVEK_PROCESSES: String(processes),
      LOG_LEVEL: 'error',
    },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  for (let k = 0; k < 2400; k++) {
    if (
      await fetch(`${origin}/healthz`).then(
        (r) => r.ok,
        () => false,
      )
    )
      return { app, ms: performance.now() - began };
    await new Promise((r) => setTimeout(r, 25));
  }
  throw new Error('the app did not start');
}
async function ended(app: ChildProcess): Promise<void> {
  const gone = once(app, 'exit');
  app.kill('SIGTERM');
  await gone;
}
const signIn = async (demo: string): Promise<string> => {
  const answer = await fetch(`${origin}/sign-in`, {
    method: 'POST',
    body: new URLSearchParams({ demo, to: '/' }),
    redirect: 'manual',
    headers: { origin },
  });
  return answer.headers.get('set-cookie')!.split(';')[0]!;
};
/** A note on a job. @returns how long it took, ms; not a number where it was not taken */
async function note(cookie: string, person: string, job: string): Promise<number> {
  const began = performance.now();
  const answer = await fetch(`${origin}/commands`, {
    method: 'POST',
    headers: { cookie, 'content-type': 'application/json' },
    body: JSON.stringify({
      commands: [
        {
          id: randomUUID(),
          job,
          person,
          body: { type: 'noted', text: 'load' },
          at: Date.now(),
          clockKnown: true,
        },
      ],
    }),
  }).then(
    async (r) => (r.ok ? ((await r.json()) as { answers: { outcome: { status: string } }[] }) : undefined),
    () => undefined,
  );
  return answer?.answers[0]?.outcome.status === 'recorded' ? performance.now() - began : Number.NaN;
}

/** Backup and restore of what the measurements have in their database, against PostgreSQL's own programs alone. */
async function saving({ url, superUrl }: Given): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'snavek-bench-'));
  const client = new pg.Client({ connectionString: superUrl });
  await client.connect();
  const { rows } = await client.query<{ n: string }>('select count(*) as n from job_event');
  const what = `${rows[0]!.n} events`;
  const timed = async (work: () => Promise<unknown>) => {
    const began = performance.now();
    await work();
    return (performance.now() - began) / 1000;
  };
  const databases: string[] = [];
  const empty = async (): Promise<URL> => {
    const name = `bench_${randomUUID().slice(0, 8)}`;
    execFileSync('psql', [url, '-X', '-q', '-c', `create database ${name}`]);
    databases.push(name);
    const made = new URL(url);
    made.pathname = `/${name}`;
    return made;
  };
  try {
    const dump = join(folder, 'plain.dump');
    const plainOut = await timed(async () =>
      run(await programOf(client, 'pg_dump'), [`--dbname=${superUrl}`, '--format=custom', `--file=${dump}`]),
    );
    const file = join(folder, 'backup.tar');
    const out = await timed(() => makeBackup(url, folder, file, '0.0.0'));
    figure({
      what: `backup of ${what}`,
      value: out,
      unit: 's',
      reference: { what: 'plain pg_dump', value: plainOut },
    });
    const plainTo = await empty();
    plainTo.username = 'postgres';
    const plainIn = await timed(async () =>
      run(await programOf(client, 'pg_restore'), [
        `--dbname=${plainTo.href}`,
        '--single-transaction',
        '--no-owner',
        '--schema=public',
        dump,
      ]),
    );
    const to = await empty();
    const back = await timed(() => restoreBackup(to.href, join(folder, 'keys'), file));
    figure({
      what: `restore of ${what}`,
      value: back,
      unit: 's',
      reference: { what: 'plain pg_restore', value: plainIn },
    });
  } finally {
    for (const name of databases) await client.query(`drop database ${name} with (force)`);
    await client.end();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** What a number of processes takes of sixteen clients that write as fast as they are answered. */
async function throughput(processes: number, { person, jobs }: Given): Promise<number> {
  const { app } = await started(processes);
  try {
    const cookie = await signIn('tova');
    const end = performance.now() + 8000;
    let taken = 0;
    await Promise.all(
      Array.from({ length: 16 }, async (_, k) => {
        while (performance.now() < end)
          if (!Number.isNaN(await note(cookie, person, jobs[1000 + k]!))) taken++;
      }),
    );
    return taken / 8;
  } finally {
    await ended(app);
  }
}

/** Resident memory of the processes behind one port, MB. */
const memoryMb = (app: ChildProcess): number =>
  execFileSync('pgrep', ['-P', String(app.pid)])
    .toString()
    .trim()
    .split('\n')
    .reduce(
      (sum, pid) =>
        sum + Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024,
      0,
    );
/** Two processes, fifty benches that write once a second each, two minutes. */
async function load({ person, jobs }: Given): Promise<void> {
  const [benches, seconds] = [50, 120];
  const { app } = await started(2);
  try {
    const cookies = await Promise.all(Array.from({ length: 10 }, () => signIn('tova')));
    for (let k = 0; k < 20; k++) await note(cookies[0]!, person, jobs[0]!);
    const before = memoryMb(app);
    const times: number[] = [];
    const lags: number[] = [];
    const end = performance.now() + seconds * 1000;
    const watch = async () => {
      while (performance.now() < end) {
        const began = performance.now();
        await fetch(`${origin}/icon.svg`).then((r) => r.arrayBuffer());
        lags.push(performance.now() - began);
        await new Promise((r) => setTimeout(r, 100));
      }
    };
    const bench = async (k: number) => {
      for (let at = performance.now() + k * (1000 / benches); at < end; at += 1000) {
        await new Promise((r) => setTimeout(r, Math.max(0, at - performance.now())));
        times.push(await note(cookies[k % cookies.length]!, person, jobs[2000 + k]!));
      }
    };
    await Promise.all([watch(), ...Array.from({ length: benches }, (_, k) => bench(k))]);
    const good = times.filter((t) => !Number.isNaN(t));
    const what = `2 processes, ${benches} benches once a second, ${seconds} s`;
    figure({
      what: `${what}: not taken`,
      value: times.length - good.length,
      unit: '',
      aim: '0',
      ok: good.length === times.length,
    });
    figure({ what: `${what}: half take up to`, value: median(good), unit: 'ms' });
    figure({ what: `${what}: 95 % take up to`, value: percentile(good, 0.95), unit: 'ms' });
    figure({ what: `${what}: a small file waits, 95 %`, value: percentile(lags, 0.95), unit: 'ms' });
    figure({
      what: `${what}: memory of both at the end`,
      value: memoryMb(app),
      unit: 'MB',
      reference: { what: 'at the start', value: before },
    });
  } finally {
    await ended(app);
  }
}

/** From the Enter behind a badge until the other name is painted on the same screen. */
async function hands({ jobs }: Given): Promise<void> {
  const { app } = await started(1);
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
  try {
    const context = await browser.newContext({
      serviceWorkers: 'block',
      viewport: { width: 1280, height: 800 },
    });
    const [name, value] = (await signIn('ines')).split('=') as [string, string];
    await context.addCookies([{ name, value, url: origin }]);
    const page = await context.newPage();
    await page.goto(`${origin}/workshop/people`);
    const badges: Record<string, string> = {};
    for (const person of ['Marek', 'Tova']) {
      await page.getByRole('button', { name: `More about ${person}` }).click();
      await page.getByRole('menuitem', { name: 'New badge' }).click();
      const sheet = page.getByRole('dialog', { name: `Badge of ${person}` });
      badges[person] = await sheet.getByText(/^SB[0-9A-Z]{20}$/).innerText();
      await page.keyboard.press('Escape');
      await sheet.waitFor({ state: 'hidden' });
    }
    await page.goto(`${origin}/jobs/${jobs[0]!}/work`);
    // a job's screen takes a badge once it is awake
    const awake = () => page.getByTestId('kept').getByText('all confirmed').waitFor();
    await awake();
    const times: number[] = [];
    for (let k = 0; k < 10; k++) {
      const next = k % 2 ? 'Tova' : 'Marek';
      await page.keyboard.type(badges[next]!);
      const began = performance.now();
      await page.keyboard.press('Enter');
      await page.locator('.who', { hasText: next }).waitFor();
      times.push(performance.now() - began);
      await awake();
    }
    figure({
      what: 'another person by badge, to their name on the same screen',
      value: median(times),
      unit: 'ms',
      aim: 'under 1000',
      ok: median(times) < 1000,
    });
  } finally {
    await browser.close();
    await ended(app);
  }
}

/** What running it costs: start, processes, backup, load, changing hands. */
export async function benchRunning(given: Given): Promise<void> {
  tools();
  await saving(given);
  const starts: number[] = [];
  for (let k = 0; k < 3; k++) {
    const { app, ms } = await started(1);
    starts.push(ms);
    await ended(app);
  }
  figure({ what: 'second start, to ready', value: median(starts) / 1000, unit: 's' });
  const one = await throughput(1, given);
  const two = await throughput(2, given);
  figure({
    what: 'commands a second, 16 clients, 2 processes',
    value: two,
    unit: '1/s',
    reference: { what: '1 process', value: one },
  });
  await hands(given);
  await load(given);
}
