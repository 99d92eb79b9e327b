import type { Standing } from '../frame/places.js';
import { notOnShelf } from './pages.js';
import type { Stores } from './storesOver.js';

/** How a pattern stands in each of its places, for the head of its pages; without such a pattern the page says so. */
export async function standingOf(
  { shelf, terms, rules, drafts, queries, releases, calls }: Stores,
  id: string,
): Promise<Standing> {
  const entry = await shelf.entry(id);
  if (!entry) return notOnShelf();
  const { editions, source } = await terms.notes(id);
  return {
    id,
    name: entry.name,
    summary: entry.summary,
    state: entry.state,
    settled: entry.terms,
    editions,
    source,
    rules: Object.keys(await rules.of(id)).length,
    drafts: await drafts.count(id),
    release: (await releases.of(id))[0]?.number ?? null,
    testers: await calls.standing(id),
    queries: await queries.states(id),
  };
}
