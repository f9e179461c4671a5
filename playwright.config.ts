import { defineConfig } from '@playwright/test';
import { chromiumHere } from './e2e/chromium';
import { port } from './e2e/worker';

// told to every worker: see promise() in e2e/app.ts
process.env.SNAVEK_TEST_FROM ??= String(Date.now());
export default defineConfig({
  testDir: 'e2e',
  // each with a server and a database of its own: e2e/worker.ts
  workers: 2,
  // a machine of a landing is shared: what passes only at the second or third go is listed as flaky and looked into, not lost
  retries: process.env.CI ? 2 : 0,
  reporter: 'list',
  // of a test that waits for what does not come; what is only slow beside others is not cut off
  timeout: 300_000,
  expect: { timeout: 20_000 },
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'UTC',
    trace: 'off',
    // every test begins with an empty browser: it would fetch the whole app for its store each time; the test of the store allows it
    serviceWorkers: 'block',
    launchOptions: chromiumHere,
  },
});
