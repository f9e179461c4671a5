import { existsSync } from 'node:fs';
import { expect, test } from 'vitest';
import routes from './routes';
import { aloneOfJob, jobScreens, worksAlone } from './screens';

const all = (await routes).flatMap((r) => [r, ...(r.children ?? [])]);
const job = '/jobs/00000000-0000-4000-8000-000000000001';

test('every screen of a job has its route and its file, and stands in the frame', () => {
  const framed = all.find((r) => r.file === 'routes/frame/shop.tsx')!.children!;
  for (const { path } of jobScreens) {
    const own = framed.find((r) => r.path === `jobs/:job/${path}`);
    expect(own?.file, path).toBe(`routes/${path}/${path}.tsx`);
    expect(existsSync(`app/${own!.file}`), path).toBe(true);
  }
});
test('what starts without a network is a page of the app, and no address of data or of another job’s', () => {
  expect(worksAlone.test('/')).toBe(true);
  for (const path of aloneOfJob) {
    expect(worksAlone.test(`${job}/${path}`), path).toBe(true);
    expect(
      all.some((r) => r.path === `jobs/:job/${path}`),
      path,
    ).toBe(true);
  }
  for (const path of ['offer', 'events', 'route.json', 'work/x'])
    expect(worksAlone.test(`${job}/${path}`), path).toBe(false);
  expect(worksAlone.test('/jobs/1/work')).toBe(false);
});
