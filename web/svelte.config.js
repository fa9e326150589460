import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
  preprocess: vitePreprocess(),
  compilerOptions: { runes: true },
  kit: {
    adapter: adapter(),
    // There are no cookies and no forms that act: a request from elsewhere can do nothing that its sender could not.
    csrf: { trustedOrigins: ['*'] },
    // Nothing is fetched from elsewhere; the browser is told to hold us to it.
    csp: {
      mode: 'hash',
      directives: {
        'default-src': ['self'],
        'script-src': ['self'],
        // Elements of style are ours alone; the framework writes attributes of style into what it draws.
        'style-src': ['self', 'unsafe-inline'],
        'style-src-elem': ['self'],
        'style-src-attr': ['unsafe-inline'],
        // Photos that the maker keeps here are shown from the browser's own store.
        'img-src': ['self', 'data:', 'blob:'],
        'font-src': ['self', 'data:'],
        'worker-src': ['self', 'blob:'],
        'connect-src': ['self'],
        'object-src': ['none'],
        'base-uri': ['self'],
        'frame-ancestors': ['none'],
      },
    },
  },
};
