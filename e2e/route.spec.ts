import {
  choose,
  agreed,
  expect,
  go,
  logOf,
  newJob,
  press,
  received,
  settled,
  signIn,
  signOut,
  test,
  signedIn,
  answerBefore,
} from './app';
import { nothingSerious } from './look';

test('another way is insisted on and a method chosen for the job: planned again at once, taken so, printed and given as JSON', async ({
  page,
}) => {
  await signedIn(page);
  const job = await received(page, 'Mica 9 Wide', { part: 'ear speaker' });
  await agreed(page, job);
  await answerBefore(page, job);
  await page.reload();
  await expect(page.getByRole('row', { name: /Shift the board 3 mm to the bottom/ })).toBeVisible();
  await expect(page.getByText('ways and order together proved to be the cheapest')).toBeVisible();
  const ways = page.getByRole('region', { name: 'Other ways' });
  const other = ways.getByRole('radio', { name: /With the board out/ });
  await expect(async () => {
    await other.click();
    await expect(other).toBeChecked({ timeout: 500 });
  }).toPass();
  await expect(page.getByRole('row', { name: /Lift the board out/ })).toBeVisible();
  await expect(ways).toContainText('insisted on');
  await choose(page.getByLabel('Softening the seal'), 'solvent only');
  await expect(page.getByRole('row', { name: /Warm the display/ })).toHaveCount(0);
  await expect(page.getByRole('row', { name: /Lift the board out/ })).toBeVisible();
  await nothingSerious(page, 'route while planning');
  await page.getByRole('button', { name: 'Take this route' }).click();
  await page.waitForURL(`/jobs/${job}/work`);
  const route = await (await page.request.get(`/jobs/${job}/route.json`)).json();
  expect(route).toMatchObject({
    format: 'snavek.route',
    version: 1,
    optimal: true,
    input: { force: { 'ear-speaker@out': 'board-out' }, methods: { softening: 'solvent' } },
  });
  await page.goto(`/jobs/${job}/route/print`);
  await expect(page.getByRole('listitem')).toHaveCount(route.steps.length);
  await nothingSerious(page, 'print');
  const pdf = await page.pdf({ format: 'A4' });
  // one or two sheets, both sides: pages are counted in the PDF's own words
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)!.length).toBeLessThanOrEqual(4);
});

test('a task that comes up at the bench is added, and the route is planned again from where the device stands', async ({
  page,
}) => {
  await signedIn(page);
  const job = await newJob(page, 'Sprig');
  await press(page, 2);
  await settled(page);
  await page.goto(`/jobs/${job}/route`);
  const add = page.getByRole('button', { name: 'Add', exact: true });
  // as a person would who sees that the page was not awake yet
  await expect(async () => {
    await choose(page.getByLabel('Part', { exact: true }), 'loudspeaker');
    await expect(add).toBeEnabled({ timeout: 500 });
  }).toPass();
  await add.click();
  await page.waitForURL(/again=1/);
  await expect(
    page.getByRole('heading', { name: 'Replace the cell and replace the loudspeaker' }),
  ).toBeVisible();
  await expect(page.getByRole('row', { name: /Take out 2 outside screws/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Take this route' }).click();
  await page.waitForURL(/\/work$/);
  await expect(page.getByTestId('screws-out')).toContainText('2 / 10');
  expect((await logOf(page, job)).map((e) => e.body.type).slice(-2)).toEqual(['taskSet', 'routeAdopted']);
});

test('a whole housing: hundreds of steps planned and proved while one looks, and the first of them at the bench', async ({
  page,
}) => {
  await signedIn(page);
  const job = await received(page, 'Atlas', { part: 'housing' });
  await agreed(page, job);
  await expect(page.getByRole('heading', { name: 'Replace the housing' })).toBeVisible();
  await expect(page.getByText('ways and order together proved to be the cheapest')).toBeVisible({
    timeout: 20_000,
  });
  await page.getByRole('button', { name: 'Take this route' }).click();
  await page.waitForURL(`/jobs/${job}/work`);
  await press(page, 1);
  // both covers are warmed and cut before one of them hangs open, the back first
  await expect(page.getByTestId('instruction')).toHaveText('Warm the back on the hot plate');
  await expect(go(page)).toContainText('It is on the plate');
  await expect(page.getByTestId('screws-out')).toContainText('0 / 139');
});

test('the workshop’s methods: an owner changes one and the next route follows it; a technician may look', async ({
  page,
}) => {
  await signIn(page, 'tova');
  await page.getByRole('link', { name: 'Workshop' }).click();
  await expect(page.getByLabel('Leak test', { exact: true })).toBeDisabled();
  await expect(page.getByText('Add a person')).toHaveCount(0);
  await signOut(page);
  await signIn(page, 'ines');
  await page.getByRole('link', { name: 'Workshop' }).click();
  await nothingSerious(page, 'workshop');
  await choose(page.getByLabel('Leak test', { exact: true }), 'never');
  await expect(page.getByText(/Kept. Open jobs stay as they are/)).toBeVisible();
  await page.getByRole('link', { name: 'Place and money' }).click();
  await page.getByLabel('Device cools before alcohol, s').fill('30');
  await page.getByRole('button', { name: 'Keep' }).last().click();
  await expect(page.getByText(/At least 120 s/)).toBeVisible();
  await expect(page.getByLabel('Device cools before alcohol, s')).toHaveValue('30');
  await page.getByLabel('An hour of hands, EUR').fill('62,50');
  await page
    .locator('form')
    .filter({ hasText: 'An hour of hands' })
    .getByRole('button', { name: 'Keep' })
    .click();
  await expect(
    page
      .getByRole('status')
      .getByText('Kept.', { exact: true })
      .or(page.locator('form').filter({ hasText: 'An hour of hands' }).getByText('Kept.')),
  ).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('An hour of hands, EUR')).toHaveValue('62.50');
  await page.getByRole('link', { name: 'People', exact: true }).click();
  await page.getByText('Add a person').click();
  await page.getByLabel('Name', { exact: true }).fill('Sanna');
  await page.getByLabel('Login name').fill('tova');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('This login name is taken in this installation.')).toBeVisible();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Sanna');
  await agreed(page, await received(page, 'Mica 9'));
  await expect(page.getByText('No leak test: nothing is said to the owner about water.')).toBeVisible();
  await expect(page.getByRole('row', { name: /^\d+ Leak test/ })).toHaveCount(0);
  // and back, for whoever comes next
  await page.goto('/workshop');
  await choose(page.getByLabel('Leak test', { exact: true }), 'always');
  await expect(page.getByText(/Kept. Open jobs stay as they are/)).toBeVisible();
});
