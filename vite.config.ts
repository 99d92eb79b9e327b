import { sveltekit } from '@sveltejs/kit/vite';
import { examples } from './scripts/examples.mjs';
import { letters } from './scripts/letters.mjs';
import { defineConfig } from 'vitest/config';

const HOUSE =
  /src\/lib\/(?:frame\/(?:Frame|Ways|HouseKeys|PageHead|actions|house|places|preferences)|components\/(?:Button|Mark|Menu|Toaster|When|marks|toasts|when)|client|fetched|plural)\b/;

/** Tests of what computes and keeps nothing: they can share its modules, and need no one's process. */
const PURE = ['src/core/**/*.test.ts', 'tools/**/*.test.ts'];
/** One puts another module in the place of one; the other measures its process, which must be no one else's. */
const APART = ['src/core/reading/memory.test.ts', 'tools/growth.test.ts'];

export default defineConfig({
  plugins: [letters, sveltekit()],
  worker: {
    format: 'es',
    plugins: () => [examples, letters],
    // What tells a bundler which calls may go is of no use in what it has made.
    rolldownOptions: { output: { comments: { annotation: false } } },
  },
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
    environment: 'node',
    testTimeout: 120_000,
    // Two files at a time also where there are two cores only; one would wait for its processes.
    maxWorkers: 2,
    projects: [
      {
        extends: true,
        // The core keeps nothing between calls but what it may keep: its modules are loaded once for all of its tests.
        test: { name: 'core', include: PURE, exclude: APART, isolate: false, pool: 'threads' },
      },
      {
        extends: true,
        test: {
          name: 'rest',
          include: ['src/{lib,cli,routes}/**/*.test.ts', 'scripts/**/*.test.ts', ...APART],
          exclude: ['**/*.browser.test.ts'],
          globalSetup: 'scripts/before-tests.mjs',
        },
      },
    ],
  },
});
