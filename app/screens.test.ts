import { existsSync } from 'node:fs';
import { expect, test } from 'vitest';
import { allRoutes } from '../server/testing/all-routes';
import { aloneOfJob, jobScreens, worksAlone } from './screens';

const all = await allRoutes();
const job = '/jobs/00000000-0000-4000-8000-000000000001';

test('every screen of a job has its route and its file, and stands in the frame', () => {
  for (const { path } of jobScreens) {
    const own = all.find((r) => r.path === `jobs/:job/${path}`);
    expect(own?.file, path).toBe(`routes/${path}/${path}.tsx`);
    expect(own?.frames, path).toEqual([
      'routes/frame/themed.tsx',
      'routes/frame/shop.tsx',
      'routes/frame/body.tsx',
      'routes/frame/job.tsx',
    ]);
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
  for (const path of ['offer.pdf', 'events', 'route.json', 'work/x'])
    expect(worksAlone.test(`${job}/${path}`), path).toBe(false);
  expect(worksAlone.test('/jobs/1/work')).toBe(false);
});
