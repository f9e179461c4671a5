import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, signedIn, test } from './app';
import { faults, inTheme, serious, sizes } from './look';

const thing = (page: Page, id: string) => page.locator(`[data-thing=${id}]`).first();
const placeOf = async (page: Page, id: string) => {
  const box = (await thing(page, id).boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
};
async function drag(page: Page, id: string, dx: number, dy: number): Promise<void> {
  const from = await placeOf(page, id);
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + dx / 2, from.y + dy / 2, { steps: 3 });
  await page.mouse.move(from.x + dx, from.y + dy, { steps: 3 });
  await page.mouse.up();
}
const figure = (page: Page, label: string) => page.getByLabel(label, { exact: true });

test('a model is changed on its map: moved, put in, taken back, kept by a reload, and kept as a version of one’s own', async ({
  page,
}) => {
  await signedIn(page, 'ines');
  await page.goto('/models');
  await page.getByRole('link', { name: 'Tarnwick Mica 9', exact: true }).click();
  await page.getByRole('link', { name: 'Edit on the map' }).click();
  await expect(page.getByTestId('no-problems')).toHaveText(/there is a way to every part/);

  // a part takes its screws along; one drag is one step
  await thing(page, 'vibration').click();
  const before = await figure(page, 'x').inputValue();
  await expect(page.getByTestId('route-to')).toHaveText(/\d+ steps/);
  const screw = await placeOf(page, 'V1');
  await drag(page, 'vibration', 14, 9);
  await expect(figure(page, 'x')).not.toHaveValue(before);
  expect((await placeOf(page, 'V1')).x).toBeGreaterThan(screw.x + 5);
  await page.keyboard.press('Control+z');
  await expect(figure(page, 'x')).toHaveValue(before);
  await page.keyboard.press('Control+y');
  await page.keyboard.press('Control+z');

  // by arrows, with the figure beside it
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(figure(page, 'x')).toHaveValue(String(Number(before) + 1.1));

  // a screw where one taps; what is no length is said at its field, and not taken
  await page.getByText('Screw', { exact: true }).click();
  const at = await placeOf(page, 'loudspeaker');
  await page.mouse.click(at.x, at.y);
  await page.keyboard.press('Escape');
  await page.mouse.click(at.x, at.y);
  await expect(page.getByRole('heading', { name: 'screw', exact: true })).toBeVisible();
  await figure(page, 'Length').fill('long');
  await figure(page, 'Length').press('Enter');
  await expect(page.locator('.ant-form-item-explain-error')).toBeVisible();
  await figure(page, 'Length').fill('1,9');
  await figure(page, 'Length').press('Enter');
  await expect(figure(page, 'Length')).toHaveValue('1.9');

  // what is missing is said, with the way to it
  await page.getByRole('combobox', { name: 'Go to' }).fill('K-cell');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Take out' }).click();
  const wrong = page.getByRole('region', { name: 'What is wrong' });
  await expect(wrong.getByText(/expected one connector of power/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep and receive of it' })).toBeDisabled();
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('no-problems')).toBeVisible();

  // a closed tab loses nothing
  await page.waitForTimeout(300);
  await page.reload();
  await expect(page.getByText(/changes? of yours were still in this browser/)).toBeVisible();
  await thing(page, 'vibration').click();
  await expect(figure(page, 'x')).toHaveValue(String(Number(before) + 1.1));

  await page.getByRole('button', { name: 'Keep and receive of it' }).click();
  await expect(page.getByText(/devices are received of this Mica 9, own/)).toBeVisible({ timeout: 30_000 });
  await expect(wrong).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save the screws' }).click();
  const csv = readFileSync(await (await download).path(), 'utf8');
  expect(csv).toContain('length_mm');
  await page
    .locator('input[type=file]')
    .last()
    .setInputFiles({
      name: 'screws.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(csv.replace(/^B1,.*$/m, (line) => line.replace(/PH000|Y000|P2/, 'bad'))),
    });
  await expect(page.getByText(/Nothing (was|is) taken in|line \d+/).first()).toBeVisible();
});

test('a photograph is put straight under the map by its four corners; crossed ones are refused', async ({
  page,
}) => {
  await signedIn(page, 'marek');
  await page.goto('/models');
  await page.getByRole('main').getByRole('link', { name: /Sprig/ }).click();
  await page.getByRole('link', { name: 'Edit on the map' }).click();
  const picture = await page.screenshot();
  const choose = page.getByRole('region', { name: 'Photograph under the map' }).locator('input[type=file]');
  await choose.setInputFiles({ name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByText(/cannot read this as a picture/)).toBeVisible();
  await choose.setInputFiles({ name: 'phone.png', mimeType: 'image/png', buffer: picture });
  const dialog = page.getByRole('dialog');
  const mark = async (places: [number, number][]) => {
    for (const [x, y] of places) await dialog.locator('canvas').click({ position: { x, y } });
    await dialog.getByRole('button', { name: 'Put it straight' }).click();
  };
  await mark([
    [50, 40],
    [240, 300],
    [250, 50],
    [60, 310],
  ]);
  await expect(dialog.getByText(/no corners of a device/)).toBeVisible();
  await mark([
    [50, 40],
    [250, 50],
    [240, 300],
    [60, 310],
  ]);
  const under = page.locator('[data-testid=edit-map] image');
  await expect(under).toHaveAttribute('href', /^\/model-photos\/sprig\//);
  await page.reload();
  await expect(under).toBeVisible();
  // of the other side nothing is shown
  await page.getByRole('button', { name: 'Turn over' }).click();
  await expect(under).toHaveCount(0);

  // two known places: the same one twice is refused, two apart scale it
  await choose.setInputFiles({ name: 'back.png', mimeType: 'image/png', buffer: picture });
  await dialog.getByText('Two known places').click();
  const place = async (label: string, option: RegExp) => {
    await dialog.getByLabel(label).click();
    await page.locator('.ant-select-item-option:visible', { hasText: option }).click();
  };
  await place('Second place', /^top left corner$/);
  await mark([
    [60, 50],
    [200, 300],
  ]);
  await expect(dialog.getByText('Both are the same place')).toBeVisible();
  await place('Second place', /^bottom left corner$/);
  await mark([
    [60, 50],
    [70, 300],
  ]);
  await expect(under).toHaveAttribute('href', /^\/model-photos\/sprig\//);
  // another bench sees both, each under its side
  const other = await page.context().browser()!.newContext();
  const lead = await other.newPage();
  await signedIn(lead, 'ines');
  await lead.goto(page.url());
  await expect(lead.locator('[data-testid=edit-map] image')).toBeVisible();
  await lead.getByRole('button', { name: 'Take it away' }).click();
  await expect(lead.locator('[data-testid=edit-map] image')).toHaveCount(0);
  await lead.getByRole('button', { name: 'Turn over' }).click();
  await lead.getByRole('button', { name: 'Take it away' }).click();
  await expect(lead.locator('[data-testid=edit-map] image')).toHaveCount(0);
  await other.close();
});

test('what only one variant has otherwise is changed there alone, listed, and taken back', async ({
  page,
}) => {
  await signedIn(page, 'marek');
  await page.goto('/models');
  await page.getByRole('main').getByRole('link', { name: 'Tarnwick Mica 9', exact: true }).click();
  await page.getByRole('link', { name: 'Edit on the map' }).click();
  const changedIn = async (name: string) => {
    await page.getByLabel('Changed in').click();
    await page.locator('.ant-select-item-option:visible', { hasText: name }).click();
  };
  await thing(page, 'vibration').click();
  const before = await figure(page, 'x').inputValue();
  await changedIn('only without SIM tray');
  await expect(page.locator('[data-thing=sim-tray]')).toHaveCount(0);
  await page.keyboard.press('ArrowRight');
  await expect(figure(page, 'x')).toHaveValue(String(Number(before) + 1));
  await changedIn('all variants');
  await expect(figure(page, 'x')).toHaveValue(before);

  const card = page.getByRole('region', { name: 'Variants' });
  await card.getByText(/without SIM tray: \d+ differences/).click();
  const moved = card.getByRole('listitem').filter({ hasText: '(vibration): another one here' });
  await moved.getByRole('button', { name: 'As in all' }).click();
  await expect(moved).toHaveCount(0);
  await changedIn('only without SIM tray');
  await thing(page, 'vibration').click();
  await expect(figure(page, 'x')).toHaveValue(before);

  await card.getByRole('button', { name: 'Another variant' }).click();
  await card.getByText('variant 3: as all').click();
  await card.getByLabel('name').last().fill('deep tray');
  await card.getByLabel('name').last().press('Enter');
  await expect(card.getByText('deep tray: as all')).toBeVisible();
  await card.getByRole('button', { name: 'Take this variant out' }).last().click();
  await expect(card.getByText('deep tray: as all')).toHaveCount(0);
});

test('the editor passes at every size, light and dark, with a part and with a screw chosen', async ({
  page,
}) => {
  await signedIn(page, 'marek');
  await page.goto('/models');
  await page.getByRole('main').getByRole('link', { name: 'Tarnwick Mica 9', exact: true }).click();
  await page.getByRole('link', { name: 'Edit on the map' }).click();
  const found: string[] = [];
  for (const id of ['cell', 'B1']) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await thing(page, id).click();
    await expect(page.getByRole('region', { name: 'Editing' })).toBeVisible();
    for (const [width, height] of sizes) {
      await page.setViewportSize({ width, height });
      for (const f of await page.evaluate(faults)) found.push(`${id} ${width}: ${f}`);
    }
    await page.setViewportSize({ width: 1280, height: 800 });
    for (const theme of ['light', 'dark'] as const) {
      await inTheme(page, theme);
      for (const one of await serious(page, theme === 'dark' ? ['color-contrast'] : undefined))
        found.push(`${id} ${theme}: ${one}`);
    }
    await inTheme(page, 'light');
    await page.reload();
  }
  expect(found).toEqual([]);
});
