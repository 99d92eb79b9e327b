import {
  overviewOf,
  checkPattern,
  convertTerms,
  editionOf,
  inStyle,
  since,
  type CheckOptions,
  type EditionState,
  type Hand,
  type HouseStyle,
  type Overview,
  type Report,
  type ReportRound,
  type Since,
} from '../../../core/index.js';
import { compareTexts } from '../../../core/onRequest.js';
import type { ErratumTried } from '../../release.js';

type Terms = 'us' | 'uk';

/** A pattern that is about to go out. */
export type Releasing = CheckOptions & {
  readonly text: string;
  readonly name: string;
  readonly hand: Hand;
  /** The house style that the texts go out in; null for their own. */
  readonly styled: HouseStyle | null;
  /** Editions of it that are kept on the shelf; without one in the other terms it is converted as it goes out. */
  readonly kept: readonly { readonly to: Terms; readonly text: string; readonly behind: boolean }[];
  /** What an editor wants written on the way into other terms. */
  readonly decisions: readonly { readonly to: Terms; readonly key: string; readonly written: string }[];
  /** The text of the last version; null where there is none. */
  readonly last: string | null;
};

/** What of a release is computed from its text. */
export interface Released {
  readonly report: Report;
  readonly overview: Overview;
  readonly sentences: readonly string[];
  readonly terms: Terms;
  readonly texts: Readonly<Record<Terms, string>>;
  readonly editions: readonly EditionState[];
  readonly anew: readonly string[];
  readonly since: Since;
}

/** Checks a text, and makes both of the texts that go out, each proved to count as it does. */
export function released({ text: own, name, hand, styled, kept, decisions, last, ...options }: Releasing): Released {
  const set = styled && inStyle(own, styled, { terms: options.terms, hand });
  const text = set?.proved === true ? set.text : own;
  const checked = checkPattern(text, name, { ...options, hand });
  const { declared, detected } = checked.report.terms;
  const terms = options.terms !== 'auto' ? options.terms : (declared ?? (detected === 'uk' ? 'uk' : 'us'));
  const to = terms === 'us' ? 'uk' : 'us';
  const mine = editionOf(text, { terms, hand, name });
  const other = otherEdition(text, terms, to, hand, { kept, decisions });
  const editions: EditionState[] = [
    {
      terms,
      holds: mine.proved && (set === null || set.proved),
      words: laidWords(terms, mine.proved, set?.proved ?? true),
    },
    { terms: to, holds: other.holds, words: other.words },
  ];
  return {
    report: checked.report,
    overview: overviewOf(checked.counted),
    sentences: checked.sentences(),
    terms,
    texts: terms === 'us' ? { us: text, uk: other.text } : { us: other.text, uk: text },
    editions,
    anew: mine.anew,
    since: last === null ? 'stitches' : since(last, own, compareTexts({ text: last, hand }, { text: own, hand })),
  };
}

function laidWords(terms: Terms, proved: boolean, styled: boolean): string {
  const name = terms.toUpperCase();
  if (!styled) return `${name} terms: in house style the counts could not be proved to be the same`;
  return proved ? `${name} terms: as the text is` : `${name} terms: laid out, it is read with other counts`;
}

function otherEdition(
  text: string,
  from: Terms,
  to: Terms,
  hand: Hand,
  { kept: all, decisions }: Pick<Releasing, 'kept' | 'decisions'>,
): { text: string; holds: boolean; words: string } {
  const name = to.toUpperCase();
  const kept = all.find((edition) => edition.to === to);
  if (kept) {
    const same = !kept.behind && figures(text, from, hand) === figures(kept.text, to, hand);
    const words = kept.behind
      ? `${name} terms: the edition on the shelf is behind the text`
      : `${name} terms: ${same ? 'the edition on the shelf, with the same counts' : 'the edition on the shelf has other counts'}`;
    return { text: kept.text, holds: same, words };
  }
  const decided = new Map(decisions.filter((one) => one.to === to).map(({ key, written }) => [key, written]));
  const { state, text: converted, message } = convertTerms(text, { to, from, hand, decisions: decided });
  const holds = state === 'proved';
  return { text: converted, holds, words: `${name} terms: ${holds ? 'converted, and proved' : message}` };
}

function figures(text: string, terms: Terms, hand: Hand): string {
  const { parts } = checkPattern(text, '', { terms, hand }).report;
  return JSON.stringify(
    parts.map(({ make, rounds }) => [make, rounds.map(({ into, made, stated }) => [into, made, stated])]),
  );
}

/** A line of a version that is to read otherwise. */
export interface Correcting {
  readonly text: string;
  readonly terms: Terms;
  readonly hand: Hand;
  /** From 1. */
  readonly line: number;
  readonly right: string;
}

/** What comes of a correction, and how it reads in either terms; null where there is no such line. */
export function corrected({ text, terms, hand, line, right }: Correcting): ErratumTried | null {
  const lines = text.split('\n');
  const wrong = lines[line - 1];
  if (wrong === undefined) return null;
  const mended = lines.with(line - 1, right).join('\n');
  const before = checkPattern(text, '', { terms, hand }).report;
  const after = checkPattern(mended, '', { terms, hand }).report;
  const to = terms === 'us' ? 'uk' : 'us';
  const lineIn = (whole: string) => convertTerms(whole, { to, from: terms, hand }).text.split('\n')[line - 1] ?? '';
  const own = { wrong: wrong.trim(), right: right.trim() };
  const other = { wrong: lineIn(text).trim(), right: lineIn(mended).trim() };
  const at = roundAt(after, line) ?? roundAt(before, line);
  return {
    part: at?.part ?? '',
    round: at?.round.label ?? '',
    before: figuresOf(roundAt(before, line)?.round),
    after: figuresOf(roundAt(after, line)?.round),
    offBefore: offIn(before),
    offAfter: offIn(after),
    words: terms === 'us' ? { us: own, uk: other } : { us: other, uk: own },
  };
}

function roundAt({ parts }: Report, line: number): { round: ReportRound; part: string } | null {
  for (const { name, rounds } of parts)
    for (const round of rounds) if (round.line <= line && line <= round.endLine) return { round, part: name };
  return null;
}

function figuresOf(round: ReportRound | undefined) {
  return round ? { made: round.made, stated: round.stated, verdict: round.verdict } : null;
}

function offIn({ parts }: Report): number {
  return parts.flatMap(({ rounds }) => rounds).filter(({ verdict }) => verdict === 'off' || verdict === 'unreadable')
    .length;
}
