import { expect, signIn, test } from './app';

test('a timer that runs out rings once, on one of several tabs, and also right after a reload', async ({
  page,
  context,
}) => {
  await signIn(page);
  const line = {
    id: crypto.randomUUID(),
    number: 999,
    tag: 'RING',
    stage: 'Open',
    seq: 1,
    summary: {
      model: 'Tarnwick Mica 9',
      variant: '',
      tasks: ['cell'],
      waits: 'time',
      running: { what: 'heat', until: Date.now() + 4000 },
      done: 1,
      total: 5,
      conditions: [],
      promisedAs: '',
      by: '',
    },
    promisedAt: null,
    ending: null,
    openedAt: Date.now(),
    updatedAt: Date.now(),
    owner: null,
  };
  const tab = await context.newPage();
  for (const p of [page, tab]) {
    // other devices of the demo may ring, too
    await p.addInitScript((id) => {
      document.addEventListener('snavek-rung', (e) => {
        if ((e as CustomEvent<string>).detail.startsWith(id))
          sessionStorage.setItem('rung', String(Number(sessionStorage.getItem('rung') ?? 0) + 1));
      });
    }, line.id);
    await p.route('**/open-jobs', (r) => r.fulfill({ json: [line] }));
    await p.goto('/');
    await expect(p.locator('.dev', { hasText: 'Mica 9' }).first()).toBeVisible();
  }
  await expect(page.locator('.dev', { hasText: 'heat over' })).toBeVisible();
  const rings = async () =>
    (
      await Promise.all([page, tab].map((p) => p.evaluate(() => Number(sessionStorage.getItem('rung') ?? 0))))
    ).reduce((a, b) => a + b, 0);
  await expect.poll(rings).toBe(1);
  await page.reload();
  await page.waitForTimeout(2500);
  expect(await rings()).toBe(1);
});
