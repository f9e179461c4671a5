import type { Page } from '@playwright/test';
import { expect, logOf, newJob, press, settled, signedIn, test } from './app';

/** A new badge, as an owner makes it. @returns its code */
async function badgeOf(page: Page, name: string): Promise<string> {
  await page.getByRole('button', { name: `More about ${name}` }).click();
  await page.getByRole('menuitem', { name: 'New badge' }).click();
  const sheet = page.getByRole('dialog', { name: `Badge of ${name}` });
  const code = await sheet.getByText(/^SB[0-9A-Z]{20}$/).innerText();
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
  return code;
}
/** As a scanner types: all of it without waiting for an answer between, however busy the machine is. */
async function scan(page: Page, code: string): Promise<void> {
  const wire = await page.context().newCDPSession(page);
  const key = (type: 'keyDown' | 'keyUp', name: string, text?: string) =>
    wire.send('Input.dispatchKeyEvent', { type, key: name, ...(text ? { text } : {}) });
  await Promise.all(
    [...code]
      .flatMap((c) => [key('keyDown', c, c), key('keyUp', c)])
      .concat(key('keyDown', 'Enter', '\r'), key('keyUp', 'Enter')),
  );
  await wire.detach();
}
/** Scans until it is seen to have been taken: with a pause between two characters it is no badge, and one scans once more. */
async function scanned(
  page: Page,
  code: string,
  taken: (soon: { timeout: number }) => Promise<void>,
): Promise<void> {
  await expect(async () => {
    await scan(page, code);
    await taken({ timeout: 4000 });
  }).toPass({ timeout: 30_000 });
}

test('a badge changes hands at a bench and the screen stays; a bench locks by itself and opens again where it was', async ({
  page,
}) => {
  await page.clock.install();
  await signedIn(page, 'ines');
  await page.goto('/workshop/people');
  await page.getByLabel(/Lock after minutes/).fill('1');
  await page.locator('form').filter({ hasText: 'Lock after minutes' }).getByRole('button').click();
  await expect(page.getByText('Kept.')).toBeVisible();
  const [marek, tova] = [await badgeOf(page, 'Marek'), await badgeOf(page, 'Tova')];

  const job = await newJob(page, 'Mica 9', 'display');
  await settled(page);
  const here = page.url();
  expect(here).toContain(job);
  await scanned(page, marek, (soon) => expect(page.locator('.who').getByText('Marek')).toBeVisible(soon));
  expect(page.url()).toBe(here);
  // the same screen, of another person, is awake
  await settled(page);
  // what is done from now on is done by whoever holds the badge
  const before = (await logOf(page, job)).length;
  await press(page, 1);
  await settled(page);
  const log = await logOf(page, job);
  expect(new Set(log.slice(before).map((event) => event.by)).size).toBe(1);
  expect(log.at(-1)!.by).not.toBe(log[0]!.by);

  // a badge that is scanned into a field is no text of it
  await page.goto('/jobs');
  const search = page.getByRole('searchbox').or(page.getByRole('textbox')).first();
  await search.fill('cracked');
  await search.focus();
  await page.clock.fastForward(70_000);
  await expect(page.getByRole('dialog', { name: 'Locked: Marek' })).toBeVisible();
  await expect(page.getByText(/Number or password of Marek/)).toBeVisible();
  // loaded anew it is still locked, and nothing of the page comes
  const other = await page.context().newPage();
  await other.goto('/stock');
  await other.waitForURL('**/locked?to=%2Fstock');
  await other.close();
  await page.getByLabel(/Number or password/).fill('1234');
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByText('That is not it.')).toBeVisible();
  await scanned(page, marek, (soon) => expect(page.getByRole('dialog')).toBeHidden(soon));
  await expect(search).toHaveValue('cracked');
  await page.clock.fastForward(70_000);
  await expect(page.getByRole('dialog', { name: 'Locked: Marek' })).toBeVisible();
  await scanned(page, tova, (soon) => expect(page.locator('.who').getByText('Tova')).toBeVisible(soon));
  await expect(page.getByRole('dialog')).toBeHidden();

  await signedIn(page, 'ines');
  await page.goto('/workshop/people');
  await page.getByLabel(/Lock after minutes/).fill('0');
  await page.locator('form').filter({ hasText: 'Lock after minutes' }).getByRole('button').click();
  await expect(page.getByText('Kept.')).toBeVisible();
});
