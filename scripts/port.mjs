import { createServer } from 'node:net';

/**
 * Whether a port of this machine is free to listen on.
 * @param {number} port
 * @param {string} host
 * @returns {Promise<boolean>}
 */
export function isFree(port, host) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.once('listening', () => probe.close(() => resolve(true)));
    probe.listen(port, host);
  });
}
