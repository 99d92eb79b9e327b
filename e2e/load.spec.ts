import { expect } from '@playwright/test';
import { Press } from '../tools/load/press.js';
import { lostOf, strike } from '../tools/load/struck.js';
import { Server, test } from './server.js';

/** A share of `npm run load -- --kills=20`. */
test('a server that is ended at once while people read, type and test has all that was confirmed to them', async () => {
  const server = new Server(null, { HOST: '0.0.0.0' });
  await server.start();
  const press = new Press(server);
  const people = await press.gather({ readers: 2, typers: 4, testers: 4 });
  const struck = async () => {
    await strike(server, 2, 3000);
    // They go on after it, all of them.
    const [types, tests] = [press.asked.count('types'), press.asked.count('tests')];
    await expect.poll(() => press.asked.count('types') - types).toBeGreaterThan(8);
    await expect.poll(() => press.asked.count('tests') - tests).toBeGreaterThan(8);
  };
  await press.work(people, struck());
  expect(await lostOf(server, press)).toEqual([]);
  expect([...press.asked.wrong.keys()].filter((wrong) => !wrong.endsWith(': 0'))).toEqual([]);
  await server.close();
});
