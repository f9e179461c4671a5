import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, newJob, openReceive, press, settled, signedIn, test } from './app';

const sizes = [
  [1280, 800],
  [1024, 768],
  [800, 1280],
  [390, 844],
] as const;

/** What sticks out of the window, what is cut without a title, and what is too small for a finger: 44 px, or 24 px inside running text. */
function faults(): string[] {
  const out: string[] = [];
  const wide = document.documentElement.scrollWidth;
  if (wide > innerWidth) {
    const widest = [...document.querySelectorAll('body *')]
      .filter((e) => e.getBoundingClientRect().right > innerWidth + 1)
      .map(
        (e) =>
          `${e.tagName.toLowerCase()}.${String((e as HTMLElement).className)
            .split(' ')
            .slice(0, 2)
            .join('.')}`,
      )
      .slice(0, 3);
    out.push(`${wide} px wide: ${widest.join(', ')}`);
  }
  const cut = [...document.querySelectorAll<HTMLElement>('body *')].filter((e) => {
    const own = [...e.childNodes].some((n) => n.nodeType === 3 && n.textContent!.trim() !== '');
    if (!own || !e.checkVisibility() || e.closest('svg, .sr, input, textarea')) return false;
    const over = e.scrollWidth > e.clientWidth + 1 && getComputedStyle(e).overflowX === 'hidden';
    const box = e.closest('.ledger > .cellbox, .ledger > * > *')?.getBoundingClientRect();
    const out_ = box !== undefined && e.getBoundingClientRect().right > box.right + 1;
    return (over && !e.closest('[title]')) || out_;
  });
  out.push(...new Set(cut.map((e) => `cut: “${e.textContent!.trim().slice(0, 30)}”`)));
  const small = [
    ...document.querySelectorAll<HTMLElement>(
      'a[href], button, [role=tab], .ant-select, .ant-picker, label.ant-checkbox-wrapper',
    ),
  ]
    .filter((e) => e.checkVisibility() && !e.closest('svg, .sr'))
    .map((e) => ({ e, box: e.getBoundingClientRect() }))
    .filter(
      ({ e, box }) =>
        box.width > 0 &&
        Math.min(box.height, box.width) <
          (getComputedStyle(e).display === 'inline' || e.matches('label') ? 20 : 43),
    )
    .map(
      ({ e, box }) =>
        `${e.tagName.toLowerCase()} “${(e.textContent ?? '').trim().slice(0, 24)}” ${Math.round(box.width)} × ${Math.round(box.height)}`,
    );
  return [...out, ...new Set(small)];
}

/** Every screen, of a job that is worked on. */
async function everyScreen(page: Page): Promise<{ paths: string[]; short: (path: string) => string }> {
  await signedIn(page);
  const job = await newJob(page, 'Mica 9', 'display');
  await press(page, 2);
  await settled(page);
  const draft = await openReceive(page);
  const paths = [
    '/',
    '/jobs',
    '/stock',
    '/stock/spares',
    '/workshop',
    `/receive/${draft}`,
    ...['fault', 'offer', 'route', 'work', 'checks', 'hand-over', 'sort', 'log', 'report'].map(
      (s) => `/jobs/${job}/${s}`,
    ),
  ];
  return { paths, short: (path) => path.replace(job, 'JOB').replace(draft, 'DRAFT') };
}

test('no screen is wider than its window, cuts a text or has a target too small for a finger, at four sizes and two of text', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const { paths, short } = await everyScreen(page);
  const found: string[] = [];
  for (const path of paths) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(path);
    for (const [width, height] of sizes) {
      await page.setViewportSize({ width, height });
      for (const text of ['normal', 'large']) {
        await page.evaluate((t) => {
          document.documentElement.dataset.text = t;
        }, text);
        for (const f of await page.evaluate(faults)) found.push(`${short(path)} ${width} ${text}: ${f}`);
      }
    }
  }
  expect(found).toEqual([]);
});

test('axe finds nothing serious on any screen, light and dark', async ({ page }) => {
  test.setTimeout(240_000);
  const { paths, short } = await everyScreen(page);
  const found: string[] = [];
  for (const theme of ['light', 'dark']) {
    await page.evaluate(
      (t) => localStorage.setItem('snavek-preferences', JSON.stringify({ theme: t })),
      theme,
    );
    for (const path of paths) {
      await page.goto(path);
      // awake: until then the controls are as the server has drawn them, light
      await page
        .locator(theme === 'dark' ? '.snavek-dark' : '.snavek')
        .first()
        .waitFor();
      await page.waitForTimeout(400);
      const { violations } = await new AxeBuilder({ page }).analyze();
      for (const v of violations.filter((x) => x.impact === 'serious' || x.impact === 'critical'))
        found.push(`${theme} ${short(path)}: ${v.id} ${v.nodes[0]?.target.join(' ')}`);
    }
  }
  expect(found).toEqual([]);
});
