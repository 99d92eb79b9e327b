import { defineConfig } from 'vitest/config';
import unit from './vite.config.js';

/** The tests of all stores once more, over a database that is a service elsewhere; what is of a file alone is left out. */
export default defineConfig({
  ...unit,
  test: {
    environment: 'node',
    testTimeout: 120_000,
    maxWorkers: 2,
    globalSetup: 'scripts/before-tests.mjs',
    include: ['src/lib/server/*.test.ts', 'src/lib/server/{calls,exchange,people}/*.test.ts', 'src/routes/*.test.ts'],
  },
});
