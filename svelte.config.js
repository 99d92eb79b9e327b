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
        include: [...config.include, '../*.config.js', '../*.config.ts', '../bench/**/*.ts', '../scripts/**/*.mjs', '../e2e/**/*.ts'],
      }),
    },
  },
};
