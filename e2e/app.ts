import { type ChildProcess, execFileSync, spawn } from 'node:child_process';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { expect, type Locator, type Page, test as base } from '@playwright/test';
import { checksDue } from '../core/checks/due';
import { consentsFor } from '../core/consents/consents';
import { fold } from '../core/log/evolve';
import { instruct } from '../core/progress/instruct';
import { empty } from '../core/log/state';
import { contentHash } from '../core/model/canonical-json';
import { checkModel } from '../core/model/check-model';
import { indexModel } from '../core/model/index-model';
import { ofVariant } from '../core/model/variant';
import { taskName } from '../words/steps';
import type { Route } from '../core/steps/route';
import type { StepAction } from '../core/vocabulary/steps';
import { Bench } from '../core/testing/bench';
import { port } from './worker';

export const origin = `http://127.0.0.1:${port}`;

/** The built server under test: it can be killed, stopped and started again, and so can its database. */
export class Server {
  #child: ChildProcess | undefined;
  out = '';
  async start(): Promise<void> {
    this.#child = spawn(process.execPath, ['server.mjs'], {
      env: {
        ...process.env,
        NODE_ENV: 'production',
        PORT: String(port),
        HOST: '127.0.0.1',
        SNAVEK_DEMO: '1',
        LOG_LEVEL: 'warn',
        TZ: 'UTC',
        // a leak tester's twenty seconds are not waited for
        SNAVEK_LEAK_SPEED: '12',
        SNAVEK_PRESS_SPEED: '12',
      },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    this.#child.stdout!.on('data', (d: Buffer) => {
      this.out += d;
    });
    this.#child.stderr!.on('data', (d: Buffer) => {
      this.out += d;
    });
    // with a new database it makes the demo's jobs first, beside whatever else this machine does
    for (let k = 0; k < 720; k++) {
      const ok = await fetch(`${origin}/healthz`).then(
        (r) => r.ok,
        () => false,
      );
      if (ok) return;
      if (this.#child.exitCode !== null) break;
      await new Promise((r) => setTimeout(r, 250));
    }
    // whoever comes next finds the port free
    await this.stop('SIGKILL');
    throw new Error(`the server did not start:\n${this.out}`);
  }
  async stop(signal: NodeJS.Signals = 'SIGTERM'): Promise<number | null> {
    const child = this.#child;
    if (!child || child.exitCode !== null || child.signalCode !== null) return null;
    const gone = new Promise<number | null>((r) => child.once('exit', (code) => r(code)));
    child.kill(signal);
    return gone;
  }
}
export const database = (verb: 'start' | 'stop') => {
  execFileSync('bash', ['scripts/pg.sh', verb], { stdio: 'ignore' });
};

/** What a page said of itself and asked the server for, line by line, from now on. */
function heardOf(page: Page): string[] {
  const heard: string[] = [];
  const from = Date.now();
  const say = (line: string) => void heard.push(`${Date.now() - from} ms ${line}`);
  page.on('console', (m) => ['error', 'warning'].includes(m.type()) && say(`${m.type()}: ${m.text()}`));
  page.on('pageerror', (e) => say(`thrown: ${e.message}`));
  page.on('framenavigated', (frame) => frame === page.mainFrame() && say(`at ${frame.url()}`));
  page.on('request', (r) => r.method() !== 'GET' && say(`${r.method()} ${r.url()}`));
  page.on('requestfailed', (r) => say(`${r.method()} ${r.url()}: ${r.failure()?.errorText}`));
  page.on('response', (r) => {
    const { status, method } = { status: r.status(), method: r.request().method() };
    if (status >= 400 || method !== 'GET') say(`${status} of ${method} ${r.url()}`);
  });
  return heard;
}
export const test = base.extend<object, { server: Server }>({
  // beside the page as it stood, a test that fails keeps how it came to that
  page: async ({ page, server }, use, info) => {
    const heard = heardOf(page);
    await use(page);
    if (info.status === info.expectedStatus) return;
    writeFileSync(info.outputPath('heard.txt'), heard.join('\n'));
    writeFileSync(info.outputPath('server.txt'), server.out.slice(-50_000));
  },
  server: [
    async ({}, use) => {
      const s = new Server();
      await s.start();
      await use(s);
      await s.stop();
    },
    { scope: 'worker', auto: true, timeout: 240_000 },
  ],
});
export { expect };

/** Chooses from a list as one does with the mouse: opens it and takes the line with these words. */
export async function choose(field: Locator, option: string | RegExp): Promise<void> {
  const words = typeof option === 'string' ? new RegExp(`^${option}$`) : option;
  await field.focus();
  await field.press('ArrowDown');
  await field
    .page()
    .locator('.ant-select-dropdown:not(.ant-select-dropdown-hidden) .ant-select-item-option-content')
    .filter({ hasText: words })
    .click();
}
/** Types a day and a time of it (UTC, as these tests run). */
export async function typeWhen(field: Locator, ms: number): Promise<void> {
  await field.click();
  await field.fill(new Date(ms).toISOString().slice(0, 16).replace('T', ' '));
  await field.press('Enter');
}
export async function signIn(page: Page, login = 'tova'): Promise<void> {
  await page.goto('/sign-in');
  await page.locator(`button[value=${login}]`).click();
  await page.waitForURL('/');
}
/** Signed out, and seen to be: who goes to the sign-in page before that is sent back to the bench. */
export async function signOut(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.waitForURL('**/sign-in**');
}
/** Signed in without having seen the sign-in page or the bench: for a test that begins elsewhere. */
export async function signedIn(page: Page, login = 'tova'): Promise<void> {
  const r = await page.request.post('/sign-in', {
    form: { demo: login, to: '/' },
    headers: { origin },
    maxRedirects: 0,
  });
  expect(r.status()).toBe(302);
}
let n = 0;
/**
 * Each job of a run is promised before all earlier ones, and before the demo's, so that it comes first on the strip: what is
 * promised goes back half a second for every second of the run, which also holds in a worker that has been started anew. Of a
 * run on a busy machine it is still not past after three quarters of an hour.
 */
const promise = (): number => {
  const from = Number(process.env.SNAVEK_TEST_FROM);
  return Math.round(from + 70 * 60_000 - 0.5 * (Date.now() - from));
};
/** Answers, by requests, what the chosen tasks will touch beside the short list: it is asked before anything is opened. */
export async function answerBefore(page: Page, job: string): Promise<void> {
  const log = await logOf(page, job);
  const opened = log[0]!.body as unknown as { modelHash: string; variant: string };
  const model = readdirSync('demo/models')
    .map((file) => checkModel(JSON.parse(readFileSync(`demo/models/${file}`, 'utf8'))))
    .flatMap((read) => (read.ok ? [read.model] : []))
    .find((m) => contentHash(m) === opened.modelHash)!;
  const open = checksDue(
    fold(empty(), log as never),
    indexModel(ofVariant(model, opened.variant)),
    'before',
  ).filter((c) => c.result === undefined);
  if (!open.length) return;
  const r = await page.request.post('/commands', {
    data: {
      commands: open.map((c) => ({
        id: crypto.randomUUID(),
        job,
        person: log[0]!.by,
        body: { type: 'checked', round: 'before', function: c.function, result: 'works' },
        at: Date.now(),
        clockKnown: true,
      })),
    },
  });
  expect(r.status()).toBe(200);
}
/** Answers every open check on the screen that it works, or that it is as the owner was told. */
export async function answerOpen(page: Page): Promise<void> {
  // the address changes before the page stands: what is looked at without waiting would find no rows
  await page
    .getByTestId(/^check-/)
    .first()
    .waitFor();
  const bulk = page.getByRole('button', { name: /as they should be|that worked before works/ });
  if (await bulk.isVisible()) await bulk.click();
  for (const row of await page.getByTestId(/^check-/).all()) {
    const yes = row.getByRole('button', { name: /^(works|as told)$/ });
    if ((await yes.count()) && (await yes.getAttribute('aria-pressed')) === 'false') await yes.click();
  }
}
/** A device received, agreed and routed by requests alone, as the screens would send them: a job of the test's own, at the bench. */
type ModelName = 'Mica 9' | 'Mica 9 Wide' | 'Sprig' | 'Dune 3';
const modelNamed = (name: ModelName) => {
  const read = checkModel(
    JSON.parse(readFileSync(`demo/models/${name.toLowerCase().replaceAll(' ', '-')}.json`, 'utf8')),
  );
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.model;
};
const sendTo = async (page: Page, path: string, data: unknown): Promise<void> => {
  const r = await page.request.post(path, { data, maxRedirects: 0 });
  if (r.status() >= 400) throw new Error(`${path}: ${r.status()} ${await r.text()}`);
};
/** A device received at the counter by a request, on which all of the short list works. */
export async function receivedJob(
  page: Page,
  name: ModelName,
  slot: string,
  action: 'replace' | 'rework' = 'replace',
): Promise<string> {
  const id = crypto.randomUUID();
  const model = modelNamed(name);
  await sendTo(page, `/receive/${id}`, {
    modelHash: contentHash(model),
    variant: model.variants[0]!.id,
    tag: `E2E-${++n}-${id.slice(0, 4)}`,
    complaint: 'flat by noon',
    tasks: [{ slot, action }],
    promisedAt: promise(),
    before: Object.fromEntries(model.shortList.map((f) => [f, { result: 'works' }])),
  });
  return id;
}
export async function newJob(
  page: Page,
  name: ModelName = 'Mica 9',
  slot = 'cell',
  action: 'replace' | 'rework' = 'replace',
): Promise<string> {
  const model = modelNamed(name);
  const id = await receivedJob(page, name, slot, action);
  const log = await logOf(page, id);
  const state = fold(empty(), log as never);
  await sendTo(page, '/commands', {
    commands: consentsFor(indexModel(ofVariant(model, model.variants[0]!.id)), state)
      .filter((c) => !c.optional)
      .map((c) => ({
        id: crypto.randomUUID(),
        job: id,
        person: log[0]!.by,
        body: {
          type: 'consentGiven',
          effect: c.id,
          by: 'owner',
          ...(c.answers ? { answer: c.answers[1] } : {}),
        },
        at: Date.now(),
        clockKnown: true,
      })),
  });
  await answerBefore(page, id);
  await sendTo(page, `/jobs/${id}/route`, { command: crypto.randomUUID() });
  await page.goto(`/jobs/${id}/work`);
  await awake(page);
  await expect(page.getByTestId('instruction')).toHaveText('Switch it off');
  await press(page, 1);
  // in the log, and known here to be: "all confirmed" alone may still be the word from before the press
  await expect.poll(async () => (await logOf(page, id)).some((e) => e.body.type === 'acted')).toBe(true);
  await settled(page);
  return id;
}
/** A device on which one has worked for an hour, by requests, up to the first step of a kind: the screen stands there. */
export async function workedJob(
  page: Page,
  slot: string,
  until: StepAction,
  name: ModelName = 'Mica 9',
  action: 'replace' | 'rework' = 'replace',
): Promise<string> {
  const id = await newJob(page, name, slot, action);
  const log = await logOf(page, id);
  const model = modelNamed(name);
  const route = (await (await page.request.get(`/jobs/${id}/route.json`)).json()) as Route;
  const bench = new Bench(
    indexModel(ofVariant(model, model.variants[0]!.id)),
    route,
    log[0]!.by,
    'technician',
    crypto.randomUUID(),
  );
  bench.state = fold(empty(), log as never);
  bench.at = Date.now() - 3_600_000;
  bench.paceMs = 1000;
  const from = bench.commands.length;
  for (let k = 0; k < 200; k++) {
    const i = instruct(bench.context, bench.state, { at: bench.at, clockKnown: true });
    if ((i.kind === 'do' || i.kind === 'checks') && i.step.action === until) break;
    bench.next();
  }
  const r = await page.request.post('/commands', {
    data: {
      commands: bench.commands
        .slice(from)
        .map((c) => ({ id: c.id, job: id, person: log[0]!.by, body: c.body, at: c.at, clockKnown: true })),
    },
  });
  if (!r.ok()) throw new Error(await r.text());
  await page.goto(`/jobs/${id}/work`);
  await awake(page);
  return id;
}
/** The instruction is there and answers keys: what the server has drawn stands before the page is awake. */
export async function awake(page: Page): Promise<void> {
  await page.getByTestId('instruction').waitFor();
  await page.getByTestId('instruction').evaluate(async (element) => {
    const frame = () => new Promise((drawn) => requestAnimationFrame(drawn));
    while (!Object.keys(element).some((key) => key.startsWith('__reactProps'))) await frame();
    await frame();
    await frame();
  });
}
/** An empty form at the counter, awake: its first field has the focus. @returns the draft's id */
export async function openReceive(page: Page, id: string = crypto.randomUUID()): Promise<string> {
  await page.goto(`/receive/${id}`);
  await page.waitForFunction(() => document.activeElement?.id === 'tag');
  return id;
}
/** The owner agrees to all that follows; the job stands at its planned route. */
export async function agreed(page: Page, id: string): Promise<void> {
  // the price is worked out, recorded, and part of what is agreed to
  await page.getByTestId('consent-price').waitFor();
  if (await page.getByRole('radio', { name: 'recycled' }).count())
    await page.locator('label', { hasText: 'recycled' }).click();
  await page.getByLabel('Agreed by').fill('Runa');
  await page.getByRole('button', { name: /^All \d+ agreed$/ }).click();
  await page.getByRole('link', { name: 'Agreed: to the route' }).click();
  await page.waitForURL(`/jobs/${id}/route`);
}
/** Receives a device at the counter and stops at its offer. `task` in place of a new cell. */
/** What a place is called in the shipped model whose name ends so. */
const slotName = (model: string, slot: string): string =>
  readdirSync('demo/models')
    .map(
      (file) =>
        JSON.parse(readFileSync(`demo/models/${file}`, 'utf8')) as {
          name: string;
          slots: { id: string; name: string }[];
        },
    )
    .find((m) => m.name === model)!
    .slots.find((s) => s.id === slot || s.name === slot)!.name;
export async function received(
  page: Page,
  model: string,
  task?: { part: string; action?: string },
): Promise<string> {
  const id = await openReceive(page);
  await page.getByLabel('Serial or own tag').fill(`E2E-${++n}-${id.slice(0, 4)}`);
  await choose(page.getByLabel('Model', { exact: true }), model);
  await page.getByLabel('What the owner says is wrong').fill('flat by noon');
  await typeWhen(page.getByLabel('Wanted for'), promise());
  if (task?.action) await choose(page.getByLabel('What to do'), taskName[task.action as 'move']);
  await choose(page.getByLabel('Part', { exact: true }), slotName(model, task?.part ?? 'cell'));
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByRole('button', { name: 'All others work' }).click();
  await page.getByRole('button', { name: 'Receive', exact: true }).click();
  await page.waitForURL(`/jobs/${id}/offer`);
  return id;
}
/** A calliper or a scanner: characters closer together than a browser driven key by key can send on a busy machine, then Enter. */
export const typedBurst = (page: Page, text: string) =>
  page.evaluate(
    (keys) => {
      for (const key of keys)
        (document.activeElement ?? document.body).dispatchEvent(
          new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }),
        );
    },
    [...text, 'Enter'],
  );
export const go = (page: Page) => page.getByTestId('go');
/** Presses a key so many times, each time waiting for the instruction to change. */
export async function press(page: Page, times: number, key = 'Space'): Promise<void> {
  for (let k = 0; k < times; k++) {
    const before = await go(page).innerText();
    await page.keyboard.press(key);
    await expect(go(page)).not.toHaveText(before, { useInnerText: true });
  }
}
/** Presses the pedal until it has led to another screen, as a person would who sees that nothing has happened. */
export async function pressTo(page: Page, url: RegExp): Promise<void> {
  await expect(async () => {
    if (!url.test(page.url())) await page.keyboard.press('Space');
    await page.waitForURL(url, { timeout: 4000 });
  }).toPass({ timeout: 30_000 });
}
/** The parts of Work that are fetched once it is there have come, and what they need: from then on it needs no network. */
export async function wholePage(page: Page): Promise<void> {
  let before = -1;
  await expect(async () => {
    const files = await page.evaluate(() =>
      performance.getEntriesByType('resource').map((entry) => entry.name),
    );
    const still = files.length === before;
    before = files.length;
    expect(files.some((name) => name.includes('/work-sheets')) && still).toBe(true);
  }).toPass({ intervals: [700], timeout: 30_000 });
}
/** The scripts of another screen of the job have come: from then on it needs no network to be gone to. */
export async function scriptsCome(page: Page, screen: string): Promise<void> {
  await page.waitForFunction((route) => {
    const files = window.__reactRouterManifest?.routes[route];
    const come = new Set(
      performance.getEntriesByType('resource').map((entry) => new URL(entry.name).pathname),
    );
    return (
      files &&
      [files.module, files.clientLoaderModule, files.clientActionModule, ...(files.imports ?? [])].every(
        (file) => file === undefined || come.has(file),
      )
    );
  }, `routes/${screen}/${screen}`);
}
/** Waits until everything that was kept is confirmed. */
export const settled = (page: Page) => expect(page.getByTestId('kept')).toContainText('all confirmed');
export async function logOf(
  page: Page,
  job: string,
): Promise<
  { id: string; seq: number; by: string; body: { type: string; [k: string]: unknown }; breach?: unknown[] }[]
> {
  const answer = await page.request.get(`/jobs/${job}/log.json`);
  if (!answer.ok()) throw new Error(`the log of ${job}: ${answer.status()} ${await answer.text()}`);
  return (await answer.json()).events;
}
/** What kinds of entries the log of a job has, in their order. */
export const typesOf = async (page: Page, job: string): Promise<string[]> =>
  (await logOf(page, job)).map((e) => e.body.type);
