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

/**
 * The findings with the fixes that were found for them, the nearest to a place first. The same round is searched once. Pauses
 * often, so that the search can give way: after all that belongs to the nearest round with what there is by then, else with null.
 * @param near an offset in the text
 */
export function* searchFixes(
  counted: CountedPattern,
  findings: readonly Finding[],
  near: number,
): Generator<Finding[] | null, Finding[]> {
  const found = new Map<CountedRound, NonNullable<Finding['fixes']>>();
  const withFound = () =>
    findings.map((finding) => {
      const fixes = isSearched(finding) && found.get(finding.round);
      return fixes ? { ...finding, fixes } : finding;
    });
  const away = ({ round: { span } }: CountedRound) => Math.max(span.from - near, near - span.to, 0);
  const rounds = [...new Set(findings.filter(isSearched).map(({ round }) => round))];
  const indexes = new Map(counted.rounds.map((round, i) => [round, i]));
  for (const round of rounds.sort((one, other) => away(one) - away(other))) {
    const search = fixesFor(counted, indexes.get(round) ?? -1);
    let step = search.next();
    for (; !step.done; step = search.next()) yield null;
    found.set(round, step.value);
    if (found.size === 1 && rounds.length > 1) yield withFound();
  }
  return withFound();
}

function isSearched(finding: Finding): finding is Finding & { readonly round: CountedRound } {
  return !finding.fixes && !!finding.round && COUNTED_RULES.has(finding.rule.id) && finding.severity !== 'hint';
}
