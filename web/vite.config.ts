import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';
import { notices, Shipped } from './notices';

const shipped = new Shipped();

export default defineConfig({
  plugins: [tailwindcss(), sveltekit(), notices(shipped, true)],
  worker: { format: 'es', plugins: () => [notices(shipped, false)] },
  server: { fs: { allow: ['..'] } },
});
