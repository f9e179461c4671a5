import type { Page } from '@playwright/test';
import { faults, inTheme, serious, sizes } from './look';
import { expect, newJob, openReceive, press, settled, signedIn, test } from './app';

/** Every screen, of a job that is worked on. */
async function everyScreen(page: Page): Promise<{ paths: string[]; short: (path: string) => string }> {
  await signedIn(page);
  const job = await newJob(page, 'Mica 9', 'display');
  await press(page, 2);
  await settled(page);
  const draft = await openReceive(page);
  const paths = [
    '/',
    '/day/back',
    '/day/print',
    '/jobs',
    '/stock',
    '/stock/spares',
    '/stock/stencils',
    '/models',
    '/workshop',
    '/workshop/money',
    '/workshop/people',
    '/workshop/data',
    '/account',
    `/receive/${draft}`,
    ...['fault', 'offer', 'route', 'work', 'checks', 'hand-over', 'sort', 'rework', 'log', 'report'].map(
      (s) => `/jobs/${job}/${s}`,
    ),
  ];
  return { paths, short: (path) => path.replace(job, 'JOB').replace(draft, 'DRAFT') };
}

test('no screen is wider than its window, cuts a text or has a target too small for a finger, at four sizes and two of text', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const { paths, short } = await everyScreen(page);
  const found: string[] = [];
  for (const path of paths) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(path);
    for (const [width, height] of sizes) {
      await page.setViewportSize({ width, height });
      for (const text of ['normal', 'large']) {
        await page.evaluate((t) => {
          document.documentElement.dataset.text = t;
        }, text);
        for (const f of await page.evaluate(faults)) found.push(`${short(path)} ${width} ${text}: ${f}`);
      }
    }
  }
  expect(found).toEqual([]);
});

test('axe finds nothing serious on any screen, light and dark', async ({ page }) => {
  // twenty-four pages in two themes: minutes on a busy machine
  test.setTimeout(600_000);
  const { paths, short } = await everyScreen(page);
  const found: string[] = [];
  for (const path of paths) {
    await page.goto(path);
    await page.waitForTimeout(400);
    for (const one of await serious(page)) found.push(`light ${short(path)}: ${one}`);
    await inTheme(page, 'dark');
    for (const one of await serious(page, ['color-contrast'])) found.push(`dark ${short(path)}: ${one}`);
    // the next page begins light, as the server draws it
    await inTheme(page, 'light');
  }
  expect(found).toEqual([]);
});
