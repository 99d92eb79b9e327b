import type { TermsReading } from '../pattern/pattern.js';
import type { Span } from '../text/source.js';
import type { Vocabulary } from '../vocabulary/stitches.js';
import { inEitherCase } from '../text/eitherCase.js';

/** Names of stitches, by what they tell: US only, UK only, or both. One pass over the text. */
const STITCH_NAMES =
  /\b(?:\d{1,3})?(?:((?:fp|bp)?(?:sc|hdc)|s\.c|h\.d\.c|esc|fsc|rsc|single crochets?|half[ -]doubles?)|((?:fp|bp)?htr|h\.tr|rdc[fb]|rtr[fb]|qtr|half[ -]trebles?|quadruple trebles?)|(dtr|dc|tr|d\.c|d\.tr|(?:double|treble) crochets?))(?=\d|tog|inc|dec|s?\b)/gi;
const WEAK_US = /\b(?:skip|sk|gauge|yarn over|yo|color)\b/gi;
const WEAK_UK = /\b(?:miss|tension|yrh|yoh|colour)\b/gi;
const RING_OF_SHARED = /(\d{1,2})\s?dc (?:in|into)\s+(?:a |the )?(?:magic|mr|ring|mc)/gi;
const COUNTRY =
  /\b(us|u\.s\.|usa|american|uk|u\.k\.|british|english(?= term|\)| (?:single|double|half|treble) ))(?![a-z])/gi;
const THING = String.raw`(?:terms?|terminology|terminologies|stitch(?:es| names)?|names|words|abbreviations|crochet|version|notation|pattern|standards?|english|rows|rounds)`;
const THING_AFTER = inEitherCase(String.raw`^[ \t*_-]+(?:\p{L}+[ \t]+){0,2}?${THING}(?!\p{L})`);
const THING_BEFORE = inEitherCase(
  String.raw`(?<!\p{L})${THING}(?:[ \t]+used)?[ \t*_|.]*(?::|=|is|are|in|–|-)?[ \t*_|]*(?:in )?$`,
);

/** "in double crochet (English)" */
const CROCHET_OF = /crochet \($/iu;
/** "written in us", "i write us": no pronoun */
const IN_US = /(?:in|(?<!\p{L})i write)\s+$/iu;
/** "worked in US sc" */
const WORKED_IN = /(?<!\p{L})(?:worked|crocheted|made) in $/iu;
const STITCH_BEHIND = /^ (?:sc|dc|hdc|tr|single|double|half|treble)(?!\p{L})/iu;
/** "I write US", "written in us" */
const WRITTEN_IN = /(?<!\p{L})(?:write|written|writing|worded|noted|notated)\s+(?:it\s+|all\s+)?(?:in\s+)?$/iu;

function count(text: string, pattern: RegExp): number {
  let found = 0;
  pattern.lastIndex = 0;
  while (pattern.exec(text)) found += 1;
  return found;
}

function stitchNames(text: string): { us: number; uk: number; shared: number } {
  const found = { us: 0, uk: 0, shared: 0 };
  STITCH_NAMES.lastIndex = 0;
  for (let match = STITCH_NAMES.exec(text); match; match = STITCH_NAMES.exec(text)) {
    if (match[1] !== undefined) found.us += 1;
    else if (match[2] !== undefined) found.uk += 1;
    else found.shared += 1;
  }
  return found;
}

/**
 * Which vocabulary a text is written in. A declaration outweighs everything but stitches that
 * contradict it; a single slip into the other vocabulary does not make a text mixed.
 */
export function detectTerms(text: string, asked: Vocabulary | 'auto' = 'auto'): TermsReading {
  const declaration = declaredIn(text);
  const declared = declaration?.vocabulary ?? null;
  const { us, uk, shared } = stitchNames(text);
  let detected: TermsReading['detected'];
  let confidence: number;
  if (us + uk > 0) {
    const minority = Math.min(us, uk);
    const share = minority / (us + uk);
    if (minority >= 3 && share > 0.25 && declared === null) {
      detected = 'mixed';
      confidence = 1 - share;
    } else {
      // htr is sure to be UK; sc is sure to be US. A declaration settles the rest.
      const side: Vocabulary = us > uk ? 'us' : uk > us ? 'uk' : (declared ?? 'us');
      // Many dc beside few sc in a text that says UK is a UK text with slips.
      detected = side === 'us' && declared === 'uk' && shared > us ? 'uk' : side;
      confidence = Math.max(0.5, 1 - share);
    }
  } else {
    const read = fromSharedWords(text, declared, shared);
    detected = read.detected;
    confidence = read.confidence;
  }
  const used = asked !== 'auto' ? asked : usedFor(declared, detected, us, uk);
  return {
    declared,
    declaredAt: declaration?.span ?? null,
    detected,
    confidence: Math.round(confidence * 100) / 100,
    used,
  };
}

function usedFor(declared: Vocabulary | null, detected: TermsReading['detected'], us: number, uk: number): Vocabulary {
  if (detected === 'us' || detected === 'uk') return detected;
  return declared ?? (uk > us ? 'uk' : 'us');
}

/** A text with dc alone: a ring of 6 is the one-step stitch (UK), a ring of 10 and more the two-step one (US). */
function fromSharedWords(
  text: string,
  declared: Vocabulary | null,
  shared: number,
): { detected: TermsReading['detected']; confidence: number } {
  if (declared) return { detected: declared, confidence: 0.9 };
  let small = 0;
  let large = 0;
  for (const match of text.matchAll(RING_OF_SHARED)) {
    const ring = Number(match[1]);
    if (ring <= 8) small += 1;
    else if (ring >= 10) large += 1;
  }
  const lean = (small - large) * 2 + count(text, WEAK_UK) - count(text, WEAK_US);
  if (lean === 0 || shared === 0) return { detected: 'unclear', confidence: 0 };
  return { detected: lean > 0 ? 'uk' : 'us', confidence: Math.min(0.85, 0.5 + Math.abs(lean) * 0.08) };
}

/** "(US)", or "US." as a line or a sentence of its own. */
function isAlone(before: string, after: string): boolean {
  if (/[([]\s*$/.test(before)) return /^\s*[.,]?\s*[)\]:]/.test(after);
  // "Pretzel, US, Crust"
  if (/,\s*$/.test(before) && /^\s*,/.test(after)) return true;
  // "~ US ~ worsted ~ 4.0 mm ~"
  if (/(?:^|\n|[~•·|/])\s*$/.test(before) && /^\s*[~•·|/]/.test(after)) return true;
  // "Cactus in a pot, US", "US. I crochet in the round.", "[terms] US", "[hook] 3 mm // US"
  return /(?:^|[\n.;!?,\]|/·•]\s*)$/.test(before) && /^[.!]?[ \t]*(?:\r?\n|$)|^\.\s+\S/.test(after);
}

/** So much of a text is its head, where the title and what is needed stand. */
const HEAD = 400;
const HEAD_LINES = 5;
const SET_OFF_BEFORE = /(?:^|[\n.;:!?,)\]|/·•~–—-]|\s{2})\s?$/u;
const SET_OFF_AFTER = /^(?:[ \t]*(?:$|\r?\n|[.;,)\]|/·•~–—-])|\s{2})/u;
/** "hippo notes us grey worsted 4mm"; "US worsted" and "US G hook" are a weight and a size. */
const OF_YARN =
  /^[ \t]+(?!size|weight|type|worsted|aran|dk|sport|fingering|wool|cotton)(?:\p{L}{3,}[ \t]+){1,2}(?:cotton|wool|worsted|acrylic|yarn|dk|aran|sport|fingering|hook|\d(?:[.,]\d+)?[ \t]?mm)(?!\p{L})/iu;
/** What is spoken of beside the name of a country, and so no pronoun; behind "all of" terms alone. */
const SURE = /term|crochet|abbrev/i;
const SAID = /term|crochet|abbrev|stitches/i;
/** "us words, all of it": who begins a sentence so speaks of terms. */
const BEGINS = /(?:\n[ \t]*\n|[.;:(])\s*$/u;
/** "let us", "all of us" */
const PRONOUN =
  /(?<!\p{L})(?:let|lets|of|with|for|to|by|from|join|and|give|gives|tell|tells|show|shows|send|like|than|both)\s$/iu;

/** Whether the name of a country stands by itself among what is told at the head of a text: the title, the yarn, the hook. */
function standsInHead(text: string, from: number, to: number): boolean {
  if (from > HEAD || text.slice(0, from).split('\n').length > HEAD_LINES) return false;
  const [before, after] = [text.slice(Math.max(0, from - 12), from), text.slice(to, to + 40)];
  if (PRONOUN.test(before)) return false;
  return (
    (SET_OFF_BEFORE.test(before) && SET_OFF_AFTER.test(after)) ||
    (/(?<!mm|size|hook)(?<=\p{L})\s$/iu.test(before) && OF_YARN.test(after))
  );
}

/** Every place where the text says which terms it is in: "US terms", "written in British terminology", "Terms: UK". */
export function declarationsIn(text: string): { vocabulary: Vocabulary; span: Span }[] {
  const found: { vocabulary: Vocabulary; span: Span }[] = [];
  COUNTRY.lastIndex = 0;
  for (let match = COUNTRY.exec(text); match; match = COUNTRY.exec(text)) {
    const name = match[1] ?? '';
    const end = match.index + match[0].length;
    const after = THING_AFTER.exec(text.slice(end, end + 50));
    const before = after ? null : THING_BEFORE.exec(text.slice(Math.max(0, match.index - 40), match.index));
    const written =
      WRITTEN_IN.test(text.slice(Math.max(0, match.index - 24), match.index)) &&
      !/^[ \t]*\d/.test(text.slice(end, end + 3));
    const alone =
      (WORKED_IN.test(text.slice(Math.max(0, match.index - 16), match.index)) &&
        STITCH_BEHIND.test(text.slice(end, end + 12))) ||
      (text.charAt(end) === ')' && CROCHET_OF.test(text.slice(Math.max(0, match.index - 10), match.index))) ||
      (written && (name !== 'us' || IN_US.test(text.slice(Math.max(0, match.index - 8), match.index)))) ||
      isAlone(text.slice(Math.max(0, match.index - 3), match.index), text.slice(end, end + 4)) ||
      standsInHead(text, match.index, end);
    if (!after && !before && !alone) continue;
    // "us" in lower case is a pronoun unless terms are spoken of.
    const spoken = PRONOUN.test(text.slice(Math.max(0, match.index - 12), match.index)) ? SURE : SAID;
    const begins = after !== null && BEGINS.test(text.slice(Math.max(0, match.index - 6), match.index));
    if (name === 'us' && !alone && !begins && !spoken.test((after ?? before)?.[0] ?? '')) continue;
    const vocabulary = /^(?:uk|u\.k\.|british|english)$/i.test(name) ? 'uk' : 'us';
    found.push({ vocabulary, span: { from: match.index, to: end } });
  }
  return found;
}

/** The vocabulary that most declarations name, with the first of them; null where they name both as often. */
function declaredIn(text: string): { vocabulary: Vocabulary; span: Span } | null {
  const all = declarationsIn(text);
  const uk = all.filter(({ vocabulary }) => vocabulary === 'uk');
  const us = all.filter(({ vocabulary }) => vocabulary === 'us');
  return us.length === uk.length ? null : ((us.length > uk.length ? us : uk)[0] ?? null);
}

/** A word that tells the vocabulary, or could be of both. */
export interface TermsWitness {
  readonly word: string;
  readonly count: number;
  readonly tells: Vocabulary | 'both';
  /** Where it stands first. */
  readonly first: number;
}

/** The words that a judgement of the vocabulary rests on, the most frequent first. */
export function witnessesIn(text: string): TermsWitness[] {
  const found = new Map<string, { word: string; count: number; tells: Vocabulary | 'both'; first: number }>();
  const note = (word: string, tells: Vocabulary | 'both', first: number) => {
    const known = found.get(word);
    if (known) known.count += 1;
    else found.set(word, { word, count: 1, tells, first });
  };
  for (const match of text.matchAll(STITCH_NAMES)) {
    const tells = match[1] !== undefined ? 'us' : match[2] !== undefined ? 'uk' : 'both';
    const name = (match[1] ?? match[2] ?? match[3] ?? '').toLowerCase().replace(/(?<=crochet|treble|double)s$/, '');
    note(name, tells, match.index);
  }
  for (const match of text.matchAll(WEAK_US)) note(match[0].toLowerCase(), 'us', match.index);
  for (const match of text.matchAll(WEAK_UK)) note(match[0].toLowerCase(), 'uk', match.index);
  return [...found.values()].sort((a, b) => b.count - a.count);
}

/** What a line may hold that says nothing but its terms: "US terms", "Terms: UK", "(written in British terminology throughout)". */
const OF_TERMS: ReadonlySet<string> = new Set(
  'us uk u s k american british english terms term words terminology abbreviations language crochet standard pattern written in use uses used using is are this the all throughout'.split(
    ' ',
  ),
);

/** Whether a line says nothing but its terms. */
export function saysTerms(text: string): boolean {
  const words = text.toLowerCase().match(/\p{L}+/gu) ?? [];
  return words.every((word) => OF_TERMS.has(word)) && declarationsIn(text).length > 0;
}

/** "Pear. American terms.", "Seal pup · US" */
const TERMS_BEHIND = /^(.*\S)\s*(?:[.,;·|•]|\s[–—-])\s+([^.,;·|•–—]{2,40})\.?\s*$/u;

/** A title without the terms that it may end on. */
export function withoutTerms(title: string): string {
  const [, before, said = ''] = TERMS_BEHIND.exec(title) ?? [];
  return before !== undefined && saysTerms(said) ? before : title;
}
