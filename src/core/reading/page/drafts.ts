import { lineSpan, type SourceText, type Span } from '../../text/source.js';
import { makesLoop } from '../gist/items.js';
import type { Label } from '../labels.js';
import { tokenize, type Token } from '../lexer.js';
import type { Lexicon } from '../lexicon.js';
import { extent, type Layout } from './extent.js';
import { endSign, labelAt, labelled, unnumbered } from './labelled.js';
import { alike, type Place, type Series } from './series.js';
import { countOfRounds, lookAt } from './looks.js';
import { SENTENCE } from './stretches.js';

/** So great a share of the labels is most of them; in running text so many of them stand in the middle of a line. */
const MOST = 0.6;
const IN_LINE = 0.15;

/** A unit before it is known which of its figures is the count. */
export interface Draft {
  readonly label: Label;
  readonly line: number;
  /** All its figures are of the instruction. */
  readonly uncounted?: true;
  /** Its words, without the label: before it, where the label stands behind, and from there on. */
  readonly words: readonly Span[];
}

/** The units of a series, before it is known which of their figures are counts. */
export function draftsOf(source: SourceText, lexicon: Lexicon, series: Series): Draft[] {
  const { places, by, upwards } = series;
  const sign = endSign(source, lexicon, places);
  const labels = places.map((place) => labelAt(source, lexicon, place, by === 'start', sign));
  const behind = standsBehind(source.text, places, labels);
  const layout = layoutOf(source.text, places, labels, behind);
  const drafts = places.flatMap((place, i): Draft[] => {
    const [before, label] = [labels[i - 1], labels[i]];
    if (!label) return [];
    const limit = (upwards ? undefined : labels[i + 1])?.span.from ?? source.text.length;
    const alone = places[i - 1]?.line !== place.line;
    const words = wordsOf(source, lexicon, { place, label, limit, alone, behind, layout });
    const spoken = spokenOf(source, before, label, place.line);
    const begins = label.from === 2 ? before?.to !== 1 : label.from === 1 && goesAround(source, lexicon, words);
    const first = begins ? firstBefore(source, lexicon, label, place) : null;
    const told = label.from === 3 && !before ? toldBefore(source, lexicon, label, place) : [];
    return [...(first ? [first] : told), ...(spoken ? [spoken] : []), { label, line: place.line, words }];
  });
  return layout.flows ? drafts.flatMap((draft, i) => parted(source.text, draft, drafts[i + 1])) : drafts;
}

function layoutOf(text: string, places: readonly Place[], labels: readonly Label[], behind: boolean): Layout {
  const inLine = places.filter(({ numeral, start }, i) =>
    /\p{L}/u.test(text.slice(start, Math.min(numeral.from, labels[i]?.span.from ?? start))),
  ).length;
  const flows = !behind && inLine >= Math.max(2, places.length * IN_LINE) && !hasPrefix(text, places);
  const empty = places.filter(({ end }, i) => text.slice(labels[i]?.span.to ?? end, end).trim() === '').length;
  return { flows, bare: empty > places.length * MOST };
}

interface Around {
  readonly place: Place;
  readonly label: Label;
  readonly limit: number;
  /** No other label stands before it in its line. */
  readonly alone: boolean;
  readonly behind: boolean;
  readonly layout: Layout;
}

/** The words of a unit: before its label, where that stands behind them or in the middle, and from the label on. */
function wordsOf(source: SourceText, lexicon: Lexicon, { place, label, limit, alone, behind, layout }: Around): Span[] {
  const { from, to: labelEnd } = label.span;
  const before = behind || (from > place.start && alone && !layout.flows) ? [{ from: place.start, to: from }] : [];
  if (behind) return [...before, { from: labelEnd, to: place.end }];
  const lineEnd = Math.min(place.end, limit > labelEnd ? limit : place.end);
  const end = extent(source, lexicon, { from: labelEnd, to: lineEnd }, place.line, limit, layout);
  return [...before, { from: labelEnd, to: layout.flows ? end - leadsOn(source.text, labelEnd, end) : end }];
}

/** "then 8 plain rounds" between 5 and 14: the rounds that are missing, told in a line of their own. */
function spokenOf(source: SourceText, before: Label | undefined, label: Label, line: number): Draft | null {
  const missing = before ? missingBetween(before, label) : 0;
  if (!before || missing === 0) return null;
  for (let above = line - 1; above > Math.max(0, line - 4); above -= 1) {
    const { from, to } = lineSpan(source, above);
    if (from < before.span.to) break;
    const words = source.text.slice(from, to);
    if (countOfRounds(words) !== missing) continue;
    return between(before, label, { from: from + words.length - words.trimStart().length, to }, above);
  }
  return null;
}

/** How many rounds are left out between two labels. */
function missingBetween(before: Label, after: Label): number {
  return after.from > before.to + 1 ? after.from - before.to - 1 : 0;
}

/** The rounds between two labels, told by words of their own. */
function between(before: Label, after: Label, words: Span, line: number): Draft {
  const numeral = { first: before.to + 1, last: after.from - 1 };
  const text = numeral.first === numeral.last ? String(numeral.first) : `${numeral.first}–${numeral.last}`;
  const at = { from: words.from, to: words.from };
  return { label: labelled(text, numeral, at, false), line, words: [words], uncounted: true };
}

/** A round in running text, and what its last sentences tell besides: the rounds that are missing behind it, or a flat closing. */
function parted(text: string, draft: Draft, next: Draft | undefined): Draft[] {
  const last = draft.words.at(-1);
  if (!last) return [draft];
  const missing = next ? missingBetween(draft.label, next.label) : 0;
  for (const { 0: sentence, index } of text.slice(last.from, last.to).matchAll(SENTENCE)) {
    const words = { from: last.from + index, to: last.from + index + sentence.trimEnd().length };
    const spoken =
      next && missing > 0 && countOfRounds(sentence) === missing
        ? between(draft.label, next.label, words, draft.line)
        : closing(sentence, words, draft.line);
    if (index === 0 || !spoken) continue;
    const own = { from: last.from, to: last.from + text.slice(last.from, words.from).trimEnd().length };
    return [{ ...draft, words: [...draft.words.slice(0, -1), own] }, spoken];
  }
  return [draft];
}

/** "Flatten and sc through both sides, 6 across." */
const FLATTENS = /^(?:(?:then|now|finally),? )?(?:flatten|fold|press|pinch)(?!\p{L}).*\d/iu;

function closing(sentence: string, words: Span, line: number): Draft | null {
  if (!FLATTENS.test(sentence)) return null;
  return { label: unnumbered('closing', { from: words.from, to: words.from }), line, words: [words] };
}

/** Where words begin a piece: a ring, a loop of yarn, a chain that is worked into from the hook; -1 where none do. */
export function beginsAt(tokens: readonly Token[], lexicon: Lexicon): number {
  return tokens.findIndex((token, i) => {
    const meaning = lexicon.at(tokens, i)?.meaning.is;
    const word = /^(?:this|that)$/.test(tokens[i - 1]?.word ?? '') ? i - 2 : i - 1;
    const into = token.word === 'loop' && lexicon.at(tokens, word)?.meaning.is === 'in';
    const loop = into || makesLoop(tokens, i);
    return meaning === 'magic-ring' || meaning === 'from-hook' || loop;
  });
}

/** "double every stitch", "two in each": a first round that is worked on another. */
function goesAround({ text }: SourceText, lexicon: Lexicon, words: readonly Span[]): boolean {
  return words.some((span) => {
    const tokens = tokenize(text, span, 40, lexicon.alphabet);
    const each = tokens.some((_, i) => lexicon.at(tokens, i)?.meaning.is === 'each');
    return each && beginsAt(tokens, lexicon) < 0;
  });
}

/** The round without a number before the first or second one, in its line or right above: it begins a piece. */
function firstBefore(source: SourceText, lexicon: Lexicon, label: Label, place: Place): Draft | null {
  const { text } = source;
  for (let line = place.line; line >= Math.max(0, place.line - 2); line -= 1) {
    const span = lineSpan(source, line);
    const end = line === place.line ? label.span.from : span.to;
    const to = end - leadsOn(text, span.from, end);
    const words = text.slice(span.from, to);
    const tokens = tokenize(words, { from: 0, to: words.length }, 60, lexicon.alphabet);
    // "Round (the second)": no more than the word of the label.
    if (tokens.length === 0 || (line === place.line && tokens.length === 1)) continue;
    // "hi!": a word between two messages.
    if (!tokens.some(({ kind }) => kind === 'number')) continue;
    const ring = beginsAt(tokens, lexicon);
    if (ring < 0) return null;
    // "Body, black. Ring with 6": the name of the piece may stand before it.
    const name = /^[^.:]{3,40}[.:]\s+/u.exec(words.slice(0, tokens[ring]?.from))?.[0].length ?? 0;
    const from = span.from + (name > 0 ? name : words.length - words.trimStart().length);
    const at = { from, to: from };
    const own = label.from === 2 ? numbered(1, from) : beginning(at);
    return { label: own, line, words: [{ from, to }], uncounted: true };
  }
  return null;
}

/** "Next lap", "The next round" */
const NEXT = /^(?:then )?(?:the )?next \p{L}+[,:]?\s+/iu;

/** "I started in a ring with six. The next round has two in each, twelve." before the third round: the first two. */
function toldBefore(source: SourceText, lexicon: Lexicon, { span }: Label, place: Place): Draft[] {
  const { text } = source;
  const sentences: (Span & { line: number })[] = [];
  for (let line = Math.max(0, place.line - 2); line <= place.line; line += 1) {
    const { from, to } = lineSpan(source, line);
    for (const { 0: sentence, index } of text.slice(from, Math.min(to, span.from)).matchAll(SENTENCE))
      sentences.push({ from: from + index, to: from + index + sentence.trimEnd().length, line });
  }
  const [first, second] = sentences.slice(-2);
  if (!first || !second || beginsAt(tokenize(text, first, 60, lexicon.alphabet), lexicon) < 0) return [];
  const words = text.slice(second.from, second.to);
  if (!lookAt(words, lexicon).works) return [];
  const body = { from: second.from + (NEXT.exec(words)?.[0].length ?? 0), to: second.to };
  return [
    { label: numbered(1, first.from), line: first.line, words: [first], uncounted: true },
    { label: numbered(2, second.from), line: second.line, words: [body] },
  ];
}

/** A label that nothing in the text says. */
function numbered(number: number, from: number): Label {
  return labelled(String(number), { first: number, last: number }, { from, to: from }, false);
}

/** The label of a round that comes before the first. */
function beginning(span: Span): Label {
  return { span, bodyFrom: span.to, text: 'start', from: 0, to: 0, numbers: [], kind: null, series: '' };
}

/** Words at the end of a round in running text that belong to the next: "… for 24. In round five". */
const LEADS_ON = /[\s,;]*(?<!\p{L})(?:and|in|then|now|for)(?:\s+(?:and|in|then|now|for))?\s*$/iu;

/** How much of the end of a stretch leads on to the next. */
function leadsOn(text: string, from: number, to: number): number {
  return LEADS_ON.exec(text.slice(Math.max(from, to - 24), to))?.[0].length ?? 0;
}

/** Whether the same words and signs stand before most labels: those are of the label, or of the count before it. */
function hasPrefix(text: string, places: readonly Place[]): boolean {
  const prefixes = new Map<string, number>();
  for (const { start, numeral } of places) {
    const prefix = alike(text.slice(start, numeral.from));
    prefixes.set(prefix, (prefixes.get(prefix) ?? 0) + 1);
  }
  return Math.max(...prefixes.values()) > places.length * MOST;
}

/** "In the", "And then for the" */
const LEADS_IN = /^[^\p{L}\d]*(?:(?:in|on|for|at|and|then|now|the)[^\p{L}\d]+)+$/iu;

/** Whether the labels stand behind their instructions: a line of several ends with one then. */
function standsBehind(text: string, places: readonly Place[], labels: readonly Label[]): boolean {
  const letters = (from: number, to: number) => text.slice(from, Math.max(from, to)).match(/\p{L}/gu)?.length ?? 0;
  const lastIn = new Map(places.map(({ line }, i) => [line, i]));
  // "In the second round make …": what follows is the instruction, though the line may end on a number.
  const leads = places.filter(({ start }, i) => {
    const from = labels[i]?.span.from ?? start;
    const sentence =
      text
        .slice(start, from)
        .split(/[.!?;:]/)
        .at(-1) ?? '';
    return LEADS_IN.test(sentence);
  });
  if (leads.length > places.length * MOST) return false;
  const behind = places.filter(({ start, end, line }, i) => {
    const span = labels[i]?.span;
    if (!span) return false;
    const last = lastIn.get(line) ?? i;
    const several = last > i || places[i - 1]?.line === line;
    if (several) return letters(labels[last]?.span.to ?? end, end) <= 2 && letters(start, span.from) > 0;
    return letters(start, span.from) > letters(span.to, end) + 2;
  });
  return behind.length > places.length * MOST;
}
