import { spawnSync } from 'node:child_process';
import { existsSync, renameSync, rmSync, statSync, writeFileSync, copyFileSync, chmodSync } from 'node:fs';
import { eq, sql } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { makeRig, MIGRATIONS, type Rig } from '../testing.js';
import { openDatabase } from './client.js';
import { describeFailure, Missing } from './failures.js';
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

describe('another program that has the file open', () => {
  /** Asks the database in a process of its own, which ends then: as a backup does, or somebody at a terminal. */
  const elsewhere = (statement: string): string => {
    const script = `const { createClient } = require('@libsql/client');
      const client = createClient({ url: 'file:${rig.file}' });
      void client.execute(${JSON.stringify(statement)}).then(({ rows }) => { console.log(String(rows[0][0])); client.close(); });`;
    const { stdout, stderr } = spawnSync(process.execPath, ['-e', script], { encoding: 'utf8' });
    expect(stderr).toBe('');
    return stdout.trim();
  };

  it('takes nothing with it when it ends, at the first start or a later one', async () => {
    const count = 'select count(*) from patterns';
    let database = rig.database;
    for (const start of [1, 2, 3]) {
      if (start > 1) database = await openDatabase({ DATABASE_URL: `file:${rig.file}` }, MIGRATIONS);
      await database.db.select().from(patterns);
      expect(elsewhere(count)).toBe(String(start - 1));
      const row = { id: `p${start}`, name: 'Ball', text: '', createdAt: 1, updatedAt: 1, summary: 'null' };
      await database.write((db) => db.insert(patterns).values(row));
      expect(elsewhere(count)).toBe(String(start));
      if (start > 1) database.close();
    }
  });

  it('that has taken the log of the database away is noticed, and nothing is said to be written', async () => {
    await add('Ball');
    await rig.counted();
    rmSync(`${rig.file}-wal`);
    await expect(add('lost')).rejects.toThrow(/the log of the database .* is gone/);
  });
});

describe('a database that goes from under the server', () => {
  it('is noticed when it is deleted: nothing is said to be written, and all can be read', async () => {
    const id = await add('Ball');
    expect(await rig.trouble()).toBeNull();
    rmSync(rig.file);
    expect(await rig.trouble()).toMatch(/^The database .* is gone: it was moved or deleted/);
    await expect(add('lost')).rejects.toThrow(/is gone: it was moved or deleted/);
    expect((await rig.patterns.get(id))?.name).toBe('Ball');
    // Nor was an empty one made in its place.
    expect(existsSync(rig.file)).toBe(false);
  });

  it('is noticed when another stands in its place', async () => {
    await add('Ball');
    copyFileSync(rig.file, `${rig.file}.copy`);
    renameSync(`${rig.file}.copy`, rig.file);
    expect(await rig.trouble()).toMatch(/another file stands in the place/i);
    await expect(add('lost')).rejects.toThrow(/another file stands in the place/);
    expect(describeFailure(new Missing('x.db', 'replaced'))).toContain('restart the server');
  });

  it('is there again when it is put back', async () => {
    renameSync(rig.file, `${rig.file}.away`);
    await expect(add('lost')).rejects.toThrow(Missing);
    renameSync(`${rig.file}.away`, rig.file);
    expect(await rig.trouble()).toBeNull();
    await add('kept');
    expect(await names()).toEqual(['kept']);
  });
});

describe('a database that can’t be written', () => {
  /** Of the one connection that is there while nothing is written. */
  const set = (pragma: string) => rig.database.db.run(sql.raw(`PRAGMA ${pragma}`));

  it('is told until it can be again; all can be read meanwhile', async () => {
    const id = await add('Ball');
    await rig.counted();
    await set('query_only = ON');
    expect(await rig.trouble()).toBeNull();
    await expect(add('lost')).rejects.toThrow();
    expect(await rig.trouble()).toMatch(/^The file is read-only/);
    expect(await rig.trouble()).toMatch(/^The file is read-only/);
    expect((await rig.patterns.get(id))?.name).toBe('Ball');
    await set('query_only = OFF');
    expect(await rig.trouble()).toBeNull();
    await add('kept');
    expect(await names()).toEqual(['Ball', 'kept']);
  });

  it('since the disk is full says so, and keeps nothing of what did not go in whole', async () => {
    await set('max_page_count = 1');
    const large = rig.patterns.add({ name: 'Large', text: 'x'.repeat(200_000) });
    expect(describeFailure(await large.catch((error: unknown) => error))).toMatch(/^the disk is full/);
    await set('max_page_count = 1073741823');
    expect(await names()).toEqual([]);
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
