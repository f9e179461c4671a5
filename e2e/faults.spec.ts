import {
  awake,
  database,
  expect,
  go,
  logOf,
  newJob,
  origin,
  press,
  pressTo,
  scriptsCome,
  settled,
  signIn,
  signOut,
  test,
  signedIn,
  answerOpen,
} from './app';
import { fillByKeyboard } from './receive-by-keyboard';

test('the database stops in the middle of work: events are kept, then confirmed once, in order', async ({
  page,
}) => {
  await signedIn(page);
  const job = await newJob(page, 'Sprig');
  await press(page, 1);
  await settled(page);
  database('stop');
  try {
    expect((await fetch(`${origin}/healthz`)).status).toBe(503);
    await press(page, 6);
    await expect(page.getByTestId('kept')).toContainText('6 kept');
    await expect(page.getByTestId('kept')).toContainText('server is away');
  } finally {
    database('start');
  }
  await expect(page.getByTestId('kept')).toContainText('all confirmed', { timeout: 30_000 });
  const log = await logOf(page, job);
  expect(log.map((e) => e.body.type).slice(-7)).toEqual([
    'screwOut',
    'screwOut',
    'catchFreed',
    'catchFreed',
    'catchFreed',
    'catchFreed',
    'pieceMoved',
  ]);
  expect(log.map((e) => e.seq)).toEqual(log.map((_, i) => i + 1));
});

test('the server is killed between two screws: work goes on, a reload keeps what is kept, nothing is doubled', async ({
  page,
  server,
}) => {
  await signedIn(page);
  const job = await newJob(page, 'Sprig');
  await press(page, 1);
  await settled(page);
  await server.stop('SIGKILL');
  await press(page, 3);
  await expect(page.getByTestId('kept')).toContainText('3 kept');
  await server.start();
  await page.reload();
  await expect(go(page)).toContainText('clip');
  await settled(page);
  expect(
    (await logOf(page, job)).filter((e) => ['screwOut', 'catchFreed'].includes(e.body.type)),
  ).toHaveLength(4);
});

test('another device is at hand while the server is away, if this browser has seen it', async ({
  page,
  server,
}) => {
  await signedIn(page);
  const first = await newJob(page, 'Sprig');
  const second = await newJob(page, 'Mica 9');
  await server.stop('SIGKILL');
  try {
    await page.locator(`a.dev[href="/jobs/${first}/work"]`).click();
    await page.waitForURL(`/jobs/${first}/work`);
    await expect(page.getByTestId('instruction')).toHaveText('Take out 2 outside screws');
    await awake(page);
    await press(page, 1);
    await expect(page.getByTestId('kept')).toContainText('1 kept');
  } finally {
    await server.start();
  }
  await settled(page);
  expect((await logOf(page, first)).filter((e) => e.body.type === 'screwOut')).toHaveLength(1);
  expect((await logOf(page, second)).filter((e) => e.body.type === 'screwOut')).toHaveLength(0);
});

test('a session that has expired keeps what is unsent; another person does not send it, the same one does', async ({
  page,
  context,
}) => {
  await signedIn(page);
  const job = await newJob(page, 'Sprig');
  await context.clearCookies();
  await page.keyboard.press('Space');
  await expect(page.getByTestId('kept')).toContainText('1 kept');
  await expect(page.getByTestId('kept')).toContainText('sign in to send');
  await signIn(page, 'marek');
  await page.goto(`/jobs/${job}/work`);
  await expect(go(page)).toContainText('A1 is out');
  expect((await logOf(page, job)).filter((e) => e.body.type === 'screwOut')).toHaveLength(0);
  await signOut(page);
  await signIn(page, 'tova');
  await page.goto(`/jobs/${job}/work`);
  await expect(go(page)).toContainText('A2 is out');
  await settled(page);
  const out = (await logOf(page, job)).filter((e) => e.body.type === 'screwOut');
  expect(out).toHaveLength(1);
});

test('asked to stop, the server ends its streams and goes quietly', async ({ page, server }) => {
  await signedIn(page);
  await newJob(page, 'Sprig');
  expect(await server.stop('SIGTERM')).toBe(0);
  await server.start();
});

test('an unknown job and a page that is not there say so', async ({ page }) => {
  await signIn(page);
  await page.goto(`/jobs/${crypto.randomUUID()}/work`);
  await expect(page.getByRole('heading', { name: 'No such job' })).toBeVisible();
  await page.goto('/nowhere');
  await expect(page.getByText('There is no such page in this workshop.')).toBeVisible();
});

test('with the server away a check is answered all the same, and confirmed later', async ({
  page,
  server,
}) => {
  await signIn(page);
  const href = (await page.getByTestId('job-SPR-0931').getByRole('link').getAttribute('href'))!;
  const job = href.split('/')[2]!;
  await page.goto(`/jobs/${job}/work`);
  await expect(page.getByTestId('instruction')).toHaveText('Check before closing');
  await scriptsCome(page, 'checks');
  await server.stop('SIGKILL');
  try {
    await pressTo(page, /\/checks$/);
    await answerOpen(page);
    await page.getByRole('button', { name: 'All checked: go on' }).click();
    await expect(page.getByTestId('instruction')).toHaveText('Put the cover plate back');
    await expect(page.getByTestId('kept')).not.toContainText('0 kept');
  } finally {
    await server.start();
  }
  await settled(page);
  expect((await logOf(page, job)).filter((e) => e.body.type === 'stepPassed')).toHaveLength(1);
});

test('a device is received with the server away, and is a job when it is back; what needs the server says so in the frame', async ({
  page,
  server,
}) => {
  await signIn(page);
  await page.getByRole('link', { name: 'Receive a device' }).click();
  // the models are known here from now on
  await expect(page.getByLabel('Serial or own tag')).toBeVisible();
  await page.getByRole('link', { name: 'Stock', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Stock' })).toBeVisible();
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'On the bench' })).toBeVisible();
  await page.waitForLoadState('networkidle').catch(() => {});
  await server.stop('SIGKILL');
  try {
    await page.getByRole('link', { name: 'Receive a device' }).click();
    await fillByKeyboard(page, 'AWAY-1', /received=AWAY-1/);
    await expect(page.getByText(/No network: AWAY-1 is kept here/)).toBeVisible();
    await expect(page.getByText('AWAY-1 waits in this browser to be received.')).toBeVisible();
    await page.getByRole('link', { name: 'Stock', exact: true }).click();
    await expect(page.getByRole('heading', { name: /No network/ })).toBeVisible();
    await expect(page.getByRole('navigation', { name: 'Open devices' })).toBeVisible();
  } finally {
    await server.start();
  }
  await page.goto('/');
  await expect(page.getByTestId('job-AWAY-1')).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText('waits in this browser')).toHaveCount(0);
});
