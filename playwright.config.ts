import { defineConfig } from '@playwright/test';

const port = Number(process.env.SNAVEK_TEST_PORT ?? 4110);
export default defineConfig({
  testDir: 'e2e', workers: 1, retries: 0, reporter: 'list', timeout: 120_000, expect: { timeout: 20_000 },
  use: {
    baseURL: `http://127.0.0.1:${port}`, viewport: { width: 1280, height: 800 }, locale: 'en-GB', timezoneId: 'UTC', trace: 'off',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
    },
  },
});
