import path from 'node:path';
import { copyFiles } from '../lib/server/files/folder.js';
import { filesBeside, filesFolder } from '../lib/server/files/where.js';
import { CallError, type BackupCall, type RestoreCall } from './arguments.js';

/** The database of the environment, where the call names none. */
function databaseOf(named: string | undefined): string {
  const url = process.env['DATABASE_URL'] ?? 'file:data/dostik.db';
  if (named !== undefined) return named;
  if (!url.startsWith('file:'))
    throw new CallError('DATABASE_URL names a service elsewhere, which makes its own backups.');
  return url.slice('file:'.length);
}

/** The folder of the files that go with a database; null where they are kept in a bucket, which is backed up there. */
function filesOf(named: string | undefined, database: string): string | null {
  return filesFolder(named ?? process.env['DOSTIK_FILES'] ?? filesBeside(`file:${database}`));
}

/** Copies the database and the files that go with it. @throws CallError */
export async function backup({ database, to, keep, why, files }: BackupCall): Promise<number> {
  const { backUp, backupsBeside, filesWith } = await import('../lib/server/backups/copies.js');
  const file = databaseOf(database);
  const folder = to ?? process.env['DOSTIK_BACKUPS'] ?? backupsBeside(file);
  const made = await backUp(file, folder, why, keep).catch(saidOf);
  const source = filesOf(files, file);
  // After the database: whatever it points to is there by now.
  const damaged = source === null ? [] : await copyFiles(source, filesWith(folder)).catch(saidOf);
  if (damaged.length > 0)
    throw new CallError(
      `The database was copied to ${made.file}, but files in ${source} are damaged and were not: ${damaged.join(', ')}. Bring them back from another place.`,
    );
  process.stdout.write(`${made.file}\n`);
  return 0;
}

/** Puts a backup in the place of the database, and brings back files that are gone or damaged. @throws CallError */
export async function restored({ backup: from, database, files }: RestoreCall): Promise<number> {
  const { filesWith, restore } = await import('../lib/server/backups/copies.js');
  const file = databaseOf(database);
  const kept = await restore(from, file).catch(saidOf);
  const target = filesOf(files, file);
  if (target !== null) await copyFiles(filesWith(path.dirname(from)), target, true).catch(saidOf);
  process.stdout.write(
    `${from} stands in the place of ${file}.${kept === null ? '' : ` What stood there is ${kept}.`}\n`,
  );
  return 0;
}

/** @throws CallError with what a failure says */
function saidOf(error: unknown): never {
  throw new CallError(error instanceof Error ? error.message : String(error));
}
