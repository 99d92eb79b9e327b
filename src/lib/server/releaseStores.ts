import type { OpenDatabase } from './db/client.js';
import type { Brought } from '../exchange.js';
import { ErrataStore } from './errata.js';
import { broughtIn } from './exchange/in.js';
import { takenOut } from './exchange/out.js';
import type { Files } from './files/files.js';
import { PhotographStore } from './photographs.js';
import type { Publishing } from './publishing/aside.js';
import { ReleaseFileStore } from './releaseFiles.js';
import { ReleaseStore, type ReleaseSources } from './releases.js';

/** Everything that is kept of what goes out. */
export interface ReleaseStores {
  readonly photographs: PhotographStore;
  readonly errata: ErrataStore;
  readonly releases: ReleaseStore;
  readonly files: ReleaseFileStore;
  /** The whole workspace as an archive, and back again. */
  readonly exchange: { readonly out: () => Promise<Uint8Array>; readonly in: (bytes: Uint8Array) => Promise<Brought> };
}

export function releaseStores(
  database: OpenDatabase,
  files: Files,
  sources: Omit<ReleaseSources, 'photographs' | 'errata'>,
  publishing: Publishing,
): ReleaseStores {
  const photographs = new PhotographStore(database, files, publishing);
  const errata = new ErrataStore(database);
  const releases = new ReleaseStore(database, { ...sources, photographs, errata });
  return {
    photographs,
    errata,
    releases,
    files: new ReleaseFileStore(database, files, { releases, photographs, errata }, publishing),
    exchange: { out: () => takenOut(database, files), in: (bytes) => broughtIn(database, files, bytes) },
  };
}
