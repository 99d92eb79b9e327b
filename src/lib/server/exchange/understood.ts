import type { Report, RoundAccount } from '../../../core/index.js';
import type { Understood } from '../../exchange.js';
import type { Stores } from '../storesOver.js';

/** A pattern as it was understood, with what was asked and signed; null where there is none. @throws TooMuch */
export async function understood(
  { patterns, queries, letters, releases, counting }: Stores,
  id: string,
): Promise<Understood | null> {
  const pattern = await patterns.get(id);
  if (!pattern) return null;
  const { text, name, terms, hand } = pattern;
  const { dismissals, rules } = await patterns.notes(id);
  const aside = new Map(dismissals.map(({ key, reason }) => [key, reason]));
  const { report, overview, accounts } = await counting.have('understood', { text, name, terms, hand, rules });
  const designer = await letters.designer(id);
  return {
    schema: 'dostik.pattern/1',
    name,
    designer: designer?.designer ?? '',
    text,
    terms: report.terms,
    overview,
    parts: partsOf(report, accounts),
    findings: report.findings.map((finding) => ({ finding, aside: aside.get(finding.key) ?? null })),
    queries: (await queries.of(id)).map(({ number, part, round, text: words, proposal, answer, state }) => ({
      number,
      part,
      round,
      text: words,
      proposal,
      answer,
      state,
    })),
    versions: (await releases.of(id)).map(({ at, ...release }) => ({ ...release, at: new Date(at).toISOString() })),
  };
}

function partsOf(report: Report, accounts: readonly (RoundAccount | null)[]): Understood['parts'] {
  let index = 0;
  return report.parts.map(({ name, make, line, rounds }) => ({
    name,
    make,
    line,
    rounds: rounds.map((round) => ({ round, account: accounts[index++] ?? null })),
  }));
}
