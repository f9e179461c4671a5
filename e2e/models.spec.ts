import { readFileSync } from 'node:fs';
import { expect, openReceive, signedIn, test } from './app';

test('a model is brought in from a file, looked at on both sides, received of, and taken away as the same file', async ({
  page,
}) => {
  await signedIn(page, 'ines');
  await page.goto('/models');
  await page.getByRole('link', { name: 'Tarnwick Mica 9', exact: true }).click();
  await expect(page.getByRole('img', { name: /Map of the Mica 9/i })).toBeVisible();
  await page.getByRole('button', { name: 'Turn over' }).click();
  await expect(page.getByRole('img', { name: /back/ })).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'As a file' }).click();
  const model = JSON.parse(readFileSync(await (await download).path(), 'utf8')) as {
    id: string;
    name: string;
  };

  await page.getByRole('link', { name: 'Models', exact: true }).first().click();
  const file = (content: unknown) => ({
    name: 'model.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(content)),
  });
  const choose = page.locator('input[type=file]');
  await choose.setInputFiles(file({ ...model, id: 'own-nine', slots: [] }));
  await expect(page.getByText(/Nothing was taken in: \d+ problems?\./)).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'slots' }).first()).toBeVisible();
  await choose.setInputFiles(file({ ...model, id: 'own-nine', name: 'Own Nine' }));
  await page.getByRole('link', { name: 'Look at it' }).click({ timeout: 30_000 });
  await expect(page.getByRole('heading', { name: /Own Nine/ })).toBeVisible();
  // awake: the form puts the focus into its first field itself
  await openReceive(page);
  const pick = page.getByLabel('Model', { exact: true });
  await pick.focus();
  await page.keyboard.type('Own Nine');
  await expect(
    page
      .getByTitle('Own Nine')
      .or(page.getByText('Own Nine', { exact: true }))
      .first(),
  ).toBeVisible();

  await page.goto('/models?from=own');
  await page.getByRole('link', { name: /Own Nine/ }).click();
  await page.getByRole('button', { name: 'No longer receive' }).click();
  await expect(page.getByText('No device is received of it any more.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Receive of it' })).toBeVisible();
});
