import { fileURLToPath } from 'node:url';
import { svelte } from '@sveltejs/vite-plugin-svelte';
import { playwright } from '@vitest/browser-playwright';
import { defineConfig } from 'vitest/config';
import { letters } from './scripts/letters.mjs';
import e2e from './playwright.config.js';

/** Components on their own, in the browser that the end-to-end tests use. */
export default defineConfig({
  plugins: [letters, svelte()],
  worker: { plugins: () => [letters] },
  // All packages are found before the first test: one found later would load the page anew in the middle of a test.
  optimizeDeps: {
    entries: ['src/**/*.svelte', 'src/**/*.browser.test.ts', 'src/lib/workers/*.worker.ts'],
    include: ['node-diff3', 'idb', 'dequal/lite'],
  },
  resolve: {
    // What SvelteKit gives to pages is made up here.
    alias: {
      '$app/navigation': fileURLToPath(new URL('src/lib/testing/navigation.ts', import.meta.url)),
      '$app/state': fileURLToPath(new URL('src/lib/testing/state.svelte.ts', import.meta.url)),
      '$app/environment': fileURLToPath(new URL('src/lib/testing/environment.ts', import.meta.url)),
    },
  },
  test: {
    include: ['src/**/*.browser.test.ts'],
    testTimeout: 120_000,
    // A machine can be busy with other things: how long a thing takes is for the benchmarks to say.
    expect: { poll: { timeout: 40_000 } },
    browser: {
      enabled: true,
      headless: true,
      api: { host: '127.0.0.1' },
      screenshotFailures: false,
      provider: playwright({ launchOptions: e2e.use?.launchOptions ?? {} }),
      instances: [{ browser: 'chromium' }],
    },
  },
});
