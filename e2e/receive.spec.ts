import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import {
  choose,
  typeWhen,
  agreed,
  expect,
  logOf,
  openReceive,
  received,
  signIn,
  signOut,
  test,
  signedIn,
  answerOpen,
  answerBefore,
} from './app';
import { nothingSerious } from './look';
import { receiveByKeyboard } from './receive-by-keyboard';

const dir = mkdtempSync(join(tmpdir(), 'snavek-'));
const file = (name: string, bytes: Buffer) => {
  const path = join(dir, name);
  writeFileSync(path, bytes);
  return path;
};

test('a known model is received with the keyboard alone', async ({ page }) => {
  await signIn(page);
  const { keys, seconds, job } = await receiveByKeyboard(page, `KEYS-${Date.now() % 1e5}`);
  console.log(`received with ${keys} keys in ${seconds.toFixed(1)} s of machine time`);
  expect(keys).toBeLessThan(90);
  const log = await logOf(page, job);
  expect(log.filter((e) => e.body.type === 'symptomSet').map((e) => e.body.symptom)).toEqual([
    'short-battery',
  ]);
  expect(
    log.filter((e) => e.body.type === 'checked' && e.body.result === 'fails').map((e) => e.body.function),
  ).toEqual(['cameras']);
  expect(log.filter((e) => e.body.type === 'checked')).toHaveLength(12);
});

test('what cannot be tested because of a fault is answered so, and taken back with it', async ({ page }) => {
  await signedIn(page);
  await openReceive(page);
  await choose(page.getByLabel('Model', { exact: true }), 'Mica 9');
  const row = (name: string) => page.getByRole('group', { name: new RegExp(`^${name}:`) });
  await row('picture').getByRole('button', { name: 'does not' }).click();
  await expect(row('touch')).toContainText('because of: picture');
  await expect(row('touch')).toHaveAccessibleName('touch: not tested');
  await expect(row('vibration')).toHaveAccessibleName('vibration: open');
  await row('picture').getByRole('button', { name: 'works' }).click();
  await expect(row('touch')).toHaveAccessibleName('touch: open');
});

test('a free time of the day becomes the promise with a press, and is kept with the draft', async ({
  page,
}) => {
  await signedIn(page);
  await openReceive(page);
  const wanted = page.getByLabel('Wanted for');
  await expect(wanted).toHaveValue('');
  const free = page.getByTestId('free-slots').getByRole('button').first();
  const clock = /\d\d:\d\d/.exec((await free.textContent())!)![0];
  await free.click();
  await expect(wanted).toHaveValue(new RegExp(clock));
  await expect(page.getByText('kept on the server')).toBeVisible();
  await page.reload();
  await expect(wanted).toHaveValue(new RegExp(clock));
});

test('photographs: kept with their mark over a closed browser; too large, HEIC and broken ones are refused in words', async ({
  page,
  context,
}) => {
  await signedIn(page);
  const id = await openReceive(page);
  await page.getByLabel('Serial or own tag').fill(`PHOTO-${id.slice(0, 5)}`);
  await choose(page.getByLabel('Model', { exact: true }), 'Mica 9');
  await page.getByRole('radio', { name: 'dent' }).click();
  await page.getByRole('button', { name: 'mark frame' }).click();
  const take = async (button: string, path: string) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: button }).click();
    await (await chooser).setFiles(path);
  };
  await take(
    'Photograph: dent',
    file(
      'dent.png',
      await sharp({ create: { width: 900, height: 700, channels: 3, background: '#775533' } })
        .png()
        .toBuffer(),
    ),
  );
  await expect(page.getByRole('img', { name: 'dent, frame' })).toBeVisible();
  await take('Photograph the device', file('big.jpg', Buffer.alloc(60_000_000, 7)));
  await expect(page.getByText(/big.jpg has 60 MB; at most 25 MB/)).toBeVisible();
  await page.getByRole('button', { name: 'Forget big.jpg' }).click();
  await take(
    'Photograph the device',
    file(
      'phone.heic',
      Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic'), Buffer.alloc(400)]),
    ),
  );
  await expect(page.getByText(/This is a HEIC picture/)).toBeVisible();
  await page.getByRole('button', { name: 'Forget phone.heic' }).click();
  await take('Photograph the device', file('torn.jpg', Buffer.from('not a picture at all')));
  await expect(page.getByText(/not a photograph/)).toBeVisible();
  await page.getByRole('button', { name: 'Forget torn.jpg' }).click();
  // the server does not answer: kept in this browser, and there again when the page is opened anew
  await page.route('**/photos/*', (r) => (r.request().method() === 'PUT' ? r.abort() : r.continue()));
  await take(
    'Photograph the device',
    file(
      'later.png',
      await sharp({ create: { width: 90, height: 70, channels: 3, background: '#335577' } })
        .png()
        .toBuffer(),
    ),
  );
  await expect(page.getByText('The server is away: it is kept here')).toBeVisible();
  await page.unroute('**/photos/*');
  await page.reload();
  await expect(page.getByRole('img', { name: 'The device on arrival' })).toBeVisible();
  await page.getByRole('radio', { name: 'dent' }).click();
  await nothingSerious(page, 'receive with a mark');
  await expect(page.getByText('kept on the server')).toBeVisible();
  // the browser is closed half-way, and another one goes on
  await page.close();
  const next = await context.newPage();
  await next.goto('/');
  await next.getByRole('link', { name: `PHOTO-${id.slice(0, 5)}` }).click();
  await expect(next.getByRole('img', { name: 'dent, frame' })).toBeVisible();
  await expect(next.getByLabel('Serial or own tag')).toHaveValue(`PHOTO-${id.slice(0, 5)}`);
});

test('a complaint of 100 kB stays in the form and is refused in words', async ({ page }) => {
  await signedIn(page);
  await openReceive(page);
  await page.getByLabel('What the owner says is wrong').fill('dark screen '.repeat(8400));
  await expect(page.getByText(/100800 characters; at most 4 000/)).toBeVisible();
  await page.getByRole('button', { name: 'Receive', exact: true }).click();
  await expect(page.getByText(/At most 4 000 characters; this has/)).toBeVisible();
  expect((await page.getByLabel('What the owner says is wrong').inputValue()).length).toBe(100_800);
});

test('a dark screen: harmless tests first, folk remedies refused, each outcome moves the causes, and the fault becomes the task', async ({
  page,
}) => {
  await signIn(page);
  await page.getByTestId('job-MC9-8260').getByRole('link').click();
  await page.waitForURL(/\/fault$/);
  await expect(page.getByTestId('next')).toBeVisible();
  await expect(page.getByText('job 254')).toBeVisible();
  await expect(page.getByRole('button', { name: /reseat the connector.*later/ })).toBeVisible();
  await nothingSerious(page, 'fault');
  // the search knows what is never done
  await page.getByLabel('Find a test').fill('lighter on the trace');
  await expect(page.getByRole('alert')).toContainText('Never: waking the panel with a voltage or a spark');
  await page.getByLabel('Find a test').fill('');
  // another test than the proposed one; what erases waits for consent
  await page.getByRole('button', { name: /restore the system/ }).click();
  await expect(page.getByText('Only with the owner’s consent: record it on Offer.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'cured' })).toBeDisabled();
  await page.getByRole('button', { name: 'Back to the proposed one' }).click();
  // opening before its turn is a stop with a reason
  await page.getByRole('button', { name: /reseat the connector.*later/ }).click();
  await page.getByRole('button', { name: 'as before' }).click();
  await expect(page.getByRole('dialog')).toContainText('Not tried yet, though it opens nothing');
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  await page.getByRole('button', { name: 'Back to the proposed one' }).click();
  for (
    let k = 0;
    k < 12 &&
    (await page
      .getByRole('button', { name: 'no image' })
      .or(page.getByRole('button', { name: 'steady' }))
      .or(page.getByRole('button', { name: 'still dark' }))
      .count());
    k++
  ) {
    const before = await page.getByTestId('next').innerText();
    await page
      .getByRole('button', { name: 'no image' })
      .or(page.getByRole('button', { name: 'steady' }))
      .or(page.getByRole('button', { name: 'still dark' }))
      .click();
    await expect(page.getByTestId('next')).not.toHaveText(before);
  }
  await expect(
    page.getByRole('img', { name: /Chances after each test: before any test: .*panel defective/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'This is it: panel defective' }).click();
  await page.getByLabel('panel defective: what shows it?').fill('ink at the lower edge');
  await page.getByRole('button', { name: 'State it' }).click();
  await expect(page.getByRole('heading', { name: 'Panel defective' })).toBeVisible();
  await page.getByRole('link', { name: 'To the offer' }).click();
  await expect(page.getByRole('heading', { name: 'Replace the display' })).toBeVisible();
  await expect(page.getByText('ink at the lower edge')).toBeVisible();
});

test('an offer: part, remedy, limit and promise; agreed with a signature; printed; then the route', async ({
  page,
}) => {
  await signedIn(page, 'marek');
  const job = await received(page, 'Mica 9', { part: 'display' });
  const range = page.getByTestId('range');
  await expect(range).toBeVisible();
  const list = await range.innerText();
  await page
    .getByRole('listitem')
    .filter({ hasText: 'TA-9031' })
    .getByRole('button', { name: 'Choose' })
    .click();
  await expect(page.getByRole('button', { name: 'Chosen' })).toBeVisible();
  await expect(range).not.toHaveText(list);
  await expect(
    page.getByRole('listitem').filter({ hasText: 'locked to an account' }).getByRole('button'),
  ).toBeDisabled();
  // the identity chip instead of copied data: another list of consents
  await expect(page.getByTestId('consent-chip')).toHaveCount(0);
  await page.getByRole('button', { name: 'chip moved' }).click();
  await expect(page.getByTestId('consent-chip')).toBeVisible();
  await page.getByRole('button', { name: 'data copied' }).click();
  // figures with a comma, and what is wrong beside them
  await page.getByLabel('Owner’s limit').fill('1,250');
  await expect(page.getByText('Thousands or a decimal?')).toBeVisible();
  await page.getByLabel('Owner’s limit').fill('90,50');
  await page.getByLabel('Extra minutes').fill('-5');
  await expect(page.getByText('Minutes are 0 or more.')).toBeVisible();
  await page.getByLabel('Extra minutes').fill('');
  await page.getByLabel('Another phone').fill('400');
  await expect(page.getByTestId('advice')).toContainText('€90.50');
  await page.reload();
  await expect(page.getByLabel('Owner’s limit')).toHaveValue('90,50');
  await typeWhen(page.getByLabel('Promised for'), Date.UTC(2020, 0, 1, 10));
  await expect(page.getByText('This time is past')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Promise' })).toBeDisabled();
  await typeWhen(page.getByLabel('Promised for'), Date.now() + 9 * 3_600_000);
  await page.getByRole('button', { name: 'Promise' }).click();
  await expect(page.getByTestId('consent-price')).toContainText('not above €90.50');
  const box = (await page.getByTestId('signature').boundingBox())!;
  await page.getByTestId('signature').scrollIntoViewIfNeeded();
  const at = (await page.getByTestId('signature').boundingBox()) ?? box;
  await page.mouse.move(at.x + 30, at.y + 60);
  await page.mouse.down();
  await page.mouse.move(at.x + 120, at.y + 20, { steps: 6 });
  await page.mouse.up();
  await nothingSerious(page, 'offer with a signature');
  await agreed(page, job);
  const pdf = await page.request.get(`/jobs/${job}/offer.pdf`);
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  const log = await logOf(page, job);
  expect(JSON.stringify(log)).not.toContain('Runa');
  expect(log.filter((e) => e.body.type === 'partChosen').map((e) => e.body.serial)).toEqual(['TA-9031']);
  await answerBefore(page, job);
  await page.getByRole('button', { name: 'Take this route' }).click();
  await page.waitForURL(/\/work$/);
});

test('a route that nobody agreed to is not taken by a technician; an owner passes it with a reason', async ({
  page,
}) => {
  await signedIn(page);
  const job = await received(page, 'Sprig');
  await page.getByTestId('consent-price').waitFor();
  // looking at a price puts nothing into the record; a press does
  const prices = async () => (await logOf(page, job)).filter((e) => e.body.type === 'quoted').length;
  await page.getByRole('button', { name: 'Record this price' }).waitFor();
  expect(await prices()).toBe(0);
  await page.getByRole('button', { name: 'Record this price' }).click();
  await expect.poll(prices).toBe(1);
  await expect(page.getByRole('button', { name: 'Record this price' })).toHaveCount(0);
  await page.goto(`/jobs/${job}/route`);
  await answerBefore(page, job);
  await page.getByRole('button', { name: 'Take this route' }).click();
  await expect(page.getByRole('dialog')).toContainText('The owner has not agreed yet');
  await expect(page.getByRole('dialog')).toContainText('An owner or lead may pass this');
  await page.goto('/');
  await signOut(page);
  await signIn(page, 'ines');
  await page.goto(`/jobs/${job}/route`);
  await answerBefore(page, job);
  await page.getByRole('button', { name: 'Take this route' }).click();
  await page.getByLabel(/^Reason/).fill('agreed by telephone');
  await page.getByRole('button', { name: 'Take the route all the same' }).click();
  await page.waitForURL(/\/work$/);
});

test('declined at the offer: closed with the reason, and found with it', async ({ page }) => {
  await signedIn(page);
  const job = await received(page, 'Sprig');
  await page.getByTestId('range').waitFor();
  await page.getByRole('button', { name: 'Declined…' }).click();
  await page.getByLabel('Why it is not repaired').fill('wants a newer phone');
  await page.getByRole('button', { name: 'Close as declined' }).click();
  await expect(page.getByRole('heading', { name: 'Closed: declined' })).toBeVisible();
  await page.goto(`/jobs/${job}/report`);
  await expect(page.getByText('wants a newer phone').first()).toBeVisible();
});

test('the stock: a part is added with a comma in its price, a wrong file is refused by line, a technician only looks', async ({
  page,
}) => {
  await signIn(page, 'marek');
  await page.getByRole('link', { name: 'Stock' }).click();
  await nothingSerious(page, 'stock');
  await choose(page.getByLabel('Model', { exact: true }), 'Quillon Sprig');
  await choose(page.getByLabel('Place'), 'cell');
  await page.getByLabel('Price, EUR').fill('dear');
  await page.getByLabel('Serial', { exact: true }).fill('E2E-CS-1');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('That is not an amount')).toBeVisible();
  await expect(page.getByLabel('Serial', { exact: true })).toHaveValue('E2E-CS-1');
  await page.getByLabel('Price, EUR').fill('23,90');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByTestId('part-E2E-CS-1')).toContainText('€23.90');
  await page
    .getByLabel('CSV file')
    .setInputFiles(
      file('parts.csv', Buffer.from('model,slot,provenance,price\nsprig,cell,new original,ten\n')),
    );
  await expect(page.getByText(/Nothing was taken in. line 2, price/)).toBeVisible();
  await page.getByLabel('CSV file').setInputFiles(file('parts2.csv', Buffer.from('model;slot\n')));
  await expect(page.getByText(/There is no line below|A column is missing/)).toBeVisible();
  const csv = await (await page.request.get('/stock.csv')).text();
  expect(csv).toContain('E2E-CS-1,23.90');
  await signOut(page);
  await signIn(page, 'tova');
  await page.goto('/stock?q=E2E-CS-1');
  await expect(page.getByTestId('part-E2E-CS-1')).toContainText('free');
  await expect(page.getByText('Add a part')).toHaveCount(0);
});

test('a phone that was only flat: charged, proved without being opened, and handed over', async ({
  page,
}) => {
  await signedIn(page);
  await openReceive(page);
  await page.getByLabel('Serial or own tag').fill(`FLAT-${Date.now() % 1e5}`);
  await choose(page.getByLabel('Model', { exact: true }), 'Sprig');
  await page.getByLabel('What the owner says is wrong').fill('does not start');
  await page.getByRole('button', { name: '+ does not start' }).click();
  await page
    .getByRole('group', { name: /^starts and restarts/ })
    .getByRole('button', { name: 'does not' })
    .click();
  await expect(page.getByText('10 / 10')).toBeVisible();
  await page.getByRole('button', { name: 'Receive', exact: true }).click();
  await page.waitForURL(/\/fault$/);
  const job = page.url().split('/')[4]!;
  await page.getByRole('button', { name: /^charge it for twenty minutes/ }).click();
  await page.getByRole('button', { name: 'starts', exact: true }).click();
  await page.getByRole('button', { name: 'This is it: cell simply flat' }).click();
  await page.getByLabel('cell simply flat: what shows it?').fill('starts after twenty minutes');
  await page.getByRole('button', { name: 'State it' }).click();
  await page.getByRole('link', { name: 'Check it, hand it over' }).click();
  await expect(page.getByRole('heading', { name: /^After check/ })).toBeVisible();
  await answerOpen(page);
  await page.goto(`/jobs/${job}/hand-over`);
  await expect(page.getByRole('heading', { name: 'Ready to hand over' })).toBeVisible();
  await page.getByRole('button', { name: 'Hand it over' }).click();
  await expect(page.getByRole('heading', { name: 'Closed: handed over' })).toBeVisible();
  await page.goto(`/jobs/${job}/report`);
  await expect(page.getByText('Fault: cell simply flat')).toBeVisible();
  await expect(page.getByText('The device was not opened.')).toBeVisible();
});
