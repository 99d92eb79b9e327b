import { chmod, copyFile, mkdir, readdir, rename, rm, stat } from 'node:fs/promises';
import path from 'node:path';
import type { Client } from '@libsql/client';

/** Why a backup was made. */
export const REASONS = ['daily', 'update', 'asked'] as const;
export type Reason = (typeof REASONS)[number];

/** A copy of the whole database, as it was at one moment. */
export interface Backup {
  readonly file: string;
  readonly why: Reason;
  /** Milliseconds since 1970. */
  readonly at: number;
  /** Bytes. */
  readonly size: number;
}

const NAME = /^dostik-(\d{4})(\d\d)(\d\d)-(\d\d)(\d\d)(\d\d)(\d{3})-(daily|update|asked)\.db$/;

/** Where the backups of a database lie, if nothing is said. */
export function backupsBeside(database: string): string {
  return path.join(path.dirname(path.resolve(database)), 'backups');
}

/** Where the backups of a folder keep the files that go with the databases: all share them, for a file is never changed. */
export function filesWith(backups: string): string {
  return path.join(backups, 'files');
}

/** The backups in a folder, the newest first; what is called otherwise is none of ours. */
export async function backupsIn(folder: string): Promise<Backup[]> {
  const names = await readdir(folder).catch(() => [] as string[]);
  const all = names
    .toSorted()
    .reverse()
    .map(async (name): Promise<Backup[]> => {
      const [, year, month, day, hour, minute, second, ms, why] = NAME.exec(name) ?? [];
      if (why === undefined) return [];
      const file = path.join(folder, name);
      const { size } = await stat(file);
      const at = Date.parse(`${year}-${month}-${day}T${hour}:${minute}:${second}.${ms}Z`);
      return [{ file, why: why as Reason, at, size }];
    });
  return (await Promise.all(all)).flat();
}

/**
 * Copies a database while it is worked with, and tries the copy by reading all of it; only then it gets its name.
 * @param kept so many are kept; older ones go
 * @throws Error with a sentence for people where it could not be made, or can't be read.
 */
export async function backUp(database: string, folder: string, why: Reason, kept: number): Promise<Backup> {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const at = new Date();
  const stamp = at
    .toISOString()
    .replace(/[-:.Z]/g, '')
    .replace('T', '-');
  const file = path.join(folder, `dostik-${stamp}-${why}.db`);
  const growing = `${file}.growing`;
  try {
    // It would be made where there is none.
    if (!(await stat(database).catch(() => null))?.isFile()) throw new Error(`there is no database ${database}`);
    const client = await opened(database);
    try {
      await client.execute({ sql: 'VACUUM INTO ?', args: [growing] });
    } finally {
      client.close();
    }
    await chmod(growing, 0o600);
    const wrong = await damageOf(growing);
    if (wrong !== null) throw new Error(`it can't be read (${wrong})`);
    await rename(growing, file);
  } catch (error) {
    throw new Error(`No backup could be made in ${folder}: ${error instanceof Error ? error.message : String(error)}`, {
      cause: error,
    });
  } finally {
    for (const end of ['', '-wal', '-shm', '-journal']) await rm(growing + end, { force: true });
  }
  const all = await backupsIn(folder);
  for (const old of all.slice(Math.max(1, kept))) await rm(old.file, { force: true });
  return { file, why, at: at.getTime(), size: (await stat(file)).size };
}

/** Fetched when it is needed: the command line, which does much else, starts without it. */
async function opened(file: string): Promise<Client> {
  const { createClient } = await import('@libsql/client');
  return createClient({ url: `file:${path.resolve(file)}` });
}

/**
 * What is wrong with a database, in the words of SQLite; null where all of it can be read.
 * @param indexes whether these are read too, which takes longer
 */
export async function damageOf(file: string, { indexes = true } = {}): Promise<string | null> {
  const client = await opened(file);
  try {
    const { rows } = await client.execute(indexes ? 'PRAGMA integrity_check(1)' : 'PRAGMA quick_check(1)');
    const said = rows[0]?.[0];
    if (said === 'ok') return null;
    return typeof said === 'string' ? said.replace(/\s+/g, ' ') : 'nothing was answered';
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  } finally {
    client.close();
  }
}

/** The newest backup of a folder that can be read; null where none can. */
export async function newestGood(folder: string): Promise<Backup | null> {
  for (const backup of await backupsIn(folder)) if ((await damageOf(backup.file)) === null) return backup;
  return null;
}

/**
 * Puts a backup in the place of a database; what stood there is kept beside it.
 * @returns where it is kept; null where nothing stood there
 * @throws Error with a sentence for people where the backup can't be read.
 */
export async function restore(backup: string, database: string): Promise<string | null> {
  if (!(await stat(backup).catch(() => null))?.isFile()) throw new Error(`There is no backup ${backup}.`);
  const wrong = await damageOf(backup);
  if (wrong !== null) throw new Error(`The backup ${backup} can't be read: ${wrong}. Nothing was changed.`);
  // Copied first: what stands there goes aside only when the other is whole beside it.
  const coming = `${database}.coming`;
  await copyFile(backup, coming);
  await chmod(coming, 0o600);
  const aside = `${database}.before-${new Date()
    .toISOString()
    .replace(/[-:.Z]/g, '')
    .replace('T', '-')}`;
  let kept: string | null = null;
  for (const end of ['-wal', '-shm', '']) {
    const moved = await rename(database + end, aside + end).then(
      () => true,
      () => false,
    );
    if (moved && end === '') kept = aside;
  }
  await rename(coming, database);
  return kept;
}
