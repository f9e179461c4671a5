import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/**
 * What axe finds serious or critical on the page as it stands, each with the element it is at.
 * @param rules only these, for a page whose others have been looked at: another theme changes nothing but colours
 */
export async function serious(page: Page, rules?: string[]): Promise<string[]> {
  // what passes is not collected: on a long page that takes most of the time. No page of the app has a frame inside, so one
  // run in the page does, which takes half of the time
  const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode(true);
  const { violations } = await (rules ? axe.withRules(rules) : axe).analyze();
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map((v) => `${v.id} ${v.nodes[0]?.html.slice(0, 160)}`);
}
export const nothingSerious = async (page: Page, where: string): Promise<void> =>
  expect(await serious(page), where).toEqual([]);

/** The page in a theme, awake: chosen as another tab of the bench would, which this one follows without being loaded anew. */
export async function inTheme(page: Page, theme: 'light' | 'dark'): Promise<void> {
  await expect(async () => {
    await page.evaluate((t) => {
      const key = 'snavek-preferences';
      localStorage.setItem(key, JSON.stringify({ theme: t }));
      window.dispatchEvent(new StorageEvent('storage', { key }));
    }, theme);
    await page
      .locator(theme === 'dark' ? '.snavek-dark' : '.snavek:not(.snavek-dark)')
      .first()
      .waitFor({ timeout: 1000 });
  }).toPass();
  await still(page);
}
/** Waits until nothing on the page moves or changes its colour any more, but for what goes round for ever. */
export const still = (page: Page): Promise<void> =>
  page.evaluate(async () => {
    const frame = () => new Promise((drawn) => requestAnimationFrame(drawn));
    const moving = () =>
      document.getAnimations().filter((a) => a.effect?.getComputedTiming().endTime !== Infinity);
    // one that ends may begin another
    for (let calm = 0; calm < 3; ) {
      await frame();
      const now = moving();
      calm = now.length ? 0 : calm + 1;
      await Promise.all(now.map((a) => a.finished.catch(() => undefined)));
    }
  });
export const sizes = [
  [1280, 800],
  [1024, 768],
  [800, 1280],
  [390, 844],
] as const;

/** What sticks out of the window, what is cut without a title, and what is too small for a finger: 44 px, or 24 px inside running text. */
export function faults(): string[] {
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
