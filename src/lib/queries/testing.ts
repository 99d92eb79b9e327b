import { placeAt } from '../../core/index.js';
import type { Query } from '../queries.js';

/** A query on some words of a text, for tests; on the whole pattern where they do not stand there. */
export function queryOn(text: string, number: number, words: string, more: Partial<Query> = {}): Query {
  const from = text.indexOf(words);
  return {
    number,
    revision: 1,
    state: 'open',
    scope: 'round',
    place: from < 0 ? null : placeAt(text, from, from + words.length),
    part: text.split('\n')[0] ?? '',
    round: words.slice(0, 5),
    text: `What of ${words}?`,
    proposal: '',
    rule: 'count/stated',
    finding: '',
    draft: 1,
    answer: '',
    at: 1000 + number,
    ...more,
  };
}
