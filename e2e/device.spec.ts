import { chromium, type Browser, type BrowserContext, type Page } from '@playwright/test';
import { expect, origin, signedIn, test } from './app';

/** A phone with a microphone and a camera that are the browser's own stand-ins. */
const phoneBrowser = (more: string[] = []): Promise<Browser> =>
  chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream', ...more],
  });
const phoneIn = (browser: Browser, may = true): Promise<BrowserContext> =>
  browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    ...(may ? { permissions: ['camera', 'microphone'] } : { permissions: [] }),
  });
/** Strokes over the whole pane, at the speed of a hand; what lies in `dead` gets no touch. */
const wipe = (phone: Page, dead?: { x: number; w: number; y: number; h: number }) =>
  phone.evaluate((none) => {
    const pane = document.querySelector('canvas')!;
    const send = (type: string, x: number, y: number) =>
      pane.dispatchEvent(
        new PointerEvent(type, { clientX: x, clientY: y, pointerId: 1, pointerType: 'touch', bubbles: true }),
      );
    for (let y = 6; y < 844; y += 20) {
      let down = false;
      for (let x = 3; x <= 388; x += 5) {
        const off = none && x > none.x && x < none.x + none.w && y > none.y && y < none.y + none.h;
        if (off && down) send('pointerup', x, y);
        else if (!off && !down) send('pointerdown', x, y);
        else if (!off) send('pointermove', x, y);
        down = !off;
      }
      if (down) send('pointerup', 388, y);
    }
  }, dead);
const linkOf = async (page: Page): Promise<string> => {
  await page.getByRole('button', { name: /^(Make a|New) link$/ }).click();
  return (await page.getByTestId('device-address').textContent())!;
};
/** A device at the counter whose owner has a display to be replaced. */
async function atChecks(page: Page, wide: boolean): Promise<string> {
  await signedIn(page, 'ines');
  const jobs = (await (await page.request.get('/open-jobs')).json()) as {
    id: string;
    stage: string;
    summary: { model: string };
  }[];
  const job = jobs.find((j) => j.stage === 'Receive' && j.summary.model.includes('Wide') === wide)!.id;
  await page.goto(`/jobs/${job}/checks`);
  return job;
}
const functionNow = (phone: Page) => phone.locator('main').getAttribute('data-function');
/** Presses what goes on until a function is asked. */
async function upTo(phone: Page, fn: string): Promise<void> {
  for (let k = 0; k < 60 && (await functionNow(phone)) !== fn; k++) {
    const go = phone.locator('footer button.go').last();
    if (await go.isEnabled({ timeout: 500 }).catch(() => false))
      await go.tap({ timeout: 1000 }).catch(() => {});
    await phone.waitForTimeout(200);
  }
  expect(await functionNow(phone)).toBe(fn);
}

test('a phone measures itself: what it finds stands at the bench at once, with a dead stripe drawn', async ({
  page,
}) => {
  await atChecks(page, true);
  const address = await linkOf(page);
  const browser = await phoneBrowser();
  try {
    const phone = await (await phoneIn(browser)).newPage();
    await phone.goto(address);
    await expect(page.getByTestId('measured-before-power')).toHaveText('opened its page');
    await upTo(phone, 'touch');
    await wipe(phone, { x: 200, w: 40, y: 300, h: 300 });
    await expect(phone.getByText(/^\d+ × \d+ mm$/)).toBeVisible();
    await phone.getByRole('button', { name: /^on/ }).tap();
    await expect(phone.getByRole('heading', { name: 'does not' })).toBeVisible();
    await expect(
      phone.getByText(/a stretch of \d+ × \d+ mm does not answer, 3\d mm from the left/),
    ).toBeVisible();
    const touch = page.getByTestId('measured-before-touch');
    await expect(touch).toContainText(/9\d(\.\d)? % answers/);
    // somebody said at the counter that it works: both stand
    await expect(touch).toContainText('the phone measured: does not. You said otherwise. Which counts?');
    await page.getByTestId('check-touch').getByRole('button', { name: 'does not' }).click();
    await expect(touch).not.toContainText('Which counts?');
    await expect(page.getByRole('img', { name: 'Touch: what does not answer' })).toBeVisible();
    await upTo(phone, 'ear-speaker');
    await phone.locator('footer button.go').tap();
    await expect(page.getByTestId('measured-before-ear-speaker')).toContainText('dBFS');
    await upTo(phone, 'cameras');
    await expect(phone.locator('video')).toBeVisible();
    await expect(phone.getByRole('button', { name: /take/ })).toBeEnabled();
    await upTo(phone, 'charging');
    await expect(page.getByTestId('measured-before-cameras')).toContainText(/1 camera, sharp \d/);
    await expect(page.getByRole('img', { name: /loudspeaker: level by third octaves/ })).toBeVisible();
  } finally {
    await browser.close();
  }
});

test('a phone without a network keeps what it measured, and tells it when it is back; without leave for its microphone it asks', async ({
  page,
}) => {
  await atChecks(page, false);
  const address = await linkOf(page);
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
  try {
    const context = await phoneIn(browser, false);
    const phone = await context.newPage();
    await phone.goto(address);
    await expect(page.getByTestId('measured-before-power')).toBeVisible();
    await context.setOffline(true);
    await upTo(phone, 'touch');
    await expect(phone.getByRole('heading', { name: 'Wipe over everything' })).toBeVisible();
    await wipe(phone);
    await expect(phone.getByText(/results? waits? for the network/)).toBeVisible();
    // the next check comes meanwhile
    await expect(phone.locator('main')).not.toHaveAttribute('data-function', 'touch');
    await context.setOffline(false);
    await expect(page.getByTestId('measured-before-touch')).toContainText('100 % answers');
    await upTo(phone, 'microphones');
    await phone.locator('footer button.go').tap();
    await expect(phone.getByText('This browser cannot reach it: you say.')).toBeVisible();
    await phone.getByRole('button', { name: 'works', exact: true }).tap();
    await expect(phone.locator('main')).not.toHaveAttribute('data-function', 'microphones');
    // a second phone is told so, and writes nothing
    const other = await (await phoneIn(browser)).newPage();
    await other.goto(address);
    await other.locator('footer button.go').tap();
    await expect(other.getByText('This browser cannot reach it: you say.')).toBeVisible();
    await other.getByRole('button', { name: 'works', exact: true }).tap();
    await expect(other.getByRole('heading', { name: /in use on another phone/ })).toBeVisible();
    // taken back, it opens nothing any more
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect(page.getByRole('button', { name: 'Make a link' })).toBeVisible();
    await phone.reload();
    await expect(phone.getByRole('heading', { name: 'This link is no longer good' })).toBeVisible();
    expect((await phone.request.get(`${origin}/d/GUESSEDGUESS`)).status()).toBe(410);
  } finally {
    await browser.close();
  }
});
