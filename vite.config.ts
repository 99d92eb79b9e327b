import { sveltekit } from '@sveltejs/kit/vite';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [sveltekit()],
  worker: { format: 'es' },
  test: {
    exclude: ['**/node_modules/**', '**/*.browser.test.ts'],
    include: ['src/**/*.test.ts', 'tools/**/*.test.ts', 'scripts/**/*.test.ts'],
    globalSetup: 'scripts/before-tests.mjs',
    environment: 'node',
    testTimeout: 60_000,
    // Two files at a time also where there are two cores only; one would wait for its processes.
    maxWorkers: 2,
  },
});
