import { expect, signedIn, test } from './app';

test('hours and absences are said on the Workshop screen; what is no time is said at its field, and taken back', async ({
  page,
}) => {
  await signedIn(page, 'ines');
  await page.goto('/workshop/people');
  const card = page.getByRole('region', { name: 'Hours and absences' });
  await expect(card.getByText('Nobody has said when the workshop is open')).toBeVisible();
  // as a person would who sees that the page was not awake yet
  await expect(async () => {
    await card.getByLabel('Monday, from').fill('9');
    await card.getByLabel('Monday, to').fill('8:30');
    await card.getByRole('button', { name: 'Keep' }).click();
    await expect(card.getByText('Two times such as 08:30, the later one last.')).toBeVisible({
      timeout: 3000,
    });
  }).toPass();
  // open round the clock, so that what comes after finds its benches open
  for (const day of ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']) {
    await card.getByLabel(`${day}, from`).fill('0');
    await card.getByLabel(`${day}, to`).fill('24:00');
  }
  await card.getByRole('button', { name: 'Keep' }).click();
  await expect(card.getByText('The day is planned within these hours')).toBeVisible();
  await page.reload();
  await expect(card.getByLabel('Monday, from')).toHaveValue('00:00');

  const away = card.getByRole('region', { name: 'Away' });
  await away.getByLabel('Who').click();
  await page.locator('.ant-select-item-option:visible', { hasText: 'Tova' }).click();
  await away.getByLabel('From').fill('2040-01-02 12:00');
  await away.getByLabel('From').press('Enter');
  await away.getByLabel('To', { exact: true }).fill('2040-01-02 13:00');
  await away.getByLabel('To', { exact: true }).press('Enter');
  await away.getByRole('button', { name: 'Add the absence' }).click();
  await expect(away.getByText(/Tova: .* 12:00 to .* 13:00/)).toBeVisible();
  await away.getByRole('button', { name: 'Take out' }).click();
  await expect(away.getByText('Nobody is said to be away.')).toBeVisible();
  await card.getByRole('button', { name: 'Every hour counts' }).click();
  await expect(card.getByText('Nobody has said when the workshop is open')).toBeVisible();
});

test('hours of one’s own, what one does alone and what warms up: said on the Workshop screen, and the day follows', async ({
  page,
}) => {
  await signedIn(page, 'ines');
  await page.goto('/workshop/people');
  const card = page.getByRole('region', { name: 'Hours and absences' });
  await expect(async () => {
    await card.getByLabel('Whose hours').click();
    await page.locator('.ant-select-item-option:visible', { hasText: 'Tova' }).click({ timeout: 2000 });
    await expect(card.getByText('Tova is there within these hours')).toBeVisible({ timeout: 2000 });
  }).toPass();
  await card.getByLabel('Monday, from').fill('0');
  await card.getByLabel('Monday, to').fill('24');
  await card.getByRole('button', { name: 'Keep' }).click();
  await expect(card.getByRole('button', { name: 'As the workshop' })).toBeVisible();
  await card.getByRole('button', { name: 'As the workshop' }).click();
  await expect(card.getByRole('button', { name: 'As the workshop' })).toHaveCount(0);
  const alone = page.getByLabel('Tova does chip work alone');
  await alone.uncheck();
  await expect(page.getByText('Kept', { exact: false }).first()).toBeVisible();
  await page.reload();
  await expect(alone).not.toBeChecked();
  await alone.check();
  await page.goto('/workshop');
  await page.getByLabel('How long the hot plate warms up').click();
  await page.locator('.ant-select-item-option:visible', { hasText: 'warms 10 min' }).click();
  await expect
    .poll(
      async () =>
        ((await (await page.request.get('/day')).json()) as { asked: { warmS: object } }).asked.warmS,
    )
    .toEqual({ 'hot-plate': 600 });
  await page.getByLabel('How long the hot plate warms up').click();
  await page.locator('.ant-select-item-option:visible', { hasText: 'is warm at once' }).click();
  await expect
    .poll(
      async () =>
        ((await (await page.request.get('/day')).json()) as { asked: { warmS: object } }).asked.warmS,
    )
    .toEqual({});
});
