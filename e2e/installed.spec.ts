import { jobScreens } from '../app/screens';
import { expect, newJob, press, settled, signedIn, test, typesOf } from './app';

test.describe('as an installed app', () => {
  test.use({ serviceWorkers: 'allow' });
  test('the bench starts cold without a server, works on, and loses nothing', async ({
    page,
    context,
    server,
  }) => {
    await signedIn(page);
    const job = await newJob(page, 'Sprig');
    await press(page, 1);
    await settled(page);
    // the service worker keeps every screen of the job
    const screens = jobScreens.map(({ path }) => `/jobs/${job}/${path}`);
    await expect
      .poll(
        () =>
          page.evaluate(async (paths) => {
            const cache = await caches.open('snavek-pages');
            const kept = await Promise.all(paths.map((p) => cache.match(p)));
            return kept.filter(Boolean).length;
          }, screens),
        { timeout: 30_000 },
      )
      .toBe(screens.length);
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await press(page, 2);
    await settled(page);
    await page.close();
    await server.stop('SIGKILL');
    const cold = await context.newPage();
    try {
      await cold.goto(`/jobs/${job}/work`);
      // as it stood at the last press, not as it was when the page was kept
      await expect(cold.getByTestId('screws-out')).toContainText('2 / 10');
      await press(cold, 2);
      await cold.keyboard.press('n');
      await cold.locator('input[type=file]').setInputFiles({
        name: 'a.png',
        mimeType: 'image/png',
        buffer: Buffer.from(
          'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==',
          'base64',
        ),
      });
      await expect(cold.getByTestId('kept')).toContainText('3 kept');
      // each of them, from the address and from the tabs
      for (const path of screens) {
        await cold.goto(path);
        await expect(cold.getByRole('navigation', { name: 'This job' })).toBeVisible();
        await expect(cold.getByText(/cannot be shown|No network/)).toHaveCount(0);
      }
      for (const tab of ['Work', 'Offer', 'Fault', 'Checks', 'Log']) {
        await cold.getByRole('link', { name: tab, exact: true }).click();
        await expect(cold.getByRole('link', { name: tab, exact: true })).toHaveAttribute(
          'aria-current',
          'page',
        );
        await expect(cold.getByRole('main')).toBeVisible();
        await expect(cold.getByText(/cannot be shown|No network/)).toHaveCount(0);
      }
      await cold.goto('/');
      await expect(cold.getByRole('heading', { name: 'On the bench' })).toBeVisible();
    } finally {
      await server.start();
    }
    await cold.goto(`/jobs/${job}/work`);
    await settled(cold);
    await expect
      .poll(async () => (await typesOf(cold, job)).slice(-3).toSorted())
      .toEqual(['catchFreed', 'catchFreed', 'photographed']);
  });
});
