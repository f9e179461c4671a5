import { defineConfig } from 'vitest/config';
// Its own file: it wins over vite.config.ts, so the React Router plugin is never loaded in tests.
export default defineConfig({
  test: {
    // both cores of the smallest machine; by itself the runner leaves one of two idle
    maxWorkers: 2,
    projects: [
      {
        test: {
          name: 'unit',
          environment: 'node',
          testTimeout: 60_000,
          // functions without a state of their own: the files of a worker share their modules
          isolate: false,
          include: ['core/**/*.test.ts', 'cli/**/*.test.ts', 'words/**/*.test.ts', 'forms/**/*.test.ts'],
        },
      },
      {
        test: {
          name: 'app',
          environment: 'node',
          testTimeout: 60_000,
          include: ['app/**/*.test.{ts,tsx}'],
        },
      },
      {
        test: {
          name: 'integration',
          environment: 'node',
          include: ['server/**/*.test.ts'],
          testTimeout: 60_000,
          hookTimeout: 60_000,
          setupFiles: ['server/testing/setup.ts'],
        },
      },
    ],
  },
});
