import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';
import { notices, Shipped } from './notices';

const shipped = new Shipped();

export default defineConfig({
  // The build of the store for browsers of these years: the one that is picked by itself carries a whole older one.
  resolve: { alias: { dexie: 'dexie/dist/modern/dexie.min.mjs' } },
  plugins: [tailwindcss(), sveltekit(), notices(shipped, true)],
  worker: { format: 'es', plugins: () => [notices(shipped, false)] },
  server: { fs: { allow: ['..'] } },
});
