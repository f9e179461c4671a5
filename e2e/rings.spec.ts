import type { Page } from '@playwright/test';
import { expect, logOf, signedIn, test, workedJob } from './app';

/** Puts a device on the hot plate for so long. */
async function warmed(page: Page, forS: number): Promise<string> {
  const job = await workedJob(page, 'cell', 'heat');
  const person = (await logOf(page, job))[0]!.by;
  const body = { type: 'heatStarted', station: 'hot-plate', forS, hot: 'said' };
  const command = { id: crypto.randomUUID(), job, person, body, at: Date.now(), clockKnown: true };
  const answer = await page.request.post('/commands', { data: { commands: [command] } });
  expect(await answer.json()).toMatchObject({ answers: [{ outcome: { status: 'recorded' } }] });
  return job;
}

test('a timer that runs out rings once, on one of several tabs, and also right after a reload', async ({
  page,
  context,
}) => {
  await signedIn(page);
  const job = await warmed(page, 8);
  const tab = await context.newPage();
  for (const p of [page, tab]) {
    // other devices may ring, too
    await p.addInitScript((id) => {
      document.addEventListener('snavek-rung', (e) => {
        if ((e as CustomEvent<string>).detail.startsWith(id))
          sessionStorage.setItem('rung', String(Number(sessionStorage.getItem('rung') ?? 0) + 1));
      });
    }, job);
    await p.goto(`/jobs/${job}/work`);
    await expect(p.locator('.dev[aria-current=page]')).toContainText('Mica 9');
  }
  for (const p of [page, tab]) await expect(p.locator('.dev[aria-current=page]')).toContainText('heat over');
  const rings = async () =>
    (
      await Promise.all([page, tab].map((p) => p.evaluate(() => Number(sessionStorage.getItem('rung') ?? 0))))
    ).reduce((a, b) => a + b, 0);
  await expect.poll(rings).toBe(1);
  await page.reload();
  await page.waitForTimeout(2500);
  expect(await rings()).toBe(1);
});
