import { expect, signedIn, test } from './app';

test('a glue is kept by its sheet, takes twice as long in a room ten degrees colder, and what is wrong is said at its field', async ({
  page,
}) => {
  await signedIn(page, 'marek');
  await page.goto('/stock');
  await page.getByRole('link', { name: 'Glues' }).click();
  const glue = page.getByRole('region', { name: 'UV glue' });
  await expect(glue.getByTestId('here-uv-glue')).toHaveText('No sheet of it.');
  const contact = page.getByRole('region', { name: 'Contact glue' });
  await contact.getByLabel('Holds by itself after').fill('soon');
  await contact.getByRole('button', { name: 'Keep' }).click();
  await expect(contact.getByText('Give its name.')).toBeVisible();
  await expect(contact.getByText('Give from when it holds by itself, 0 to 14 days.')).toBeVisible();
  await contact.getByLabel('Product').fill('clear, flexible');
  await contact.getByLabel('At', { exact: true }).fill('22');
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
  await own.getByRole('button', { name: 'Find the reference leak' }).click();
  await expect(own.getByText(/Drawing down|Holding/)).toBeVisible();
  await expect(own.getByText(/The tester found its reference leak today: .* where 2 are/)).toBeVisible({
    timeout: 60_000,
  });
});
