/** Bundles what runs beside the server: the processes that count, read documents and lay out files, and the command line with its threads. */
import { build } from 'esbuild';
import { lettersInBundles } from './letters.mjs';

// A package that is no module asks for its own parts in the old way.
const OWN_REQUIRE =
  "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);";

/** @type {import('esbuild').BuildOptions} */
const OPTIONS = {
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'bundle',
  // They find their own parts by where they lie.
  external: ['@libsql/client', 'pdfjs-dist', 'sharp', 'fontkit', 'pdfkit', '@expo-google-fonts/*', 'dejavu-fonts-ttf'],
  outdir: 'dist',
  outExtension: { '.js': '.mjs' },
  logLevel: 'warning',
  charset: 'utf8',
  plugins: [lettersInBundles],
  // Node 20 has all of them as they are written; else each would be made anew wherever it is used.
  supported: {
    'regexp-unicode-property-escapes': true,
    'regexp-lookbehind-assertions': true,
    'regexp-sticky-and-unicode-flags': true,
    'regexp-dot-all-flag': true,
    'regexp-match-indices': true,
    'regexp-named-capture-groups': true,
  },
};

/** @returns {Promise<void>} */
export async function bundle() {
  await build({
    ...OPTIONS,
    entryPoints: {
      counting: 'src/lib/server/counting/worker.ts',
      documents: 'src/lib/server/documents/worker.ts',
      publishing: 'src/lib/server/publishing/worker.ts',
      checking: 'src/cli/checkingWorker.ts',
    },
    banner: { js: OWN_REQUIRE },
  });
  await build({
    ...OPTIONS,
    entryPoints: { dostik: 'src/cli/main.ts' },
    banner: { js: `#!/usr/bin/env node\n${OWN_REQUIRE}` },
  });
}

if (import.meta.url === new URL(process.argv[1] ?? '', 'file:').href) {
  // A bench runs what the application runs.
  const entryPoints = process.argv.slice(2);
  await (entryPoints.length > 0 ? build({ ...OPTIONS, packages: 'external', entryPoints }) : bundle());
}
