/**
 * Builds what is out of date, brings the demo patterns into a database of their own, and starts.
 * `npm run demo -- --fresh` forgets what was done with them before.
 */
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { listenAt } from './port.mjs';

await listenAt();

const database = 'data/demo.db';
process.env.DATABASE_URL ??= `file:${database}`;
if (process.argv.includes('--fresh') && process.env.DATABASE_URL === `file:${database}`) {
  for (const end of ['', '-wal', '-shm']) rmSync(database + end, { force: true });
}

if (
  !existsSync('build/index.js') ||
  newest(['src', 'static', 'package-lock.json', 'vite.config.ts', 'svelte.config.js']) >
    statSync('build/index.js').mtimeMs
) {
  console.log('Building …');
  run('npm', ['run', 'build', '--silent']);
}
run(process.execPath, ['--import', 'tsx', 'scripts/seed.ts']);
await import('./start.mjs');

/** @param {string[]} roots @returns {number} when the last of their files was changed */
function newest(roots) {
  let last = 0;
  for (const root of roots) {
    const files = statSync(root).isDirectory()
      ? readdirSync(root, { recursive: true, encoding: 'utf8' }).map((file) => path.join(root, file))
      : [root];
    for (const file of files) last = Math.max(last, statSync(file).mtimeMs);
  }
  return last;
}

/** @param {string} command @param {string[]} words */
function run(command, words) {
  const ran = spawnSync(command, words, { stdio: 'inherit' });
  if (ran.status !== 0) process.exit(ran.status ?? 1);
}
