import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { log } from '../log.js';
import { makeRig, type Rig } from '../testing.js';
import { openDatabase } from './client.js';
import { patterns } from './schema.js';
import { until } from '../../testing/until.js';

const BALL = 'BALL\nRnd 1: 6 sc in MR (6)\n';
let folder: string;
let service: ChildProcess;
let url: string;
let rig: Rig;
const replica = () => path.join(folder, 'copy', 'here.db');
const opened = (): Promise<Rig> => makeRig({ opening: { DATABASE_URL: url, DATABASE_REPLICA: replica() } });

beforeEach(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'dostik-replica-'));
  service = spawn(
    process.execPath,
    ['--import', 'tsx', 'src/lib/server/db/testing/serving.ts', path.join(folder, 'far.db')],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  );
  url = await new Promise<string>((resolve) =>
    service.stdout?.once('data', (said: Buffer) => resolve(said.toString().trim())),
  );
  rig = await opened();
});
afterEach(async () => {
  await rig.end();
  service.kill();
  rmSync(folder, { recursive: true, force: true });
});

/** Ends the service at once. */
async function gone(): Promise<void> {
  const ended = new Promise((resolve) => service.once('exit', resolve));
  service.kill('SIGKILL');
  await ended;
}

describe('a copy of a service’s database on this machine', () => {
  it('has what was written as soon as that is confirmed, and is nobody else’s business', async () => {
    const id = await rig.patterns.add({ name: 'Ball', text: BALL });
    for (let revision = 1; revision < 6; revision += 1) {
      await rig.patterns.save(id, `${BALL}Change ${revision}.\n`, revision);
      expect(await rig.patterns.get(id)).toMatchObject({
        revision: revision + 1,
        text: `${BALL}Change ${revision}.\n`,
      });
    }
    await rig.counted();
    expect((await rig.shelf.page({ words: '6 sc', show: 'all', terms: 'any', sort: 'name' }, 0)).total).toBe(1);
    expect(statSync(replica()).mode & 0o077).toBe(0);
  });

  it('has what other machines have written, within moments', async () => {
    const other = await makeRig({ opening: { DATABASE_URL: url } });
    const id = await other.patterns.add({ name: 'From elsewhere', text: BALL });
    await until(async () => expect((await rig.patterns.get(id))?.name).toBe('From elsewhere'));
    await other.end();
  });

  it('is read on while the service is gone', async () => {
    const id = await rig.patterns.add({ name: 'Ball', text: BALL });
    await rig.counted();
    await gone();
    expect((await rig.patterns.get(id))?.text).toBe(BALL);
    expect((await rig.shelved()).map(({ name }) => name)).toEqual(['Ball']);
  });

  it('is brought up to date at the next start', async () => {
    await rig.patterns.add({ name: 'Before', text: BALL });
    await rig.end();
    const other = await openDatabase({ DATABASE_URL: url }, 'drizzle');
    await other.write((db) => db.update(patterns).set({ name: 'Meanwhile' }));
    other.close();
    rig = await opened();
    expect((await rig.shelved()).map(({ name }) => name)).toEqual(['Meanwhile']);
  });

  it('that could not follow is told of; what was written is confirmed, and read a little later', async () => {
    const noted = vi.spyOn(log, 'error').mockImplementation(() => undefined);
    service.kill('SIGUSR2');
    const id = await rig.patterns.add({ name: 'Ball', text: BALL });
    await rig.counted();
    expect(noted).toHaveBeenCalledWith(expect.stringMatching(/^The copy .*here\.db could not follow the database: /));
    noted.mockRestore();
    service.kill('SIGUSR2');
    await until(async () => expect((await rig.patterns.get(id))?.text).toBe(BALL));
  });
});
