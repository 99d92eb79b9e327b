import type { Step } from '../pattern/instruction.js';
import { roundsOf, type Pattern, type Round } from '../pattern/pattern.js';
import { declarationsIn } from '../reading/detect.js';
import type { Span } from '../text/source.js';
import type { Vocabulary } from '../vocabulary/stitches.js';
import { NAMING } from './naming.js';
import { inEitherCase } from '../text/eitherCase.js';

/** A word that has another name in the other vocabulary, where it stands. */
export interface Mention {
  readonly span: Span;
  /** The name as the table has it: lower case, single spaces. */
  readonly name: string;
  readonly kind: 'stitch' | 'skip' | 'yarn-over' | 'gauge' | 'statement';
  /** Whether it is certain that the word speaks of crochet here. */
  readonly sure: boolean;
}

const STITCH_WORD = String.raw`(?:sts?|stitch(?:es)?|chs?|chains?|loops?|sc|dc|hdc|htr|tr|dtr|single|double|treble|half)`;
const SKIPS: Readonly<Record<Vocabulary, RegExp>> = {
  us: /(?<![\p{L}])(?:sk|skip(?:s|ped|ping)?)(?!\p{L})/giu,
  uk: /(?<![\p{L}])miss(?:es|ed|ing)?(?!\p{L})/giu,
};
/** "skip the next 2 sts", "the skipped stitch", "miss 1": what is passed over is a stitch. */
const SKIPS_STITCH = inEitherCase(
  String.raw`^\s*(?:(?:the|a|an|one|this|that|these|those|each|every|first|next|last|same|other|following|two|three|four|five|six|\d{1,2}(?:st|nd|rd|th)?|of)\s+){0,4}${STITCH_WORD}(?!\p{L})`,
);
const YARN: Readonly<Record<Vocabulary, RegExp>> = {
  us: /(?<![\p{L}-])(?:yarn[\s-]{1,3}over(?:s?)|yo)(?![\p{L}-])/giu,
  uk: /(?<![\p{L}-])(?:yarn[\s-]{1,3}round[\s-]{1,3}hook|yarn[\s-]{1,3}over[\s-]{1,3}hook|yrh|yoh)(?![\p{L}-])/giu,
};
const MEASURE: Readonly<Record<Vocabulary, RegExp>> = {
  us: /(?<!\p{L})gauges?(?!\p{L})/giu,
  uk: /(?<!\p{L})tensions?(?!\p{L})/giu,
};
/** "keep an even tension", "under tension": how tight the yarn is held, and no measure. */
const HELD =
  /(?:even|steady|tight|loose|firm|same|consistent|good|gentle|light|little|more|less|under|your yarn|yarn|keep|hold|relax)\s+(?:the\s+|your\s+|an?\s+)?$/iu;
const MEASURES = /^\s*(?:[:=–-]|is\b|isn|square|swatch|:|in\b|of\b|\d|\(|does|doesn|not\b|matters)/iu;
const MEASURED = /(?:check|match|obtain|achieve|to|the|stated|correct|given|and)\s+(?:the\s+|your\s+|this\s+)?$/iu;
/** What makes a loose word a stitch, and what makes it none. */
const OF_STITCH_BEFORE =
  /(?:(?<!\p{L})(?:a|an|one|two|three|four|five|six|seven|eight|each|every|next|work|first|last|half|\d{1,3})\s?)$/iu;
const OF_STITCH_AFTER =
  /^(?:s?(?:\s+(?:in|into|around|over|along|across|on|together|sts?|stitch(?:es)?))(?!\p{L})|s(?!\p{L}))/iu;
const NO_STITCH_AFTER =
  /^(?:[- ]?(?:knit\p{L}*|check\p{L}*|strand\p{L}*|yarn|thread\p{L}*|wool|cotton|knot\p{L}*|up|layer\p{L}*|thickness\p{L}*|pointed|sided|ended|clef|length|the|amount|loop|line|piece|colou?r|decker|chin|time|size|bed|bow|over|wrap\p{L}*|crochet hook))(?!\p{L})/iu;
const QUOTED = /"[^"\n]{1,80}"(?![\p{L}\d])|“[^”\n]{1,80}”|https?:\S+|www\.\S+/giu;
const MAIL = /(?<!\S)\S{1,80}@\S+\.\S+/gu;

/** All words of a pattern that have another name in the other vocabulary, in the order of the text. */
export function mentionsIn(pattern: Pattern): Mention[] {
  const places = new Places(pattern);
  const { text } = pattern.source;
  const from = pattern.terms.used;
  const statements = declarationsIn(text)
    .filter(({ vocabulary }) => vocabulary === from)
    .map(({ span }): Mention => {
      return { span, name: text.slice(span.from, span.to).toLowerCase(), kind: 'statement', sure: true };
    });
  return [
    ...stitchesIn(text, from, places),
    ...skipsIn(text, from, places),
    ...yarnOversIn(text, from, places),
    ...measuresIn(text, from, places),
    ...statements,
  ].sort((a, b) => a.span.from - b.span.from);
}

function stitchesIn(text: string, from: Vocabulary, places: Places): Mention[] {
  const mentions: Mention[] = [];
  for (const match of text.matchAll(NAMING[from].words)) {
    const [all, prefix = '', written = ''] = match;
    const at = match.index + prefix.length;
    const name = written.toLowerCase().replace(/[\s>-]+/gu, ' ');
    if (places.untouched(match.index)) continue;
    const sure = isStitch(name, text, match.index, match.index + all.length, places, from);
    if (sure === null) continue;
    mentions.push({ span: { from: at, to: at + written.length }, name, kind: 'stitch', sure });
  }
  return mentions;
}

function skipsIn(text: string, from: Vocabulary, places: Places): Mention[] {
  const mentions: Mention[] = [];
  for (const match of text.matchAll(SKIPS[from])) {
    const span = spanOf(match);
    if (places.untouched(span.from)) continue;
    const listed = places.inLegend(span.from);
    const stitch = SKIPS_STITCH.test(text.slice(span.to, span.to + 60));
    if (stitch || listed || places.skipAt(span.from))
      mentions.push({ span, name: match[0].toLowerCase(), kind: 'skip', sure: true });
  }
  return mentions;
}

function yarnOversIn(text: string, from: Vocabulary, places: Places): Mention[] {
  return [...text.matchAll(YARN[from])]
    .map((match): Mention => ({ span: spanOf(match), name: match[0].toLowerCase(), kind: 'yarn-over', sure: true }))
    .filter(({ span }) => !places.untouched(span.from));
}

function measuresIn(text: string, from: Vocabulary, places: Places): Mention[] {
  const mentions: Mention[] = [];
  for (const match of text.matchAll(MEASURE[from])) {
    const span = spanOf(match);
    const before = text.slice(Math.max(0, span.from - 40), span.from);
    const after = text.slice(span.to, span.to + 20);
    const begins = /(?:^|[\n.!?*#_(:;]\s*)$/u.test(before);
    if (places.untouched(span.from) || HELD.test(before)) continue;
    const sure = from === 'us' || begins || MEASURES.test(after) || MEASURED.test(before);
    mentions.push({ span, name: match[0].toLowerCase(), kind: 'gauge', sure });
  }
  return mentions;
}

/** Whether a name speaks of a stitch where it stands: yes, perhaps (false), or surely not (null). */
function isStitch(
  name: string,
  text: string,
  from: number,
  to: number,
  places: Places,
  vocabulary: Vocabulary,
): boolean | null {
  if (!NAMING[vocabulary].loose.has(name)) {
    // "a treble clef"
    return name.endsWith('treble') && NO_STITCH_AFTER.test(text.slice(to, to + 30)) ? null : true;
  }
  const after = text.slice(to, to + 30);
  const round = places.roundAt(from);
  if (
    NO_STITCH_AFTER.test(after) ||
    /(?:every|held?|hold(?:ing)?|yarn|use[ds]?|it|them|strands?)\s$/iu.test(text.slice(Math.max(0, from - 9), from))
  )
    return null;
  if (round && places.workAt(from)) return true;
  const before = text.slice(Math.max(0, from - 14), from);
  return OF_STITCH_BEFORE.test(before) && OF_STITCH_AFTER.test(after);
}

function spanOf(match: RegExpExecArray): Span {
  return { from: match.index, to: match.index + match[0].length };
}

/** What the reader knows of each place in a text. Asked from left to right. */
class Places {
  readonly #rounds: readonly Round[];
  readonly #left: readonly Span[];
  readonly #legend: readonly Span[];

  constructor(pattern: Pattern) {
    const { text } = pattern.source;
    this.#rounds = roundsOf(pattern);
    this.#legend = pattern.legend.map(({ span }) => span);
    const left: Span[] = [];
    for (const { name, heading } of pattern.parts) {
      const at = text.slice(heading.from, heading.to).toLowerCase().indexOf(name.toLowerCase());
      if (at >= 0) left.push({ from: heading.from + at, to: heading.from + at + name.length });
    }
    if (pattern.title) {
      const at = text.indexOf(pattern.title);
      const isName = pattern.title.length < 60 && !/term|crochet|\d/i.test(pattern.title);
      if (at >= 0 && isName) left.push({ from: at, to: at + pattern.title.length });
    }
    for (const match of text.matchAll(QUOTED)) {
      // Marks in an instruction are inches or hold a repeat, and quote nobody.
      if (this.roundAt(match.index) === null || /^\p{L}/u.test(match[0])) left.push(spanOf(match));
    }
    // Looked for only where there is one: this one tries every word.
    if (text.includes('@')) for (const match of text.matchAll(MAIL)) left.push(spanOf(match));
    this.#left = left.sort((a, b) => a.from - b.from);
  }

  /** Names of parts and of the pattern, quotations and addresses. */
  untouched(at: number): boolean {
    return find(this.#left, at) !== null;
  }

  inLegend(at: number): boolean {
    return find(this.#legend, at) !== null && this.roundAt(at) === null;
  }

  roundAt(at: number): Round | null {
    let low = 0;
    let high = this.#rounds.length - 1;
    while (low <= high) {
      const middle = (low + high) >> 1;
      const round = this.#rounds[middle];
      if (!round) return null;
      if (at < round.span.from) high = middle - 1;
      else if (at >= round.span.to) low = middle + 1;
      else return round;
    }
    return null;
  }

  skipAt(at: number): boolean {
    return this.#stepAt(at, (step) => step.kind === 'skip');
  }

  /** Whether a stitch was read from the words at a place. */
  workAt(at: number): boolean {
    return this.#stepAt(at, (step) => step.kind === 'work' && step.stitch !== null);
  }

  #stepAt(at: number, is: (step: Step) => boolean): boolean {
    const round = this.roundAt(at);
    const look = (steps: readonly Step[]): boolean =>
      steps.some((step) => {
        if (at < step.span.from || at >= step.span.to) return false;
        if (step.kind === 'repeat') return look(step.body);
        if (step.kind === 'group') return look(step.members) || is(step);
        return is(step);
      });
    return round !== null && look(round.steps);
  }
}

/** The span that holds a place, among spans in order; null where none does. */
function find(spans: readonly Span[], at: number): Span | null {
  let low = 0;
  let high = spans.length - 1;
  while (low <= high) {
    const middle = (low + high) >> 1;
    const span = spans[middle];
    if (!span) return null;
    if (at < span.from) high = middle - 1;
    else if (at >= span.to) low = middle + 1;
    else return span;
  }
  return null;
}
