import { defineConfig } from 'vite';

/** What is one file beside the app's own: the page on a repaired phone, which fetches nothing else. */
export default defineConfig({
  define: { 'process.env.NODE_ENV': '"production"' },
  build: {
    outDir: 'build/client',
    emptyOutDir: false,
    copyPublicDir: false,
    target: 'es2022',
    rollupOptions: {
      input: { device: 'app/routes/device/alone.tsx' },
      output: { format: 'es', entryFileNames: 'device.js', codeSplitting: false },
    },
  },
});
