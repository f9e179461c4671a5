import { type ChildProcess, execFileSync, spawn } from 'node:child_process';
import { createServer, connect } from 'node:net';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { expect, type Page, request, test } from '@playwright/test';
import { faults, nothingSerious, sizes } from './look';
import { secondPort as port } from './worker';

/** A server makes its database and the demo's jobs while others work: so long it may take, ms. */
const startsMs = 180_000;
test.describe.configure({ timeout: 2 * startsMs });

/** A server of its own, with a database of its own that is made for one test. */
async function started(database: string, env: Record<string, string>): Promise<Started> {
  const url = new URL(process.env.DATABASE_URL!);
  const sql = [`drop database if exists ${database} with (force)`, `create database ${database}`];
  for (const one of sql) execFileSync('psql', [url.href, '-X', '-q', '-c', one], { stdio: 'ignore' });
  url.pathname = `/${database}`;
  const child = spawn(process.execPath, ['server.mjs'], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      SNAVEK_DEMO: '1',
      LOG_LEVEL: 'warn',
      DATABASE_URL: url.href,
      ...env,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const s: Started = {
    out: '',
    child,
    end: async () => {
      const gone = once(child, 'exit');
      child.kill('SIGTERM');
      await gone;
    },
  };
  for (const stream of [child.stdout!, child.stderr!])
    stream.on('data', (d: Buffer) => {
      s.out += d;
    });
  return s;
}
interface Started {
  out: string;
  child: ChildProcess;
  end: () => Promise<void>;
}

test('started before its database, as after a power cut, the app waits and says so, and is ready once that is there', async () => {
  const real = new URL(process.env.DATABASE_URL!);
  // the way to the database: at first there is nothing at its other end
  let there = false;
  const way = createServer((socket) => {
    if (!there) {
      socket.destroy();
      return;
    }
    const on = connect(Number(real.port), real.hostname);
    socket.pipe(on).pipe(socket);
    for (const s of [socket, on]) s.on('error', () => socket.destroy());
  });
  way.listen(0, '127.0.0.1');
  await once(way, 'listening');
  const through = new URL(real.href);
  through.port = String((way.address() as { port: number }).port);
  through.pathname = '/snavek_late';
  const s = await started('snavek_late', {
    PORT: String(port),
    HOST: '127.0.0.1',
    DATABASE_URL: through.href,
  });
  try {
    await expect.poll(() => s.out, { timeout: startsMs }).toContain('cannot be reached yet');
    expect(s.child.exitCode).toBeNull();
    there = true;
    await expect.poll(() => s.out, { timeout: startsMs }).toContain('Snavek is ready');
    expect(await (await fetch(`http://127.0.0.1:${port}/healthz`)).json()).toMatchObject({
      ok: true,
      writable: true,
    });
  } finally {
    await s.end();
    way.close();
  }
});

test('outside loopback nobody signs in with one click: the password is made at the first start, and said there', async () => {
  execFileSync('bash', ['scripts/tls.sh'], { stdio: 'ignore' });
  const env = { PORT: String(port), HOST: '0.0.0.0' };
  const s = await started('snavek_open', env);
  const asked = await request.newContext({
    baseURL: `https://127.0.0.1:${port}`,
    ignoreHTTPSErrors: true,
    extraHTTPHeaders: { origin: `https://127.0.0.1:${port}` },
  });
  const signIn = (form: Record<string, string>) => asked.post('/sign-in', { form, maxRedirects: 0 });
  try {
    await expect.poll(() => s.out, { timeout: startsMs }).toMatch(/with the password \S+ \(made just now/);
    const password = /with the password (\S+) /.exec(s.out)![1]!;
    expect(await (await asked.get('/sign-in')).text()).not.toContain('value="ines"');
    expect((await signIn({ demo: 'ines' })).status()).toBe(200);
    expect(await (await signIn({ login: 'ines', password: 'ines' })).text()).toContain(
      'Login or password is wrong',
    );
    const done = await signIn({ login: 'ines', password });
    expect(done.status()).toBe(302);
    expect(done.headers()['set-cookie']).toMatch(/Secure/);
    expect(done.headers()['strict-transport-security']).toBeDefined();
    // longer than a proxy keeps a connection (a minute is usual, from memory): it never asks over one that is just let go of
    expect(done.headers()['keep-alive']).toBe('timeout=75');
  } finally {
    await asked.dispose();
    await s.end();
  }
});

test('two processes behind one port are one app: what one has taken the other shows and tells; one that dies is replaced; the figures are of both', async () => {
  const at = `http://127.0.0.1:${port}`;
  const s = await started('snavek_two', { PORT: String(port), SNAVEK_PROCESSES: '2' });
  /** A connection of its own each time: the next process takes it. */
  const ask = (path: string, init: RequestInit = {}) =>
    fetch(`${at}${path}`, {
      ...init,
      redirect: 'manual',
      headers: { origin: at, connection: 'close', ...init.headers },
    });
  try {
    await expect.poll(() => s.out, { timeout: startsMs }).toContain('Snavek is ready');
    expect(s.out.match(/Snavek is ready/g)).toHaveLength(1);
    const signedIn = await ask('/sign-in', {
      method: 'POST',
      headers: { 'content-type': 'application/x-www-form-urlencoded' },
      body: 'demo=tova&to=/',
    });
    const cookie = signedIn.headers.get('set-cookie')!.split(';')[0]!;
    const open = (await (await ask('/open-jobs', { headers: { cookie } })).json()) as { id: string }[];
    const job = open[0]!.id;
    const logOf = async (id: string) =>
      (
        (await (await ask(`/jobs/${id}/log.json`, { headers: { cookie } })).json()) as {
          events: { by: string; seq: number }[];
        }
      ).events;
    const people = (await Promise.all(open.map(({ id }) => logOf(id)))).flat().map((event) => event.by);
    const note = async (k: number, person: string) => {
      const answer = await ask('/commands', {
        method: 'POST',
        headers: { cookie, 'content-type': 'application/json' },
        body: JSON.stringify({
          commands: [
            {
              id: randomUUID(),
              job,
              person,
              body: { type: 'noted', text: `note ${k}` },
              at: Date.now(),
              clockKnown: true,
            },
          ],
        }),
      });
      return (await answer.json()) as { answers: { outcome: { status: string; seq: number } }[] };
    };
    const first = (await logOf(job)).at(-1)!.seq;
    // an entry of somebody else is refused: whose session it is shows by that
    let tova = '';
    for (const by of new Set(people))
      if ((await note(0, by)).answers[0]!.outcome.status === 'recorded') tova = by;
    for (let k = 1; k < 12; k++)
      expect((await note(k, tova)).answers[0]!.outcome).toMatchObject({
        status: 'recorded',
        seq: first + 1 + k,
      });
    const metrics = await (await ask('/metrics')).text();
    expect(metrics).toMatch(/snavek_commands_total\{outcome="recorded"\} 12\b/);
    expect(metrics).toContain('nodejs_eventloop_lag_seconds');
    expect((await ask('/metrics', { headers: { 'x-forwarded-for': '10.0.0.1' } })).status).toBe(403);

    const children = execFileSync('pgrep', ['-P', String(s.child.pid)])
      .toString()
      .trim()
      .split('\n');
    process.kill(Number(children[0]), 'SIGKILL');
    await expect.poll(() => s.out, { timeout: startsMs }).toContain('another is started');
    for (let k = 12; k < 20; k++)
      expect((await note(k, tova)).answers[0]!.outcome).toMatchObject({
        status: 'recorded',
        seq: first + 1 + k,
      });
  } finally {
    await s.end();
  }
  expect(s.child.exitCode).toBe(0);
});

/** Nothing serious for axe, and nothing wide, cut or small at any size. */
async function looksRight(page: Page, what: string): Promise<void> {
  for (const [width, height] of sizes) {
    await page.setViewportSize({ width, height });
    expect(await page.evaluate(faults), `${what} at ${width}`).toEqual([]);
  }
  await page.setViewportSize({ width: 1280, height: 800 });
  await nothingSerious(page, what);
}
test('a workshop of one’s own: founded with the code, a person let in by a link, gone again when they leave', async ({
  page,
  browser,
}) => {
  const at = `http://127.0.0.1:${port}`;
  const s = await started('snavek_own', { PORT: String(port), SNAVEK_DEMO: '' });
  try {
    await expect.poll(() => s.out, { timeout: startsMs }).toMatch(/give the code \S+/);
    const code = /give the code (\S+)/.exec(s.out)![1]!;
    await page.goto(at);
    await page.waitForURL('**/set-up');
    await looksRight(page, 'set-up');
    await page.getByLabel('The workshop’s name').fill('Lantern Street Repairs');
    await page.getByLabel('Your name').fill('Odda');
    await page.getByLabel('Login name').fill('odda');
    await page.getByLabel('Password', { exact: true }).fill('four lanterns by the harbour');
    const found = page.getByRole('button', { name: 'Found the workshop' });
    await page.getByLabel('Code that the start printed').fill('AAAA-BBBB-CCCC-DDDD');
    await found.click();
    await expect(page.getByText('That is not the code')).toBeVisible();
    await expect(page.getByLabel('Code that the start printed')).toBeFocused();
    await page.getByLabel('Code that the start printed').fill(code);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'First steps' })).toBeVisible();
    await looksRight(page, 'first steps');
    expect((await page.request.get(`${at}/set-up`)).status()).toBe(404);

    await page.getByRole('link', { name: 'Receive the first phone' }).click();
    await expect(page.getByText('no model to receive a device of yet')).toBeVisible();
    await page.getByRole('link', { name: 'To the models' }).click();
    await page.getByLabel('Offer the practice models').check();
    await expect(page.getByText('Kept.')).toBeVisible();
    await page.getByRole('link', { name: 'Data', exact: true }).click();
    await page.getByRole('button', { name: 'Back up now' }).click();
    await expect(page.getByText(/Saved: 0 jobs.*came back whole/)).toBeVisible({ timeout: 60_000 });
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: /Download snavek-/ }).click();
    expect((await download).suggestedFilename()).toMatch(/^snavek-\d{8}-\d{6}\.tar$/);
    await page.getByRole('link', { name: 'People', exact: true }).click();
    await page.getByRole('button', { name: 'Add a person' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Pell');
    await page.getByLabel('Login name').fill('pell');
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    const sheet = page.getByRole('dialog', { name: 'A link for Pell' });
    const link = await sheet.getByRole('textbox').inputValue();
    await page.keyboard.press('Escape');
    await expect(page.getByText('not in yet')).toBeVisible();

    const theirs = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
    await theirs.goto(link);
    await looksRight(theirs, 'invite');
    await theirs.getByLabel('Choose a password').fill('password123');
    await theirs.keyboard.press('Enter');
    await expect(theirs.getByText('Everybody uses this one')).toBeVisible();
    await theirs.getByLabel('Choose a password').fill('a wet rope on a dry quay');
    await theirs.keyboard.press('Enter');
    await theirs.waitForURL(`${at}/`);
    await theirs.goto(`${at}/receive`);
    await theirs.getByLabel('Model', { exact: true }).focus();
    await theirs.keyboard.press('ArrowDown');
    await expect(theirs.getByText('Mica 9 (practice)', { exact: true })).toBeVisible();
    // the link was used up
    const again = await page.request.get(link);
    expect(again.status()).toBe(410);

    // who has lost their password gets another link; it serves once, and the old password no more
    await page.reload();
    await page.getByRole('button', { name: 'More about Pell' }).click();
    await page.getByRole('menuitem', { name: 'Link for another password' }).click();
    const reset = await sheet.getByRole('textbox').inputValue();
    await page.keyboard.press('Escape');
    await theirs.goto(reset);
    await theirs.getByLabel('Choose a password').fill('three gulls upon a mast');
    await theirs.keyboard.press('Enter');
    await theirs.waitForURL(`${at}/`);
    expect((await page.request.get(reset)).status()).toBe(410);
    await theirs.getByRole('button', { name: 'Sign out' }).click();
    await theirs.getByLabel('Login', { exact: true }).fill('pell');
    await theirs.getByLabel('Password', { exact: true }).fill('a wet rope on a dry quay');
    await theirs.keyboard.press('Enter');
    await expect(theirs.getByText('Login or password is wrong.')).toBeVisible();
    await theirs.getByLabel('Password', { exact: true }).fill('three gulls upon a mast');
    await theirs.keyboard.press('Enter');
    await theirs.waitForURL(`${at}/`);

    await page.reload();
    await page.getByRole('button', { name: 'More about Pell' }).click();
    await page.getByRole('menuitem', { name: 'Has left' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Has left' }).click();
    await expect(page.getByText('Pell cannot sign in any more')).toBeVisible();
    await theirs.goto(at);
    await theirs.waitForURL('**/sign-in**');
    await theirs.context().close();
  } finally {
    await s.end();
  }
});
