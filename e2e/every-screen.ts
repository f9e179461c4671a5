import type { Page } from '@playwright/test';
import { newJob, openReceive, press, settled, signedIn } from './app';

/** Every screen, of a job that is worked on. */
export async function everyScreen(page: Page): Promise<{ paths: string[]; short: (path: string) => string }> {
  await signedIn(page);
  const job = await newJob(page, 'Mica 9', 'display');
  await press(page, 2);
  await settled(page);
  const draft = await openReceive(page);
  const paths = [
    '/',
    '/day/back',
    '/day/print',
    '/jobs',
    '/stock',
    '/stock/spares',
    '/stock/stencils',
    '/models',
    '/workshop',
    '/workshop/money',
    '/workshop/people',
    '/workshop/data',
    '/account',
    `/receive/${draft}`,
    ...['fault', 'offer', 'route', 'work', 'checks', 'hand-over', 'sort', 'rework', 'log', 'report'].map(
      (s) => `/jobs/${job}/${s}`,
    ),
  ];
  return { paths, short: (path) => path.replace(job, 'JOB').replace(draft, 'DRAFT') };
}
