import { expect, press, signedIn, test, workedJob } from './app';

test('a device on the plate shows when it may come off, takes what the glass reads, and keeps what that says of the plate', async ({
  page,
}) => {
  await signedIn(page, 'ines');
  await workedJob(page, 'cell', 'heat');
  await press(page, 1);
  await expect(page.getByTestId('heat-window')).toHaveText(/Take it off by \d+:\d0: about \d seals of ten/);
  const planned = await page.getByTestId('heat-window').textContent();
  const panel = page.getByRole('region', { name: 'Heat window' });
  await expect(panel.getByRole('img', { name: /How warm they become: 0:00: seal \d+ °C/ })).toBeVisible();
  await expect(panel.getByText('Over the cell')).toBeVisible();
  await panel.getByLabel('The glass reads').fill('hot');
  await panel.getByRole('button', { name: 'Take it', exact: true }).click();
  await expect(panel.getByText('A temperature from 0 to 150 °C.')).toBeVisible();
  // what is not expected after so few seconds is asked for once more
  await panel.getByLabel('The glass reads').fill('88,5 °C');
  await panel.getByRole('button', { name: 'Take it', exact: true }).click();
  await expect(panel.getByText(/88.5 °C is not what is expected here/)).toBeVisible();
  await panel.getByRole('button', { name: 'Read the thermometer' }).click();
  await expect(panel.getByText(/Fitted from the readings: contact/)).toBeVisible();
  await expect(panel.getByText(/narrowed by one reading/)).toBeVisible();
  // and it is what the step says and the alarm goes by
  const told = page.getByTestId('heat-window');
  await expect(told).not.toHaveText(planned!);
  await expect(told).toHaveText(/Take it off (by|between)/);
  await panel.getByRole('button', { name: 'Read the thermometer' }).click();
  await expect(panel.getByText(/narrowed by 2 readings/)).toBeVisible();
  await panel.getByRole('button', { name: 'Keep for this source' }).click();
  await expect(panel.getByText(/windows at the hot plate are computed with it/)).toBeVisible();
  await panel.getByRole('button', { name: 'Map', exact: true }).click();
  await expect(page.getByRole('img', { name: /Map of the/ })).toBeVisible();

  await page.goto('/workshop');
  const sources = page.getByRole('region', { name: 'Heat sources' });
  await expect(sources.getByText(/fitted from 2 readings/)).toBeVisible();
  const plate = sources.getByLabel('hot plate is set to');
  await plate.fill('400');
  await plate.press('Enter');
  await expect(sources.getByText('From 30 to 100 °C.')).toBeVisible();
  await plate.fill('76');
  await plate.press('Enter');
  await expect(sources.getByText('Kept')).toBeVisible();
  await page.reload();
  await expect(plate).toHaveValue('76');
  await expect(sources.getByText(/fitted from 2 readings/)).toBeVisible();
  await sources.getByRole('button', { name: 'Forget it' }).click();
  await expect(sources.getByText('not measured: usual figures').first()).toBeVisible();
  await plate.fill('80');
  await plate.press('Enter');
  await expect(sources.getByText('Kept').first()).toBeVisible();
});

test('the route says beforehand how long on which source, and how sure that is', async ({ page }) => {
  await signedIn(page, 'ines');
  const job = await workedJob(page, 'cell', 'heat');
  await page.goto(`/jobs/${job}/route`);
  const card = page.getByRole('region', { name: 'Heat window' });
  await expect(card.getByText(/Take it off by \d+:\d0/)).toBeVisible();
  await expect(card.getByRole('img', { name: /How warm they become/ })).toBeVisible();
});
