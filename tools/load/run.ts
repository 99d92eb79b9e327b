/**
 * 50 people at once on the built application: `npm run load`. With --soak for ten minutes, with its memory watched; with
 * --kills=20 the server is ended at once so often while they work, and what was confirmed is looked for afterwards.
 */
import { execFileSync } from 'node:child_process';
import { setTimeout as wait } from 'node:timers/promises';
import { parseArgs } from 'node:util';
import { Server } from '../../e2e/server.js';
import { Press } from './press.js';
import { lostOf, strike } from './struck.js';

const { values } = parseArgs({
  options: {
    seconds: { type: 'string', default: '120' },
    kills: { type: 'string', default: '0' },
    soak: { type: 'boolean', default: false },
  },
});
const SIZE = { readers: 15, typers: 15, testers: 20 };
/** What is asked for: 95 of 100 answers within so long; milliseconds. */
const WITHIN = 200;
const kills = Number(values.kills);
/** With what a start takes; milliseconds. */
const EVERY = 4000;
const seconds = values.soak ? 600 : Number(values.seconds);

const server = new Server(null, { HOST: '0.0.0.0' });
await server.start();
const press = new Press(server);
const people = await press.gather(SIZE);
const memory: number[] = [];
const watching = setInterval(() => memory.push(residentOf(server.pid)), 10_000);
// After the last start they go on for as long as between two.
await press.work(people, kills > 0 ? strike(server, kills, EVERY).then(() => wait(EVERY)) : wait(seconds * 1000));
clearInterval(watching);
const lost = await lostOf(server, press);
await server.close();

const row = (kind: string, of?: string) =>
  `| ${kind} | ${press.asked.count(of)} | ${[0.5, 0.95, 1].map((share) => press.asked.within(share, of).toFixed(0)).join(' | ')} |`;
console.log(
  `${SIZE.readers} read, ${SIZE.typers} type, ${SIZE.testers} test; ${kills > 0 ? `${kills} kills` : `${seconds} s`}`,
);
console.log('| what | answers | p50 ms | p95 ms | longest |\n| --- | ---: | ---: | ---: | ---: |');
for (const kind of press.asked.kinds) console.log(row(kind, kind));
console.log(row('all'));
console.log(`Wrong answers: ${JSON.stringify(Object.fromEntries(press.asked.wrong))}`);
if (memory.length > 0) console.log(`Memory, every 10 s, MB: ${memory.join(' ')}`);
console.log(
  lost.length === 0 ? 'Nothing that was confirmed is lost; the database is whole.' : `Lost: ${lost.join(', ')}`,
);
const wrong = kills === 0 && (press.asked.wrong.size > 0 || press.asked.within(0.95) >= WITHIN);
process.exit(lost.length > 0 || wrong ? 1 : 0);

/** Memory that a process holds; MB. */
function residentOf(pid: number | undefined): number {
  if (pid === undefined) return 0;
  return Math.round(Number(execFileSync('ps', ['-o', 'rss=', '-p', String(pid)], { encoding: 'utf8' })) / 1024);
}
