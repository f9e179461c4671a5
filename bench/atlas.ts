import type { Browser, Page } from '@playwright/test';
import { figure, median, percentile } from './figures';
import { framesOf } from './frames';

/** A press and its taking back, each until the ledger's number has changed on the page. */
export async function presses(page: Page, n: number): Promise<number[]> {
  return page.evaluate(async (times) => {
    const ledger = document.querySelector('[data-testid=screws-out]')!;
    const out: number[] = [];
    for (let k = 0; k < times; k++) {
      const t = performance.now();
      const changed = new Promise<void>((r, no) => {
        setTimeout(
          () =>
            no(
              new Error(
                `press ${k} changed nothing: ${document.querySelector('[data-testid=go]')?.textContent} ${document.querySelector('dialog')?.textContent ?? ''}`,
              ),
            ),
          8000,
        );
        const m = new MutationObserver(() => {
          m.disconnect();
          r();
        });
        m.observe(ledger, { childList: true, subtree: true, characterData: true });
      });
      window.dispatchEvent(new KeyboardEvent('keydown', { key: k % 2 ? 'Backspace' : 'PageDown' }));
      await changed;
      out.push(performance.now() - t);
      await new Promise((r) => setTimeout(r, 250));
    }
    return out;
  }, n);
}

/** The largest device: a housing rebuild of 139 screws with hundreds of entries behind it, on a slow machine; and the map under the hand. */
export async function benchAtlas(chrome: Browser, origin: string, job: string): Promise<void> {
  const page = await (await chrome.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await page.goto(`${origin}/sign-in`);
  await page.click('button[value=tova]');
  await page.waitForURL(`${origin}/`);
  await page.goto(`${origin}/jobs/${job}/work`);
  await page.getByTestId('instruction').waitFor();
  await page.waitForTimeout(1500);
  // the map first: a process that was slowed stays slow for a while
  const box = (await page.locator('svg[aria-label^="Map"]').boundingBox())!;
  await page.mouse.move(box.x + box.width * 0.7, box.y + box.height * 0.4);
  const { work, clock } = await framesOf(chrome, page, async () => {
    for (let k = 0; k < 90; k++) {
      await page.mouse.wheel(0, k < 45 ? -40 : 40);
      await page.waitForTimeout(16);
    }
  });
  figure({
    what: 'Atlas, zooming the map: main-thread work a frame, 95 %',
    value: percentile(work, 0.95),
    unit: 'ms',
    aim: '< 8',
    ok: work.length > 20 && percentile(work, 0.95) < 8,
  });
  figure({
    what: 'the same by the clock, with waiting for other threads',
    value: percentile(clock, 0.95),
    unit: 'ms',
  });
  figure({ what: 'frames counted', value: work.length, unit: '' });
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  await presses(page, 4);
  const slow = await presses(page, 40);
  figure({
    what: 'Atlas, processor four times slower: key press to ledger, median',
    value: median(slow),
    unit: 'ms',
    aim: '< 50',
    ok: median(slow) < 50,
  });
  figure({
    what: 'the same, 95 %',
    value: percentile(slow, 0.95),
    unit: 'ms',
    aim: '< 100',
    ok: percentile(slow, 0.95) < 100,
  });
  await page.context().close();
}
