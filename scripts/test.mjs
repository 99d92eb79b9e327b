/** Everything that is checked, one after the other; ends at the first that fails. */
import { spawnSync } from 'node:child_process';

const STEPS = [
  ['Format', 'format:check'],
  ['Types', 'types'],
  ['Lint', 'lint'],
  ['Architecture', 'arch'],
  ['Unit tests', 'test:unit'],
  ['Components', 'test:components'],
  ['Build', 'build'],
  ['End to end', 'test:e2e'],
];

const log = [];
for (const [name, script] of STEPS) {
  const start = Date.now();
  console.log(`\n── ${name}`);
  const ran = spawnSync('npm', ['run', '--silent', script ?? ''], { stdio: 'inherit' });
  log.push(`${name}: ${((Date.now() - start) / 1000).toFixed(0)} s`);
  if (ran.status !== 0) {
    console.error(`\n${name} failed; the words above say where.`);
    console.log(`${log.length - 1} passed, 1 failed`);
    process.exit(1);
  }
}
console.log(`\n${log.join(', ')}`);
console.log(`${STEPS.length} passed, 0 failed`);
