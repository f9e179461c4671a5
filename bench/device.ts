import { type Browser, type BrowserContext, chromium, type Page } from '@playwright/test';
import { workedJob } from '../e2e/app';
import { wholeChromium } from '../e2e/chromium';
import { figure, median, percentile } from './figures';
import { framesOf } from './frames';

/** A finger's samples a second, and how much slower a phone's processor is than this machine's. */
const samplesS = 60;
const slower = 4;
/** The page looks at what was wiped when nobody has touched it for a moment, ms. */
const restsMs = 600;

/** A browser that stands for a phone: camera and microphone are its own stand-ins. */
const phoneIn = (chrome: Browser): Promise<BrowserContext> =>
  chrome.newContext({
    viewport: { width: 390, height: 844 },
    ...{ hasTouch: true, isMobile: true, permissions: ['camera', 'microphone'] },
  });
async function addressOf(bench: Page, origin: string, job: string): Promise<string> {
  const answer = await bench.request.post(`/jobs/${job}/device`, { data: { do: 'open' } });
  const { link } = (await answer.json()) as { link: { code: string } };
  return `${origin}/d/${link.code}`;
}
/** All that the page fetches, as it comes over the wire, kB. */
async function sizeOf(context: BrowserContext, address: string): Promise<number> {
  const page = await context.newPage();
  const wire = await context.newCDPSession(page);
  await wire.send('Network.enable');
  let bytes = 0;
  wire.on('Network.loadingFinished', (e) => {
    bytes += e.encodedDataLength;
  });
  await page.goto(address, { waitUntil: 'networkidle' });
  await page.close();
  return bytes / 1000;
}
/** Strokes over the whole pane by the browser's own touches, so many samples a second; a processor four times slower. */
async function wiped(context: BrowserContext, phone: Page): Promise<void> {
  const wire = await context.newCDPSession(phone);
  await wire.send('Emulation.setCPUThrottlingRate', { rate: slower });
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', x: number, y: number) =>
    wire.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: type === 'touchEnd' ? [] : [{ x, y }],
    });
  const began = performance.now();
  let n = 0;
  for (let y = 12; y < 844; y += 40) {
    await touch('touchStart', 4, y);
    for (let x = 4; x <= 386; x += 24) {
      await touch('touchMove', x, y);
      const due = began + (1000 * ++n) / samplesS;
      await new Promise((r) => setTimeout(r, Math.max(0, due - performance.now())));
    }
    await touch('touchEnd', 386, y);
  }
  await wire.send('Emulation.setCPUThrottlingRate', { rate: 1 });
}
/** Presses what goes on as soon as it may be pressed, and wipes what is to be wiped, until all is done. @returns presses */
async function perfectHand(context: BrowserContext, phone: Page): Promise<number> {
  let taps = 0;
  const end = Date.now() + 240_000;
  while (Date.now() < end) {
    if (await phone.getByRole('heading', { name: 'All done' }).isVisible()) return taps;
    if (await phone.getByRole('heading', { name: 'Wipe over everything' }).isVisible()) {
      await wiped(context, phone);
      await phone.waitForTimeout(restsMs);
    }
    const go = phone.locator('footer button.go').last();
    const ready = await go.isEnabled({ timeout: 100 }).catch(() => false);
    if (ready) {
      await go.tap({ timeout: 1000 }).then(
        () => taps++,
        () => {},
      );
    }
    await phone.waitForTimeout(50);
  }
  throw new Error('the round on the phone came to no end');
}
/** From a result on the phone to the bench that shows it, ms. */
async function seenAfter(bench: Page, phone: Page, times: number): Promise<number[]> {
  const out: number[] = [];
  for (let k = 0; k < times; k++) {
    const percent = 20 + k;
    const seen = bench.waitForFunction(
      (text) =>
        document.querySelector('[data-testid=measured-mid-battery]')?.textContent?.includes(text) &&
        Date.now(),
      `${percent} %`,
      { polling: 'raf' },
    );
    const sent = await phone.evaluate(async (value) => {
      const at = Date.now();
      await fetch(`${location.pathname}/results`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({
          ...{ id: crypto.randomUUID(), holder: localStorage.getItem('snavek-device-holder') },
          ...{ function: 'battery', taken: { kind: 'battery', percent: value } },
        }),
      });
      return at;
    }, percent);
    out.push(((await (await seen).jsonValue()) as number) - sent);
    await bench.waitForTimeout(600);
  }
  return out;
}

/** The page on the repaired phone: how large it is, a whole round by a perfect hand, touch on a slow processor, and how soon the bench sees it. */
export async function benchDevice(origin: string): Promise<void> {
  const chrome = await chromium.launch({
    ...wholeChromium,
    args: [
      ...wholeChromium.args,
      ...['--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'],
    ],
  });
  try {
    const bench = await chrome.newPage({ baseURL: origin, viewport: { width: 1280, height: 800 } });
    await bench.goto('/sign-in');
    await bench.click('button[value=ines]');
    await bench.waitForURL(`${origin}/`);
    const job = await workedJob(bench, 'display', 'check');
    await bench.goto(`/jobs/${job}/checks`);
    const address = await addressOf(bench, origin, job);
    const context = await phoneIn(chrome);
    const size = await sizeOf(context, address);
    figure({
      what: 'page on the phone, all of it over the wire',
      value: size,
      unit: 'kB',
      aim: '< 120',
      ok: size < 120,
    });
    const phone = await context.newPage();
    await phone.goto(address);
    await phone.getByRole('button').first().waitFor();
    const began = performance.now();
    const taps = await perfectHand(context, phone);
    const seconds = (performance.now() - began) / 1000;
    figure({
      what: 'a whole mid round on the phone, a perfect hand',
      value: seconds,
      unit: 's',
      aim: '< 90',
      ok: seconds < 90,
    });
    figure({ what: 'a whole mid round on the phone, presses', value: taps, unit: 'presses' });
    const seen = median(await seenAfter(bench, phone, 12));
    figure({
      what: 'a result on the phone to seen at the bench, median',
      value: seen,
      unit: 'ms',
      aim: '< 150',
      ok: seen < 150,
    });
    await phone.getByRole('button', { name: 'touch', exact: true }).tap();
    const { work } = await framesOf(chrome, phone, () => wiped(context, phone));
    const most = percentile(work, 1);
    figure({
      what: `touch at ${samplesS} samples a second, processor ${slower} times slower: longest frame`,
      ...{ value: most, unit: 'ms', aim: '< 33', ok: work.length > 100 && most < 33 },
    });
  } finally {
    await chrome.close();
  }
}
