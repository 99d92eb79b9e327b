import type { Finding } from '../checks/registry.js';
import type { CountedPattern, CountedRound } from '../counting/counted.js';
import { fixesFor } from './search.js';

/** The rules whose findings a change of the round can put right. */
const COUNTED_RULES: ReadonlySet<string> = new Set([
  'count/stated',
  'count/breakdown',
  'count/remainder',
  'count/over',
  'count/under',
  'count/foundation',
  'notation/bracket',
  'notation/times',
  'notation/unread',
]);

/** The findings with the fixes that were found for them. The same round is searched once. */
export function withFixes(counted: CountedPattern, findings: readonly Finding[]): Finding[] {
  const indexOf = new Map<CountedRound, number>(counted.rounds.map((round, i) => [round, i]));
  const found = new Map<number, Finding['fixes']>();
  return findings.map((finding) => {
    if (finding.fixes || !finding.round || !COUNTED_RULES.has(finding.rule.id) || finding.severity === 'hint')
      return finding;
    const index = indexOf.get(finding.round) ?? -1;
    const fixes = found.get(index) ?? fixesFor(counted, index);
    found.set(index, fixes);
    return { ...finding, fixes };
  });
}
