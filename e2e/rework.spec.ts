import type { Page } from '@playwright/test';
import type { Body } from '../core/log/events';
import type { ReworkStepId } from '../core/rework/work-plan';
import { expect, logOf, newJob, pressTo, signedIn, test, workedJob } from './app';

/** Reports what was done an hour ago, by requests. */
async function longAgo(page: Page, job: string, bodies: Body[]): Promise<void> {
  // of work that is not begun yet nothing would become known
  await expect
    .poll(async () => (await logOf(page, job)).some((e) => e.body.type === 'reworkBegun'))
    .toBe(true);
  const [first] = await logOf(page, job);
  const commands = bodies.map((body, k) => ({
    ...{ id: crypto.randomUUID(), job, person: first!.by, body, at: Date.now() - 3_500_000 + k * 1000 },
    clockKnown: true,
  }));
  const r = await page.request.post('/commands', { data: { commands } });
  expect(r.ok()).toBe(true);
}
const done = (...steps: ReworkStepId[]): Body[] =>
  steps.map((step) => ({ type: 'reworkStepped', slot: 'id-chip', step }));
/** Presses the pedal until a line is shown or alcohol flashes off; each press has to come to something. @returns how many reported something */
async function pedal(page: Page, job: string, until: RegExp): Promise<number> {
  for (let presses = 0; presses < 80; ) {
    const shown = await page.locator('main').textContent();
    if (until.test(shown ?? '')) return presses;
    const before = (await logOf(page, job)).length;
    // fumes: the first press of all says that the extraction is on
    const extraction = page.getByRole('switch');
    const turnsOn = (await extraction.count()) > 0 && !(await extraction.isChecked());
    // two presses within a second are one
    await page.waitForTimeout(1000);
    await page.keyboard.press('PageDown');
    if (turnsOn) await expect(extraction).toBeChecked();
    else {
      await expect.poll(async () => (await logOf(page, job)).length).toBeGreaterThan(before);
      presses++;
    }
  }
  throw new Error('no end');
}

test('a chip is moved by pedal alone, through the microscope: no press does nothing, and none goes through wet alcohol', async ({
  page,
}) => {
  await signedIn(page, 'ines');
  const job = await workedJob(page, 'id-chip', 'rework', 'Dune 3', 'rework');
  await expect(page.getByTestId('go')).toContainText('Open the rework bench');
  // the route has taken the battery off and out: the bench does not ask for it again
  await pressTo(page, /\/rework$/);
  await expect(page.getByText(/Chance that the part is lost: 20 %/)).toBeVisible();
  // as the house does it: 280 °C, in the card and in the heat profile
  await expect(page.getByLabel('Air, °C')).toHaveValue('280');
  await expect(page.getByText('display chips D fits exactly')).toBeVisible();
  await expect(page.getByTestId('lift-window')).toBeVisible();
  await page.getByRole('button', { name: 'Begin' }).click();
  // no press says that its data are saved: the programmer reads them, or the customer goes without
  await expect(page.getByRole('button', { name: 'Read the data' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Leave it out' })).toHaveCount(0);
  await longAgo(page, job, [
    { type: 'dataRead', slot: 'id-chip' },
    ...done('insulate', 'free flex', 'clamp'),
  ]);
  await page.reload();
  await page.getByRole('button', { name: 'Microscope', exact: true }).click();
  // underfill, lift, tin and wick: heat on and done; washed, and its pads looked at: good, and done
  expect(await pedal(page, job, /Alcohol flashes off/)).toBe(11);
  await expect(page.getByRole('button', { name: /Alcohol flashes off: \d:\d\d/ })).toBeDisabled();
  const before = (await logOf(page, job)).length;
  await page.keyboard.press('PageDown');
  await page.waitForTimeout(300);
  expect(await logOf(page, job)).toHaveLength(before);

  // lost: the customer decides, and no press says that it was done
  await page.getByRole('button', { name: 'Leave the microscope' }).click();
  await page.getByRole('button', { name: 'The part is lost' }).click();
  await page.getByRole('tooltip').getByRole('button', { name: 'OK' }).click();
  await expect(page.getByTestId('instruction')).toContainText('Ask the customer: the identity chip');
  const lost = (await logOf(page, job)).length;
  await page.keyboard.press('Space');
  await page.waitForTimeout(300);
  expect(await logOf(page, job)).toHaveLength(lost);
  await page.getByRole('button', { name: 'A new identity chip' }).click();
  await expect(page).toHaveURL(/\/offer$/);
  expect((await logOf(page, job)).at(-1)!.body).toMatchObject({ type: 'taskSet', action: 'replace' });

  // an hour later, on another one: pads, balls, place, test
  const other = await newJob(page, 'Dune 3', 'id-chip', 'rework');
  await page.goto(`/jobs/${other}/rework`);
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByTestId('rework-say')).toBeVisible();
  const first: ReworkStepId[] = ['cell off', 'save data', 'insulate', 'free flex', 'clamp', 'underfill'];
  await longAgo(page, other, [
    { type: 'connectorOff', connector: 'K-cell' },
    { type: 'dataRead', slot: 'id-chip' },
    ...done(...first, 'lift', 'tin', 'wick', 'wash'),
  ]);
  await page.reload();
  // a photograph lies under the pads, put straight by the corners of the field, and is in the record
  const pads = page.getByRole('region', { name: 'Pads' });
  const picture = await page.screenshot();
  await pads
    .locator('input[type=file]')
    .setInputFiles({ name: 'chip.png', mimeType: 'image/png', buffer: picture });
  const dialog = page.getByRole('dialog');
  for (const [x, y] of [
    [60, 60],
    [260, 62],
    [258, 200],
    [62, 198],
  ] as const)
    await dialog.locator('canvas').click({ position: { x, y } });
  await dialog.getByRole('button', { name: 'Put it straight' }).click();
  await expect(pads.locator('.over-photo')).toBeVisible();
  await expect.poll(async () => (await logOf(page, other)).map((e) => e.body.type)).toContain('photographed');
  await page.getByRole('button', { name: 'B2: not looked at, carries nothing' }).click();
  await page.getByRole('button', { name: 'B2: good, carries nothing' }).click();
  await page.getByRole('button', { name: 'B2: oxidised, carries nothing' }).click();
  await expect(page.getByRole('button', { name: 'B2: lifted, carries nothing' })).toBeVisible();
  await page.getByRole('button', { name: 'The other 23 are good' }).first().click();
  await expect(page.getByText('B2 lifted, and nothing runs over it: go on.')).toBeVisible();
  await page.getByRole('button', { name: 'Microscope', exact: true }).click();
  // the notice is still there the first time: it is unplugged, warmed and tried again
  await pedal(page, other, /Test it beside the open phone/);
  await page.getByRole('button', { name: 'Works, notice still there' }).click();
  await expect(page.getByTestId('rework-say')).toContainText('unplug the battery');
  await pedal(page, other, /Test it beside the open phone/);
  expect(await pedal(page, other, /How did it end/)).toBeGreaterThan(3);
  await page.waitForTimeout(1000);
  await page.keyboard.press('PageDown');
  await expect.poll(async () => (await logOf(page, other)).map((e) => e.body.type)).toContain('reworkEnded');
  // it counts for the next one's chance
  await page.goto(`/jobs/${await newJob(page, 'Dune 3', 'id-chip', 'rework')}/rework`);
  await expect(page.getByText('Done here 2 times: 1 held, 1 lost.')).toBeVisible();
});

test('stencils are kept, searched for a chip, and what is wrong with one is said at its field', async ({
  page,
}) => {
  await signedIn(page, 'ines');
  await page.goto('/stock/stencils');
  await page.getByLabel('Name', { exact: true }).fill('tried');
  await page.getByLabel('Pitch, mm').fill('0,45');
  await page.getByLabel(/Apertures/).fill('111\n11');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('Row 2 has 2 places, the first has 3')).toBeVisible();
  await page.getByLabel(/Apertures/).fill('111\n111');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('tried is in the list.')).toBeVisible();
  await page.getByLabel('For the chip').click();
  await page.keyboard.type('Dune 3');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('row', { name: /display chips D/ })).toContainText('exactly');
  await expect(page.getByRole('row', { name: /tried/ })).toHaveCount(0);
});
