import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** A running page looks so often whether the server has been updated; milliseconds. */
const LOOK_FOR_UPDATE = 60_000;

/** @type {import('@sveltejs/kit').Config} */
export default {
  preprocess: vitePreprocess(),
  kit: {
    // Small styles are in the page: it is painted without waiting for them.
    inlineStyleThreshold: 8192,
    adapter: adapter(),
    version: { pollInterval: LOOK_FOR_UPDATE },
    csp: {
      directives: {
        'default-src': ['self'],
        'script-src': ['self'],
        // The editor and the transitions set styles of their own.
        'style-src': ['self', 'unsafe-inline'],
        'img-src': ['self', 'data:', 'blob:'],
        'font-src': ['self', 'data:'],
        'connect-src': ['self'],
        'worker-src': ['self'],
        'object-src': ['none'],
        'base-uri': ['none'],
        'form-action': ['self'],
        'frame-ancestors': ['none'],
      },
    },
  },
};
