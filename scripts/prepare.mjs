/** After an installation: builds the terminal command, where what it is built with has been installed too. */
import { existsSync } from 'node:fs';

if (existsSync('node_modules/esbuild')) {
  const { bundle } = await import('./bundles.mjs');
  await bundle();
} else if (!existsSync('dist/dostik.cjs')) {
  console.log(
    'Installed without what Dostik is built with: bring build/ and dist/ from where "npm run build" was run.',
  );
}
