import { cpSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createClient } from '@libsql/client';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openDatabase } from '../db/client.js';
import { makeRig, MIGRATIONS, type Rig } from '../testing.js';
import { backUp, backupsBeside, backupsIn, damageOf, newestGood, restore } from './copies.js';

let rig: Rig;
let folder: string;
beforeEach(async () => {
  rig = await makeRig();
  folder = path.join(mkdtempSync(path.join(tmpdir(), 'dostik-backups-')), 'kept');
});
afterEach(async () => {
  await rig.end();
  rmSync(path.dirname(folder), { recursive: true, force: true });
});

const BALL = 'BALL\nUS terms\nRnd 1: 6 sc in MR (6)\n';
const add = (name: string) => rig.patterns.add({ name, text: BALL });
/** The names of the patterns in a database. */
async function namesIn(file: string): Promise<unknown[]> {
  const client = createClient({ url: `file:${file}` });
  const { rows } = await client.execute('select name from patterns order by name');
  client.close();
  return rows.map((row) => row['name']);
}
/** Spoils a page in the middle of a file. */
function spoil(file: string): void {
  const bytes = readFileSync(file);
  bytes.fill(0xa5, 4096, Math.min(bytes.length, 5 * 4096));
  writeFileSync(file, bytes);
}

describe('a backup', () => {
  it('holds everything that was confirmed, while others write', async () => {
    await add('One');
    const writing = Promise.all(Array.from({ length: 20 }, (_, i) => add(`Later ${i}`)));
    const [made] = await Promise.all([backUp(rig.file, folder, 'asked', 5), writing]);
    expect(await namesIn(made.file)).toContain('One');
    expect(await damageOf(made.file)).toBeNull();
    expect(statSync(made.file).mode & 0o077).toBe(0);
    const after = await backUp(rig.file, folder, 'asked', 5);
    expect(await namesIn(after.file)).toHaveLength(21);
    expect(readdirSync(folder).every((name) => name.endsWith('.db'))).toBe(true);
  });

  it('is kept so many times, the newest, and leaves alone what is none', async () => {
    for (const why of ['daily', 'update', 'asked', 'daily'] as const) await backUp(rig.file, folder, why, 3);
    writeFileSync(path.join(folder, 'dostik-mine.db'), 'mine');
    const last = await backUp(rig.file, folder, 'asked', 3);
    const all = await backupsIn(folder);
    expect(all.map(({ why }) => why)).toEqual(['asked', 'daily', 'asked']);
    expect(all[0]).toEqual(last);
    expect(existsSync(path.join(folder, 'dostik-mine.db'))).toBe(true);
    expect(Math.abs((all[0]?.at ?? 0) - Date.now())).toBeLessThan(60_000);
  });

  it('that can’t be made says so, and leaves nothing behind', async () => {
    writeFileSync(path.join(path.dirname(folder), 'a file'), '');
    await expect(backUp(rig.file, path.join(path.dirname(folder), 'a file'), 'asked', 3)).rejects.toThrow();
    const damaged = await backUp(rig.file, path.join(path.dirname(folder), 'others'), 'asked', 3);
    spoil(damaged.file);
    for (const file of [damaged.file, path.join(folder, 'nowhere.db')])
      await expect(backUp(file, folder, 'asked', 3)).rejects.toThrow('No backup could be made');
    expect(readdirSync(folder)).toEqual([]);
  });

  it('lies beside the database, if nothing is said', () => {
    expect(backupsBeside('/somewhere/dostik.db')).toBe('/somewhere/backups');
  });
});

describe('the start of a server', () => {
  const start = async (file: string, migrations = MIGRATIONS) => {
    const database = await openDatabase({ DATABASE_URL: `file:${file}`, DOSTIK_BACKUPS: folder }, migrations);
    database.close();
  };

  it('copies the database before its tables are brought up to date, and not otherwise', async () => {
    const older = path.join(path.dirname(folder), 'older');
    cpSync(MIGRATIONS, older, { recursive: true });
    const journal = path.join(older, 'meta', '_journal.json');
    const { entries, ...rest } = JSON.parse(readFileSync(journal, 'utf8')) as { entries: unknown[] };
    writeFileSync(journal, JSON.stringify({ ...rest, entries: entries.slice(0, -1) }));
    const file = path.join(path.dirname(folder), 'old.db');
    await start(file, older);
    expect(await backupsIn(folder)).toEqual([]);
    await start(file, older);
    expect(await backupsIn(folder)).toEqual([]);
    await start(file);
    expect((await backupsIn(folder)).map(({ why }) => why)).toEqual(['update']);
    await start(file);
    expect(await backupsIn(folder)).toHaveLength(1);
  });

  it('says what is damaged, and which backup is good; the file stays as it is', async () => {
    await add('One');
    const good = await backUp(rig.file, folder, 'daily', 5);
    const file = path.join(path.dirname(folder), 'here.db');
    writeFileSync(file, 'not a database at all, but a letter');
    await expect(start(file)).rejects.toThrow(`npx dostik restore ${good.file} --database ${file}`);
    rmSync(good.file);
    await expect(start(file)).rejects.toThrow(/there is no backup in .* that can be read/);
    expect(readFileSync(file, 'utf8')).toBe('not a database at all, but a letter');
  });
});

describe('a database that is damaged', () => {
  it('is told, also one that is none at all', async () => {
    await add('One');
    expect(await damageOf(rig.file)).toBeNull();
    const copy = await backUp(rig.file, folder, 'asked', 3);
    spoil(copy.file);
    expect(await damageOf(copy.file)).not.toBeNull();
    writeFileSync(copy.file, 'no database');
    expect(await damageOf(copy.file)).not.toBeNull();
  });

  it('has the newest good backup put in its place, and is kept', async () => {
    await add('One');
    const good = await backUp(rig.file, folder, 'daily', 5);
    await add('Two');
    const bad = await backUp(rig.file, folder, 'daily', 5);
    spoil(bad.file);
    expect((await newestGood(folder))?.file).toBe(good.file);
    const database = path.join(path.dirname(folder), 'here.db');
    writeFileSync(database, 'damaged');
    writeFileSync(`${database}-wal`, 'what was not written yet');
    const kept = await restore(good.file, database);
    expect(await namesIn(database)).toEqual(['One']);
    expect(readFileSync(kept ?? '', 'utf8')).toBe('damaged');
    expect(readFileSync(`${kept}-wal`, 'utf8')).toBe('what was not written yet');
  });

  it('is left as it is where the backup can’t be read', async () => {
    const good = await backUp(rig.file, folder, 'daily', 5);
    spoil(good.file);
    const database = path.join(path.dirname(folder), 'here.db');
    writeFileSync(database, 'damaged');
    await expect(restore(good.file, database)).rejects.toThrow('Nothing was changed');
    await expect(restore(path.join(folder, 'none.db'), database)).rejects.toThrow('There is no backup');
    expect(readFileSync(database, 'utf8')).toBe('damaged');
    expect(await newestGood(folder)).toBeNull();
    expect(await newestGood(path.join(folder, 'nowhere'))).toBeNull();
  });
});
