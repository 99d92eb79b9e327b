/** Starts the built application. PORT, HOST and DATABASE_URL may be set; see the README. */
import { existsSync } from 'node:fs';
import { isFree } from './port.mjs';

const port = Number(process.env.PORT ?? 4870);
const host = process.env.HOST ?? '127.0.0.1';
if (!Number.isInteger(port) || port < 1 || port > 65535)
  stop(`PORT must be a number from 1 to 65535; it is "${process.env.PORT}".`);
if (!existsSync('build/index.js'))
  stop('The application is not built yet. Run "npm run build" first, or "npm run demo".');
if (!(await isFree(port, host)))
  stop(`Port ${port} is taken. Stop what listens there, or choose another: PORT=${port + 1} npm run demo`);

process.env.PORT = String(port);
process.env.HOST = host;
process.env.BODY_SIZE_LIMIT ??= '24M';
await import(new URL('../build/index.js', import.meta.url).href);
console.log(`Dostik is at http://${host}:${port}`);

/** @param {string} sentence @returns {never} */
function stop(sentence) {
  console.error(sentence);
  process.exit(1);
}
