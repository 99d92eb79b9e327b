import { COLOUR_WORDS } from '../vocabulary/words.js';
import { cardinal, ordinal } from '../vocabulary/numbers.js';
import type { Span } from '../text/source.js';
import { tokenize, type Token } from './lexer.js';
import type { Lexicon } from './lexicon.js';
import { inEitherCase } from '../text/eitherCase.js';

/** The label of a round or row, as it stands in the text. */
export interface Label {
  readonly span: Span;
  /** Where the instruction begins. */
  readonly bodyFrom: number;
  readonly text: string;
  readonly from: number;
  readonly to: number;
  readonly numbers: readonly number[];
  readonly kind: 'round' | 'row' | null;
  /** The letter of labels like "L1:" and "Rnd 11b:"; empty for all others. */
  readonly series: string;
  /** "Next 3 rnds": how many, their numbers to be had from the round before; null for all others. */
  readonly next?: number;
}

const UNITS = 'one|two|three|four|five|six|seven|eight|nine';
const TENS = 'twenty|thirty|forty|fifty|sixty';
const NUMBER = String.raw`(?:\d{1,4}[a-d]?|(?:${TENS})(?:[- ](?:${UNITS}))?|${UNITS}|ten|eleven|twelve|(?:thir|four|fif|six|seven|eigh|nine)teen)(?![\p{L}\d])`;
const COMPOUND = new RegExp(`(${TENS})[- ](${UNITS})`, 'gi');
const UNIT = String.raw`(?:rnds?|rounds?|rds?|rows?|r)`;
const WORD_LABEL = inEitherCase(
  String.raw`(?<![\p{L}\d])(${UNIT})\.?[ \t\u00a0]{0,3}(?:#|n[or]\.[ \t]?|number[ \t])?(${NUMBER}(?:(?:[).](?=[ \t]{1,3}(?:to|through|thru|until|and)[ \t]|[ \t]{0,2}[-–—][ \t]{0,2}\d{1,3}\)))?[ \t]{0,3}(?:[-–—−,&+~/→]|\.{2,3}|…|to(?![\p{L}])|through|thru|until|and)[ \t]{0,3}(?:(?:and|&)[ \t]{1,3})?(?:${UNIT}\.?[ \t]{0,3})?${NUMBER}|[ \t]{1,2}${UNIT}\.?${NUMBER}){0,20})`,
  'y',
);
const RING_AFTER = /^\s*\p{L}[\p{L} .]{0,30}?(?<!\p{L})(?:ring|circle|loop|mr|mc)(?!\p{L})/iu;
const MAY_HOLD_LABEL = /[\d①-⑳]|ro(?:w|und)|rnd|next:/i;
/** Where a label can stand within a line: after the end of a sentence or a bracket. */
const AFTER_SENTENCE =
  /(?:[.!?;:|]|[)\]}],?)[ \t\u00a0*_]+(?=r|next|\d{1,3}(?:st|nd|rd|th)\s|[fsten]\p{L}{2,6}(?:th|st|nd|rd)\s)/giu;
/** "1st round:", "6th - 10th rounds:", "Third row:". */
const ORDINAL = String.raw`(?:\d{1,3}(?:st|nd|rd|th)|first|second|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth)`;
const ORDINAL_LABEL = inEitherCase(
  String.raw`(${ORDINAL}(?:[ \t]{0,3}(?:[-–—,&]|to|and)[ \t]{0,3}(?:and[ \t]{1,3})?${ORDINAL}){0,8})[ \t]{1,3}(rounds?|rnds?|rds?|rows?|r)(?![\p{L}])`,
  'y',
);
/** "Rnd 3 (inc):", "Row 5 (dec row)": what the maker may expect, and no step of it. */
const EXPECTED = String.raw`(?:inc|dec|(?:in|de)creas(?:e|ing)|even|plain|ring|start|shaping)(?:[ \t](?:rnd|round|row))?`;
const AFTER_LABEL = inEitherCase(
  String.raw`[ \t\u00a0]{0,4}(?:\((?:rs|ws|right side|wrong side|[^()\n]{0,12}side)\)|\(${EXPECTED}\)(?=[ \t]*[:.–—-]))?[ \t]{0,4}(?:\*\*|__)?[ \t]{0,4}([:.)…=~;]|[-–—−](?!\d)|/(?=[ \t]))?(?:\*\*|__)?\.{0,6}`,
  'y',
);
const NUMBER_FIRST =
  /(\d{1,3})(?:\.?[ \t]{0,2}[-–—~][ \t]{0,2}(\d{1,3}))?(?:\.?[ \t]{1,2}(?=r)|(?=r[ \t]?[:.)]))(rnds?|rounds?|rds?|rows?|r)([:.)–—]|[ \t]{1,2}[-–—=] )/iuy;
const BARE_LABEL =
  /\(?(\d{1,3})([a-d]?)(?:[.)]?[ \t]{0,2}(?:[-–—]|\.{2,3}|to|and|&)[ \t]{0,2}\(?(\d{1,3}))?(?:[ \t]{0,2}([.):|]{1,2}|[-–—][ \t]|\t|$)|[ \t]{3,10}(\|))/muy;
/** "10 (dc 6, dc2tog) x 3", below "9  dc 24": a figure and spaces. */
const SPACED_LABEL = /(\d{1,3})(?:[-–—](\d{1,3}))?[ \t]{1,4}(?=[\p{L}\d([{*])/uy;
/** "③ sc, inc", "⑤–⑨ sc around": figures in circles, from 1 to 20. */
const CIRCLED_LABEL = /([①-⑳])(?:[ \t]?[-–—~][ \t]?([①-⑳]))?[.:)]?(?=[ \t])/uy;
const LETTER_LABEL = /([\p{L}])[ \t]?(\d{1,3})(?:[ \t]?[-–—][ \t]?(?:\1)?(\d{1,3}))?[ \t]?:/uy;
/** "Next 3 rnds:", "Next round –": the number goes on from the round before. */
const NEXT_LABEL =
  /(?:the )?(?:next|following) (?:(\d{1,3}|\p{L}{3,6}) )?(rnds?|rounds?|rds?|rows?)(?:[ \t]?\([^()\n]{0,12}\))?[ \t]?(?:[.:–—]|- )|next:/iuy;
const NAMED_LABEL =
  /(?!ro(?:w|und) by )(?:[\p{L}-]{1,14} ){1,3}(?:row|round|rnd)[ \t]?(?:\((?:rs|ws)\)[ \t]?)?(?:[:–—]|- )/iuy;
/** Signs before a line, and words that only lead on to the next round: "and round 20 …". */
const DECORATION =
  /(?:[ \t\u00a0>|•◦‣▪●○☐✓~]|[-–—*+](?=[ \t])|\*\*|__|_(?=\p{L}))*(?:(?:and|then|now|so|ok|okay|finally|lastly),?[ \t](?=(?:rounds?|rnds?|rds?|rows?)[ \t]))?/iuy;

/** "rnd 5, 6 sc in …", "rnds 5-7, sc around", "rnd 3, red: sc around": an instruction behind a comma. */
const COMMA_FIRST =
  /^[ \t]*,[ \t]+(?:[([{*]|\p{L}{3,14}(?:[ \t]\p{L}{3,14})?:[ \t]|\d+[ \t]?(?!sts?(?!\p{L})|stitch)[\p{L}([{]|(?:sc|dc|hdc|htr|tr|inc|dec|ch|chain|mr|magic|blo|flo|sl|ss|work|start|make|increase|decrease|single|double)(?!\p{L}))/iu;
/** "Round 1 is 6 dc in a ring": said of what is worked, and no talk about the round. */
const IS = /^[ \t]is[ \t](?=\d+[ \t]?\p{L})/u;
/** Words after which "Rnd 11" opens a sentence about the round: "Rnd 11 has left …". */
const PROSE_AFTER =
  /^[ \t]*(?:has|have|is|are|was|were|will|should|leaves?|left|where|which|may|can|again|in(?![ \t]+(?:the[ \t]+)?(?:[fb]lo?|front|back|mr|magic|ring)(?![\p{L}]))|for|with the|onwards?|onto|on|of|if|then|and|sets?)(?![\p{L}])/iu;

/** Offset after bullets, quote signs and Markdown's emphasis at the start of a line. */
export function contentStart(text: string, from: number, to: number): number {
  DECORATION.lastIndex = from;
  DECORATION.exec(text);
  return Math.min(Math.max(DECORATION.lastIndex, from), to);
}

/** "rd 4   ....": signs that stand for stitches here, and so are none between a label and its round. */
function withoutSigns(text: string, label: Label | null, alphabet: Lexicon['alphabet']): Label | null {
  let from = label?.bodyFrom ?? 0;
  while (label && alphabet && from > label.span.to + 1 && alphabet.signs.has(text.charAt(from - 1))) from -= 1;
  return label && { ...label, bodyFrom: from };
}

export interface LabelContext {
  readonly lexicon: Lexicon;
  /** Whether labels without a word ("5.") may stand here: not in a list of materials or of assembly steps. */
  readonly bare: boolean;
}

/** The label that a line begins with. Only the shapes that can begin with its first character are tried. */
function firstLabel(text: string, at: number, to: number, context: LabelContext): Label | null {
  const first = text.charAt(at);
  if (first >= '0' && first <= '9')
    return (
      numberFirst(text, at, to) ??
      ordinalLabel(text, at, to) ??
      bareLabel(text, at, to, context) ??
      spacedLabel(text, at, to, context)
    );
  if (first >= '①' && first <= '⑳') return circledLabel(text, at, to, context);
  if (first === '(' || first === '[') return bracketedLabel(text, at, to) ?? bareLabel(text, at, to, context);
  const letter = first.toLowerCase();
  return (
    (letter === 'r' ? wordLabelAt(text, at, to, true) : null) ??
    ('fstent'.includes(letter) ? (ordinalLabel(text, at, to) ?? nextLabel(text, at, to)) : null) ??
    letterLabel(text, at, to, context) ??
    (NAMES_ROUND.test(text.slice(at, Math.min(to, at + 60))) ? namedLabel(text, at, to) : null)
  );
}

const NAMES_ROUND = /ro(?:w|und)|rn?d|\d(?:st|nd|rd|th)\s+r(?!\p{L})/iu;

/** Whether the labels of a line are told by its own words: it begins with no figure, which the lines around it speak for. */
export function standsAlone(text: string, line: Span): boolean {
  return !/[\d①-⑳(\[]/.test(text.charAt(contentStart(text, line.from, line.to)));
}

/** A label in a text that has so many characters more before it. */
export function movedLabel(label: Label, by: number): Label {
  const { span, bodyFrom } = label;
  return { ...label, span: { from: span.from + by, to: span.to + by }, bodyFrom: bodyFrom + by };
}

/** All labels in a line, from left to right. */
export function labelsIn(text: string, line: Span, context: LabelContext): Label[] {
  const start = contentStart(text, line.from, line.to);
  const labels: Label[] = [];
  // Most lines of prose hold neither a figure nor a word for a round, and need no closer look.
  if (!MAY_HOLD_LABEL.test(text.slice(line.from, line.to))) return labels;
  const first = withoutSigns(text, firstLabel(text, start, line.to, context), context.lexicon.alphabet);
  if (first) labels.push(first);
  const from = first ? first.bodyFrom : start;
  const rest = text.slice(from, line.to);
  AFTER_SENTENCE.lastIndex = 0;
  while (AFTER_SENTENCE.test(rest)) {
    const at = from + AFTER_SENTENCE.lastIndex;
    const label =
      wordLabelAt(text, at, line.to, false) ?? nextLabel(text, at, line.to) ?? ordinalLabel(text, at, line.to);
    if (label) labels.push(label);
  }
  return labels;
}

function wordLabelAt(text: string, at: number, to: number, atStart: boolean): Label | null {
  WORD_LABEL.lastIndex = at;
  const match = WORD_LABEL.exec(text);
  if (!match || at + match[0].length > to) return null;
  const unit = (match[1] ?? '').toLowerCase();
  const written = withoutAmount(match[2] ?? '', text, at + match[0].length, to);
  const numbers = numbersOf(written);
  if (!numbers) return null;
  const end = at + match[0].length - ((match[2] ?? '').length - written.length);
  AFTER_LABEL.lastIndex = end;
  const after = AFTER_LABEL.exec(text);
  const separator = after?.[1];
  const verb = atStart ? IS.exec(text.slice(end, Math.min(to, end + 12))) : null;
  const bodyFrom = Math.min(verb ? end + verb[0].length : after ? AFTER_LABEL.lastIndex : end, to);
  if (!separator && !verb) {
    const rest = text.slice(end, Math.min(to, end + 24));
    const listed = /^[ \t]*[,/]/.test(rest) && !COMMA_FIRST.test(rest);
    if (!atStart || PROSE_AFTER.test(rest) || listed) return null;
  }
  const kind = unit.startsWith('row') ? 'row' : unit === 'r' ? null : 'round';
  const series = /\d([a-d])$/i.exec(written)?.[1] ?? '';
  return labelOf(text, { from: at, to: end }, { bodyFrom, numbers, kind, series });
}

/** A label where it stands, with what is known of it. */
function labelOf(
  text: string,
  span: Span,
  known: Pick<Label, 'bodyFrom' | 'numbers'> & Partial<Pick<Label, 'kind' | 'series' | 'text' | 'next'>>,
): Label {
  const { bodyFrom, numbers, kind = null, series = '', next } = known;
  return {
    span,
    bodyFrom,
    text: known.text ?? text.slice(span.from, span.to),
    from: numbers[0] ?? 0,
    to: numbers.at(-1) ?? 0,
    numbers,
    kind,
    series: series.toLowerCase(),
    ...(next === undefined ? {} : { next }),
  };
}

/** "05–08 — 32 (32)", "6-8 : 8 = 8" */
const PLAIN_FIGURE = /^[ \t]*(\d{1,3})[ \t]*(?:[([{<][ \t]*\1[ \t]*[)\]}>]|=[ \t]*\1(?!\d))/u;
/** "6. for the wavy rim: sc 1, …", "6) fold flat and sc through both layers": what stands before an instruction. */
const LEADS: readonly RegExp[] = [
  /^[ \t]*\p{L}[\p{L} -]{2,28}:[ \t]/u,
  /^[ \t]*(?:now )?(?:fold|flatten|press|pinch)(?!\p{L})[^()\n;]{0,40}?(?:[,.]|(?<!\p{L})(?:and|then))[ \t]/iu,
];

/** "(Rnd 1) 6 sc …", "[R2] inc …" */
function bracketedLabel(text: string, at: number, to: number): Label | null {
  const close = { '(': ')', '[': ']' }[text.charAt(at)];
  const label = close ? wordLabelAt(text, at + 1, to, true) : null;
  if (!label || text.charAt(label.span.to) !== close) return null;
  return { ...label, bodyFrom: Math.max(label.bodyFrom, label.span.to + 1) };
}

/** "Rnd 1 - 6 sc": the dash ends the label, and the figure after it belongs to the stitch. */
function withoutAmount(written: string, text: string, end: number, to: number): string {
  if (/^\d+$/.test(written)) return written;
  // "R1-6 sc in MR" is round 1, since a ring is begun once.
  if (/^1[-–—]\d+$/.test(written) && RING_AFTER.test(text.slice(end, Math.min(to, end + 60)))) return '1';
  // "R10 - 6A" is round 10 in letters; a half of a round is a small one ("R10a").
  const letter = /^(\d+)[ \t]*[-–—−~→,][ \t]*\d{1,4}[A-D]/u.exec(written);
  if (letter?.[1]) return letter[1];
  const tail =
    /[ \t]+(?:[-–—−,~→…/]|\.{2,3})[ \t]+\d{1,4}$/u.exec(written) ??
    /[ \t]*(?:,|…|\.{2,3})[ \t]*\d{1,4}$/u.exec(written);
  return tail && /^(?:[ \t]*[\p{L}(]|-\p{L})/u.test(text.slice(end, to)) ? written.slice(0, tail.index) : written;
}

function ordinalLabel(text: string, at: number, to: number): Label | null {
  if (!NAMES_ROUND.test(text.slice(at, Math.min(to, at + 80)))) return null;
  ORDINAL_LABEL.lastIndex = at;
  const match = ORDINAL_LABEL.exec(text);
  const end = ORDINAL_LABEL.lastIndex;
  if (!match || end > to) return null;
  AFTER_LABEL.lastIndex = end;
  const after = AFTER_LABEL.exec(text);
  // "First round of the edging" is talk; a label is set off.
  if (!after?.[1]) return null;
  const numbers = numbersOf((match[1] ?? '').replace(/(\d)(?:st|nd|rd|th)/giu, '$1'));
  if (!numbers) return null;
  const bodyFrom = Math.min(AFTER_LABEL.lastIndex, to);
  return labelOf(text, { from: at, to: end }, { bodyFrom, numbers, kind: kindOf(match[2]) });
}

function bareLabel(text: string, at: number, to: number, context: LabelContext): Label | null {
  if (!context.bare) return null;
  BARE_LABEL.lastIndex = at;
  const match = BARE_LABEL.exec(text);
  if (!match || BARE_LABEL.lastIndex > to) return null;
  const bodyFrom = BARE_LABEL.lastIndex;
  if (text.slice(bodyFrom, to).trim() !== '') {
    if (match[4] === '') return null;
    const words = text.slice(bodyFrom, Math.min(to, bodyFrom + 40));
    const leads = LEADS.flatMap((lead) => lead.exec(words)?.[0].length ?? []);
    const begins = [0, ...leads].some((lead) => beginsInstruction(text, bodyFrom + lead, to, context.lexicon));
    if (!begins && !PLAIN_FIGURE.test(words) && !isBetween(text, at, to, match, context.lexicon)) return null;
    // "(30)" alone on a line is a count; a figure alone is a label where an instruction follows.
  } else if (match[0].startsWith('(') || (match[4] === '' && !instructionFollows(text, to, context.lexicon)))
    return null;
  const numbers = rising(match[1], match[3]);
  if (!numbers) return null;
  const end = at + match[0].trimEnd().length;
  const written = text.slice(at, end).replace(/^\(|[.):|–—-]+$/gu, '');
  return labelOf(text, { from: at, to: end }, { bodyFrom, numbers, series: match[2] ?? '', text: written.trimEnd() });
}

function spacedLabel(text: string, at: number, to: number, context: LabelContext): Label | null {
  if (!context.bare) return null;
  SPACED_LABEL.lastIndex = at;
  const match = SPACED_LABEL.exec(text);
  const bodyFrom = SPACED_LABEL.lastIndex;
  const numbers = match && rising(match[1], match[2]);
  if (!numbers || !isSequenced(text, at, to, numbers)) return null;
  if (!beginsInstruction(text, bodyFrom, to, context.lexicon)) return null;
  return labelOf(text, { from: at, to: at + match[0].trimEnd().length }, { bodyFrom, numbers });
}

/** The figure that a line above or below begins with; a count may stand between on a line of its own. */
const LABEL_ABOVE = /(?:^|\n)[^\S\n]*(?:\d{1,3}[-–—])?(\d{1,3})[^\S\n][^\n]*(?:\n[([{<]\s?\d{1,4}[^\n]{0,12})?\n\s*$/;
const LABEL_BELOW = /^\s*(?:\n[([{<]\s?\d{1,4}[^\n]{0,12})?\n\s*(\d{1,3})(?:[-–—]\d{1,3})?[^\S\n]/;

/** "1  6dc in ring", and below it "2  dc2inc x 6": figures without a mark are labels where they go on from line to line. */
function isSequenced(text: string, at: number, to: number, own: readonly number[]): boolean {
  const before = LABEL_ABOVE.exec(text.slice(Math.max(0, at - 160), at));
  const after = LABEL_BELOW.exec(text.slice(to, to + 40));
  return Number(before?.[1]) === (own[0] ?? 0) - 1 || Number(after?.[1]) === (own.at(-1) ?? 0) + 1;
}

const MARKED_ABOVE = /(?:^|\n)[^\S\n]*(\(?)(?:\d{1,3}\)?[^\d\n]{1,4}\(?)?(\d{1,3})([).:])([^\n]*)\n$/;
const MARKED_BELOW = /^\n[^\S\n]*(\(?)(\d{1,3})(?:[^\d\n]{1,4}\d{1,3})?([).:])([^\n]*)/;

/** "(3) …" between the instructions of "(2)" and "(4)": a label, whatever stands behind it. */
function isBetween(text: string, at: number, to: number, [label, first, , last]: RegExpExecArray, lexicon: Lexicon) {
  const [, opens, before, ends, words = ''] = MARKED_ABOVE.exec(text.slice(Math.max(0, at - 160), at)) ?? [];
  const [, , after, , behind = ''] = MARKED_BELOW.exec(text.slice(to, to + 160)) ?? [];
  if (ends === undefined || !label.includes(ends) || label.startsWith('(') !== (opens === '(')) return false;
  if (Number(before) !== Number(first) - 1 || Number(after) !== Number(last ?? first) + 1) return false;
  return [words, behind].every((line) => beginsInstruction(line, 0, line.length, lexicon));
}

function circledLabel(text: string, at: number, to: number, context: LabelContext): Label | null {
  if (!context.bare) return null;
  CIRCLED_LABEL.lastIndex = at;
  const match = CIRCLED_LABEL.exec(text);
  const bodyFrom = CIRCLED_LABEL.lastIndex;
  if (!match?.[1] || bodyFrom > to || !beginsInstruction(text, bodyFrom, to, context.lexicon)) return null;
  const numbers = rising(inCircle(match[1]), match[2] && inCircle(match[2]));
  return numbers && labelOf(text, { from: at, to: bodyFrom }, { bodyFrom, numbers });
}

function inCircle(figure: string): number {
  return figure.charCodeAt(0) - '①'.charCodeAt(0) + 1;
}

function letterLabel(text: string, at: number, to: number, context: LabelContext): Label | null {
  LETTER_LABEL.lastIndex = at;
  const match = LETTER_LABEL.exec(text);
  if (!match || LETTER_LABEL.lastIndex > to) return null;
  const bodyFrom = LETTER_LABEL.lastIndex;
  if (!beginsInstruction(text, bodyFrom, to, context.lexicon)) return null;
  const numbers = rising(match[2], match[3]);
  return numbers && labelOf(text, { from: at, to: bodyFrom - 1 }, { bodyFrom, numbers, series: match[1] ?? '' });
}

/** "3 row: …", "5-8 rnd. …": the figure before the word. */
function numberFirst(text: string, at: number, to: number): Label | null {
  NUMBER_FIRST.lastIndex = at;
  const match = NUMBER_FIRST.exec(text);
  if (!match || NUMBER_FIRST.lastIndex > to) return null;
  const numbers = rising(match[1], match[2]);
  const bodyFrom = at + match[0].length;
  const end = bodyFrom - (match[4] ?? '').length;
  return numbers && labelOf(text, { from: at, to: end }, { bodyFrom, numbers, kind: kindOf(match[3]) });
}

/** "row" or a word for a round, as it stands in a label. */
function kindOf(word = ''): 'row' | 'round' {
  return /^row/i.test(word) ? 'row' : 'round';
}

/** The numbers from one up to another; null where that is lower. */
function rising(first: string | number | undefined, last: string | number | undefined): number[] | null {
  const numbers = range(Number(first), Number(last ?? first));
  return numbers.length > 0 ? numbers : null;
}

function nextLabel(text: string, at: number, to: number): Label | null {
  NEXT_LABEL.lastIndex = at;
  const match = NEXT_LABEL.exec(text);
  if (!match || NEXT_LABEL.lastIndex > to) return null;
  const word = match[1]?.toLowerCase();
  const next = word === undefined ? 1 : /^\d/.test(word) ? Number(word) : cardinal(word);
  if (next === null || next < 1) return null;
  const end = at + match[0].trimEnd().length;
  const written = text.slice(at, end).replace(/[ \t]*[.:–—-]$/u, '');
  const known = { bodyFrom: end, numbers: [], kind: kindOf(match[2]), text: written, next };
  return labelOf(text, { from: at, to: end }, known);
}

/** "First tile row: …": a row that has a name and no number. */
function namedLabel(text: string, at: number, to: number): Label | null {
  NAMED_LABEL.lastIndex = at;
  const match = NAMED_LABEL.exec(text);
  if (!match || NAMED_LABEL.lastIndex > to) return null;
  const end = at + match[0].trimEnd().length;
  const written = text.slice(at, end).replace(/[ \t]*[:–—-]$/u, '');
  const kind = /row/i.test(match[0]) ? 'row' : 'round';
  return labelOf(text, { from: at, to: end }, { bodyFrom: end, numbers: [], kind, text: written });
}

/** Whether the next line that is not empty begins an instruction. */
function instructionFollows(text: string, lineEnd: number, lexicon: Lexicon): boolean {
  const rest = text.slice(lineEnd, lineEnd + 200);
  const start = rest.search(/\S/);
  const end = start < 0 ? -1 : rest.indexOf('\n', start);
  return (
    start >= 0 && beginsInstruction(text, lineEnd + start, end < 0 ? lineEnd + rest.length : lineEnd + end, lexicon)
  );
}

/** Whether the words from here on can be the beginning of an instruction. */
export function beginsInstruction(text: string, from: number, to: number, lexicon: Lexicon): boolean {
  const tokens = tokenize(text, { from, to: Math.min(to, from + 80) });
  for (let i = 0; i < tokens.length && i < 10; i += 1) {
    const token = tokens[i];
    if (!token) return false;
    const found = lexicon.at(tokens, i);
    if (token.kind === 'word' || found) {
      if (!found) {
        if (token.word === 'mc' && tokens[i + 1]?.kind === 'number') return true;
        // A colour before the first stitch: "With Moss, sc 6", "(Moss) sc 6".
        if ((/^\p{Lu}/u.test(token.raw) || COLOUR_WORDS.has(token.word)) && i > 0) continue;
        return false;
      }
      switch (found.meaning.is) {
        case 'colour':
        case 'change':
        case 'work':
        case 'with':
        case 'in':
        case 'each':
        case 'and':
          i += found.length - 1;
          continue;
        case 'evenly':
          return isAllThereIs(tokens[i + found.length]);
        case 'stitch':
        case 'shaping':
        case 'increase':
        case 'decrease':
        case 'magic-ring':
        case 'loops':
        case 'skip':
        case 'turn':
        case 'repeat':
        case 'join':
        case 'times':
          return true;
        default:
          return false;
      }
    }
  }
  return false;
}

/** "even | 30", "straight (12)": words for a plain round, and nothing else before its count. */
function isAllThereIs(after: Token | undefined): boolean {
  return after === undefined || after.kind === 'mark' || after.kind === 'open';
}

/** The numbers of "5", "5-8", "5, 7 and 9", "five"; null where they don't rise. */
function numbersOf(written: string): number[] | null {
  if (/^\d+$/.test(written)) return [Number(written)];
  const plainRange = PLAIN_RANGE.exec(written);
  if (plainRange) {
    const [from, to] = [Number(plainRange[1]), Number(plainRange[2])];
    return to > from ? range(from, to) : null;
  }
  const numbers: number[] = [];
  let ranged = false;
  const plain = written.toLowerCase().replace(COMPOUND, (_, tens: string, unit: string) => {
    return String((cardinal(tens) ?? 0) + (cardinal(unit) ?? 0));
  });
  for (const [piece] of plain.matchAll(/\d+|\p{L}+|[-–—−~→…]|\.{2,3}/gu)) {
    if (/^(?:[-–—−~→…]|\.{2,3}|to|through|thru|until)$/.test(piece)) {
      ranged = true;
      continue;
    }
    const value = /^\d/.test(piece) ? Number(piece) : (cardinal(piece) ?? ordinal(piece));
    if (value === null) continue;
    const last = numbers[numbers.length - 1];
    if (last !== undefined && value <= last) return null;
    if (ranged && last !== undefined) for (let n = last + 1; n < value && n - last < 2000; n += 1) numbers.push(n);
    ranged = false;
    numbers.push(value);
  }
  return numbers.length > 0 ? numbers : null;
}

const PLAIN_RANGE = /^(\d{1,4})[ \t]?[-–—][ \t]?(\d{1,4})$/;

function range(from: number, to: number): number[] {
  const numbers: number[] = [];
  for (let n = from; n <= to && numbers.length < 2000; n += 1) numbers.push(n);
  return numbers;
}
