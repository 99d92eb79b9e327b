/** What `dostik` starts. Bundled by scripts/bundles.mjs, beside the command itself. */
import path from 'node:path';
import { commandOf } from './compiled.js';

void commandOf(path.join(__dirname, 'terminal.cjs'))
  .main(process.argv.slice(2))
  .then((status) => (process.exitCode = status));
