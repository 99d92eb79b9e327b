import type { Standing } from '../frame/places.js';

/** Where a pattern stands that has just come in. */
export function justCome(id: string, name: string): Standing {
  return {
    id,
    name,
    summary: null,
    state: 'counting',
    settled: 'auto',
    editions: [],
    source: null,
    rules: 0,
    drafts: 1,
    release: null,
    testers: null,
    queries: {},
  };
}
