import type { LegendEntry } from '../pattern/pattern.js';
import { lineIndexAt, lineSpan, type SourceText, type Span } from '../text/source.js';
import { SECTION_NAMES } from '../vocabulary/sections.js';
import { legendIn } from './legend.js';
import { toldIn } from './told.js';
import { NO_ROLES, type Roles } from './roles.js';
import { inEitherCase } from '../text/eitherCase.js';

/** A text whose rounds begin late, or have other labels, is looked through so far; characters. */
const FAR = 40_000;
/** No list of words is longer; lines. */
const LONGEST = 60;
/** Nor has a text more of them behind its rounds. */
const MOST = 8;
const FIRST_ROUND = /^[ \t>*_-]*(?:rnd|round|rd|row|r)\.?\s?[12]\b/imu;
/** "Abbreviations", "**Key**", "legend: x sc, v inc": what leads a list of words, which can stand behind the rounds as well. */
const LEADS = inEitherCase(
  String.raw`^[^\p{L}\n]{0,6}(?:the )?(?:${SECTION_NAMES.legend.join('|')})[^\p{L}\p{N}\n:]{0,4}(?::[^\S\n]*|$)`,
  'gm',
);

/** The words that a text explains. */
export interface Explained {
  /** Its own abbreviations: entries before the first round, in a list behind it, and in lines that are said to be such. */
  readonly legend: LegendEntry[];
  /** What is told of words in other ways; see `toldIn`. */
  readonly told: LegendEntry[];
}

/** What a text explains of its words, wherever it does. */
export function explainedIn(source: SourceText, { lines }: Roles = NO_ROLES): Explained {
  const lists = listsIn(source);
  const said = [...lines].filter(([from, role]) => role === 'abbreviations' && from >= lists[0].to);
  const legend = [
    ...lists.flatMap(({ from, to }) => legendIn(source.text, from, to)),
    ...said.flatMap(([from]) => legendIn(source.text, from, lineSpan(source, lineIndexAt(source, from)).to)),
  ];
  return { legend: withoutLabels(legend), told: lists.flatMap(({ from, to }) => toldIn(source, from, to)) };
}

/** More yarns than these are not called by one word and a number. */
const MOST_ALIKE = 6;

/** "Step 3: plain, double", "r01 …": rounds under a label that is like the others explain nothing. */
function withoutLabels(entries: LegendEntry[]): LegendEntry[] {
  const alike = new Map<string, Set<string>>();
  for (const { term } of entries) {
    const word = term.replace(/\d+$/, '');
    if (word !== term) alike.set(word, (alike.get(word) ?? new Set()).add(term));
  }
  const isLabel = (term: string) =>
    /\s\d+$/.test(term) || (alike.get(term.replace(/\d+$/, ''))?.size ?? 0) > MOST_ALIKE;
  return entries.filter(({ term }) => !isLabel(term));
}

/** Where words may be explained: all before the first round, and each list behind it, as far as no line is blank. */
function listsIn(source: SourceText): [Span, ...Span[]] {
  const { text } = source;
  const end = Math.min(FIRST_ROUND.exec(text)?.index ?? text.length, FAR);
  const lists: Span[] = [];
  for (const match of text.slice(end).matchAll(LEADS)) {
    const from = end + match.index + match[0].length;
    const first = lineIndexAt(source, from);
    const led = text.slice(from, lineSpan(source, first).to).trim() !== '';
    let line = led ? first : first + 1;
    // A blank line may stand below the words that lead.
    if (!led && isBlank(source, line)) line += 1;
    const last = Math.min(first + LONGEST, source.lineStarts.length);
    while (line < last && !isBlank(source, line)) line += 1;
    if (line > first) lists.push({ from, to: lineSpan(source, line - 1).to });
    if (lists.length === MOST) break;
  }
  return [{ from: 0, to: end }, ...lists];
}

function isBlank(source: SourceText, line: number): boolean {
  if (line >= source.lineStarts.length) return true;
  const { from, to } = lineSpan(source, line);
  return source.text.slice(from, to).trim() === '';
}
