/**
 * Runs before `demo` and `test`: makes sure that Node is new enough and the packages are there, and
 * with `--chromium` Debian's Chromium as well. Plain Node, since nothing may be installed yet.
 */
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync } from 'node:fs';

const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
/** @type {unknown} */
const described = JSON.parse(readFileSync('package.json', 'utf8'));
const needed = /** @type {{ engines: { node: string } }} */ (described).engines.node;
const [wantMajor = 20, wantMinor = 20] = needed.replace('>=', '').split('.').map(Number);
if (major < wantMajor || (major === wantMajor && minor < wantMinor))
  fail(
    `Dostik needs Node ${wantMajor}.${wantMinor} or newer; this is ${process.versions.node}. Install a newer Node, then try again.`,
  );

const stamp = 'node_modules/.package-lock.json';
if (!existsSync(stamp) || statSync(stamp).mtimeMs < statSync('package-lock.json').mtimeMs) {
  console.log('Installing packages …');
  const npm = process.env.npm_execpath;
  const ran = npm
    ? spawnSync(process.execPath, [npm, 'ci'], { stdio: 'inherit' })
    : spawnSync('npm', ['ci'], { stdio: 'inherit' });
  if (ran.status !== 0)
    fail(
      'The packages could not be installed. Read what npm said above; a look at the network or the registry setting usually helps.',
    );
}

if (process.argv.includes('--chromium') && !existsSync(process.env.CHROMIUM ?? '/usr/bin/chromium')) installChromium();

function installChromium() {
  const without = 'Chromium is missing, and the end-to-end tests need it';
  if (process.env.CHROMIUM) fail(`${without}: CHROMIUM names ${process.env.CHROMIUM}, which is not there.`);
  if (process.getuid?.() !== 0)
    fail(
      `${without}. There is no right to install it here: run "apt-get install chromium" as root, or set CHROMIUM to where it is.`,
    );
  console.log("Installing Debian's Chromium …");
  /** @type {import('node:child_process').SpawnSyncOptions} */
  const quiet = {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  };
  spawnSync('apt-get', ['update', '-qq'], quiet);
  const ran = spawnSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], quiet);
  if (ran.status !== 0 || !existsSync('/usr/bin/chromium'))
    fail(`${without}. apt-get could not install it: run "apt-get install chromium", or set CHROMIUM to where it is.`);
}

/** @param {string} sentence @returns {never} */
function fail(sentence) {
  console.error(sentence);
  process.exit(1);
}
