import { expect, test } from './app';
import { everyScreen } from './every-screen';
import { inTheme, serious } from './look';

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
