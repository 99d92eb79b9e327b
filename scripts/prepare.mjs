/** After an installation: builds the terminal command, where what it is built with has been installed too. */
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

if (existsSync('node_modules/esbuild')) {
  const ran = spawnSync('npm', ['run', '--silent', 'build:cli'], {
    stdio: 'inherit',
    shell: process.platform === 'win32',
  });
  process.exitCode = ran.status ?? 1;
} else if (!existsSync('dist/dostik.mjs')) {
  console.log(
    'Installed without what Dostik is built with: bring build/ and dist/ from where "npm run build" was run.',
  );
}
