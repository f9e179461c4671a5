import { defineConfig } from 'vite';

/** The service worker, one file beside the app's own; the list of files that it keeps is put in by scripts/build.mjs. */
export default defineConfig({
  define: { 'process.env.NODE_ENV': '"production"' },
  build: {
    outDir: 'build/client',
    emptyOutDir: false,
    copyPublicDir: false,
    target: 'es2022',
    rollupOptions: {
      input: { sw: 'app/sw/sw.ts' },
      output: { format: 'es', entryFileNames: 'sw.js', codeSplitting: false },
    },
  },
});
