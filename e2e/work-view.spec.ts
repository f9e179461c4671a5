import { awake, expect, newJob, press, signedIn, test } from './app';

test('dark, larger text and no letter keys: kept in this browser, right from the first paint', async ({
  page,
}) => {
  await signedIn(page);
  const job = await newJob(page);
  await page.keyboard.press('?');
  await page.getByRole('button', { name: 'Dark, for the microscope' }).click();
  await page.getByRole('button', { name: 'larger' }).click();
  await page.getByLabel('shortcuts of one letter or digit').uncheck();
  await page.keyboard.press('Escape');
  await page.goto(`/jobs/${job}/work`);
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await expect(page.locator('html')).toHaveAttribute('data-text', 'large');
  await awake(page);
  await page.keyboard.press('t');
  // what came of the letter would be there before what comes of the next key
  await press(page, 1, 'PageDown');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('the map comes closer by wheel and keys, goes back to the step, and a drag picks nothing', async ({
  page,
}) => {
  await signedIn(page);
  await newJob(page);
  const map = page.locator('svg[aria-label^="Map"]');
  const width = async () => Number((await map.getAttribute('viewBox'))!.split(' ')[2]);
  const box = (await map.boundingBox())!;
  const whole = await width();
  await page.mouse.move(box.x + box.width * 0.7, box.y + box.height / 2);
  await page.mouse.wheel(0, -600);
  await expect.poll(width).toBeLessThan(whole * 0.75);
  const near = await width();
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.6, box.y + box.height / 2 + 40, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('-');
  await expect.poll(width).toBeGreaterThan(near);
  await page.keyboard.press('Home');
  await page.keyboard.press('v');
  await expect(map).toHaveAttribute('aria-label', /back/);
});
