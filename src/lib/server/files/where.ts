import path from 'node:path';

/** Where files are kept, if nothing is said: beside a database that is a file, else in `data`. */
export function filesBeside(databaseUrl: string): string {
  return path.join(folderOf(databaseUrl), 'files');
}

/** The folder of what is kept beside a database. */
export function folderOf(databaseUrl: string): string {
  return databaseUrl.startsWith('file:') ? path.dirname(path.resolve(databaseUrl.slice('file:'.length))) : 'data';
}

/** The folder that files are kept in; null where that is a bucket elsewhere, which is backed up there. */
export function filesFolder(where: string): string | null {
  return where.startsWith('s3://') ? null : path.resolve(where);
}

/** Under which name a file lies at its place: folders of thousands are slow in many programs. */
export function nameOf(hash: string): string {
  return `${hash.slice(0, 2)}/${hash}`;
}
