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
