import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createClient } from '@libsql/client';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { readEnvironment } from '../environment.js';
import { openDatabase } from '../db/client.js';
import { bytesToMove, photographs } from '../db/schema.js';
import { log } from '../log.js';
import { makeRig, MIGRATIONS } from '../testing.js';
import { filesAt, hashOf, type Files } from './files.js';
import { moveBytes } from './moved.js';
import { BucketStandIn, type Fault } from './testing/bucket.js';
import { nameOf } from './where.js';

const words = (text: string) => new TextEncoder().encode(text);

interface PlaceAtHand {
  readonly files: Files;
  /** Names of all that lies there. */
  readonly names: () => string[];
  readonly spoil: (name: string, bytes: Uint8Array) => void;
}

let folder: string;
let store: BucketStandIn;
const PLACES: Readonly<Record<string, () => PlaceAtHand>> = {
  'a folder': () => ({
    files: filesAt(folder),
    names: () =>
      readdirSync(folder, { recursive: true, withFileTypes: true }).flatMap((one) => (one.isFile() ? [one.name] : [])),
    spoil: (name, bytes) => writeFileSync(path.join(folder, name), bytes),
  }),
  'a bucket': () => ({
    files: filesAt('s3://our-patterns/dostik'),
    names: () => [...store.objects.keys()].map((name) => path.basename(name)),
    spoil: (name, bytes) => store.objects.set(`our-patterns/dostik/${name}`, bytes),
  }),
};

beforeEach(async () => {
  folder = path.join(mkdtempSync(path.join(tmpdir(), 'dostik-files-')), 'files');
  store = new BucketStandIn('editor');
  vi.stubEnv('AWS_ENDPOINT_URL_S3', await store.start());
  vi.stubEnv('AWS_REGION', 'here');
  vi.stubEnv('AWS_ACCESS_KEY_ID', 'editor');
  vi.stubEnv('AWS_SECRET_ACCESS_KEY', 'a word');
});
afterEach(() => {
  vi.unstubAllEnvs();
  store.stop();
  rmSync(path.dirname(folder), { recursive: true, force: true });
});

describe.each(Object.entries(PLACES))('files in %s', (_, open) => {
  it('come back as they were kept, whatever is in them, each kept once', async () => {
    const { files, names } = open();
    await fc.assert(
      fc.asyncProperty(fc.uint8Array({ maxLength: 5000 }), async (bytes) => {
        const hash = await files.keep(bytes);
        expect(hash).toBe(hashOf(bytes));
        expect(new Uint8Array(await files.get(hash))).toEqual(bytes);
      }),
      { numRuns: 20 },
    );
    const before = names();
    await files.keep(words('twice'));
    await files.keep(words('twice'));
    expect(names()).toHaveLength(before.length + 1);
    expect(names().every((name) => /^[0-9a-f]{64}$/.test(name))).toBe(true);
  });

  it('that are gone or damaged are told, with what to do', async () => {
    const { files, spoil } = open();
    await expect(files.get('0'.repeat(64))).rejects.toMatchObject({ status: 503 });
    await expect(files.get('0'.repeat(64))).rejects.toThrow(
      /^This file is no longer where files are kept \(.*\)\. Bring 00\/0+ back from a backup\.$/,
    );
    const hash = await files.keep(words('as it was'));
    spoil(nameOf(hash), words('as it is'));
    await expect(files.get(hash)).rejects.toThrow('This file was damaged');
  });
});

it('a folder of files is nobody else’s business', async () => {
  const hash = await filesAt(folder).keep(words('hers'));
  for (const name of ['', hash.slice(0, 2), nameOf(hash)])
    expect(statSync(path.join(folder, name)).mode & 0o077, name).toBe(0);
});

describe('a bucket', () => {
  it.each<Fault>(['lost before', 'lost after', 'slow down'])(
    'that fails twice (%s) is asked again, and nothing is lost',
    async (fault) => {
      const files = filesAt('s3://our-patterns');
      store.fault = (request) => (request % 3 === 2 ? null : fault);
      const hash = await files.keep(words('a photograph'));
      expect(new TextDecoder().decode(await files.get(hash))).toBe('a photograph');
      expect(store.asked).toBe(6);
      expect([...store.objects.keys()]).toEqual([`our-patterns/${nameOf(hash)}`]);
    },
  );

  it.each([
    ['does not answer', () => store.stop()],
    ['lets nobody in', () => vi.stubEnv('AWS_ACCESS_KEY_ID', 'somebody')],
  ])('that %s is told in words; a pattern that comes then is not half taken in', async (_, happen) => {
    happen();
    const noted = vi.spyOn(log, 'error').mockImplementation(() => undefined);
    await expect(filesAt('s3://our-patterns').keep(words('a photograph'))).rejects.toMatchObject({
      status: 503,
      message: 'The files can’t be reached at the moment (s3://our-patterns). Try again in a minute.',
    });
    const rig = await makeRig({ files: filesAt('s3://our-patterns') });
    const taken = { kind: 'text', text: 'BALL\n', notes: [], left: [] };
    await expect(rig.drafts.takeIn({ file: 'ball.txt', bytes: words('BALL\n'), taken })).rejects.toThrow(
      'can’t be reached',
    );
    expect(await rig.shelved()).toEqual([]);
    expect(noted).toHaveBeenCalled();
    noted.mockRestore();
    await rig.end();
  });
});

/** The tables as they were before a migration, by its number. */
function before(migration: number): string {
  const old = path.join(path.dirname(folder), 'drizzle');
  cpSync(MIGRATIONS, old, { recursive: true });
  const journal = path.join(old, 'meta', '_journal.json');
  const { entries, ...rest } = JSON.parse(readFileSync(journal, 'utf8')) as { entries: { idx: number }[] };
  writeFileSync(journal, JSON.stringify({ ...rest, entries: entries.filter(({ idx }) => idx < migration) }));
  return old;
}

describe('what an earlier version kept in its database', () => {
  const ROWS = `
    INSERT INTO patterns (id, name, text, terms, revision, summary, created_at, updated_at)
      VALUES ('ball', 'Ball', 'BALL', 'us', 1, '{}', 1, 1);
    INSERT INTO drafts (id, pattern_id, number, file, kind, size, hash, text, notes, left, at)
      VALUES (1, 'ball', 1, 'ball.txt', 'text', 4, '${hashOf('BALL')}', 'BALL', '[]', '[]', 1);
    INSERT INTO originals (draft_id, bytes) VALUES (1, CAST('BALL' AS BLOB));
    INSERT INTO photographs (id, pattern_id, alt, type, width, height, bytes, at)
      VALUES (7, 'ball', '', 'png', 1, 1, CAST('seven' AS BLOB), 1), (9, 'ball', '', 'png', 1, 1, CAST('nine' AS BLOB), 1);`;

  it('is taken out of it once; a start that was cut off is gone on with', async () => {
    const file = path.join(path.dirname(folder), 'old.db');
    (await openDatabase({ DATABASE_URL: `file:${file}` }, before(20))).close();
    const old = createClient({ url: `file:${file}` });
    await old.executeMultiple(ROWS);
    old.close();

    const database = await openDatabase({ DATABASE_URL: `file:${file}` }, MIGRATIONS);
    const kept = filesAt(folder);
    let asked = 0;
    const cutOff: Files = {
      ...kept,
      keep: (bytes) => (asked++ === 2 ? Promise.reject(new Error('cut off')) : kept.keep(bytes)),
    };
    await expect(moveBytes(database, cutOff)).rejects.toThrow('cut off');
    await moveBytes(database, kept);
    const rows = await database.db.select({ id: photographs.id, hash: photographs.hash }).from(photographs);
    expect(rows).toEqual([
      { id: 7, hash: hashOf('seven') },
      { id: 9, hash: hashOf('nine') },
    ]);
    for (const bytes of ['BALL', 'seven', 'nine'])
      expect(new TextDecoder().decode(await kept.get(hashOf(bytes)))).toBe(bytes);
    expect(await database.db.select().from(bytesToMove)).toEqual([]);
    database.close();
  });
});

describe('DOSTIK_FILES', () => {
  it.each([
    [{}, path.resolve('data/files')],
    [{ DATABASE_URL: 'file:/srv/press/dostik.db' }, '/srv/press/files'],
    [{ DATABASE_URL: 'libsql://press.example.org' }, path.join('data', 'files')],
    [{ DOSTIK_FILES: '/srv/files' }, '/srv/files'],
    [{ DOSTIK_FILES: 's3://our-patterns/dostik' }, 's3://our-patterns/dostik'],
  ])('%j: %s', (variables, where) => {
    expect(readEnvironment(variables).DOSTIK_FILES).toBe(where);
  });

  it('that names no bucket is told', () => {
    expect(() => readEnvironment({ DOSTIK_FILES: 's3://' })).toThrow('DOSTIK_FILES takes the path of a folder');
  });
});
