import { NO_HAND } from '../../core/index.js';
import { plural } from '../plural.js';
import { Comparer } from '../workers/comparer.js';

/** A draft of the same pattern has at least so great a share of the rounds of the one before. */
const LEAST = 0.25;
/** So few rounds say nothing. */
const FEWEST = 4;

/** Says, with its figures, where a text hardly has a round of another; empty where it may be a draft of it, or that can't be told. */
export async function unlikeness(before: string, after: string): Promise<string> {
  const comparer = new Comparer();
  try {
    const { comparison } = await comparer.compare({ before, after, terms: 'auto', hand: NO_HAND });
    const rounds = comparison.entries.filter((entry) => typeof entry.after?.round === 'number');
    const known = rounds.filter(({ change }) => change === 'same' || change === 'words' || change === 'moved').length;
    if (rounds.length < FEWEST || known >= rounds.length * LEAST) return '';
    return `Of its ${plural(rounds.length, 'round')} ${known === 0 ? 'none' : known} ${known > 1 ? 'are' : 'is'} like any of this pattern: it seems to be another one.`;
  } catch {
    return '';
  } finally {
    comparer.close();
  }
}
