import { defineConfig } from 'vitest/config';
const server = {
  environment: 'node' as const,
  testTimeout: 60_000,
  hookTimeout: 60_000,
  setupFiles: ['server/testing/setup.ts'],
};
/** Tests that change the database under the program, or begin with an empty one: each has modules of its own. */
const alone = [
  'server/background.test.ts',
  'server/backup.test.ts',
  'server/own-workshop.test.ts',
  'server/upgrade.test.ts',
  'server/db/schema.test.ts',
  'server/stopping.test.ts',
];
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
          ...server,
          name: 'integration',
          // the files of a worker share its database, its connections and the modules that keep something for them
          isolate: false,
          include: ['server/**/*.test.ts'],
          exclude: alone,
        },
      },
      { test: { ...server, name: 'alone', include: alone } },
    ],
  },
});
