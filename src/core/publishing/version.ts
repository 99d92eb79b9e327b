import type { ComparedEntry, Comparison } from '../comparing/schema.js';

/** What has changed since a version, as far as its number goes. */
export type Since = 'nothing' | 'words' | 'stitches';

/** Whether only words have changed between two texts, or stitches too; new, gone and moved rounds are stitches. */
export function since(before: string, after: string, comparison: Comparison): Since {
  if (before === after) return 'nothing';
  const isRound = ({ before: old, after: now }: ComparedEntry) => (old?.round ?? now?.round ?? null) !== null;
  const stitches = comparison.entries.some(
    (entry) => isRound(entry) && entry.change !== 'same' && entry.change !== 'words',
  );
  return stitches ? 'stitches' : 'words';
}

/** The next version's number: other stitches make a new first figure, other words a new second one. "1.0" is the first. */
export function nextVersion(last: string | null, changed: Since): string {
  const [first = 0, second = 0] = last === null ? [] : last.split('.').map(Number);
  if (last === null || changed === 'stitches') return `${first + 1}.0`;
  return `${first}.${second + 1}`;
}

/** Whether one version comes after another. */
export function comesAfter(version: string, last: string): boolean {
  const [a = 0, b = 0] = version.split('.').map(Number);
  const [c = 0, d = 0] = last.split('.').map(Number);
  return a > c || (a === c && b > d);
}
