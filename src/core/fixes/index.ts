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
 * Where there was nothing to search the same findings come back.
 * @param near an offset in the text
 */
export function* searchFixes(
  counted: CountedPattern,
  findings: readonly Finding[],
  near: number,
): Generator<readonly Finding[] | null, readonly Finding[]> {
  const found = new Map<CountedRound | Finding, NonNullable<Finding['fixes']>>();
  const withFound = () =>
    found.size === 0
      ? findings
      : findings.map((finding) => {
          const fixes = found.get(isSearched(finding) ? finding.round : finding);
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
  for (const finding of findings) {
    if (!finding.search) continue;
    found.set(finding, finding.search());
    yield null;
  }
  return withFound();
}

function isSearched(finding: Finding): finding is Finding & { readonly round: CountedRound } {
  return !finding.fixes && !!finding.round && COUNTED_RULES.has(finding.rule.id) && finding.severity !== 'hint';
}
