import { randomUUID } from 'node:crypto';
import { mkdir, open, readdir, readFile, rename, rm } from 'node:fs/promises';
import path from 'node:path';
import { createHash } from 'node:crypto';
import type { Place } from './place.js';
import { nameOf } from './where.js';

/** A folder of this machine, which its owner alone can read. */
export function folderFiles(folder: string): Place {
  return {
    where: folder,
    async put(name, bytes) {
      const file = path.join(folder, name);
      // One that was damaged is written anew.
      if ((await readFile(file).catch(() => null))?.equals(bytes)) return;
      await mkdir(path.dirname(file), { recursive: true, mode: 0o700 });
      // It gets its name when all of it lies on the disk: what is cut off is never taken for it.
      const growing = `${file}.${randomUUID()}`;
      try {
        const made = await open(growing, 'wx', 0o600);
        try {
          await made.writeFile(bytes);
          await made.sync();
        } finally {
          await made.close();
        }
        await rename(growing, file);
        await synced(path.dirname(file));
      } catch (error) {
        await rm(growing, { force: true });
        throw error;
      }
    },
    find: (name) =>
      readFile(path.join(folder, name)).catch((error: unknown) => {
        if ((error as NodeJS.ErrnoException).code === 'ENOENT') return null;
        throw error;
      }),
  };
}

/**
 * Copies files that are not there yet, each tried by its SHA-256.
 * @param again whether those that are there are compared too, and written anew where they were damaged
 * @returns names of those that are damaged, and were not copied
 */
export async function copyFiles(from: string, to: string, again = false): Promise<string[]> {
  const [source, target] = [folderFiles(from), folderFiles(to)];
  const there = new Set(again ? [] : await hashesIn(to));
  const damaged: string[] = [];
  for (const hash of (await hashesIn(from)).filter((one) => !there.has(one))) {
    const name = nameOf(hash);
    const bytes = await source.find(name);
    if (bytes && createHash('sha256').update(bytes).digest('hex') === hash) await target.put(name, bytes);
    else damaged.push(name);
  }
  return damaged;
}

async function hashesIn(folder: string): Promise<string[]> {
  const all = await readdir(folder, { recursive: true }).catch(() => [] as string[]);
  return all.map((name) => path.basename(name)).filter((name) => /^[0-9a-f]{64}$/.test(name));
}

/** A name, too, is on the disk only when its folder is. */
async function synced(folder: string): Promise<void> {
  const opened = await open(folder, 'r');
  try {
    await opened.sync();
  } finally {
    await opened.close();
  }
}
