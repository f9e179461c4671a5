import { type ChildProcess, execFileSync, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { gzipSync } from 'node:zlib';
import { readFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import autocannon from 'autocannon';
import pg from 'pg';
import { benchAppend } from './append';
import { benchAtlas, presses } from './atlas';
import { benchDayPage } from './day-page';
import { benchDevice } from './device';
import { benchEditing } from './editing';
import { atlasJob } from './atlas-job';
import { benchCore, longLog } from './core';
import { benchLive } from './live';
import { benchLoad } from './load';
import { benchDay } from './day';
import { benchRework } from './rework';
import { benchMeasured } from './measured';
import { wholeChromium } from '../e2e/chromium';
import { receiveByKeyboard } from '../e2e/receive-by-keyboard';
import { benchDiagnose } from './diagnose';
import { benchPlanner } from './planner';
import { benchRunning } from './running';
import { benchScrews } from './screws';
import { figure, median, percentile, save } from './figures';

const port = 4390;
const origin = `http://127.0.0.1:${port}`;
const jobs = Number(process.argv.find((a) => a.startsWith('--jobs='))?.slice(7) ?? 20_000);
const eventsEach = 50;
const url = process.env.DATABASE_URL!;
const superUrl = (() => {
  const u = new URL(url);
  u.username = 'postgres';
  return u.href;
})();

/** Starts the built server, with the demo workshop, and waits until it is ready. */
async function startServer(at = port): Promise<ChildProcess> {
  const child = spawn(process.execPath, ['server.mjs'], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      PORT: String(at),
      HOST: '127.0.0.1',
      SNAVEK_DEMO: '1',
      LOG_LEVEL: 'error',
    },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  for (let k = 0; k < 240; k++) {
    if (
      await fetch(`http://127.0.0.1:${at}/healthz`).then(
        (r) => r.ok,
        () => false,
      )
    )
      return child;
    await new Promise((r) => setTimeout(r, 250));
  }
  throw new Error('the server did not start');
}
async function signIn(): Promise<string> {
  const body = new URLSearchParams({ demo: 'tova', to: '/' });
  const res = await fetch(`${origin}/sign-in`, {
    method: 'POST',
    body,
    redirect: 'manual',
    headers: { origin },
  });
  return res.headers.get('set-cookie')!.split(';')[0]!;
}

/** Twenty thousand jobs of fifty foldable events each, by COPY. @returns ids of the jobs */
async function load(): Promise<string[]> {
  const client = new pg.Client(superUrl);
  await client.connect();
  const {
    rows: [p],
  } = await client.query<{ shop: string; person: string; hash: string; route: string }>(
    `select p.shop_id as shop, p.id as person, (select hash from device_model where model_id = 'mica-9') as hash, (select r.hash from route r join device_model m on m.hash = r.route->>'modelHash' where m.model_id = 'mica-9' limit 1) as route from person p where login = 'tova'`,
  );
  const log = longLog(eventsEach).log.slice(0, eventsEach);
  const ids = Array.from({ length: jobs }, () => randomUUID());
  const copy = async (sql: string, lines: (id: string, n: number) => string) => {
    const psql = spawn('psql', [superUrl, '-X', '-q', '-v', 'ON_ERROR_STOP=1', '-c', sql], {
      stdio: ['pipe', 'inherit', 'inherit'],
    });
    for (let n = 0; n < ids.length; n++)
      if (!psql.stdin.write(lines(ids[n]!, n))) await once(psql.stdin, 'drain');
    psql.stdin.end();
    const [code] = await once(psql, 'exit');
    if (code !== 0) throw new Error(`COPY failed: ${sql}`);
  };
  const summary = JSON.stringify({
    model: 'Tarnwick Mica 9',
    variant: '',
    tasks: ['cell'],
    waits: 'hands',
    running: null,
    done: 0,
    total: 48,
    conditions: [],
    promisedAs: '',
    by: '',
  });
  const text = log.map((e) =>
    JSON.stringify({
      ...e,
      by: p!.person,
      body:
        e.body.type === 'opened'
          ? { ...e.body, modelHash: p!.hash }
          : e.body.type === 'routeAdopted'
            ? { ...e.body, modelHash: p!.hash, routeHash: p!.route }
            : e.body,
    }).replaceAll('\\', '\\\\'),
  );
  await copy(
    'copy job (shop_id, id, number, tag, model_hash, variant, seq, stage, summary, ending) from stdin',
    (id, n) =>
      `${p!.shop}\t${id}\t${10_000 + n}\tB${n}\t${p!.hash}\tstandard\t${eventsEach}\tStrip\t${summary}\thanded over\n`,
  );
  await copy(
    'copy job_event (shop_id, job_id, seq, event) from stdin',
    (id) => `${text.map((t, i) => `${p!.shop}\t${id}\t${i + 1}\t${t}`).join('\n')}\n`,
  );
  await client.query('vacuum analyze');
  await client.end();
  return ids;
}

/** Processor time of a process so far, ms. */
const cpuMs = (pid: number) => {
  const f = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ');
  return (Number(f[11]) + Number(f[12])) * 10;
};

async function pages(server: ChildProcess, cookie: string, job: string): Promise<void> {
  const css = execFileSync('bash', ['-c', 'ls build/client/assets/*.css | head -1'], { encoding: 'utf8' })
    .trim()
    .replace('build/client', '');
  for (const connections of [1, 4]) {
    const run = async (path: string) => {
      const before = cpuMs(server.pid!);
      const r = await autocannon({ url: origin + path, connections, duration: 4, headers: { cookie } });
      if (r.non2xx) throw new Error(`${path}: ${r.non2xx} answers that are not 200`);
      return {
        p50: r.latency.p50 || r.latency.average,
        cpu: (cpuMs(server.pid!) - before) / r.requests.total,
      };
    };
    const fixed = await run(css);
    const aims = [
      { name: 'Work', path: `/jobs/${job}/work`, p50: 40, cpu: 25 },
      { name: 'Bench', path: '/', p50: 15, cpu: undefined },
    ];
    for (const { name, path, p50, cpu } of aims) {
      const got = await run(path);
      const alone = connections === 1;
      figure({
        what: `${name} page, ${connections} at once: server time`,
        value: got.p50,
        unit: 'ms',
        reference: { what: 'a static file', value: Math.max(fixed.p50, 0.5) },
        ...(alone ? { aim: `< ${p50}`, ok: got.p50 < p50 } : {}),
      });
      figure({
        what: `${name} page, ${connections} at once: processor time a request`,
        value: got.cpu,
        unit: 'ms',
        reference: { what: 'a static file', value: Math.max(fixed.cpu, 0.01) },
        ...(alone && cpu !== undefined ? { aim: `< ${cpu}`, ok: got.cpu < cpu } : {}),
      });
    }
  }
  const before = performance.now();
  const found = await fetch(`${origin}/jobs?q=cobblestone`, { headers: { cookie } });
  await found.text();
  figure({
    what: `jobs found by a word among ${jobs.toLocaleString('en-GB')}`,
    value: performance.now() - before,
    unit: 'ms',
  });
  const html = await (await fetch(`${origin}/jobs/${job}/work`, { headers: { cookie } })).text();
  const size = html.length / 1000;
  figure({ what: 'Work page: HTML', value: size, unit: 'kB', aim: '< 60', ok: size < 60 });
  figure({ what: 'Work page: HTML, compressed', value: gzipSync(html).length / 1000, unit: 'kB' });
}

/** From a click on an option until the route that follows says, or no longer says, that the display is warmed; ms. */
async function untilPainted(option: Element, warms: boolean): Promise<number> {
  const table = document.querySelector('main')!;
  const began = performance.now();
  const painted = new Promise<void>((done) => {
    const watch = new MutationObserver(() => {
      if (/Warm the display/.test(table.textContent!) !== warms) return;
      watch.disconnect();
      requestAnimationFrame(() => setTimeout(done));
    });
    watch.observe(table, { subtree: true, childList: true, characterData: true });
  });
  (option as HTMLElement).click();
  await painted;
  return performance.now() - began;
}

async function browser(large: string): Promise<void> {
  const chrome = await chromium.launch(wholeChromium);
  try {
    const page = await chrome.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${origin}/sign-in`);
    await page.click('button[value=tova]');
    await page.waitForURL(`${origin}/`);
    const href = (await page.locator('[data-testid=job-MC9-4417] a').first().getAttribute('href'))!;
    const planned = (await page.locator('[data-testid=job-M9W-1140] a').first().getAttribute('href'))!;
    // that job stands at its offer: its route is one further
    await page.goto(origin + planned.replace(/\/[a-z]+$/, '/route'));
    await page.waitForTimeout(1500);
    // a house method changed on the Route screen, until the route that follows is proved and painted
    const toScreen: number[] = [];
    for (const want of [
      'solvent',
      'heat',
      'solvent',
      'heat',
      'solvent',
      'heat',
      'solvent',
      'heat',
      'solvent',
    ]) {
      await page.locator('#method-softening').press('Enter');
      const option = page.locator('.ant-select-item-option', { hasText: `${want} only` }).last();
      await option.waitFor();
      toScreen.push(await option.evaluate(untilPainted, want === 'heat'));
      await page.waitForTimeout(400);
    }
    figure({
      what: 'Route screen: from a changed wish to the proved route',
      value: median(toScreen),
      unit: 'ms',
      aim: '< 200',
      ok: median(toScreen) < 200,
    });
    await page.close();
    const typed = await chrome.newPage({ baseURL: origin, viewport: { width: 1280, height: 800 } });
    await typed.goto(`${origin}/sign-in`);
    await typed.click('button[value=tova]');
    await typed.waitForURL(`${origin}/`);
    const received = await receiveByKeyboard(typed, `BENCH-${Date.now()}`);
    figure({ what: 'Receive by keyboard alone: keys', value: received.keys, unit: '' });
    figure({ what: 'Receive by keyboard alone: machine time', value: received.seconds, unit: 's' });
    await typed.close();
    // without a service worker: what the first visit needs, not what is fetched for later
    const fresh = await chrome.newContext({
      viewport: { width: 1280, height: 800 },
      serviceWorkers: 'block',
    });
    const work = await fresh.newPage();
    await work.goto(`${origin}/sign-in`);
    const scripts = new Map<string, number>();
    const cdp = await fresh.newCDPSession(work);
    await cdp.send('Network.enable');
    await cdp.send('Network.setCacheDisabled', { cacheDisabled: true });
    const names = new Map<string, { file: string; head: number }>();
    cdp.on('Network.responseReceived', (e) => {
      if (e.response.url.endsWith('.js'))
        names.set(e.requestId, {
          file: e.response.url.split('/').pop()!,
          head: e.response.encodedDataLength,
        });
    });
    cdp.on('Network.loadingFinished', (e) => {
      const n = names.get(e.requestId);
      if (n) scripts.set(n.file, e.encodedDataLength - n.head);
    });
    await work.click('button[value=tova]');
    await work.waitForURL(`${origin}/`);
    scripts.clear();
    names.clear();
    // until the page is there and works; parts that are called for later are fetched when the browser is idle
    await work.goto(origin + href);
    const total = [...scripts.values()].reduce((s, x) => s + x, 0) / 1000;
    figure({
      what: 'first load of Work: compressed script',
      value: total,
      unit: 'kB',
      aim: '< 350',
      ok: total < 350 && total > 0,
    });
    for (const [n, size] of [...scripts].sort((a, b) => b[1] - a[1]).slice(0, 8))
      console.log(`        ${n.padEnd(44)} ${(size / 1000).toFixed(1)} kB`);
    for (const path of ['/stock', '/jobs', '/receive', href.replace(/work$/, 'offer')]) {
      scripts.clear();
      names.clear();
      await work.goto(origin + path);
      const all = [...scripts.values()].reduce((sum, x) => sum + x, 0) / 1000;
      const charts =
        [...scripts].filter(([n]) => /echarts|chart/.test(n)).reduce((sum, [, x]) => sum + x, 0) / 1000;
      figure({
        what: `first load of ${path.replace(/\/jobs\/[^/]+/, 'a job’s')}: compressed script without charts`,
        value: all - charts,
        unit: 'kB',
        aim: '< 450',
        ok: all - charts < 450,
      });
    }
    await work.goto(origin + href);
    await work.waitForLoadState('networkidle').catch(() => {});
    const times = await presses(work, 60);
    const ms = median(times);
    figure({
      what: 'key press to the ledger’s change, median',
      value: ms,
      unit: 'ms',
      aim: '< 50',
      ok: ms < 50,
    });
    figure({ what: 'key press to the ledger’s change, 95 %', value: percentile(times, 0.95), unit: 'ms' });
    await fresh.close();
    await benchAtlas(chrome, origin, large);
  } finally {
    await chrome.close();
  }
}

/** `--only=core,append,pages,load,live,editing,device,day,browser,running`: a part of it, while one works on that part. */
const only = process.argv
  .find((a) => a.startsWith('--only='))
  ?.slice(7)
  .split(',');
const asked = (part: string) => !only || only.includes(part);

console.log(`Snavek, measured on this machine; ${jobs} jobs, ${jobs * eventsEach} events\n`);
if (asked('core')) {
  benchCore();
  await benchPlanner();
  benchDiagnose();
  benchScrews();
  benchMeasured();
  benchRework();
  await benchDay();
}
const server = await startServer();
try {
  const cookie = await signIn();
  const ids = await load();
  const client = new pg.Client(superUrl);
  await client.connect();
  const { rows } = await client.query<{ id: string; n: string }>(
    `select id, (select count(*) from job_event) as n from person where login = 'tova'`,
  );
  const open = await client.query<{ id: string }>(`select id from job where tag = 'MC9-4417'`);
  console.log(`        ${rows[0]!.n} events in the database`);
  const { id: person } = rows[0]!;
  const job = open.rows[0]!.id;
  if (asked('append')) await benchAppend(origin, superUrl, cookie, person, ids);
  // what was written on has come back to the bench, by the hundred; no workshop has so many devices open
  await client.query(`update job set ending = 'handed over' where number >= 10000 and ending is null`);
  await client.end();
  if (asked('pages')) await pages(server, cookie, job);
  const cookies = [cookie];
  while (cookies.length < 20) cookies.push(await signIn());
  if (asked('load')) await benchLoad(server, origin, cookies, person, ids, job);
  if (asked('live')) {
    const echo = await benchLive([origin], cookies, person, ids);
    const second = await startServer(port + 1);
    try {
      await benchLive([origin, `http://127.0.0.1:${port + 1}`], cookies, person, ids, echo);
    } finally {
      second.kill('SIGTERM');
      await once(second, 'exit');
    }
  }
  if (asked('running')) await benchRunning({ url, superUrl, person, jobs: ids });
  if (asked('editing')) await benchEditing(origin);
  if (asked('device')) await benchDevice(origin);
  if (asked('day')) await benchDayPage(origin);
  if (asked('browser')) await browser(await atlasJob(origin, cookie, person, 400));
} finally {
  server.kill('SIGTERM');
  await once(server, 'exit');
}
save();
