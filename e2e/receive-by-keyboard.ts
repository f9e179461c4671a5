import type { Page } from '@playwright/test';

/** Receives a known model with the keyboard alone, from the empty form to its offer. @returns keys pressed and seconds taken by the machine */
export async function receiveByKeyboard(
  page: Page,
  tag: string,
): Promise<{ keys: number; seconds: number; job: string }> {
  await page.goto('/receive');
  return fillByKeyboard(page, tag, /\/jobs\/.+\/(fault|offer)$/);
}
/** Fills in the form that is open, and receives.
 * @param lands where that leads */
export async function fillByKeyboard(
  page: Page,
  tag: string,
  lands: RegExp,
): Promise<{ keys: number; seconds: number; job: string }> {
  let keys = 0;
  const key = async (k: string, times = 1) => {
    for (let i = 0; i < times; i++) {
      await page.keyboard.press(k);
      keys++;
    }
  };
  const type = async (text: string) => {
    await page.keyboard.type(text);
    keys += text.length;
  };
  await page.waitForFunction(() => document.activeElement?.id === 'tag');
  const began = Date.now();
  await type(tag);
  await key('Tab');
  await type('Mica 9');
  await key('Enter');
  await page.waitForFunction(() => document.querySelectorAll('[role=listitem]').length > 5);
  // closed: while the list is still there, Tab goes to the link below it, as it should
  await page.waitForFunction(() => document.activeElement?.getAttribute('aria-expanded') === 'false');
  // past the two variants to the owner, then the complaint
  await key('Tab', 3);
  await type('Runa');
  await key('Tab');
  await type('flat by noon');
  // its own words have brought the symptom up
  await key('Tab');
  await key('Enter');
  await key('F2');
  // a crack on the front: the kind is chosen already
  await key('Tab', 1);
  await key('F2');
  // the camera does not work, all others do
  await key('ArrowDown', 4);
  await key('2');
  await key('a');
  await key('Control+Enter');
  await page.waitForURL(lands);
  return { keys, seconds: (Date.now() - began) / 1000, job: page.url().split('/')[4] ?? '' };
}
