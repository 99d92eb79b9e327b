import { sveltekit } from '@sveltejs/kit/vite';
import { letters } from './scripts/letters.mjs';
import { defineConfig } from 'vitest/config';

const HOUSE =
  /src\/lib\/(?:frame\/(?:Frame|Ways|HouseKeys|PageHead|actions|house|places|preferences)|components\/(?:Button|Mark|Menu|Toaster|When|marks|toasts|when)|client|fetched|plural)\b/;

export default defineConfig({
  plugins: [letters, sveltekit()],
  worker: { format: 'es', plugins: () => [letters] },
  // It names Svelte among what it can go with, and would be taken for a library of components.
  ssr: { external: ['better-auth'] },
  environments: {
    client: {
      build: {
        rolldownOptions: {
          // What stands on every page comes in one piece: a piece costs its heads, however small it is.
          output: { codeSplitting: { groups: [{ name: 'house', test: HOUSE }] } },
        },
      },
    },
  },
  test: {
    exclude: ['**/node_modules/**', '**/*.browser.test.ts'],
    include: ['src/**/*.test.ts', 'tools/**/*.test.ts', 'scripts/**/*.test.ts'],
    globalSetup: 'scripts/before-tests.mjs',
    environment: 'node',
    testTimeout: 120_000,
    // Two files at a time also where there are two cores only; one would wait for its processes.
    maxWorkers: 2,
  },
});
