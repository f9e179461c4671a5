import { expect, go, logOf, settled, signedIn, test, workedJob } from './app';

test('a glue is kept by its sheet, takes twice as long in a room ten degrees colder, and what is wrong is said at its field', async ({
  page,
}) => {
  await signedIn(page, 'marek');
  await page.goto('/stock');
  await page.getByRole('link', { name: 'Glues' }).click();
  const glue = page.getByRole('region', { name: 'UV glue' });
  await expect(glue.getByTestId('here-uv-glue')).toHaveText('No sheet of it.');
  const contact = page.getByRole('region', { name: 'Contact glue' });
  // as a person would who sees that the page was not awake yet
  await expect(async () => {
    await contact.getByLabel('Holds by itself after').fill('soon');
    await contact.getByRole('button', { name: 'Keep' }).click();
    await expect(contact.getByText('Give its name.')).toBeVisible({ timeout: 3000 });
  }).toPass();
  await expect(contact.getByText('Give from when it holds by itself, 0 to 14 days.')).toBeVisible();
  await contact.getByLabel('Product').fill('clear, flexible');
  await contact.getByLabel('Its times are for').fill('22');
  await contact.getByLabel('Stays open').fill('5');
  await contact.getByLabel('Holds by itself after').fill('30');
  await contact.getByLabel('Whole strength after').fill('24');
  await contact.getByRole('button', { name: 'Keep' }).click();
  const here = contact.getByTestId('here-contact-glue');
  await expect(here).toHaveText(/open 5 min, holds after 30 min, whole strength after 1440 min|24 h/);
  await page.getByLabel('The room').fill('12');
  await page.getByRole('button', { name: 'Keep' }).last().click();
  await expect(here).toHaveText(/open 10 min, holds after 60 min/);
  // as it was, for whoever comes after
  await page.getByLabel('The room').fill('22');
  await page.getByRole('button', { name: 'Keep' }).last().click();
  await expect(here).toHaveText(/open 5 min/);
  await contact.getByRole('button', { name: 'No sheet' }).click();
  await expect(here).toHaveText('No sheet of it.');
});

test('the leak tester finds its reference leak on the Workshop screen', async ({ page }) => {
  await signedIn(page, 'tova');
  await page.goto('/workshop');
  const own = page.getByRole('region', { name: 'Its own test' });
  await expect(async () => {
    await own.getByRole('button', { name: 'Find the reference leak' }).click();
    await expect(own.getByText(/Drawing down|Holding/)).toBeVisible({ timeout: 2000 });
  }).toPass();
  await expect(own.getByText(/The tester found its reference leak today: .* where 2 are/)).toBeVisible({
    timeout: 60_000,
  });
});

test('a rim is seen to press by press, the press is run by its gauge, and after a leak the places to look at stand there', async ({
  page,
}) => {
  await signedIn(page, 'tova');
  const job = await workedJob(page, 'cell', 'clean rim');
  await expect(page.getByText(/Blue-green rim: alcohol only/)).toBeVisible();
  for (const done of [
    'rim of the frame is clean',
    'rim of the cover is clean',
    'ear mesh is in its seat',
    'all is dry',
  ]) {
    await expect(go(page)).toContainText(done);
    await page.keyboard.press('Space');
  }
  await expect(go(page)).toContainText('seal is down');
  await settled(page);
  const rims = (await logOf(page, job))
    .filter((e) => e.body.type === 'rimCleaned')
    .map((e) => e.body.what ?? 'frame');
  expect(rims).toEqual(['frame', 'other', 'mesh', 'dry']);
  // with the display open on its flexes the frame is not pressed: the closed device is
  const shut = await workedJob(page, 'cell', 'press');

  // under the press, by its gauge: the entry and its curve
  const card = page.getByRole('region', { name: 'Seal press' });
  await expect(card.getByTestId('press-set')).toContainText('75 kgf (735 N)');
  await card.getByRole('button', { name: 'Press, with the gauge' }).click();
  await expect(card.getByTestId('press-verdict')).toHaveText(/Held: 73\d N for 3[0-3] s\./, {
    timeout: 30_000,
  });
  await expect(card.getByRole('img', { name: /Force of the press: / })).toBeVisible();
  await settled(page);
  const read = (await logOf(page, shut)).find((e) => e.body.type === 'pressRead')!.body as unknown as {
    id: string;
  };
  expect((await page.request.get(`/jobs/${shut}/press/${read.id}.json`)).ok()).toBe(true);

  const other = await workedJob(page, 'cell', 'leak test');
  const tester = page.getByRole('region', { name: 'Leak tester' });
  await tester.getByLabel('Stand-in: what lies in it').click();
  await page.locator('.ant-select-item-option:visible', { hasText: 'one that leaks' }).click();
  await tester.getByRole('button', { name: 'Run the test' }).click();
  const places = page.getByRole('list', { name: 'Where it may leak' });
  await expect(places.getByRole('listitem').first()).toContainText('Corners that stand proud', {
    timeout: 60_000,
  });
  await places.getByRole('button', { name: 'It leaks here' }).first().click();
  await expect
    .poll(async () => (await logOf(page, other)).at(-1)!.body)
    .toMatchObject({ type: 'noted', text: 'leak: a corner stood proud; pressed again' });
  await expect(places.getByText('Noted. Mend it, then test again above.')).toBeVisible();
  // mended, it is tested again from where one is, and holds
  await tester.getByLabel('Stand-in: what lies in it').click();
  await page.locator('.ant-select-item-option:visible', { hasText: 'a device that holds' }).click();
  await tester.getByRole('button', { name: 'Test again' }).click();
  await expect(places).toHaveCount(0, { timeout: 60_000 });
  expect((await logOf(page, other)).at(-1)!.body).toMatchObject({ type: 'leakTested', holds: true });
});

test('the hot plate is read while a device is warmed, and set as the window was computed with', async ({
  page,
}) => {
  await signedIn(page, 'tova');
  const job = await workedJob(page, 'cell', 'heat');
  const plate = page.getByRole('region', { name: 'Hot plate' });
  const now = plate.getByTestId('plate-now');
  await expect(now).toHaveText(/80 °C/);
  // it is put on with what the plate reads
  await page.keyboard.press('Space');
  await expect(page.getByTestId('go')).toContainText(/ready in \d:\d\d/);
  const last = async () => (await logOf(page, job)).at(-1)!.body;
  await expect.poll(last).toMatchObject({ type: 'heatStarted', station: 'hot-plate', setC: 80, hot: 80 });
  await plate.getByRole('button', { name: 'Turn it off' }).click();
  await expect(now).toHaveText(/The plate is off/);
  // cold, no time counts
  await expect(page.getByText('The source is cold: no time counts until it is warm again')).toBeVisible({
    timeout: 60_000,
  });
  await expect(page.getByTestId('go')).toContainText('the source is cold');
  await plate.getByRole('button', { name: 'Set it to 80 °C' }).click();
  await expect(page.getByTestId('go')).toContainText(/ready in/, { timeout: 30_000 });
  const told = async () => (await logOf(page, job)).filter((e) => e.body.type === 'sourceRead').length;
  await expect.poll(told).toBe(2);
});
