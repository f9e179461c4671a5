import { readFileSync } from 'node:fs';
import { type Browser, chromium, type Page } from '@playwright/test';
import { strToU8, zipSync } from 'fflate';
import { wholeChromium } from '../e2e/chromium';
import { figure, median, percentile } from './figures';
import { framesOf } from './frames';

async function signedIn(chrome: Browser, origin: string): Promise<Page> {
  const page = await chrome.newPage({ baseURL: origin, viewport: { width: 1280, height: 800 } });
  await page.addInitScript(listenToWorkers);
  await page.goto('/sign-in');
  await page.click('button[value=ines]');
  await page.waitForURL(`${origin}/`);
  return page;
}

/** How many model files one ZIP has. */
const zipFiles = 200;
/** Two hundred models in one ZIP: the shipped ones under other names, as two hundred makers would have sent them. */
async function bringsIn(page: Page): Promise<void> {
  const shipped = ['mica-4', 'mica-9', 'mica-9-wide', 'dune-2', 'dune-3', 'sprig', 'atlas'].map(
    (name) => JSON.parse(readFileSync(`demo/models/${name}.json`, 'utf8')) as { name: string; id: string },
  );
  const files = Array.from({ length: zipFiles }, (_, k) => {
    const model = shipped[k % shipped.length]!;
    const own = { ...model, id: `bench-${k}`, name: `${model.name} ${k}` };
    return [`bench-${k}.json`, strToU8(JSON.stringify(own))] as const;
  });
  await page.goto('/models');
  const began = performance.now();
  await page.locator('input[type=file]').setInputFiles({
    ...{ name: 'models.zip', mimeType: 'application/zip' },
    buffer: Buffer.from(zipSync(Object.fromEntries(files))),
  });
  await page.getByText(`${zipFiles} models taken in`).waitFor({ timeout: 120_000 });
  const seconds = (performance.now() - began) / 1000;
  figure({
    what: `${zipFiles} models as one ZIP: chosen to taken in`,
    ...{ value: seconds, unit: 's', aim: '< 10', ok: seconds < 10 },
  });
}

/** The largest device in the editor: a part dragged, the problems after it, the route to it. */
async function edits(chrome: Browser, page: Page): Promise<void> {
  await page.goto('/models');
  await page
    .getByRole('main')
    .getByRole('link', { name: /Atlas$/ })
    .first()
    .click();
  await page.getByRole('link', { name: 'Edit on the map' }).click();
  await page.getByTestId('no-problems').waitFor({ timeout: 30_000 });
  await page.getByText(/there is a way to every part/).waitFor({ timeout: 30_000 });
  const box = (await page.locator('[data-thing=cell]').first().boundingBox())!;
  const from = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  const { work } = await framesOf(chrome, page, async () => {
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    for (let k = 1; k <= 80; k++) {
      await page.mouse.move(from.x + 20 * Math.sin(k / 8), from.y + 20 * Math.sin(k / 6));
      await page.waitForTimeout(8);
    }
    await page.mouse.up();
  });
  const drag = percentile(work, 0.95);
  figure({
    what: 'editor, Atlas: a drag, main-thread work a frame, 95 %',
    ...{ value: drag, unit: 'ms', aim: '< 17', ok: work.length > 20 && drag < 17 },
  });
  const zoomed = await framesOf(chrome, page, async () => {
    await page.mouse.move(from.x, from.y);
    for (let k = 0; k < 60; k++) {
      await page.mouse.wheel(0, k < 30 ? -40 : 40);
      await page.waitForTimeout(16);
    }
  });
  const zoom = percentile(zoomed.work, 0.95);
  figure({
    what: 'editor, Atlas: zooming, main-thread work a frame, 95 %',
    ...{ value: zoom, unit: 'ms', aim: '< 17', ok: zoom < 17 },
  });
  const answers = await page.evaluate(answersAfterEdits, 12);
  const problems = median(answers.map((a) => a.problems));
  figure({
    what: 'editor, Atlas: an edit to its list of problems, median',
    ...{ value: problems, unit: 'ms', aim: '< 100', ok: problems < 100 },
  });
  const route = median(answers.map((a) => a.route));
  figure({
    what: 'editor, Atlas: an edit to the route to the part, median',
    ...{ value: route, unit: 'ms', aim: '< 500', ok: route < 500 },
  });
}
interface Heard {
  asked: number;
  problems?: number;
  route?: number;
}
/** In the page, before its own scripts: hears when a worker is asked about a model, and when it answers with what. */
function listenToWorkers(): void {
  const heard: Heard[] = [];
  Object.assign(window, { heard });
  const post = Worker.prototype.postMessage;
  Worker.prototype.postMessage = function (this: Worker, message: { model?: unknown }, ...rest: never[]) {
    if (message.model) {
      const asked: Heard = { asked: performance.now() };
      heard.push(asked);
      this.addEventListener('message', ({ data }: MessageEvent<{ problems?: unknown; route?: unknown }>) => {
        if (data.problems) asked.problems ??= performance.now();
        if (data.route) asked.route ??= performance.now();
      });
    }
    post.call(this, message, ...rest);
  };
}
/** In the page: the chosen part is moved by an arrow; from the key until the worker's word on it has come, ms. */
async function answersAfterEdits(times: number): Promise<{ problems: number; route: number }[]> {
  const { heard } = window as unknown as { heard: Heard[] };
  const out: { problems: number; route: number }[] = [];
  for (let k = 0; k < times; k++) {
    const before = heard.length;
    const began = performance.now();
    const key = k % 2 ? 'ArrowLeft' : 'ArrowRight';
    window.dispatchEvent(new KeyboardEvent('keydown', { key, shiftKey: true }));
    while (heard[before]?.route === undefined && performance.now() - began < 10_000)
      await new Promise((r) => setTimeout(r, 5));
    const answer = heard[before];
    if (answer?.problems === undefined || answer.route === undefined) throw new Error('no answer to an edit');
    out.push({ problems: answer.problems - began, route: answer.route - began });
    await new Promise((r) => setTimeout(r, 1500));
  }
  return out;
}

/** What a recorded screw has, as a row of a spreadsheet: its keys are counted, with one to go on to each next cell. */
const rowKeys = (x: number, y: number, drive: string, lengthMm: number, part: string): number =>
  [x.toFixed(1), y.toFixed(1), drive, lengthMm.toFixed(1), part].reduce(
    (sum, cell) => sum + cell.length + 1,
    0,
  );
/** Twelve parts in three columns and four rows, forty screws on them, mm. */
const recorded = Array.from({ length: 12 }, (_, k) => {
  const [x, y] = [5 + (k % 3) * 21, 10 + Math.floor(k / 3) * 33];
  const corners = [
    [x + 2, y + 2],
    [x + 16, y + 2],
    [x + 2, y + 24],
    [x + 16, y + 24],
  ] as const;
  return { name: `bracket ${k + 1}`, screws: corners.slice(0, k < 4 ? 4 : 3) };
});
/** A first teardown: what is pressed and tapped in all, a screw, and in which time a machine does it. */
async function records(page: Page): Promise<void> {
  await page.goto('/models');
  const form = page.getByRole('region', { name: 'Record a device' });
  const name = `Forty ${Date.now()}`;
  for (const [label, value] of [
    ['Maker', 'Bench'],
    ['Name', name],
    ['Width', '70'],
    ['Height', '145'],
    ['Thickness', '8'],
  ] as const)
    await form.getByLabel(label).fill(value);
  await form.getByRole('button', { name: 'Begin' }).click();
  await form.getByRole('link', { name: 'Receive it' }).click();
  await page.getByLabel('Serial or own tag').fill(name);
  await page.getByLabel('Model').click();
  await page.locator('.ant-select-item-option', { hasText: name }).click();
  await page.getByLabel(/What the owner says/).fill('a first one');
  await page.getByRole('button', { name: 'All others work' }).click();
  await page.getByRole('button', { name: 'Receive', exact: true }).click();
  await page.waitForURL(/\/jobs\/[0-9a-f-]{36}\/work/);
  await page.getByText('0 screws', { exact: false }).first().waitFor();
  let pressed = 0;
  const press = async (key: string) => {
    pressed++;
    await page.keyboard.press(key);
  };
  const tap = async (x: number, y: number) => {
    pressed++;
    const at = await page.locator('.tapped svg').evaluate(
      (drawing, [mmX, mmY]) => {
        const point = new DOMPoint(mmX, mmY).matrixTransform((drawing as SVGSVGElement).getScreenCTM()!);
        return { x: point.x, y: point.y };
      },
      [x, y],
    );
    await page.mouse.click(at.x, at.y);
  };
  const began = performance.now();
  await press('k');
  await tap(35, 72);
  pressed++;
  await page.getByRole('button', { name: 'cell', exact: true }).click();
  let out = 0;
  for (const part of recorded) {
    await press('s');
    for (const [k, [x, y]] of part.screws.entries()) {
      await tap(x, y);
      if (k === 0) for (const digit of '14') await press(digit);
      else await press('Enter');
      await page.getByText(`${++out} on it`).waitFor();
    }
    await press('p');
    await page.getByText('The outline is taken round the screws').waitFor();
    await press('Enter');
  }
  const seconds = (performance.now() - began) / 1000;
  const said = /([\d.]+) keys and taps a screw/;
  await press('s');
  pressed--;
  const each = Number(said.exec(await page.locator('main').innerText())?.[1]);
  const sheet = recorded.flatMap((part) =>
    part.screws.map(([x, y]) => rowKeys(x, y, 'PH000', 1.4, part.name)),
  );
  figure({ what: `a first teardown of ${out} screws and 12 parts: keys and taps`, value: pressed, unit: '' });
  figure({
    what: 'the same: keys and taps a screw',
    ...{ value: each, unit: '', aim: '<= 3', ok: each <= 3 },
    reference: { what: 'a spreadsheet row', value: sheet.reduce((sum, keys) => sum + keys, 0) / out },
  });
  figure({ what: 'the same: machine time', value: seconds, unit: 's' });
}

/** Devices of one's own, in the browser: recorded, brought in, edited. */
export async function benchEditing(origin: string): Promise<void> {
  const chrome = await chromium.launch(wholeChromium);
  try {
    const page = await signedIn(chrome, origin);
    await records(page);
    await bringsIn(page);
    await edits(chrome, page);
  } finally {
    await chrome.close();
  }
}
