import {
  choose,
  expect,
  go,
  logOf,
  newJob,
  press,
  settled,
  test,
  typedBurst,
  signedIn,
  wholePage,
} from './app';

test('a second tab and another bench show a change without reloading, and together take out one screw', async ({
  page,
  context,
  browser,
}) => {
  await signedIn(page);
  const job = await newJob(page);
  const tab = await context.newPage();
  await tab.goto(`/jobs/${job}/work`);
  const bench = await (await browser.newContext()).newPage();
  await signedIn(bench, 'marek');
  await bench.goto(`/jobs/${job}/work`);
  for (const p of [tab, bench]) await expect(go(p)).toContainText('A1 is out');
  await Promise.all([page.keyboard.press('Space'), bench.keyboard.press('Space')]);
  for (const p of [page, tab, bench]) {
    await expect(go(p)).toContainText('A2 is out');
    await expect(p.getByTestId('screws-out')).toContainText('1 / 32');
  }
  await settled(page);
  await settled(bench);
  expect((await logOf(page, job)).filter((e) => e.body.type === 'screwOut')).toHaveLength(1);
  await bench.context().close();
});

test('the pedal is dead for a moment when somebody else has just changed the target', async ({
  page,
  browser,
}) => {
  await signedIn(page);
  const job = await newJob(page);
  const bench = await (await browser.newContext()).newPage();
  await signedIn(bench, 'marek');
  await bench.goto(`/jobs/${job}/work`);
  await expect(go(bench)).toContainText('A1 is out');
  // press in the very frame in which the other bench's event has been painted
  await bench.evaluate(() => {
    const button = document.querySelector('[data-testid=go]')!;
    new MutationObserver(() => {
      if (button.textContent?.includes('A2'))
        window.dispatchEvent(new KeyboardEvent('keydown', { key: 'PageDown' }));
    }).observe(button, { childList: true, subtree: true, characterData: true });
  });
  await page.keyboard.press('Space');
  await expect(go(bench)).toContainText('A2 is out');
  await bench.waitForTimeout(300);
  await expect(go(bench)).toContainText('A2 is out');
  await bench.waitForTimeout(600);
  await bench.keyboard.press('Space');
  await expect(bench.getByTestId('screws-out')).toContainText('2 / 32');
  await bench.context().close();
});

test('a held pedal counts once', async ({ page }) => {
  await signedIn(page);
  const job = await newJob(page);
  // and the screw is seen going to its place, once
  await page.evaluate(() => {
    const w = window as unknown as { travels: number };
    w.travels = 0;
    new MutationObserver((m) => {
      for (const c of m) for (const n of c.addedNodes) if ((n as Element).className === 'travel') w.travels++;
    }).observe(document.body, { childList: true });
  });
  await page.keyboard.down('PageDown');
  for (let k = 0; k < 6; k++) await page.keyboard.down('PageDown');
  await page.keyboard.up('PageDown');
  await expect(go(page)).toContainText('A2 is out');
  await settled(page);
  expect((await logOf(page, job)).filter((e) => e.body.type === 'screwOut')).toHaveLength(1);
  expect(await page.evaluate(() => (window as unknown as { travels: number }).travels)).toBe(1);
  await expect(page.locator('.travel')).toHaveCount(0);
});

test('a calliper that types 2.41 and Enter while the focus is nowhere is a measurement and no shortcut', async ({
  page,
}) => {
  await signedIn(page);
  const job = await newJob(page);
  await typedBurst(page, '2.41');
  await expect(page.getByText(/2.41 here, this hole takes 6.7/)).toBeVisible();
  expect(page.url()).toContain(`${job}/work`);
  await expect(go(page)).toContainText('A1 is out');
  await typedBurst(page, '6.70');
  await expect(page.getByText(/6.7 mm: right for A1/)).toBeVisible();
  expect((await logOf(page, job)).some((e) => e.body.type === 'screwOut')).toBe(false);
});

test('a focused button and a shortcut never both act on one key; 1 to 9 change device; ? shows the keys', async ({
  page,
}) => {
  await signedIn(page);
  await newJob(page);
  await page.getByRole('button', { name: /Trouble/ }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByRole('dialog', { name: 'Trouble' })).toBeVisible();
  await expect(page.getByTestId('screws-out')).toContainText('0 / 32');
  await page.keyboard.press('Escape');
  await page.locator('body').click({ position: { x: 640, y: 110 } });
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  const second = (await page.locator('.dev').nth(1).getAttribute('href'))!;
  await page.keyboard.press('2');
  await page.waitForURL(second);
});

test('undo takes back the latest entry of one’s own; a lost screw is adrift until it is found', async ({
  page,
}) => {
  await signedIn(page);
  const job = await newJob(page);
  await page.keyboard.press('Space');
  await expect(page.getByTestId('screws-out')).toContainText('1 / 32');
  await page.keyboard.press('Backspace');
  await expect(page.getByTestId('screws-out')).toContainText('0 / 32');
  await page.keyboard.press('Space');
  await page.keyboard.press('t');
  await page.getByRole('button', { name: 'A screw or piece is lost' }).click();
  await choose(page.getByLabel(/Lost: which piece/), 'screw A1');
  await expect(page.getByTestId('adrift')).toContainText('screw A1');
  await expect(page.getByRole('dialog')).toContainText('still in hole A1');
  await page.getByRole('button', { name: 'screw A1 is found' }).click();
  await expect(page.getByTestId('adrift')).toHaveCount(0);
  await settled(page);
  expect((await logOf(page, job)).map((e) => e.body.type).slice(-5)).toEqual([
    'screwOut',
    'retracted',
    'screwOut',
    'lost',
    'found',
  ]);
});

test('a connector reported off while the cell is on is recorded and asked about; the pedal does not answer', async ({
  page,
}) => {
  await signedIn(page);
  const job = await newJob(page, 'Sprig');
  await press(page, 14);
  await page
    .locator('svg[aria-label^="Map"] g', {
      has: page.locator('title', { hasText: 'panel and touch connector' }),
    })
    .last()
    .click();
  await page.getByRole('button', { name: 'it is off' }).click();
  await expect(page.getByRole('dialog', { name: 'What happened?' })).toContainText('The cell is still on');
  // neither the pedal nor Space answers: nothing in the question has been chosen beforehand
  for (const key of ['PageDown', 'Space', 'Escape']) await page.keyboard.press(key);
  await expect(page.getByRole('dialog', { name: 'What happened?' })).toBeVisible();
  await page.getByLabel(/How does it stand now/).fill('cell was out of reach; no harm seen');
  await page.getByRole('button', { name: 'That is how it stands' }).click();
  await expect(go(page)).toContainText('cell is off');
  await settled(page);
  expect((await logOf(page, job)).filter((e) => e.breach)).toHaveLength(1);
});

test('two benches that could not hear each other say different things: asked, not answered by a pedal, and both may be wrong', async ({
  page,
  browser,
}) => {
  await signedIn(page);
  const job = await newJob(page);
  const other = await browser.newContext();
  const bench = await other.newPage();
  await signedIn(bench, 'marek');
  await bench.goto(`/jobs/${job}/work`);
  await expect(go(bench)).toContainText('A1 is out');
  await wholePage(bench);
  await other.setOffline(true);
  await page.keyboard.press('Space');
  await expect(go(page)).toContainText('A2 is out');
  await settled(page);
  await bench.keyboard.press('t');
  await bench.getByRole('button', { name: 'A screw or piece is lost' }).click();
  await choose(bench.getByLabel(/Lost: which piece/), 'screw A1');
  await expect(bench.getByTestId('adrift')).toContainText('screw A1');
  await other.setOffline(false);
  const question = page.getByRole('dialog', { name: 'Which is true?' });
  await expect(question).toContainText('screw A1 is on the mat');
  await expect(question).toContainText('screw A1 is adrift');
  for (const key of ['Space', 'Enter', 'PageDown', 'Escape']) await page.keyboard.press(key);
  await expect(question).toBeVisible();
  await question.getByRole('button', { name: 'Neither: screw A1 is in its own hole' }).click();
  await expect(question).toHaveCount(0);
  await expect(page.getByTestId('screws-out')).toContainText('0 / 32');
  // on the screen at once, in the log when it is confirmed
  await settled(page);
  await expect
    .poll(async () => (await logOf(page, job)).at(-1)!.body)
    .toMatchObject({ type: 'truthNamed', value: 'hole/A1' });
  await other.close();
});

test('the day is planned: every device with its promise, hands and stations, and Space goes to what is next', async ({
  page,
}) => {
  await signedIn(page, 'tova');
  await page.goto('/');
  const card = page.getByRole('region', { name: 'The day' });
  await expect(card.getByRole('group', { name: 'The day' })).toBeVisible();
  const { plan } = (await (await page.request.get('/day')).json()) as {
    plan: {
      jobs: { id: string; promisedAt: number | null }[];
      blocks: { job: string; by: string; startS: number; endS: number; person?: string }[];
    };
  };
  const open = (await (await page.request.get('/open-jobs')).json()) as { id: string }[];
  expect(plan.jobs.map((j) => j.id).toSorted()).toEqual(open.map((j) => j.id).toSorted());
  // nobody is at two devices at once
  for (const a of plan.blocks.filter((b) => b.person !== undefined))
    for (const b of plan.blocks)
      if (a !== b && a.person === b.person && a.job !== b.job)
        expect(a.startS >= b.endS || b.startS >= a.endS, JSON.stringify([a, b])).toBe(true);
  await expect(page.getByTestId('promises')).toHaveText(/\d+ of \d+ promises kept/);
  await expect(card.getByText(/ready \d\d:\d\d · kept in \d+ %/).first()).toBeVisible();
  // what if one went for lunch: an answer beside today's plan, which stays
  await card.getByText('1', { exact: true }).first().click();
  await expect(page.getByTestId('what-if')).toHaveText(/So: \d+ promises kept; today’s plan keeps \d+\./);
  await card.getByText('2', { exact: true }).first().click();
  await expect(page.getByTestId('what-if')).toHaveCount(0);
  await page.getByLabel('who or what is away').click();
  await page.locator('.ant-select-item-option:visible', { hasText: 'Marek' }).click();
  await page.getByLabel('when', { exact: true }).click();
  await page.locator('.ant-select-item-option:visible').nth(1).click();
  await expect(page.getByTestId('what-if')).toBeVisible();
  await page.getByLabel('who or what is away').press('Escape');
  await page.getByLabel('who or what is away').hover();
  await card.locator('.ant-select-clear').first().click();
  await expect(page.getByTestId('what-if')).toHaveCount(0);
  const next = page.getByRole('region', { name: 'Hands now' }).getByRole('link');
  const to = await next.getAttribute('href');
  await page.keyboard.press('Space');
  await expect(page).toHaveURL(new RegExp(`${to}$`));
});

test('a block of the day is moved by keys and by dragging: the plan answers, is kept for all benches, and let go', async ({
  page,
}) => {
  await signedIn(page, 'tova');
  await page.goto('/');
  const card = page.getByRole('region', { name: 'The day' });
  const blocks = card.getByRole('button', { name: /Arrow keys move it/ });
  await expect(blocks.first()).toBeVisible();
  const last = blocks.last();
  await last.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByTestId('what-moves')).toBeVisible();
  await card.getByRole('button', { name: 'As today' }).click();
  await expect(page.getByTestId('what-moves')).toHaveCount(0);
  const box = (await last.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 90, box.y + box.height / 2, { steps: 6 });
  // the answer is there before one lets go
  await expect(page.getByTestId('what-if')).toBeVisible();
  await page.mouse.up();
  await card.getByRole('button', { name: 'Keep it so' }).click();
  await expect(card.getByText('Kept: every bench plans by it.')).toBeVisible();
  await expect(card.getByText(/ is wanted at \d\d:\d\d\./)).toBeVisible();
  // another bench sees it, too
  const { plan } = (await (await page.request.get('/day')).json()) as {
    plan: { blocks: { pinned?: true }[] };
  };
  expect(plan.blocks.filter((b) => b.pinned)).toHaveLength(1);
  await card.getByRole('button', { name: /^let .* go$/ }).click();
  await expect(card.getByText(/ is wanted at /)).toHaveCount(0);
});
test('one device more is imagined; the day is printed on a sheet, and a month looked back at', async ({
  page,
}) => {
  await signedIn(page, 'ines');
  await page.goto('/');
  const card = page.getByRole('region', { name: 'The day' });
  await expect(card.getByRole('group', { name: 'The day' })).toBeVisible();
  await card.getByLabel('one device more').click();
  await page.locator('.ant-select-item-option:visible', { hasText: 'without a promise' }).click();
  await expect(card.getByText('one device more', { exact: true }).first()).toBeVisible();
  await expect(page.getByTestId('what-if')).toBeVisible();
  await card.getByRole('link', { name: 'On one sheet' }).click();
  await expect(page.getByRole('heading', { name: /^The day, as planned/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Tova' }).getByRole('row').nth(1)).toContainText(
    /\d\d:\d\d–\d\d:\d\d/,
  );
  await page.goto('/day/back');
  await expect(page.getByRole('heading', { name: /^Looking back at/ })).toBeVisible();
  await expect(page.getByTestId('promises-kept')).toHaveText(/\d+ of \d+ kept|none was given/);
  await page.getByRole('link', { name: '‹ The month before' }).click();
  await expect(page.getByRole('link', { name: 'The month after ›' })).toBeVisible();
});
