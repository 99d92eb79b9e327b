/** Bundles the process in which the server counts. The server's tests need it as well as the server. */
import { build } from 'esbuild';

export const WORKER = 'dist/counting.mjs';

/** @returns {Promise<void>} */
export async function buildWorker() {
  await build({
    entryPoints: ['src/lib/server/counting/worker.ts'],
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'bundle',
    outfile: WORKER,
    logLevel: 'warning',
    // A package that is no module asks for its own parts in the old way.
    banner: { js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);" },
  });
}

if (import.meta.url === new URL(process.argv[1] ?? '', 'file:').href) await buildWorker();
