import { chromium, type Browser, type BrowserContext, type Page } from '@playwright/test';
import { writeFileSync } from 'node:fs';
import { chromiumHere } from './chromium';
import { expect, origin, receivedJob, signedIn, test } from './app';

/** A phone with a microphone and a camera that are the browser's own stand-ins. */
const phoneBrowser = (more: string[] = []): Promise<Browser> =>
  chromium.launch({
    executablePath: chromiumHere.executablePath,
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
    // the page goes on by itself: looked at and wiped in one
    const pane = document.querySelector('canvas');
    if (!pane) return;
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
/** A device at the counter whose owner has a display to be replaced: one of its own for each try, since what a phone has measured stays with it. */
async function atChecks(page: Page, wide: boolean): Promise<string> {
  await signedIn(page, 'ines');
  const job = await receivedJob(page, wide ? 'Mica 9 Wide' : 'Mica 9', 'display');
  await page.goto(`/jobs/${job}/checks`);
  return job;
}
const functionNow = (phone: Page) => phone.locator('main').getAttribute('data-function');
/** Presses what goes on until a function is asked; until all is done where none is named. */
async function upTo(phone: Page, fn: string | undefined): Promise<void> {
  for (let k = 0; k < 300 && (await functionNow(phone)) !== (fn ?? null); k++) {
    const pane = phone.getByRole('heading', { name: 'Wipe over everything' });
    if (fn !== 'touch' && (await pane.isVisible())) await wipe(phone);
    // looked at and pressed in one: the page goes on by itself, and what is then under the finger is another function's
    await phone.evaluate((until) => {
      const main = document.querySelector('main');
      if (!main || (main.dataset.function ?? null) === until) return;
      [...main.querySelectorAll<HTMLButtonElement>('footer button.go')].at(-1)?.click();
    }, fn ?? null);
    await phone.waitForTimeout(200);
  }
  expect(await functionNow(phone)).toBe(fn ?? null);
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
  const browser = await chromium.launch({
    executablePath: chromiumHere.executablePath,
    args: ['--no-sandbox'],
  });
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

/** Pictures of a camera from a file: YUV4MPEG2, 4:2:0, one frame; `grey` by the place, 16 to 235 (ITU-R BT.601). */
function videoFile(name: string, grey: (x: number, y: number) => number): string {
  const [width, height] = [640, 480];
  const luma = Buffer.alloc(width * height);
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) luma[y * width + x] = grey(x, y);
  const file = test.info().outputPath(name);
  writeFileSync(
    file,
    Buffer.concat([
      Buffer.from(`YUV4MPEG2 W${width} H${height} F20:1 Ip A1:1 C420jpeg\nFRAME\n`),
      luma,
      Buffer.alloc((width * height) / 2, 128),
    ]),
  );
  return file;
}
/** What a microphone hears, from a file: WAVE, PCM of 16 bits at 48 kHz, one channel, for a minute. */
function soundFile(name: string, amplitude: number): string {
  const [rate, seconds] = [48_000, 60];
  const samples = Buffer.alloc(2 * rate * seconds);
  for (let k = 0; k < rate * seconds; k++)
    samples.writeInt16LE(Math.round(32_767 * amplitude * Math.sin((2 * Math.PI * 1000 * k) / rate)), 2 * k);
  const head = Buffer.alloc(44);
  head.write('RIFF', 0);
  head.writeUInt32LE(36 + samples.length, 4);
  head.write('WAVEfmt ', 8);
  head.writeUInt32LE(16, 16);
  head.writeUInt16LE(1, 20);
  head.writeUInt16LE(1, 22);
  head.writeUInt32LE(rate, 24);
  head.writeUInt32LE(2 * rate, 28);
  head.writeUInt16LE(2, 32);
  head.writeUInt16LE(16, 34);
  head.write('data', 36);
  head.writeUInt32LE(samples.length, 40);
  const file = test.info().outputPath(name);
  writeFileSync(file, Buffer.concat([head, samples]));
  return file;
}
/** A sheet that falls off towards its corners, with dust on it or without. */
const sheet = (dust: boolean) => (x: number, y: number) =>
  Math.round(
    200 *
      Math.cos(Math.hypot((x - 320) / 1000, (y - 240) / 1000)) ** 4 *
      (dust && Math.hypot(x - 400, y - 200) < 14 ? 0.6 : 1),
  );

test('an ear speaker that nothing is heard of, and dust on a lens: said with their figures, and the picture kept', async ({
  page,
}) => {
  await atChecks(page, true);
  const address = await linkOf(page);
  const browser = await phoneBrowser([
    `--use-file-for-fake-audio-capture=${soundFile('silence.wav', 0.00001)}`,
    `--use-file-for-fake-video-capture=${videoFile('dust.y4m', sheet(true))}`,
  ]);
  try {
    const phone = await (await phoneIn(browser)).newPage();
    await phone.goto(address);
    await upTo(phone, undefined);
    await phone.getByRole('button', { name: 'ear speaker' }).tap();
    await phone.locator('footer button.go').tap();
    await expect(phone.getByRole('heading', { name: 'does not' })).toBeVisible({ timeout: 20_000 });
    await expect(phone.getByText('nothing is heard')).toBeVisible();
    await expect(page.getByTestId('measured-before-ear-speaker')).toContainText('nothing is heard');
    await phone.locator('footer button.go').tap();
    await upTo(phone, undefined);
    await phone.getByRole('button', { name: 'rear cameras' }).tap();
    for (const aim of ['something printed', 'something far away', 'a plain white sheet']) {
      await expect(phone.getByRole('heading', { name: aim })).toBeVisible();
      await phone.getByRole('button', { name: /take/ }).tap();
    }
    await expect(phone.getByText('1 dark spot on the plain sheet')).toBeVisible({ timeout: 20_000 });
    await expect(page.getByTestId('measured-before-cameras')).toContainText('1 spot');
    const pictures = page.getByRole('img', { name: /^rear cameras, picture \d, now$/ });
    await expect(pictures).toHaveCount(2);
    for (const picture of await pictures.all())
      await expect.poll(() => picture.evaluate((img) => (img as HTMLImageElement).naturalWidth)).toBe(640);
  } finally {
    await browser.close();
  }
});
test('a clean lens has no spot, and a person says whether it is sharp', async ({ page }) => {
  await atChecks(page, false);
  const address = await linkOf(page);
  const browser = await phoneBrowser([
    `--use-file-for-fake-video-capture=${videoFile('clean.y4m', sheet(false))}`,
  ]);
  try {
    const phone = await (await phoneIn(browser)).newPage();
    await phone.goto(address);
    await upTo(phone, 'cameras');
    for (let k = 0; k < 3; k++) {
      await expect(phone.getByRole('button', { name: /take/ })).toBeEnabled();
      await phone.getByRole('button', { name: /take/ }).tap();
    }
    await expect(phone.getByRole('heading', { name: 'Sharp, no dust, no shake?' })).toBeVisible({
      timeout: 20_000,
    });
    await phone.getByRole('button', { name: 'yes' }).tap();
    await expect(page.getByTestId('measured-before-cameras')).not.toContainText('spot');
  } finally {
    await browser.close();
  }
});
