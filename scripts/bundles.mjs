/** Bundles what runs beside the server: the processes that count, read documents and lay out files, and the command line with its threads. */
import { spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { build } from 'esbuild';
import { expressionsInBundles } from './cases.mjs';

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
  plugins: [expressionsInBundles],
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

/** Patterns that it works through meanwhile: in other hands, one of them with errors. */
const PRACTICE = ['demo/field-vole.txt', 'demo/sea-slug.txt'];

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
  await command();
}

/** Bundles the command line, and keeps what V8 compiles of it. */
async function command() {
  /** @type {import('esbuild').BuildOptions} */
  const older = {
    ...OPTIONS,
    format: 'cjs',
    outExtension: { '.js': '.cjs' },
    // A third shorter, and taken up so much faster. Names stay, for who reads a trace.
    minifyWhitespace: true,
    minifySyntax: true,
    // What was compiled ahead can't bring in modules of the newer kind; a package gives itself in the older one, too.
    supported: { ...OPTIONS.supported, 'dynamic-import': false },
  };
  rmSync('dist/terminal.cjs.compiled', { force: true });
  await build({
    ...older,
    entryPoints: { terminal: 'src/cli/main.ts' },
    define: { 'import.meta.url': 'ownAddress' },
    banner: { js: "const ownAddress = require('node:url').pathToFileURL(__filename).href;" },
  });
  await build({ ...older, entryPoints: { dostik: 'src/cli/start.ts' }, banner: { js: '#!/usr/bin/env node' } });
  await build({ ...older, entryPoints: { compile: 'src/cli/compile.ts' } });
  const { status } = spawnSync(process.execPath, ['dist/compile.cjs', ...PRACTICE], {
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (status !== 0) throw new Error('The command could not be compiled ahead; see above.');
  rmSync('dist/compile.cjs');
}

if (import.meta.url === new URL(process.argv[1] ?? '', 'file:').href) {
  // A bench runs what the application runs.
  const entryPoints = process.argv.slice(2);
  await (entryPoints.length > 0 ? build({ ...OPTIONS, packages: 'external', entryPoints }) : bundle());
}
