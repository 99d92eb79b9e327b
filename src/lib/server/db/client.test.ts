import { renameSync, rmSync, statSync, writeFileSync, copyFileSync, chmodSync } from 'node:fs';
import { eq, sql } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { makeRig, MIGRATIONS, type Rig } from '../testing.js';
import { describeFailure, Missing, openDatabase } from './client.js';
import { patterns, ticks } from './schema.js';

let rig: Rig;
beforeEach(async () => {
  rig = await makeRig();
});
afterEach(() => rig.end());

const add = (name: string) => rig.patterns.add({ name, text: 'Rnd 1: 6 sc in MR (6)\n' });
const names = async () =>
  (await rig.database.db.select({ name: patterns.name }).from(patterns)).map(({ name }) => name);

describe('what belongs together', () => {
  it('is written as a whole or not at all', async () => {
    const id = await add('Ball');
    await rig.counted();
    const failing = rig.database.write(async (db) => {
      await db.update(patterns).set({ name: 'half' }).where(eq(patterns.id, id));
      throw new Error('halfway');
    });
    await expect(failing).rejects.toThrow('halfway');
    expect(await names()).toEqual(['Ball']);
  });

  it('waits for its turn', async () => {
    await Promise.all(Array.from({ length: 20 }, (_, i) => add(`p${i}`)));
    expect((await names()).length).toBe(20);
  });
});

describe('two servers on one file', () => {
  it('wait for each other', async () => {
    const other = await openDatabase({ DATABASE_URL: `file:${rig.file}` }, MIGRATIONS);
    const slow = other.write(async (db) => {
      await db.run(sql`update patterns set name = name`);
      await new Promise((resolve) => setTimeout(resolve, 600));
    });
    await new Promise((resolve) => setTimeout(resolve, 50));
    const start = Date.now();
    await add('meanwhile');
    expect(Date.now() - start).toBeGreaterThan(300);
    await slow;
    expect(await names()).toEqual(['meanwhile']);
    other.close();
  });

  it('get everything written, however often they meet', async () => {
    const other = await openDatabase({ DATABASE_URL: `file:${rig.file}` }, MIGRATIONS);
    const id = await add('both');
    await rig.counted();
    const often = async ({ write }: Pick<typeof other, 'write'>, by: string) => {
      for (let i = 0; i < 12; i += 1)
        await write(async (db) => {
          await db.insert(ticks).values({ patternId: id, key: `${by}${i}`, at: 1 });
          await new Promise((resolve) => setTimeout(resolve, (i * 37) % 120));
        });
    };
    await Promise.all([often(other, 'a'), often(rig.database, 'b')]);
    expect((await rig.patterns.notes(id)).ticks.length).toBe(24);
    other.close();
  });
});

describe('a database that goes from under the server', () => {
  it('is noticed when it is deleted, and nothing is said to be written', async () => {
    rmSync(rig.file);
    await expect(rig.database.present()).rejects.toThrow(Missing);
    await expect(add('lost')).rejects.toThrow(/is gone: it was moved or deleted/);
  });

  it('is noticed when another stands in its place', async () => {
    copyFileSync(rig.file, `${rig.file}.copy`);
    renameSync(`${rig.file}.copy`, rig.file);
    await expect(rig.database.present()).rejects.toThrow(/another file stands in the place/);
    expect(describeFailure(new Missing('x.db', true))).toContain('restart the server');
  });

  it('is there again when it is put back', async () => {
    renameSync(rig.file, `${rig.file}.away`);
    await expect(rig.database.present()).rejects.toThrow(Missing);
    renameSync(`${rig.file}.away`, rig.file);
    await rig.database.present();
  });
});

describe('the rights of the file', () => {
  const rights = (file: string) => (statSync(file).mode & 0o777).toString(8);

  it('are its owner’s alone, with its folder and what stands beside it', async () => {
    await add('Ball');
    expect(['', '-wal', '-shm'].map((end) => rights(rig.file + end))).toEqual(['600', '600', '600']);
    expect(rights(`${rig.folder}/data`)).toBe('700');
  });

  it('are narrowed for a database that was there before', async () => {
    const old = `${rig.folder}/old.db`;
    writeFileSync(old, '');
    chmodSync(old, 0o664);
    (await openDatabase({ DATABASE_URL: `file:${old}` }, MIGRATIONS)).close();
    expect(rights(old)).toBe('600');
  });
});
