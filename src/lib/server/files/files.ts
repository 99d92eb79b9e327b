import { createHash } from 'node:crypto';
import { bucketFiles } from './bucket.js';
import { Refused } from '../refused.js';
import { folderFiles } from './folder.js';
import type { Place } from './place.js';
import { filesFolder, nameOf } from './where.js';

/**
 * Where originals, photographs and the files of versions are kept, byte for byte. A file goes by its SHA-256: it is never
 * changed, the same one is kept once, and a place can be copied into another as it is.
 */
export interface Files {
  /** Keeps a file that is not there yet, before anything points to it. @returns its SHA-256, in hexadecimal digits */
  keep(bytes: Uint8Array): Promise<string>;
  /** A file as it was kept. @throws Refused with a sentence for people where it is gone or damaged, or can't be reached. */
  get(hash: string): Promise<Uint8Array>;
}

/** SHA-256 in hexadecimal digits. */
export function hashOf(content: string | Uint8Array): string {
  return createHash('sha256').update(content).digest('hex');
}

/** Files at a place. */
export function filesIn(place: Place): Files {
  return {
    async keep(bytes) {
      const hash = hashOf(bytes);
      await place.put(nameOf(hash), bytes);
      return hash;
    },
    async get(hash) {
      const bytes = await place.find(nameOf(hash));
      if (bytes === null)
        throw new Refused(
          503,
          `This file is no longer where files are kept (${place.where}). Bring ${nameOf(hash)} back from a backup.`,
        );
      if (hashOf(bytes) !== hash)
        throw new Refused(
          503,
          `This file was damaged where files are kept (${place.where}). Bring ${nameOf(hash)} back from a backup.`,
        );
      return bytes;
    },
  };
}

/** Files in a folder, or in a bucket (`s3://name` or `s3://name/before/each/name`). */
export function filesAt(where: string): Files {
  const folder = filesFolder(where);
  return filesIn(folder === null ? bucketFiles(where) : folderFiles(folder));
}
