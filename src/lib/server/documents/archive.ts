import { strFromU8, unzipSync } from 'fflate';
import { NotTaken, type FileIn } from './document.js';

/** All that is taken out of an archive; a manuscript of 300 pages takes a tenth. Bytes. */
const MOST_UNPACKED = 24_000_000;

export const TOO_LARGE_INSIDE =
  'This document unpacks to more than a pattern can be. Copy the pattern itself into a new document, and take that in.';

export function isArchive({ head }: FileIn): boolean {
  return head.startsWith('PK\x03\x04');
}

/** The names of what an archive holds, without unpacking any of it; empty where it can't be read. */
export function namesIn({ bytes }: FileIn): ReadonlySet<string> {
  const names = new Set<string>();
  try {
    unzipSync(bytes, {
      filter: ({ name }) => {
        names.add(name);
        return false;
      },
    });
  } catch {
    // What was named before it broke off is all that is known.
  }
  return names;
}

/**
 * The texts of some files in an archive, by their names.
 * @throws NotTaken where the archive is damaged, or unpacks to too much.
 */
export function textsIn({ bytes }: FileIn, wanted: (name: string) => boolean): ReadonlyMap<string, string> {
  let sum = 0;
  try {
    const files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (!wanted(name)) return false;
        sum += originalSize;
        if (sum > MOST_UNPACKED) throw new NotTaken(TOO_LARGE_INSIDE);
        return true;
      },
    });
    return new Map(Object.entries(files).map(([name, content]) => [name, strFromU8(content)]));
  } catch (error) {
    if (error instanceof NotTaken) throw error;
    throw new NotTaken(
      'This document is damaged: it can’t be unpacked. Open it where it was written, and save it anew.',
    );
  }
}
