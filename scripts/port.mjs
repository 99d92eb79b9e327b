import { createServer } from 'node:net';

/**
 * Where to listen, from PORT and HOST. Ends the process with a sentence where that can't be done.
 * @returns {Promise<{ port: number, host: string }>}
 */
export async function listenAt() {
  const port = Number(process.env.PORT ?? 4870);
  const host = process.env.HOST ?? '127.0.0.1';
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    stop(`PORT must be a number from 1 to 65535; it is "${process.env.PORT}".`);
  if (!(await isFree(port, host)))
    stop(`Port ${port} is taken. Stop what listens there, or choose another: PORT=${port + 1} npm run demo`);
  return { port, host };
}

/**
 * @param {number} port
 * @param {string} host
 * @returns {Promise<boolean>}
 */
function isFree(port, host) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.once('listening', () => probe.close(() => resolve(true)));
    probe.listen(port, host);
  });
}

/**
 * Says why it can't go on, and ends.
 * @param {string} sentence
 * @returns {never}
 */
export function stop(sentence) {
  console.error(sentence);
  process.exit(1);
}
