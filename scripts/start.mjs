/** Starts the built application. PORT, HOST and DATABASE_URL may be set; see the README. */
import { existsSync } from 'node:fs';
import { listenAt, stop } from './port.mjs';

if (!existsSync('build/index.js'))
  stop('The application is not built yet. Run "npm run build" first, or "npm run demo".');
const { port, host } = await listenAt();
process.env.PORT = String(port);
process.env.HOST = host;
// Whole workspaces; what is smaller by its kind is refused by the application itself.
process.env.BODY_SIZE_LIMIT ??= '512M';
await import(new URL('../build/index.js', import.meta.url).href);
// Only what answers is said to be there.
const address = `http://${host.includes(':') ? `[${host}]` : host}:${port}`;
while (
  !(await fetch(`${address}/card`, { method: 'HEAD' }).then(
    () => true,
    () => false,
  ))
)
  await new Promise((resolve) => setTimeout(resolve, 20));
console.log(`Dostik is at ${address}`);
