import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
  preprocess: vitePreprocess(),
  kit: {
    adapter: adapter(),
    typescript: {
      config: (config) => ({
        ...config,
        include: [
          .../** @type {string[]} */ (config.include),
          '../*.config.js',
          '../*.config.ts',
          '../bench/**/*.ts',
          '../scripts/**/*',
          '../tools/**/*.ts',
          '../e2e/**/*.ts',
        ],
      }),
    },
  },
};
