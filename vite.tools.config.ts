import { defineConfig } from 'vite';

/** Programs that run outside the server's own build: the command line and the planner's worker thread, each in one file. */
export default defineConfig({
  ssr: { noExternal: true, target: 'node' },
  build: {
    ssr: true,
    outDir: 'build-tools',
    target: 'node20',
    emptyOutDir: true,
    copyPublicDir: false,
    rollupOptions: {
      input: {
        snavek: 'cli/main.ts',
        'plan-thread': 'server/threads/plan.thread.ts',
        'day-thread': 'server/threads/day.thread.ts',
        'check-thread': 'server/threads/check.thread.ts',
      },
      output: { format: 'es', entryFileNames: '[name].mjs', chunkFileNames: '[name].mjs' },
    },
  },
});
