import { defineConfig } from 'vitest/config';
// Its own file: it wins over vite.config.ts, so the React Router plugin is never loaded in tests.
export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'unit',
          environment: 'node',
          testTimeout: 60_000,
          include: [
            'core/**/*.test.ts',
            'cli/**/*.test.ts',
            'app/**/*.test.{ts,tsx}',
            'words/**/*.test.ts',
            'forms/**/*.test.ts',
          ],
        },
      },
      {
        test: {
          name: 'integration',
          environment: 'node',
          include: ['server/**/*.test.ts'],
          testTimeout: 60_000,
          hookTimeout: 60_000,
          fileParallelism: false,
        },
      },
    ],
  },
});
