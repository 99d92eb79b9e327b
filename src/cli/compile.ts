/** Keeps what V8 compiles of the command while it works through some patterns; a step of the build. */
import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { commandOf, keptIn } from './compiled.js';

async function compile(files: readonly string[]): Promise<void> {
  const file = path.join(__dirname, 'terminal.cjs');
  const { main, compiled } = commandOf(file);
  for (const pattern of files) {
    await main(['check', pattern, '--format', 'json', '--fail-on', 'never']);
    await main(['check', pattern, '--fail-on', 'never']);
    await main(['convert', pattern, '--to', 'uk']);
  }
  writeFileSync(keptIn(file), compiled());
}

void compile(process.argv.slice(2));
