import type { Page } from '@playwright/test';
import { planning } from '../words/screens/day';
import { expect, test } from './app';
import { everyScreen } from './every-screen';
import { faults, inTheme, serious, sizes, still } from './look';

/** What is too wide, cut or too small on a page, at every size and with both sizes of text. */
async function cutOrSmall(page: Page): Promise<string[]> {
  const found: string[] = [];
  for (const [width, height] of sizes) {
    await page.setViewportSize({ width, height });
    for (const text of ['normal', 'large']) {
      await page.evaluate((t) => {
        document.documentElement.dataset.text = t;
      }, text);
      // what is drawn to its box follows a frame later: a chart
      await page.evaluate(
        () => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))),
      );
      for (const fault of await page.evaluate(faults)) found.push(`${width} ${text}: ${fault}`);
    }
  }
  await page.setViewportSize({ width: 1280, height: 800 });
  return found;
}
test.describe.configure({ mode: 'parallel' });
// halves that keep two workers busy for the same time
for (const half of [0, 1])
  test(`every screen, half ${half + 1}: axe finds nothing serious, light and dark; nothing is wider than its window, cut or too small for a finger`, async ({
    page,
  }) => {
    // twelve pages in two themes, four sizes and two of text: minutes on a busy machine
    test.setTimeout(600_000);
    const { paths, short } = await everyScreen(page);
    const found: string[] = [];
    for (const [n, path] of paths.filter((_, at) => at % 2 === half).entries()) {
      // each page is looked at in the theme that the one before it was left in, and then in the other
      const [first, second] = n % 2 ? (['dark', 'light'] as const) : (['light', 'dark'] as const);
      await page.goto(path);
      // what is planned beside the page has come
      await expect(page.getByText(planning)).toHaveCount(0, { timeout: 60_000 });
      await inTheme(page, first);
      await still(page);
      for (const one of await serious(page)) found.push(`${first} ${short(path)}: ${one}`);
      await inTheme(page, second);
      for (const one of await serious(page, ['color-contrast']))
        found.push(`${second} ${short(path)}: ${one}`);
      for (const one of await cutOrSmall(page)) found.push(`${short(path)} ${one}`);
    }
    expect(found).toEqual([]);
  });
