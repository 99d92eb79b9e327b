import type { OpenDatabase } from './db/client.js';
import { ErrataStore } from './errata.js';
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
}

export function releaseStores(
  database: OpenDatabase,
  sources: Omit<ReleaseSources, 'photographs' | 'errata'>,
  publishing: Publishing,
): ReleaseStores {
  const photographs = new PhotographStore(database, publishing);
  const errata = new ErrataStore(database);
  const releases = new ReleaseStore(database, { ...sources, photographs, errata });
  return {
    photographs,
    errata,
    releases,
    files: new ReleaseFileStore(database, { releases, photographs, errata }, publishing),
  };
}
