import { defineConfig } from 'vite';

/** @public The worker of the server’s pool, with all that it needs in one file beside the server. */
export default defineConfig({
  ssr: { noExternal: true },
  build: {
    ssr: 'src/lib/server/work.ts',
    outDir: 'build',
    emptyOutDir: false,
    rollupOptions: { output: { entryFileNames: 'work.js' } },
  },
});
