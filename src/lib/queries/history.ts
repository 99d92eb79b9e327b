import type { Letter } from '../letter.js';
import type { Draft } from '../drafts.js';
import { plural } from '../plural.js';
import type { HistoryEvent, Query } from '../queries.js';

/** Something that happened, as it is read. */
export interface Happened {
  readonly at: number;
  /** What happened, in a few words, and by whom. */
  readonly what: string;
  readonly who: string;
  /** The words that go with it. */
  readonly said: string;
  /** Where more of it is. */
  readonly href: string | null;
}

const STATES: Readonly<Record<string, string>> = {
  made: 'asked',
  answered: 'answered',
  settled: 'settled',
  withdrawn: 'withdrawn',
  back: 'sent back',
};

interface Kept {
  readonly id: string;
  readonly drafts: readonly Draft[];
  readonly letters: readonly Letter[];
  readonly events: readonly HistoryEvent[];
  readonly queries: readonly Query[];
}

/** What has happened to a pattern, in order: drafts, queries, letters, answers, decisions. */
export function happened({ id, drafts, letters, events, queries }: Kept): Happened[] {
  const asked = new Map(queries.map((query) => [query.number, query]));
  const all: Happened[] = [
    ...drafts.map(({ number, file, kind, sender, at }) => ({
      at,
      what: `Draft ${number} came${file === '' ? '' : `, “${file}”`} (${kind})`,
      who: sender,
      said: '',
      href: `/api/patterns/${id}/drafts/${number}`,
    })),
    ...letters.map(({ id: letter, queries: numbers, to, way, at }) => ({
      at,
      what: `Letter with ${plural(numbers.length, 'query', 'queries')}${to === '' ? '' : ` to ${to}`}`,
      who: '',
      said: way === 'own' ? 'Sent by hand.' : '',
      href: way === 'own' ? null : `/api/patterns/${id}/letters/${letter}`,
    })),
    // Letters are told by themselves, with all their queries.
    ...events.flatMap(({ query, what, who, said, at }): Happened[] => {
      if (what === 'released')
        return [{ at, what: `Version ${said} was signed`, who, said: '', href: `/release/${id}` }];
      const state = STATES[what];
      if (query === null || state === undefined) return [];
      const about = asked.get(query);
      const where = [about?.part, about?.round].filter(Boolean).join(', ');
      const words = what === 'made' ? (about?.text.trim().split('\n')[0] ?? '') : said;
      const href = `/queries/${id}?query=${query}`;
      return [{ at, what: `Query ${query}${where === '' ? '' : ` (${where})`} ${state}`, who, said: words, href }];
    }),
  ];
  return all.sort((a, b) => a.at - b.at);
}
