import type { DBSchema, IDBPDatabase } from 'idb';
import { ARRIVALS, arrivalsWait } from '../dropped.js';

interface Arrivals extends DBSchema {
  files: { key: number; value: { name: string; file: Blob } };
}

/** A file that has been dropped and not been taken in yet. */
export interface Arrival {
  readonly key: number;
  readonly name: string;
  readonly file: Blob;
}

let opened: Promise<IDBPDatabase<Arrivals>> | null = null;

/** What has been dropped is kept by the browser until it is on the shelf: a page that is closed half-way loses none of it. */
async function store(): Promise<IDBPDatabase<Arrivals>> {
  opened ??= import('idb').then(({ openDB }) =>
    openDB<Arrivals>(ARRIVALS, 1, { upgrade: (db) => void db.createObjectStore('files', { autoIncrement: true }) }),
  );
  return opened;
}

/** Keeps a file. @returns null where the browser keeps nothing, as in a private window. */
export async function keepArrival(name: string, file: Blob): Promise<number | null> {
  try {
    const key = await (await store()).add('files', { name, file });
    // A page that finds this asks for what is kept.
    localStorage.setItem(ARRIVALS, 'some');
    return key;
  } catch {
    opened = null;
    return null;
  }
}

export async function forgetArrival(key: number): Promise<void> {
  try {
    await (await store()).delete('files', key);
  } catch {
    opened = null;
  }
}

/** What was dropped and never taken in, the first first. */
export async function keptArrivals(): Promise<Arrival[]> {
  try {
    if (!arrivalsWait()) return [];
    const db = await store();
    const keys = await db.getAllKeys('files');
    const files = await db.getAll('files');
    if (keys.length === 0) localStorage.removeItem(ARRIVALS);
    return files.flatMap(({ name, file }, i) => (keys[i] === undefined ? [] : [{ key: keys[i], name, file }]));
  } catch {
    opened = null;
    return [];
  }
}
