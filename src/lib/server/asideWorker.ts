import { constants, setPriority } from 'node:os';
import { Worker } from 'node:worker_threads';
import { worker } from 'workerpool';
import type { Jobs } from './aside.js';

/** How often it is looked whether the work takes too long, in a thread of its own: the work itself does not stop to look. */
const WATCH = `
  const { workerData: ends } = require('node:worker_threads');
  setInterval(() => {
    const { user, system } = process.cpuUsage();
    const end = Atomics.load(ends, 0);
    if (end > 0 && (user + system) / 1000 > end) process.kill(process.pid, 'SIGKILL');
  }, 50);`;

/** Milliseconds that this process has had of the cores. */
function spent(): number {
  const { user, system } = process.cpuUsage();
  return Math.round((user + system) / 1000);
}

/**
 * Makes this process one that `workingAside` asks for work. It ends itself at a piece of work that takes more of a core than
 * it may: on a busy machine what is small takes long by the clock, and is no more than it was.
 */
export function offer(jobs: Jobs): void {
  // On a machine with one core requests go first.
  setPriority(constants.priority.PRIORITY_BELOW_NORMAL);
  const longest = Number(process.argv[2]);
  const ends = new Int32Array(new SharedArrayBuffer(4));
  new Worker(WATCH, { eval: true, workerData: ends }).unref();
  worker(
    Object.fromEntries(
      Object.entries(jobs).map(([name, job]) => [
        name,
        async (asked: never) => {
          Atomics.store(ends, 0, spent() + longest);
          try {
            return await job(asked);
          } finally {
            Atomics.store(ends, 0, 0);
          }
        },
      ]),
    ),
  );
}
