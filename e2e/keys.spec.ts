import { expect, logOf, newJob, pressTo, settled, signedIn, test, workedJob } from './app';

test('checks by keys: 1, 2, 3 answer, J and K move, and the pedal answers all that worked before, by their number', async ({
  page,
}) => {
  await signedIn(page);
  const job = await workedJob(page, 'cell', 'check');
  await pressTo(page, /\/checks$/);
  const go = page.getByTestId('go');
  await expect(go).toContainText(/All \d+ checks as they should be/);
  const rows = page.locator('[data-testid^=check-]');
  const hot = page.locator('[data-testid^=check-][aria-current=true]');
  const first = await hot.getAttribute('data-testid');
  await page.keyboard.press('j');
  await expect(hot).not.toHaveAttribute('data-testid', first!);
  await page.keyboard.press('k');
  await expect(hot).toHaveAttribute('data-testid', first!);
  // a digit answers here, and changes no device
  await page.keyboard.press('2');
  await expect(page.getByTestId(first!)).toContainText('changed');
  expect(page.url()).toMatch(/\/checks$/);
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('1');
  await expect(page.getByTestId(first!)).not.toContainText('changed');
  const left = Number(/All (\d+)/.exec(await go.innerText())![1]);
  expect(left).toBeLessThan(await rows.count());
  // what was not tested before is answered by nobody's pedal; a press before it could be read does nothing
  const title = page.getByRole('heading', { level: 1 });
  await expect(async () => {
    await page.keyboard.press('PageDown');
    await expect(title).toContainText('2 open', { timeout: 200 });
  }).toPass();
  await expect(go).toHaveCount(0);
  await page.keyboard.press('PageDown');
  await expect(title).toContainText('2 open');
  for (const open of ['1 open', 'all answered']) {
    await page.keyboard.press('1');
    await expect(title).toContainText(open);
  }
  await expect(go).toContainText('All checked: go on');
  await settled(page);
  const bodies = (await logOf(page, job)).map((e) => e.body);
  const works = bodies.filter((b) => b.type === 'checked' && b.round === 'mid' && b.result === 'works');
  expect(works).toHaveLength(left + 3);
  await pressTo(page, /\/work$/);
  await expect(page.getByTestId('instruction')).toBeVisible();
});

test('? shows the keys on every screen, 0 all devices, and under a dialog no key acts', async ({ page }) => {
  await signedIn(page);
  const job = await newJob(page, 'Sprig');
  for (const screen of ['jobs', `jobs/${job}/offer`, `jobs/${job}/work`]) {
    await page.goto(`/${screen}`);
    await expect(async () => {
      await page.keyboard.press('?');
      await expect(page.getByRole('dialog', { name: 'Keys and view' })).toBeVisible({ timeout: 1000 });
    }).toPass();
    await page.keyboard.press('0');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
    expect(page.url()).toContain(screen);
  }
  await page.keyboard.press('0');
  await page.waitForURL((u) => u.pathname === '/');
});
