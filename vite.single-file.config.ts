import { defineConfig } from 'vite';

/** What is one file beside the app's own, by the mode that is asked for. */
const files: Record<string, string> = {
  /** The service worker; the list of files that it keeps is put in by scripts/build.mjs. */
  sw: 'app/sw/sw.ts',
  /** The page on a repaired phone, which fetches nothing else. */
  device: 'app/routes/device/alone.tsx',
};
export default defineConfig(({ mode }) => ({
  define: { 'process.env.NODE_ENV': '"production"' },
  build: {
    outDir: 'build/client',
    emptyOutDir: false,
    copyPublicDir: false,
    target: 'es2022',
    rollupOptions: {
      input: { [mode]: files[mode]! },
      output: { format: 'es', entryFileNames: `${mode}.js`, codeSplitting: false },
    },
  },
}));
