import { expect, test } from './app';
import { everyScreen } from './every-screen';
import { faults, sizes } from './look';
import { planning } from '../words/screens/day';

test('no screen is wider than its window, cuts a text or has a target too small for a finger, at four sizes and two of text', async ({
  page,
}) => {
  const { paths, short } = await everyScreen(page);
  const found: string[] = [];
  for (const path of paths) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(path);
    // what is planned beside the page has come
    await expect(page.getByText(planning)).toHaveCount(0, { timeout: 60_000 });
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
        for (const f of await page.evaluate(faults)) found.push(`${short(path)} ${width} ${text}: ${f}`);
      }
    }
  }
  expect(found).toEqual([]);
});
