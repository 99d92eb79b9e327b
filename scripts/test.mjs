/** Everything that is checked; ends at the first that fails. What only reads the code goes side by side. */
import { spawn } from 'node:child_process';

const READING = [
  ['Lint', 'lint'],
  ['Format', 'format:check', 'Types', 'types', 'Architecture', 'arch'],
];
const RUNNING = [
  'Unit tests',
  'test:unit',
  'Components',
  'test:components',
  'Build',
  'build',
  'End to end',
  'test:e2e',
];

/** @type {string[]} */
const log = [];
/** @type {Set<import('node:child_process').ChildProcess>} */
const going = new Set();

/**
 * Carries out some steps, one after the other.
 * @param {readonly string[]} steps names, each with its script
 * @param {boolean} aside whether others go at the same time: what it says is then said at its end
 */
async function each(steps, aside) {
  for (let i = 0; i < steps.length; i += 2) {
    const [name = '', script = ''] = steps.slice(i, i + 2);
    const start = Date.now();
    if (!aside) console.log(`\n── ${name}`);
    const { status, said } = await run(script, aside);
    if (aside) console.log(`\n── ${name}\n${said}`);
    log.push(`${name}: ${((Date.now() - start) / 1000).toFixed(0)} s`);
    if (status !== 0) {
      console.error(`\n${name} failed; the words above say where.`);
      console.log(`${log.length - 1} passed, 1 failed`);
      for (const child of going) child.kill();
      process.exit(1);
    }
  }
}

/**
 * @param {string} script
 * @param {boolean} aside
 * @returns {Promise<{ status: number | null, said: string }>}
 */
function run(script, aside) {
  return new Promise((resolve) => {
    const child = spawn('npm', ['run', '--silent', script], { stdio: aside ? 'pipe' : 'inherit' });
    going.add(child);
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (words) => (said += String(words)));
    child.once('close', (status) => {
      going.delete(child);
      resolve({ status, said: said.trimEnd() });
    });
  });
}

const start = Date.now();
// The types of the routes are made: whatever reads the code with its types needs them, however fresh the clone.
if ((await run('sync', false)).status !== 0) process.exit(1);
await Promise.all(READING.map((steps) => each(steps, true)));
await each(RUNNING, false);
console.log(`\n${log.join(', ')}; ${((Date.now() - start) / 1000).toFixed(0)} s in all`);
console.log(`${log.length} passed, 0 failed`);
