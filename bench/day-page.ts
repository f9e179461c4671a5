import { type Browser, chromium, type Page } from '@playwright/test';
import { newJob } from '../e2e/app';
import { wholeChromium } from '../e2e/chromium';
import { figure, median, percentile } from './figures';
import { framesOf } from './frames';

/** So many devices are open when the day is planned anew. */
const openDevices = 12;
const timelineChanged = () => {
  const drawing = document.querySelector('.timeline svg')!;
  const seen = { at: 0 };
  Object.assign(window, { seen });
  new MutationObserver(() => {
    if (!seen.at) requestAnimationFrame(() => (seen.at ||= performance.now()));
  }).observe(drawing, { subtree: true, childList: true, attributes: true });
};
/** In the page: does something, and waits until the timeline was painted anew. ms. */
async function untilPainted(page: Page, work: () => Promise<void>): Promise<number> {
  await page.evaluate(() => {
    (window as unknown as { seen: { at: number } }).seen.at = 0;
  });
  const from = await page.evaluate(() => performance.now());
  await work();
  const handle = await page.waitForFunction(
    () => (window as unknown as { seen: { at: number } }).seen.at,
    undefined,
    {
      timeout: 20_000,
    },
  );
  return (await handle.jsonValue()) - from;
}
/** An event of a device, as a bench reports one: a note, which moves nothing, is not news to a plan; a promise is. */
async function replans(page: Page, jobs: readonly string[]): Promise<number[]> {
  const out: number[] = [];
  for (let k = 0; k < 10; k++) {
    const at = Date.now() + (3 + (k % 5)) * 3_600_000;
    out.push(
      await untilPainted(page, async () => {
        await page.evaluate(
          async ([job, promised]) => {
            const log = (await (await fetch(`/jobs/${job}/log.json`)).json()) as { events: { by: string }[] };
            await fetch('/commands', {
              method: 'POST',
              headers: { 'Content-Type': 'application/json' },
              body: JSON.stringify({
                commands: [
                  {
                    ...{ id: crypto.randomUUID(), job, person: log.events[0]!.by, clockKnown: true },
                    ...{ body: { type: 'promised', at: promised, as: '' }, at: Date.now() },
                  },
                ],
              }),
            });
          },
          [jobs[k % jobs.length]!, at] as const,
        );
      }),
    );
    await page.waitForTimeout(1200);
  }
  return out;
}
async function whatIf(chrome: Browser, page: Page): Promise<void> {
  const block = page.getByRole('button', { name: /Arrow keys move it/ }).nth(6);
  await block.focus();
  const answers: number[] = [];
  for (let k = 0; k < 12; k++) {
    answers.push(await untilPainted(page, () => page.keyboard.press('ArrowRight')));
    await page.waitForTimeout(600);
  }
  const answer = median(answers);
  figure({
    what: `day of ${openDevices}: a block moved to the plan that answers, median`,
    ...{ value: answer, unit: 'ms', aim: '< 300', ok: answer < 300 },
  });
  await page.getByRole('button', { name: 'As today' }).click();
  const box = (await page
    .getByRole('button', { name: /Arrow keys move it/ })
    .nth(6)
    .boundingBox())!;
  const { work } = await framesOf(chrome, page, async () => {
    await page.mouse.move(box.x + 4, box.y + 8);
    await page.mouse.down();
    for (let k = 1; k <= 120; k++) {
      await page.mouse.move(box.x + 4 + 2 * k, box.y + 8);
      await page.waitForTimeout(12);
    }
    await page.mouse.up();
  });
  const frame = percentile(work, 0.99);
  figure({
    what: `day of ${openDevices}: a block dragged, main-thread work a frame, 99 %`,
    ...{ value: frame, unit: 'ms', aim: '< 33', ok: work.length > 20 && frame < 33 },
  });
}

/** The day on the Bench with twelve open devices: how soon news are painted, and what if is answered. */
export async function benchDayPage(origin: string): Promise<void> {
  const chrome = await chromium.launch(wholeChromium);
  try {
    const page = await chrome.newPage({ baseURL: origin, viewport: { width: 1280, height: 800 } });
    await page.goto('/sign-in');
    await page.click('button[value=ines]');
    await page.waitForURL(`${origin}/`);
    const open = (await (await page.request.get('/open-jobs')).json()) as { id: string }[];
    const jobs: string[] = [];
    for (let k = open.length; k < openDevices; k++)
      jobs.push(await newJob(page, 'Mica 9', k % 2 ? 'cell' : 'display'));
    await page.goto('/');
    await page.locator('.timeline .block').first().waitFor();
    await page.waitForTimeout(2000);
    await page.evaluate(timelineChanged);
    const replan = median(await replans(page, jobs));
    figure({
      what: `day of ${openDevices}: an event to the plan painted on the Bench, median`,
      ...{ value: replan, unit: 'ms', aim: '< 500', ok: replan < 500 },
    });
    await whatIf(chrome, page);
  } finally {
    await chrome.close();
  }
}
